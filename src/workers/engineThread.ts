import { parentPort } from 'node:worker_threads';

import { engines, type EngineJob, type EngineReply } from './engines';

/** A thread of the server in which one engine after the other computes. */
parentPort?.on('message', (job: EngineJob) => {
  void compute(job).then((reply) => parentPort?.postMessage(reply));
});

async function compute({ id, engine, question }: EngineJob): Promise<EngineReply> {
  try {
    const run = engines[engine] as (question: unknown) => Promise<unknown>;
    return { id, answer: await run(question) };
  } catch (error) {
    return { id, fault: error instanceof Error ? (error.stack ?? error.message) : String(error) };
  }
}
