import { expect, test } from '@playwright/test';

test('pages carry a policy without inline scripts, and are not to be framed or sniffed', async ({
  request,
}) => {
  const response = await request.get('/');
  const policy = response.headers()['content-security-policy'] ?? '';
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'wasm-unsafe-eval'/);
  expect(policy).not.toMatch(/script-src[^;]*'unsafe-inline'/);
  expect(policy).toContain("frame-ancestors 'self'");
  expect(response.headers()).toMatchObject({
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'no-referrer',
  });
});

for (const [what, headers] of [
  ['another origin', { origin: 'https://elsewhere.example', 'sec-fetch-site': 'cross-site' }],
  ['a page of another port', { origin: 'http://127.0.0.1:1', 'sec-fetch-site': 'same-site' }],
  ['something that says nothing of itself', {}],
] as const) {
  test(`a change from ${what} is refused`, async ({ request }) => {
    const response = await request.post('/api/projects/any/decisions', {
      headers,
      data: { events: [] },
    });
    expect(response.status()).toBe(403);
  });
}

test('a name that is not ours gets no answer', async ({ request }) => {
  expect((await request.get('/', { headers: { host: 'evil.example' } })).status()).toBe(421);
});

test('bad input names its field and keeps nothing', async ({ request, baseURL }) => {
  const headers = { origin: baseURL ?? '', 'sec-fetch-site': 'same-origin' };
  const bad = await request.post('/api/projects/some-home/decisions', {
    headers,
    data: { events: [{ kind: 'decided', id: 'a', thingId: 't', count: 0 }] },
  });
  expect(bad.status()).toBe(400);
  expect((await bad.json()).error.message).toMatch(/^events\.0\./);
  const climb = await request.get('/api/pictures/..%2F..%2Ftinbox.sqlite');
  expect(climb.status()).toBe(400);
  const none = await request.get('/projects/no-such-home');
  expect(none.status()).toBe(404);
});
