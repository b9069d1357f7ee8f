import type { Clock, Solver } from '../shared';
import type { ShopRequest } from './model';
import { planShop } from './planShop';

/** One thing to leave out, and the least that the rest would then cost. */
export interface WayBack {
  readonly needIds: readonly string[];
  readonly leastMinor: number;
  readonly savesMinor: number;
  readonly isEnough: boolean;
}

/**
 * What would bring an over-budget list back: each must left out alone, the dearest saving first;
 * where none alone is enough, the shortest run of the largest savings that is. At most `needs + 1`
 * solves of the model. Returns none where the musts fit already or cannot be bought at all.
 */
export function findWaysBack(
  request: ShopRequest,
  means: { readonly solver: Solver; readonly clock: Clock },
): readonly WayBack[] {
  const now = leastFor(request, new Set(), means);
  if (now === undefined || now <= request.budgetMinor) return [];
  const toWay = (needIds: readonly string[]): WayBack | undefined => {
    const leastMinor = leastFor(request, new Set(needIds), means);
    if (leastMinor === undefined) return undefined;
    return {
      needIds,
      leastMinor,
      savesMinor: now - leastMinor,
      isEnough: leastMinor <= request.budgetMinor,
    };
  };
  const singles = request.needs
    .filter((need) => need.priority === 'must' && need.qty > 0)
    .flatMap((need) => toWay([need.id]) ?? [])
    .filter((way) => way.savesMinor > 0)
    .sort((a, b) => b.savesMinor - a.savesMinor);
  if (singles.some((way) => way.isEnough)) {
    // The smallest sacrifice that does comes first.
    return [...singles].sort(
      (a, b) =>
        Number(b.isEnough) - Number(a.isEnough) ||
        (a.isEnough ? a.savesMinor - b.savesMinor : b.savesMinor - a.savesMinor),
    );
  }
  for (let size = 2; size <= singles.length; size += 1) {
    const together = toWay(singles.slice(0, size).flatMap((way) => way.needIds));
    if (together?.isEnough) return [together, ...singles];
  }
  return singles;
}

/** The least money for the musts without `leftOut`; wishes play no part. */
function leastFor(
  request: ShopRequest,
  leftOut: ReadonlySet<string>,
  means: { readonly solver: Solver; readonly clock: Clock },
): number | undefined {
  const needs = request.needs.map((need) =>
    leftOut.has(need.id) || need.priority !== 'must' ? { ...need, qty: 0 } : need,
  );
  const owned = request.owned.map((entry) =>
    leftOut.has(entry.needId) ? { ...entry, qty: 0 } : entry,
  );
  const answer = planShop({ ...request, needs, owned, budgetMinor: 1_000_000_000 }, means);
  return answer.objective === null ? undefined : answer.payMinor;
}
