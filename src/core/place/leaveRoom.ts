import type { ZonesRequest } from './zonesModel';

/**
 * Of a place's litres, what stands in it may take so much, in per cent: walls of containers, gaps,
 * and a hand that lifts something out take the rest. Our own stated assumption; between a loose
 * shelf and a tightly packed one lie the low and the high.
 */
export const USUAL_FILL_PERCENT = { value: 75, low: 60, high: 90 } as const;

/**
 * The same request with every place filled to `percent` of its litres at most (1 to 100). What is
 * pinned to a place stands there however full it is.
 */
export function leaveRoom(request: ZonesRequest, percent: number): ZonesRequest {
  const pinned = (bayId: string) =>
    request.groups
      .filter(({ fixedBayId }) => fixedBayId === bayId)
      .reduce((sum, { litres }) => sum + litres, 0);
  return {
    ...request,
    bays: request.bays.map((bay) => ({
      ...bay,
      litres: Math.max((bay.litres * percent) / 100, Math.min(bay.litres, pinned(bay.id))),
    })),
  };
}
