import type { ShopRequest } from './model';

/** Pieces of one need that no offer holds. */
export interface Lacking {
  readonly needId: string;
  readonly qty: number;
}

/**
 * Takes out of a request what nobody has, so that the rest can still be bought: each need is cut to what is
 * owned and on offer.
 * Ensures: no need of the cut request lacks an offer of its own; what was cut and what is left add up.
 */
export function cutToOffer(request: ShopRequest): {
  readonly request: ShopRequest;
  readonly lacking: readonly Lacking[];
} {
  const lacking: Lacking[] = [];
  const needs = request.needs.map((need) => {
    const owned = request.owned.find(({ needId }) => needId === need.id)?.qty ?? 0;
    const onOffer = request.offers
      .filter(({ needId, needIds }) => needId === need.id || needIds?.includes(need.id))
      .reduce((sum, { maxPacks = Infinity, packSize }) => sum + maxPacks * packSize, 0);
    const qty = Math.min(need.qty, owned + onOffer);
    if (qty === need.qty) return need;
    lacking.push({ needId: need.id, qty: need.qty - qty });
    return { ...need, qty };
  });
  return lacking.length === 0 ? { request, lacking } : { request: { ...request, needs }, lacking };
}
