import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import http, { type IncomingMessage } from 'node:http';
import https from 'node:https';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { checkServerIdentity } from 'node:tls';
import { sealData } from 'iron-session';

import { openMemoryDatabase, type Db } from '@/data/db';
import { listDevices } from '@/data/deviceRepo';
import { readAuthorityCertificate } from '@/server/devices/authorityFile';
import { certifyMachine, readBrought, type ServedCertificate } from '@/gateway/certificates';
import { startGateway, type Gateway } from '@/gateway/startGateway';
import {
  CODE_MINUTES,
  LET_IN_DAYS,
  makePairingCode,
  MOST_WRONG,
  putOutDevice,
} from '@/server/devices/pairing';

const SECRET = 'a secret of thirty-two characters';
const NAMES = ['localhost', 'desk.local', '127.0.0.1'];
const certDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-cert-'));
afterAll(() => rmSync(certDir, { recursive: true, force: true }));
const certify = () => certifyMachine(certDir, { now: new Date(), names: NAMES });
/** What the gateway shows; tests may bring another. */
let shown: () => Promise<ServedCertificate> = () => certify();
let db: Db;
let gateway: Gateway;
let upstream: http.Server;
let clock = new Date('2026-11-25T09:00:00Z');
/** What reached the app. */
let arrived: {
  readonly url: string | undefined;
  readonly method: string | undefined;
  readonly headers: IncomingMessage['headers'];
  readonly body: string;
}[] = [];

const begin = async (proxies: readonly string[] = []): Promise<void> => {
  arrived = [];
  clock = new Date('2026-11-25T09:00:00Z');
  db = await openMemoryDatabase();
  upstream = http.createServer((request, response) => {
    let body = '';
    request.on('data', (chunk: Buffer) => (body += chunk.toString()));
    request.on('end', () => {
      arrived.push({ url: request.url, method: request.method, headers: request.headers, body });
      if (request.url === '/stream') return response.write('data: first\n\n');
      return response.end('of the home');
    });
  });
  await new Promise<void>((resolve) => upstream.listen(0, '127.0.0.1', resolve));
  gateway = await startGateway({
    db,
    secret: SECRET,
    upstreamPort: (upstream.address() as AddressInfo).port,
    host: '127.0.0.1',
    port: 0,
    certify: () => shown(),
    authority: () => readAuthorityCertificate(certDir),
    proxies,
    now: () => clock,
    sweepMs: 20,
    limits: { openAtOnce: 6, strangersAMinute: 25 },
  });
};
/** The machine's own authority and nobody else; whatever the host header says, it is asked by its address. */
const trust = () => ({
  ca: readAuthorityCertificate(certDir)?.pem,
  checkServerIdentity: (...[, certificate]: Parameters<typeof checkServerIdentity>) =>
    checkServerIdentity('127.0.0.1', certificate),
});
beforeEach(() => begin());
afterEach(async () => {
  await gateway.close();
  upstream.closeAllConnections();
  await new Promise((resolve) => upstream.close(resolve));
  await db.destroy();
});

interface Asked {
  /** In the clear. */
  readonly isPlain?: boolean;
  readonly method?: string;
  readonly headers?: Record<string, string>;
  readonly body?: string;
}
function ask(
  path: string,
  { isPlain = false, method = 'GET', headers = {}, body }: Asked = {},
): Promise<{ status: number | undefined; headers: IncomingMessage['headers']; body: string }> {
  return new Promise((resolve, reject) => {
    const request = (isPlain ? http : https).request(
      // Trusts the machine's own authority and nobody else: a wrong certificate ends the test.
      { host: '127.0.0.1', port: gateway.port, path, method, headers, ...trust() },
      (response) => {
        let text = '';
        response.on('data', (chunk: Buffer) => (text += chunk.toString()));
        response.on('end', () =>
          resolve({ status: response.statusCode, headers: response.headers, body: text }),
        );
        response.on('error', reject);
      },
    );
    request.on('error', reject);
    request.end(body);
  });
}
const pair = (code: string, name = 'Phone of Ida') =>
  ask('/pair', {
    method: 'POST',
    headers: { 'content-type': 'application/x-www-form-urlencoded' },
    body: new URLSearchParams({ code, name }).toString(),
  });
