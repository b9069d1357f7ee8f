import { expose } from 'comlink';

import { planFit, type FitAnswer, type FitQuestion } from '@/core/fit';
import { loadSolver } from '@/core/shared';

/** Runs the fit engine away from the page, so that it never stops answering. */
const fitWorker = {
  async plan(request: FitQuestion): Promise<FitAnswer> {
    return planFit(request, { solver: await loadSolver(), clock: () => performance.now() });
  },
};
export type FitWorker = typeof fitWorker;

expose(fitWorker);
