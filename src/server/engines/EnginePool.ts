import 'server-only';

import { Worker } from 'node:worker_threads';

import type { AnswerOf, EngineJob, EngineName, EngineReply, QuestionOf } from '@/workers/engines';

export class EngineError extends Error {
  constructor(
    readonly code: 'too_many_waiting' | 'stopped' | 'engine_failed',
    message: string,
  ) {
    super(message);
  }
}

interface Waiting {
  readonly job: EngineJob;
  readonly settle: (answer: unknown) => void;
  readonly fail: (error: EngineError) => void;
}
interface Thread {
  readonly worker: Worker;
  busyWith: Waiting | undefined;
}

/**
 * Threads that engines compute in, so that the process that answers the browser never waits for one.
 * Jobs wait in the order in which they came; a thread that is stopped amid a job is ended and made anew.
 */
export class EnginePool {
  private readonly threads: Thread[] = [];
  private readonly waiting: Waiting[] = [];
  private nextId = 1;

  constructor(
    private readonly options: {
      /** The built `engineThread`. */
      readonly file: string;
      readonly mostThreads: number;
      /** More than so many that wait are refused. */
      readonly mostWaiting: number;
    },
  ) {}

  /**
   * @errors `too_many_waiting` · `stopped` (by `signal`) · `engine_failed` (the engine threw, or its
   * thread ended).
   */
  run<N extends EngineName>(
    engine: N,
    question: QuestionOf<N>,
    { signal }: { readonly signal?: AbortSignal | undefined } = {},
  ): Promise<AnswerOf<N>> {
    return new Promise((resolve, reject) => {
      if (signal?.aborted) return reject(new EngineError('stopped', `${engine} was stopped`));
      if (this.waiting.length >= this.options.mostWaiting)
        return reject(new EngineError('too_many_waiting', `${this.waiting.length} jobs wait`));
      const stop = () => this.stop(entry);
      const entry: Waiting = {
        job: { id: this.nextId++, engine, question },
        settle: (answer) => {
          signal?.removeEventListener('abort', stop);
          resolve(answer as AnswerOf<N>);
        },
        fail: (error) => {
          signal?.removeEventListener('abort', stop);
          reject(error);
        },
      };
      signal?.addEventListener('abort', stop, { once: true });
      this.waiting.push(entry);
      this.handOut();
    });
  }

  /** Ends every thread; what waits or runs fails as stopped. */
  async close(): Promise<void> {
    for (const entry of this.waiting.splice(0)) entry.fail(new EngineError('stopped', 'closed'));
    const threads = this.threads.splice(0);
    for (const { busyWith } of threads) busyWith?.fail(new EngineError('stopped', 'closed'));
    await Promise.all(threads.map(({ worker }) => worker.terminate()));
  }

  private handOut(): void {
    while (this.waiting.length > 0) {
      const thread = this.threads.find(({ busyWith }) => !busyWith) ?? this.addThread();
      const next = thread && this.waiting.shift();
      if (!next) return;
      thread.busyWith = next;
      // Only a thread at work keeps the process from ending.
      thread.worker.ref();
      thread.worker.postMessage(next.job);
    }
  }

  private addThread(): Thread | undefined {
    if (this.threads.length >= this.options.mostThreads) return undefined;
    const thread: Thread = { worker: new Worker(this.options.file), busyWith: undefined };
    thread.worker.unref();
    thread.worker.on('message', (reply: EngineReply) => this.finish(thread, reply));
    thread.worker.on('error', (error) => this.lose(thread, error.message));
    thread.worker.on('exit', () => this.lose(thread, 'its thread ended'));
    this.threads.push(thread);
    return thread;
  }

  private finish(thread: Thread, reply: EngineReply): void {
    const done = thread.busyWith;
    if (done?.job.id !== reply.id) return;
    thread.busyWith = undefined;
    thread.worker.unref();
    if ('answer' in reply) done.settle(reply.answer);
    else done.fail(new EngineError('engine_failed', reply.fault));
    this.handOut();
  }

  private stop(entry: Waiting): void {
    const at = this.waiting.indexOf(entry);
    if (at >= 0) this.waiting.splice(at, 1);
    entry.fail(new EngineError('stopped', `${entry.job.engine} was stopped`));
    const thread = this.threads.find(({ busyWith }) => busyWith === entry);
    if (thread) {
      this.lose(thread, 'stopped');
      void thread.worker.terminate();
    }
  }

  /** A thread that is gone is forgotten; the next job makes a new one. */
  private lose(thread: Thread, why: string): void {
    const at = this.threads.indexOf(thread);
    if (at < 0) return;
    this.threads.splice(at, 1);
    thread.busyWith?.fail(new EngineError('engine_failed', why));
    this.handOut();
  }
}
