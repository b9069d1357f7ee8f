import { NextRequest } from 'next/server';

import { proxy } from './proxy';

const ask = (method: string, headers: Record<string, string>, host = '127.0.0.1:4310') =>
  proxy(new NextRequest(`http://${host}/api/x`, { method, headers: { host, ...headers } }));
const OWN = { origin: 'http://127.0.0.1:4310', 'sec-fetch-site': 'same-origin' };

test.each(['127.0.0.1:4310', 'localhost:4310', 'localhost', '[::1]:4310'])(
  'answers to %s',
  (host) => expect(ask('GET', {}, host).status).toBe(200),
);

test.each(['evil.example', '127.0.0.1.evil.example', 'localhost.evil.example:4310', '192.0.2.7'])(
  'does not answer to %s',
  (host) => expect(ask('GET', {}, host).status).toBe(421),
);

test('names that were added by hand are answered to, and no others', () => {
  process.env.TINBOX_HOSTS = 'counter-tablet, desk.local';
  expect(ask('GET', {}, 'desk.local:4310').status).toBe(200);
  expect(ask('GET', {}, 'local:4310').status).toBe(421);
  delete process.env.TINBOX_HOSTS;
});

test.each([
  ['our own page', OWN, 200],
  ['our own page on an older browser', { origin: OWN.origin }, 200],
  ['our own page without an origin', { 'sec-fetch-site': 'same-origin' }, 200],
  ['another site', { origin: 'https://evil.example', 'sec-fetch-site': 'cross-site' }, 403],
  ['another port', { origin: 'http://127.0.0.1:9999' }, 403],
  [
    'another scheme’s page that lies about its site',
    { origin: 'https://evil.example', 'sec-fetch-site': 'same-origin' },
    403,
  ],
  ['a sandboxed frame', { origin: 'null' }, 403],
  ['a page opened by hand', { 'sec-fetch-site': 'none' }, 403],
  ['nobody in particular', {}, 403],
])('a change from %s', (_, headers, status) => {
  for (const method of ['POST', 'PUT', 'PATCH', 'DELETE'])
    expect(ask(method, headers as Record<string, string>).status).toBe(status);
});

test('reading is open to a link from anywhere, since it changes nothing', () =>
  expect(ask('GET', { 'sec-fetch-site': 'cross-site' }).status).toBe(200));

test('every answer has a policy with a nonce of its own', () => {
  const nonces = Array.from(
    { length: 20 },
    () => /'nonce-([^']+)'/.exec(ask('GET', {}).headers.get('content-security-policy') ?? '')?.[1],
  );
  expect(new Set(nonces).size).toBe(20);
  const policy = ask('GET', {}).headers.get('content-security-policy') ?? '';
  for (const rule of [
    "default-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "connect-src 'self'",
  ])
    expect(policy).toContain(rule);
  expect(policy).not.toContain('http');
});
