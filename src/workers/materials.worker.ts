import { expose } from 'comlink';

import {
  planCuts,
  planRoll,
  type CutAnswer,
  type CutRequest,
  type RollAnswer,
  type RollRequest,
} from '@/core/shop';
import { loadSolver } from '@/core/shared';

const clock = () => performance.now();

/** Works cutting plans out away from the page. */
const materialsWorker = {
  async cut(request: CutRequest): Promise<CutAnswer> {
    return planCuts(request, { solver: await loadSolver(), clock });
  },
  roll(request: RollRequest): RollAnswer {
    return planRoll(request, { clock });
  },
};
export type MaterialsWorker = typeof materialsWorker;

expose(materialsWorker);