const cookieOf = (answer: { headers: IncomingMessage['headers'] }) => ({
  cookie: answer.headers['set-cookie']?.[0]?.split(';')[0] ?? '',
});
const letIn = async () => cookieOf(await pair((await makePairingCode(db, clock)).code));

test('a client’s link passes without a pairing, alone, under the asker’s own address', async () => {
  const link = '/c/page-1/secret_-2';
  for (const [method, path] of [
    ['GET', link],
    ['POST', `${link}/answers`],
    ['GET', `${link}/pictures/p1`],
  ] as const)
    expect(
      (await ask(path, { method, headers: { 'x-tinbox-address': 'me', cookie: 'a=b' } })).body,
    ).toBe('of the home');
  expect(arrived.map(({ headers }) => [headers['x-tinbox-address'], headers.cookie])).toEqual(
    Array.from({ length: 3 }, () => ['127.0.0.1', undefined]),
  );
  arrived = [];
  for (const path of [
    '/c/page-1',
    `${link}/../../projects`,
    '/c/a/b/c',
    `${link}/answers/x`,
    '//c/a/b',
  ])
    expect((await ask(path)).status).toBe(401);
  expect(arrived).toEqual([]);
});

test.each([
  ['GET', '/'],
  ['GET', '/projects/x'],
  ['GET', '/api/pictures/p'],
  ['GET', '/_next/static/a.js'],
  ['POST', '/api/projects/x/decisions'],
  ['PUT', '/api/uploads/u'],
  ['DELETE', '/'],
  ['GET', '/pair'],
])('%s %s without a pairing is answered with the pairing page alone', async (method, path) => {
  const answer = await ask(path, {
    method,
    headers: { 'x-tinbox-device': 'me', 'x-forwarded-for': '127.0.0.1' },
  });
  expect(answer.status).toBe(401);
  expect(answer.body).toContain('Join this Tin Box');
  expect(arrived).toEqual([]);
});

test('a code lets one device in, by name, and no second one', async () => {
  const { code } = await makePairingCode(db, clock);
  const answer = await pair(` ${code.slice(0, 4).toLowerCase()}-${code.slice(4)} `);
  expect(answer.headers['set-cookie']?.[0]).toMatch(
    /^tin-box-let-in=[^;]+; HttpOnly; Secure; SameSite=Strict; Path=\/; Max-Age=\d+$/,
  );
  expect((await ask('/projects', { headers: cookieOf(answer) })).body).toBe('of the home');
  expect((await listDevices(db)).map(({ name }) => name)).toEqual(['Phone of Ida']);
  expect((await pair(code)).status).toBe(401);
  expect(await listDevices(db)).toHaveLength(1);
});

test('a code that has run out lets nobody in, nor does one that a newer one replaced', async () => {
  const old = await makePairingCode(db, clock);
  clock = new Date(clock.getTime() + CODE_MINUTES * 60_000);
  expect((await pair(old.code)).body).toContain('no code to join by');
  const replaced = await makePairingCode(db, clock);
  await makePairingCode(db, new Date(clock.getTime() + 1));
  expect((await pair(replaced.code)).status).toBe(401);
  expect(await listDevices(db)).toEqual([]);
});

test('guessing ends the code: after too many wrong ones the right one is refused too', async () => {
  const { code } = await makePairingCode(db, clock);
  for (let i = 0; i < MOST_WRONG; i += 1) expect((await pair(`WRONG${i}`)).status).toBe(401);
  expect((await pair(code)).body).toContain('no code to join by');
  expect(await listDevices(db)).toEqual([]);
});

