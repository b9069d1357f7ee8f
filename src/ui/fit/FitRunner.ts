import { proxy, wrap, type Remote } from 'comlink';

import type { FitAnswer, FitQuestion, Stood } from '@/core/fit';
import type { FitWorker } from '@/workers/fit.worker';

/** A worker and its end: `close` stops what runs at once. */
export class FitRunner {
  private readonly worker = new Worker(new URL('../../workers/fit.worker.ts', import.meta.url), {
    type: 'module',
  });
  private readonly remote: Remote<FitWorker> = wrap<FitWorker>(this.worker);

  constructor(onBroken: () => void) {
    this.worker.onerror = onBroken;
  }
  plan(
    request: FitQuestion,
    known: readonly Stood[],
    onFirst: (answer: FitAnswer) => void,
  ): Promise<FitAnswer> {
    return this.remote.plan(request, known, proxy(onFirst));
  }
  close(): void {
    this.worker.terminate();
  }
}
