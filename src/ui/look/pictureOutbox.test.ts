import fc from 'fast-check';

import { createRandom } from '@/core/shared';
import type { Outbox } from '../outbox/Outbox';
import type { OutboxStore } from '../outbox/outboxStore';
import { createPictureOutbox, toOutgoing, type OutgoingPicture } from './pictureOutbox';

function memoryStore(): OutboxStore<OutgoingPicture> & { readonly size: () => number } {
  const kept = new Map<string, OutgoingPicture>();
  return {
    getAll: async () => [...kept.values()],
    put: async (pictures) => pictures.forEach((picture) => kept.set(picture.id, picture)),
    delete: async (ids) => ids.forEach((id) => kept.delete(id)),
    size: () => kept.size,
  };
}

/** The outbox of a browser with one tab. */
const openOutbox = (
  store: OutboxStore<OutgoingPicture>,
  request: (url: string, init?: RequestInit) => Promise<Response>,
  wait: () => Promise<void> = () => Promise.resolve(),
): Outbox<OutgoingPicture> =>
  createPictureOutbox({
    store,
    request,
    wait,
    alone: (work) => work(),
    bell: { ring: () => undefined, onRing: () => undefined },
  });
const all = (outbox: Outbox<OutgoingPicture>): readonly OutgoingPicture[] => {
  const { open, refused } = outbox.getState();
  return [...open, ...refused];
};
beforeAll(() => void Object.assign(globalThis, { window: {} }));
afterAll(() => void Reflect.deleteProperty(globalThis, 'window'));

/**
 * A server that keeps pieces, over a line that breaks before a request, or after it was done and
 * before its answer.
 */
function flakyServer(
  random: () => number,
  { breaks, refuses }: { readonly breaks: number; readonly refuses: (size: number) => boolean },
) {
  const parts = new Map<string, Uint8Array>();
  const pictures: { id: string; bytes: Uint8Array }[] = [];
  const offline = () => Promise.reject(new TypeError('Failed to fetch'));
  const answer = async (url: string, init?: RequestInit): Promise<Response> => {
    const { pathname, searchParams } = new URL(url, 'http://127.0.0.1');
    const id = pathname.split('/').at(-1) ?? '';
    if (pathname.startsWith('/api/pictures/')) {
      const kept = pictures.find((picture) => picture.id === id);
      return new Response(kept ? new Blob([kept.bytes.slice()]) : '', { status: kept ? 200 : 404 });
    }
    const part = parts.get(id) ?? new Uint8Array();
    if (init?.method === 'PUT') {
      if (Number(searchParams.get('offset')) !== part.length)
        return Response.json({ receivedBytes: part.length }, { status: 409 });
      const bytes = new Uint8Array(await (init.body as Blob).arrayBuffer());
      parts.set(id, Buffer.concat([part, bytes]));
      return Response.json({ receivedBytes: part.length + bytes.length });
    }
    if (init?.method === 'POST') {
      if (pictures.some((picture) => picture.id === id))
        return Response.json({ picture: { id } }, { status: 201 });
      if (refuses(part.length))
        return Response.json({ error: { message: 'no picture' } }, { status: 422 });
      pictures.push({ id, bytes: part });
      parts.delete(id);
      return Response.json({ picture: { id } }, { status: 201 });
    }
    return Response.json({ receivedBytes: part.length });
  };
  const request = async (url: string, init?: RequestInit): Promise<Response> => {
    if (random() < breaks) return offline();
    const response = await answer(url, init);
    if (random() < breaks) return offline();
    return random() < breaks / 2 ? new Response('', { status: 503 }) : response;
  };
  return { request, pictures };
}

const settled = async (outbox: Outbox<OutgoingPicture>, isDone: () => boolean) => {
  for (let i = 0; i < 20_000 && !isDone(); i += 1)
    await new Promise((resolve) => setImmediate(resolve));
  return all(outbox);
};
const target = { projectId: 'home', vantagePointId: 'spot', moment: 'before' } as const;

