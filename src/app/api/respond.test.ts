import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { z } from 'zod';

import { DataError } from '@/data/db';
import { handler } from './handler';
import { asDownload, readBody, readJson, RefusedError, respond } from './respond';

const requestOf = (chunks: readonly Uint8Array[]) => {
  let pulled = 0;
  const body = new ReadableStream<Uint8Array>({
    pull: (controller) => {
      const chunk = chunks[pulled];
      pulled += 1;
      if (chunk) controller.enqueue(chunk);
      else controller.close();
    },
  });
  return {
    request: new Request('http://127.0.0.1/', {
      method: 'POST',
      body,
      duplex: 'half',
    } as RequestInit),
    pulledCount: () => pulled,
  };
};
const bytes = (length: number) => new Uint8Array(length).fill(7);

const upTo = (maxBytes: number) => ({ maxBytes, what: 'This picture' });
const refusalOf = async (work: Promise<unknown>) => {
  const error: unknown = await work.catch((thrown: unknown) => thrown);
  if (!(error instanceof RefusedError)) throw new Error('it was not refused');
  const body = (await error.response.json()) as { error: { message: string } };
  return [error.response.status, body.error.message];
};
const announcing = (length: number, chunks: readonly Uint8Array[]) => {
  const { request, pulledCount } = requestOf(chunks);
  const headers = new Headers({ 'content-length': String(length) });
  return {
    request: new Proxy(request, {
      get: (of, key) => (key === 'headers' ? headers : (Reflect.get(of, key, of) as unknown)),
    }),
    pulledCount,
  };
};

test('a body is read whole up to its limit', async () => {
  const read = await readBody(requestOf([bytes(3), bytes(4)]).request, upTo(7));
  expect([...read]).toEqual([...bytes(7)]);
  const empty = new Request('http://127.0.0.1/', { method: 'POST' });
  expect(await readBody(empty, upTo(7))).toHaveLength(0);
});

test('a body above its limit is given up as soon as that is known, and the limit is said', async () => {
  const { request, pulledCount } = requestOf(Array.from({ length: 50 }, () => bytes(1000)));
  expect(await refusalOf(readBody(request, upTo(2500)))).toEqual([
    413,
    'This picture is larger than 2.5 kB.',
  ]);
  expect(pulledCount()).toBeLessThan(8);
});

test('a body that is announced above the limit is not read at all', async () => {
  const { request, pulledCount } = announcing(26_000_000, [bytes(5), bytes(5)]);
  expect(await refusalOf(readBody(request, upTo(25_000_000)))).toEqual([
    413,
    'This picture is larger than 25 MB.',
  ]);
  // A stream fetches its first piece by itself.
  expect(pulledCount()).toBeLessThanOrEqual(1);
});

test('a body that arrives short is never taken for a whole one', async () => {
  const { request } = announcing(10, [bytes(4), bytes(5)]);
  expect(await refusalOf(readBody(request, upTo(20)))).toEqual([
    400,
    'This picture did not arrive whole. Send it again.',
  ]);
});

test('what does not parse names its field; nothing is run', async () => {
  const work = jest.fn();
  const response = await respond(
    z.object({ events: z.array(z.object({ count: z.number().min(1) })) }),
    { events: [{ count: 0 }] },
    work,
  );
  expect([response.status, (await response.json()) as unknown]).toEqual([
    400,
    {
      error: expect.objectContaining({
        code: 'bad_request',
        path: ['events', 0, 'count'],
        message: expect.stringMatching(/^events\.0\.count: /),
      }),
    },
  ]);
  expect(work).not.toHaveBeenCalled();
});

const own = { host: '127.0.0.1:4310', origin: 'http://127.0.0.1:4310' };
const post = (headers: Record<string, string>) =>
  new Request('http://127.0.0.1:4310/api/x', { method: 'POST', headers });

test.each([
  [new DataError('not_found', 'words'), 404, 'not_found'],
  [new DataError('id_reused', 'words'), 409, 'id_reused'],
  [Object.assign(new Error('full'), { code: 'SQLITE_FULL' }), 507, 'disk_full'],
  [Object.assign(new Error('no space'), { code: 'ENOSPC' }), 507, 'disk_full'],
  [Object.assign(new Error('locked'), { code: 'SQLITE_READONLY_DBMOVED' }), 503, 'read_only'],
  [Object.assign(new Error('bad page'), { code: 'SQLITE_CORRUPT' }), 503, 'database_damaged'],
  [Object.assign(new Error('gone'), { code: 'SQLITE_CONSTRAINT_FOREIGNKEY' }), 404, 'not_found'],
  [new TypeError('terminated'), 400, 'not_whole'],
] as const)('%s becomes %d in words', async (error, status, code) => {
  const response = await handler(() => Promise.reject(error))(post(own), undefined);
  const body = (await response.json()) as { error: { code: string; message: string } };
  expect([response.status, body.error.code]).toEqual([status, code]);
  expect(body.error.message).toMatch(/^[A-Z].*\.$/);
  expect(body.error.message).not.toMatch(/SQLITE|Error|undefined/);
});

test('a fault of ours is not dressed up as the user’s', async () => {
  const broken = handler(() => Promise.reject(new Error('bug')));
  await expect(broken(post(own), undefined)).rejects.toThrow('bug');
});

test('every route is guarded, and its answers carry a policy that runs no script', async () => {
  const work = jest.fn(() => Response.json({}));
  const strange = await handler(work)(post({ ...own, origin: 'https://evil.example' }), undefined);
  const renamed = await handler(work)(post({ ...own, host: 'evil.example' }), undefined);
  expect([strange.status, renamed.status, work.mock.calls.length]).toEqual([403, 421, 0]);
  const good = await handler(work)(post(own), undefined);
  expect(good.headers.get('content-security-policy')).toContain("script-src 'none'");
  expect(good.headers.get('x-content-type-options')).toBe('nosniff');
});

/** A route that is not made by `handler` would answer anybody: proxy.ts leaves all of /api to it. */
test('every route file makes all of its methods by the handler', () => {
  const files = readdirSync(__dirname, { recursive: true, encoding: 'utf8' }).filter((name) =>
    name.endsWith('route.ts'),
  );
  expect(files.length).toBeGreaterThan(15);
  for (const file of files) {
    const text = readFileSync(path.join(__dirname, file), 'utf8');
    const exported = text.match(/^export (?!const dynamic).*$/gm) ?? [];
    expect([
      file,
      exported.filter((line) => !/^export const [A-Z]+ = handler\(/.test(line)),
    ]).toEqual([file, []]);
  }
});

test('what is no JSON is nothing, and a file name cannot break out of its header', () => {
  expect(readJson('{')).toBeUndefined();
  expect(new Headers(asDownload('a"; x=\r\n../b.csv', 'text/csv')).get('content-disposition')).toBe(
    'attachment; filename="a---x---..-b.csv"',
  );
});
