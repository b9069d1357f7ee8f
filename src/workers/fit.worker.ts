import { expose } from 'comlink';

import {
  planFit,
  planFits,
  proposeShelf,
  type PlacedFit,
  type ShelfQuestion,
  type FitAnswer,
  type FitQuestion,
  type Stood,
} from '@/core/fit';
import { loadSolver } from '@/core/shared';

/** Runs the fit engine away from the page, so that it never stops answering. */
const fitWorker = {
  /** Tells the first valid answer at once, and gives the bettered one, no worse than what is known. */
  async plan(
    request: FitQuestion,
    known: readonly Stood[],
    onFirst: (answer: FitAnswer) => void,
  ): Promise<FitAnswer> {
    return planFit(request, {
      solver: await loadSolver(),
      clock: () => performance.now(),
      known,
      onFirst,
    });
  },
  async shelf(question: ShelfQuestion): Promise<ReturnType<typeof proposeShelf>> {
    return proposeShelf(question, { solver: await loadSolver(), clock: () => performance.now() });
  },
  /** Many places within one time; told after each. Ended by ending the worker. */
  async planAll(
    requests: readonly FitQuestion[],
    timeLimitMs: number,
    onFound: (found: readonly PlacedFit[]) => void,
  ): Promise<void> {
    await planFits(requests, {
      solver: await loadSolver(),
      clock: () => performance.now(),
      timeLimitMs,
      onProgress: (found) => {
        onFound(found);
        return true;
      },
    });
  },
};
export type FitWorker = typeof fitWorker;

expose(fitWorker);
