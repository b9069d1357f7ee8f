import { expose } from 'comlink';

import {
  planZones,
  priceOfPins,
  type PinPrice,
  type ZonesAnswer,
  type ZonesProgress,
  type ZonesRequest,
} from '@/core/place';
import { loadSolver } from '@/core/shared';

const clock = () => performance.now();
/** So long each arrangement without one of the pins is looked for. */
const PIN_MS = 600;

/** Runs the zones engine away from the page; each better arrangement is told of as it is found. */
const zonesWorker = {
  async plan(
    request: ZonesRequest,
    onProgress: (progress: ZonesProgress) => void,
  ): Promise<ZonesAnswer> {
    return planZones(request, { solver: await loadSolver(), clock, onProgress });
  },
  async pricePins(request: ZonesRequest, answer: ZonesAnswer): Promise<readonly PinPrice[]> {
    return priceOfPins(request, answer, { solver: await loadSolver(), clock, timeLimitMs: PIN_MS });
  },
};
export type ZonesWorker = typeof zonesWorker;

expose(zonesWorker);
