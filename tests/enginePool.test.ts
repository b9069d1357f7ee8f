import path from 'node:path';

import fc from 'fast-check';

import { planFit, type FitQuestion } from '@/core/fit';
import { loadSolver } from '@/core/shared';
import { EnginePool } from '@/server/engines/EnginePool';
import { answerOrKnown } from '@/server/engines/answerOrKnown';
import { aDatabase, HOME } from './builders';
import { fitRequestArb } from './fitArbitrary';

const file = path.join(process.cwd(), 'build', 'engineThread.mjs');
const pools: EnginePool[] = [];
const aPool = (options: { mostThreads?: number; mostWaiting?: number } = {}) => {
  const pool = new EnginePool({ file, mostThreads: 1, mostWaiting: 10, ...options });
  pools.push(pool);
  return pool;
};
afterEach(async () => {
  await Promise.all(pools.splice(0).map((pool) => pool.close()));
});

/** Some groups in one bay; `long` ones take the engine all of their time. */
const aQuestion = (seed: number, timeLimitMs = 300): FitQuestion => ({
  ...(fc.sample(fitRequestArb, { seed, numRuns: 1 })[0] as FitQuestion),
  timeLimitMs,
});
const withoutTime = ({ elapsedMs: _, ...answer }: { readonly elapsedMs: number }) => answer;

test('an engine answers in a thread as it does here', async () => {
  const question = aQuestion(7);
  const here = planFit(question, { solver: await loadSolver(), clock: () => performance.now() });
  expect(withoutTime(await aPool().run('fit', question))).toEqual(withoutTime(here));
});

test('jobs wait in their order, and more than may wait are refused', async () => {
  const pool = aPool({ mostWaiting: 2 });
  const order: number[] = [];
  const jobs = [1, 2, 3].map((seed) =>
    pool.run('fit', aQuestion(seed)).then(() => order.push(seed)),
  );
  await expect(pool.run('fit', aQuestion(4))).rejects.toMatchObject({ code: 'too_many_waiting' });
  await Promise.all(jobs);
  expect(order).toEqual([1, 2, 3]);
});

test('what is stopped fails as stopped, waiting or running, and the next job runs', async () => {
  const pool = aPool();
  const running = new AbortController();
  const waiting = new AbortController();
  const first = pool.run('fit', aQuestion(1, 60_000), { signal: running.signal });
  const second = pool.run('fit', aQuestion(2), { signal: waiting.signal });
  waiting.abort();
  running.abort();
  await expect(first).rejects.toMatchObject({ code: 'stopped' });
  await expect(second).rejects.toMatchObject({ code: 'stopped' });
  await expect(pool.run('fit', aQuestion(3))).resolves.toHaveProperty('status');
});

test('a question that no engine can read fails alone', async () => {
  const pool = aPool();
  await expect(pool.run('fit', {} as never)).rejects.toMatchObject({ code: 'engine_failed' });
  await expect(pool.run('fit', aQuestion(3))).resolves.toHaveProperty('status');
});

test('the last answer is shown with its date while a new one takes long, and kept when it came', async () => {
  const db = await aDatabase();
  const about = (basis: string) => ({ projectId: HOME, about: 'shop hall', basis });
  let finish = (): void => undefined;
  const slow = () =>
    new Promise<string>((resolve) => {
      finish = () => resolve('second');
    });
  const refused = () => Promise.reject<string>(new Error('asked though it is known'));
  const first = { state: 'fresh', answer: 'first' };
  try {
    expect(await answerOrKnown(db, about('as it was'), () => Promise.resolve('first'))).toEqual(
      first,
    );
    expect(await answerOrKnown(db, about('as it was'), refused)).toEqual(first);
    const later = await answerOrKnown(db, about('as it is'), slow);
    expect(later).toMatchObject({ state: 'coming', known: { answer: 'first' } });
    finish();
    expect(later.state === 'coming' && (await later.coming)).toBe('second');
    expect(await answerOrKnown(db, about('as it is'), refused)).toEqual({
      state: 'fresh',
      answer: 'second',
    });
  } finally {
    await db.destroy();
  }
});
