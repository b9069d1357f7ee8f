import { expose } from 'comlink';

import { planZones, type ZonesAnswer, type ZonesProgress, type ZonesRequest } from '@/core/place';
import { loadSolver } from '@/core/shared';

/** Runs the zones engine away from the page; each better arrangement is told of as it is found. */
const zonesWorker = {
  async plan(request: ZonesRequest, onProgress: (progress: ZonesProgress) => void): Promise<ZonesAnswer> {
    return planZones(request, { solver: await loadSolver(), clock: () => performance.now(), onProgress });
  },
};
export type ZonesWorker = typeof zonesWorker;

expose(zonesWorker);