test('a device that was put out sees the pairing page, and its open stream ends', async () => {
  const cookie = await letIn();
  const stream = ask('/stream', { headers: cookie }).catch(() => 'cut');
  await new Promise((resolve) => setTimeout(resolve, 60));
  await putOutDevice(db, (await listDevices(db))[0]?.id ?? '', clock);
  expect(await stream).toBe('cut');
  expect((await ask('/projects', { headers: cookie })).status).toBe(401);
});

test('a cookie that was sealed elsewhere, is no seal, or names nobody opens nothing', async () => {
  await letIn();
  const [device] = await listDevices(db);
  const forged = await sealData(
    { deviceId: device?.id },
    { password: 'another secret of 32 characters!!' },
  );
  const nobody = await sealData({ deviceId: 'nobody' }, { password: SECRET });
  for (const value of [forged, nobody, device?.id ?? '', ''])
    expect((await ask('/', { headers: { cookie: `tin-box-let-in=${value}` } })).status).toBe(401);
  expect(arrived).toEqual([]);
});

test('a device that was not seen for long has to be paired again', async () => {
  const cookie = await letIn();
  clock = new Date(clock.getTime() + LET_IN_DAYS * 86_400_000 + 1000);
  expect((await ask('/', { headers: cookie })).status).toBe(401);
});

test('what is handed on carries the device, not what the sender claims, and no cookie of the gateway', async () => {
  const cookie = await letIn();
  const origin = `https://127.0.0.1:${gateway.port}`;
  await ask('/api/x', {
    method: 'POST',
    headers: {
      cookie: `${cookie.cookie}; theme=plain`,
      origin,
      'x-tinbox-device': 'desk',
      'x-forwarded-for': '1.2.3.4',
      'content-type': 'text/plain',
    },
    body: 'three hats',
  });
  await ask('/api/x', {
    method: 'POST',
    headers: { ...cookie, origin: 'http://elsewhere.example' },
  });
  const [own, foreign] = arrived;
  expect(own).toMatchObject({
    method: 'POST',
    url: '/api/x',
    body: 'three hats',
    headers: { 'x-tinbox-device': (await listDevices(db))[0]?.id, cookie: 'theme=plain' },
  });
  expect(own?.headers.origin).toBe(`http://${own?.headers.host}`);
  expect(own?.headers['x-forwarded-for']).toBeUndefined();
  // The app refuses it by itself: its origin is not its host.
  expect(foreign?.headers.origin).toBe('http://elsewhere.example');
});

test('a name that is not this machine’s address is refused, and a form from another site too', async () => {
  const cookie = await letIn();
  expect((await ask('/', { headers: { ...cookie, host: 'evil.example' } })).status).toBe(421);
  const { code } = await makePairingCode(db, clock);
  expect(
    (
      await ask('/pair', {
        method: 'POST',
        headers: { origin: 'http://evil.example' },
        body: `code=${code}&name=x`,
      })
    ).status,
  ).toBe(403);
  expect(arrived).toEqual([]);
});

test('a calendar reads by the key of its device and nothing else does, until the device is revoked', async () => {
  const cookie = await letIn();
  const said = JSON.parse((await ask('/api/calendar/address', { headers: cookie })).body) as {
    address: string;
  };
  const { pathname, search, searchParams } = new URL(said.address);
  expect(pathname).toBe('/api/calendar');
  const answer = await ask(`${pathname}${search}`);
  expect([answer.status, answer.body]).toEqual([200, 'of the home']);
  // The key went no further than the gateway.
  expect(arrived.map(({ url }) => url)).toEqual(['/api/calendar']);
  const key = searchParams.get('key') ?? '';
  expect((await ask(`/api/projects/x/visits${search}`)).status).toBe(401);
  expect((await ask(`${pathname}${search}`, { method: 'POST' })).status).toBe(401);
  expect((await ask('/', { headers: { cookie: `tin-box-let-in=${key}` } })).status).toBe(401);
  expect((await ask(`${pathname}?key=${cookie.cookie.split('=')[1] ?? ''}`)).status).toBe(401);
  const [device] = await listDevices(db);
  await putOutDevice(db, device?.id ?? '', clock);
  expect((await ask(`${pathname}${search}`)).status).toBe(401);
});

