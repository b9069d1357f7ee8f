import { z } from 'zod';

import { DataError } from '@/data/db';
import { asDownload, readBody, readJson, respond } from './respond';

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

test('a body is read whole up to its limit', async () => {
  expect(await readBody(requestOf([bytes(3), bytes(4)]).request, 7)).toEqual(bytes(7));
  expect(await readBody(new Request('http://127.0.0.1/', { method: 'POST' }), 7)).toEqual(bytes(0));
});

test('a body above its limit is given up as soon as that is known', async () => {
  const { request, pulledCount } = requestOf(Array.from({ length: 50 }, () => bytes(1000)));
  expect(await readBody(request, 2500)).toBeUndefined();
  expect(pulledCount()).toBeLessThan(8);
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

test.each([
  ['not_found', 404],
  ['id_reused', 409],
  ['changed_since', 409],
] as const)('%s becomes %d', async (code, status) => {
  const response = await respond(z.object({}), {}, () =>
    Promise.reject(new DataError(code, 'words')),
  );
  expect([
    response.status,
    ((await response.json()) as { error: { code: string } }).error.code,
  ]).toEqual([status, code]);
});

test('a fault of ours is not dressed up as the user’s', async () => {
  await expect(respond(z.object({}), {}, () => Promise.reject(new Error('bug')))).rejects.toThrow(
    'bug',
  );
});

test('what is no JSON is nothing, and a file name cannot break out of its header', () => {
  expect(readJson('{')).toBeUndefined();
  expect(new Headers(asDownload('a"; x=\r\n../b.csv', 'text/csv')).get('content-disposition')).toBe(
    'attachment; filename="a---x---..-b.csv"',
  );
});