test(
  'over any broken line every picture arrives whole and once, and nothing stays behind',
  () =>
    fc.assert(
      fc.asyncProperty(
        fc.integer(),
        fc.array(fc.integer({ min: 1, max: 1_300_000 }), { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 0, max: 45 }),
        async (seed, sizes, breaks) => {
          const random = createRandom(seed);
          const server = flakyServer(random, { breaks: breaks / 100, refuses: () => false });
          const store = memoryStore();
          const outbox = openOutbox(store, server.request);
          const arrived: string[] = [];
          outbox.onKept(({ name }) => arrived.push(name));
          await outbox.add(
            toOutgoing(
              target,
              sizes.map((size, i) => ({
                name: `p${i}`,
                bytes: new Blob([new Uint8Array(size).fill(i + 1)]),
              })),
            ),
          );
          const left = await settled(outbox, () => all(outbox).length === 0);
          expect([left, store.size()]).toEqual([[], 0]);
          expect(
            server.pictures.map(({ bytes }) => [
              bytes.length,
              Buffer.from(bytes).equals(Buffer.alloc(bytes.length, bytes[0])),
            ]),
          ).toEqual(sizes.map((size) => [size, true]));
          expect(arrived).toEqual(sizes.map((_, i) => `p${i}`));
        },
      ),
      { numRuns: 8 },
    ),
  60_000,
);

test('one that is refused waits with its reason and holds up no other; it goes when it is put away', async () => {
  const server = flakyServer(() => 1, { breaks: 0, refuses: (size) => size === 7 });
  const store = memoryStore();
  const outbox = openOutbox(store, server.request);
  await outbox.add(
    toOutgoing(target, [
      { name: 'bad', bytes: new Blob([new Uint8Array(7)]) },
      { name: 'good', bytes: new Blob([new Uint8Array(9)]) },
    ]),
  );
  const left = await settled(
    outbox,
    () => server.pictures.length === 1 && all(outbox).length === 1,
  );
  expect(left).toMatchObject([{ name: 'bad', problem: 'no picture' }]);
  await outbox.settle([left[0]?.id ?? ''], 'put_away');
  expect([all(outbox), store.size()]).toEqual([[], 0]);
});

test('what a page left waiting is sent by the next one, from where it broke', async () => {
  const server = flakyServer(() => 1, { breaks: 0, refuses: () => false });
  const store = memoryStore();
  const never = openOutbox(
    store,
    (url, init) =>
      init?.method === 'POST' ? Promise.reject(new TypeError('gone')) : server.request(url, init),
    () => new Promise(() => undefined),
  );
  await never.add(
    toOutgoing(target, [{ name: 'late', bytes: new Blob([new Uint8Array(600_000).fill(3)]) }]),
  );
  await settled(never, () => never.getState().fault !== undefined);
  const offsets: string[] = [];
  const next = openOutbox(store, (url, init) => {
    offsets.push(url);
    return server.request(url, init);
  });
  next.subscribe(() => undefined);
  await settled(next, () => server.pictures.length === 1);
  expect(offsets.some((url) => url.endsWith('offset=0'))).toBe(false);
  expect(server.pictures[0]?.bytes.length).toBe(600_000);
});

test('the browser keeps its copy until the picture can be read back, and sends it again where it cannot', async () => {
  const server = flakyServer(() => 1, { breaks: 0, refuses: () => false });
  const store = memoryStore();
  const kept: number[] = [];
  const outbox = openOutbox(store, (url, init) => {
    if (!url.startsWith('/api/pictures/')) return server.request(url, init);
    kept.push(store.size());
    // Its file is lost once, right after it was answered.
    if (kept.length === 1) server.pictures.pop();
    return server.request(url, init);
  });
  await outbox.add(
    toOutgoing(target, [{ name: 'only', bytes: new Blob([new Uint8Array(900).fill(5)]) }]),
  );
  await settled(outbox, () => all(outbox).length === 0);
  expect([kept, store.size(), server.pictures.map(({ bytes }) => bytes.length)]).toEqual([
    [1, 1],
    0,
    [900],
  ]);
});