describe('in the clear and encrypted', () => {
  afterEach(() => {
    shown = () => certify();
  });

  test('in the clear there is one page, which names the fingerprint, and the certificate', async () => {
    const { fingerprint, pem } = readAuthorityCertificate(certDir)!;
    const cookie = await letIn();
    for (const path of ['/', '/projects', '/c/page-1/secret_-2', '/api/calendar?key=x']) {
      const answer = await ask(path, { isPlain: true, headers: cookie });
      expect(answer.status).toBe(200);
      expect(answer.body).toContain(fingerprint.replace(/:/g, ' '));
      expect(answer.body).toContain(`https://127.0.0.1:${gateway.port}/pair`);
      expect(answer.headers['strict-transport-security']).toBeUndefined();
    }
    expect((await ask('/pair', { isPlain: true, method: 'POST', body: 'code=x' })).status).toBe(
      426,
    );
    expect((await ask('/authority.crt', { isPlain: true })).body).toBe(pem);
    expect((await ask('/', { isPlain: true, headers: { host: 'evil.example' } })).status).toBe(421);
    expect(arrived).toEqual([]);
  });

  test('keys are readable by their owner alone; a certificate is renewed in time and for new names', async () => {
    const dir = mkdtempSync(path.join(certDir, 'renewed-'));
    const at = (day: string, names = NAMES) =>
      certifyMachine(dir, { now: new Date(`${day}T09:00:00Z`), names });
    const first = await at('2026-11-25');
    for (const name of ['authority.key', 'machine.key'])
      expect(statSync(path.join(dir, name)).mode & 0o777).toBe(0o600);
    expect(await at('2027-01-25')).toEqual(first);
    const wider = await at('2027-01-25', [...NAMES, '10.0.0.7']);
    expect(wider.names).toEqual([...NAMES, '10.0.0.7']);
    const authority = readFileSync(path.join(dir, 'authority.pem'), 'utf8');
    const late = await at('2027-08-01');
    expect(late.endsAt.getTime()).toBeGreaterThan(wider.endsAt.getTime());
    // Devices trust the authority: it stays the same for years.
    expect(readFileSync(path.join(dir, 'authority.pem'), 'utf8')).toBe(authority);
  });

  test('with a certificate that was brought browsers are told to stay encrypted', async () => {
    await certify();
    shown = () =>
      Promise.resolve(
        readBrought(path.join(certDir, 'machine.pem'), path.join(certDir, 'machine.key')),
      );
    await gateway.close();
    await begin();
    expect((await ask('/')).headers['strict-transport-security']).toMatch(/^max-age=\d+$/);
    expect((await ask('/', { headers: { host: 'desk.local' } })).status).toBe(401);
  });

  test('forwarded headers count from named proxies alone', async () => {
    const forwarded = {
      'x-forwarded-proto': 'https',
      'x-forwarded-host': 'desk.local',
      'x-forwarded-for': '203.0.113.9, 198.51.100.4',
    };
    const link = '/c/page-1/secret_-2';
    await ask(link, { headers: forwarded });
    expect((await ask(link, { isPlain: true, headers: forwarded })).body).toContain('Come in');
    await gateway.close();
    const before = arrived.map(({ headers }) => headers['x-tinbox-address']);
    await begin(['127.0.0.1']);
    expect((await ask(link, { isPlain: true, headers: forwarded })).body).toBe('of the home');
    expect([before, arrived.map(({ headers }) => headers['x-tinbox-address'])]).toEqual([
      ['127.0.0.1'],
      ['198.51.100.4'],
    ]);
    expect(
      (
        await ask(link, {
          isPlain: true,
          headers: { ...forwarded, 'x-forwarded-host': 'evil.example' },
        })
      ).status,
    ).toBe(421);
  });
});
