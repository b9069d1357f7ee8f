import 'server-only';

import { createHash } from 'node:crypto';
import { availableParallelism } from 'node:os';
import path from 'node:path';

import { toDataError } from '@/data/faults';
import type { AnswerOf, EngineName, QuestionOf } from '@/workers/engines';
import { EnginePool } from './EnginePool';

/** Where `npm run build`, `npm run dev` and the tests put what runs in the threads. */
const THREAD_FILE = path.join(process.cwd(), 'build', 'engineThread.mjs');
/** One that computes long leaves another for what is quick. */
const LEAST_THREADS = 2;
const MOST_WAITING = 200;
/** So many answers are remembered; one is some kilobytes. */
const MOST_REMEMBERED = 200;

// One pool a process, however often a bundler loads this file.
const globals = globalThis as typeof globalThis & { tinBoxEngines?: EnginePool };
const pool = (): EnginePool =>
  (globals.tinBoxEngines ??= new EnginePool({
    file: THREAD_FILE,
    mostThreads: Math.max(LEAST_THREADS, availableParallelism()),
    mostWaiting: MOST_WAITING,
  }));

const remembered = new Map<string, Promise<unknown>>();

/** By which an engine's question is known: the same question has the same answer. */
const keyOf = (engine: EngineName, question: unknown): string =>
  createHash('sha256')
    .update(`${engine} ${JSON.stringify(question)}`)
    .digest('base64url');

/**
 * Asks an engine in a thread of its own. The same question asked again, or while it is worked on,
 * gets the same answer without working it out twice.
 * @errors `engines_busy` · `engine_failed`.
 */
export function runEngine<N extends EngineName>(
  engine: N,
  question: QuestionOf<N>,
): Promise<AnswerOf<N>> {
  const key = keyOf(engine, question);
  const known = remembered.get(key);
  if (known) return known as Promise<AnswerOf<N>>;
  const answer = pool()
    .run(engine, question)
    .catch((error: unknown) => {
      throw toDataError(error) ?? error;
    });
  remembered.set(key, answer);
  const oldest = remembered.keys().next();
  if (remembered.size > MOST_REMEMBERED && !oldest.done) remembered.delete(oldest.value);
  // What failed is asked again the next time.
  answer.catch(() => remembered.delete(key));
  return answer;
}
