import 'server-only';

/** One a process, whichever bundle asks: routes are built apart but run together. */
const globalQueues = globalThis as typeof globalThis & {
  tinboxQueues?: Map<string, Promise<unknown>>;
};

/** Runs what is asked under one key after another, in the order in which it was asked. */
export async function oneAtATime<T>(key: string, work: () => Promise<T>): Promise<T> {
  const queues = (globalQueues.tinboxQueues ??= new Map());
  const before = queues.get(key) ?? Promise.resolve();
  const mine = before.then(work, work);
  // What fails is told to whoever asked for it, not to whoever comes next.
  const settled = mine.catch(() => undefined);
  queues.set(key, settled);
  try {
    return await mine;
  } finally {
    if (queues.get(key) === settled) queues.delete(key);
  }
}
