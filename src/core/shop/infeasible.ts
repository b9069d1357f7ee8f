import type { ShopAnswer, ShopReason } from './shopAnswer';
import type { ShopRequest } from './model';

/** Units still to buy of each need, after what is owned. */
export function lackingUnitsOf(request: ShopRequest): ReadonlyMap<string, number> {
  const owned = new Map(request.owned.map(({ needId, qty }) => [needId, qty]));
  return new Map(
    request.needs.map((need) => [need.id, Math.max(0, need.qty - (owned.get(need.id) ?? 0))]),
  );
}

/** Needs that are met by nothing. */
export const droppedOf = (met: ShopAnswer['met']): string[] =>
  met.filter(({ qty, short }) => qty === 0 && short > 0).map(({ needId }) => needId);

/** Nothing is bought, and why: proven, or the time ran out first. */
export function createInfeasible(
  request: ShopRequest,
  lacking: ReadonlyMap<string, number>,
  { reasons, elapsedMs }: { readonly reasons: readonly ShopReason[]; readonly elapsedMs: number },
): ShopAnswer {
  const met = request.needs.map((need) => {
    const short = lacking.get(need.id) ?? 0;
    return { needId: need.id, qty: need.qty - short, short };
  });
  return {
    status: reasons.some(({ code }) => code === 'time_ran_out') ? 'unknown' : 'infeasible',
    objective: null,
    bound: null,
    elapsedMs,
    buys: [],
    met,
    payMinor: 0,
    perShop: [],
    leftovers: [],
    dropped: droppedOf(met),
    reasons,
  };
}
