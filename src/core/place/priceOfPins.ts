import type { Clock, Solver } from '../shared';
import { planZones } from './planZones';
import type { ZonesAnswer } from './zonesAnswer';
import type { ZonesRequest } from './zonesModel';

export interface PinPrice {
  readonly groupId: string;
  readonly bayId: string;
  /**
   * Seconds a week that keeping the pin costs against the best found without it; 0 where nothing
   * better was found.
   */
  readonly secondsPerWeek: number;
  /** Whether that is proven to be the price, to the second; else it costs at least so much. */
  readonly isProven: boolean;
}

/** What each pin costs: the arrangement is worked out once more without it. */
export function priceOfPins(
  request: ZonesRequest,
  answer: ZonesAnswer,
  means: { readonly solver: Solver; readonly clock: Clock; readonly timeLimitMs: number },
): PinPrice[] {
  if (answer.objective === null) return [];
  const pinned = request.groups.filter(({ fixedBayId }) => fixedBayId !== undefined);
  return pinned.map((pin): PinPrice => {
    const free = planZones(
      {
        ...request,
        timeLimitMs: means.timeLimitMs,
        groups: request.groups.map(({ fixedBayId, ...group }) =>
          group.id === pin.id || fixedBayId === undefined ? group : { ...group, fixedBayId },
        ),
      },
      means,
    );
    const saved = Math.max(0, (answer.objective ?? 0) - (free.objective ?? answer.objective ?? 0));
    return {
      groupId: pin.id,
      bayId: pin.fixedBayId ?? '',
      secondsPerWeek: saved,
      isProven: free.status === 'optimal' && answer.status === 'optimal',
    };
  });
}
