import type { ShopOffer, ShopRequest } from './model';

/** Where what belongs together stands in a request; all are places in its lists. */
export interface ShopLists {
  /** Offers that serve this need alone. */
  readonly own: readonly (readonly number[])[];
  /** Offers that serve this need among others. */
  readonly shared: readonly (readonly number[])[];
  readonly ofShop: readonly (readonly number[])[];
  readonly shopOf: readonly number[];
  readonly offerAt: ReadonlyMap<string, number>;
  readonly needAt: ReadonlyMap<string, number>;
  /** What a card pays at each shop at most, minor units. */
  readonly creditOf: readonly number[];
}

export const servedNeedsOf = (offer: ShopOffer): readonly string[] =>
  offer.needIds ?? (offer.needId === undefined ? [] : [offer.needId]);

const known = new WeakMap<ShopRequest, ShopLists>();

/** The lists of a request, made once. O(needs + offers + shops). */
export function listsOf(request: ShopRequest): ShopLists {
  const before = known.get(request);
  if (before) return before;
  const needAt = new Map(request.needs.map(({ id }, n) => [id, n]));
  const shopAt = new Map(request.shops.map(({ id }, s) => [id, s]));
  const own: number[][] = request.needs.map(() => []);
  const shared: number[][] = request.needs.map(() => []);
  const ofShop: number[][] = request.shops.map(() => []);
  request.offers.forEach((offer, i) => {
    ofShop[shopAt.get(offer.shopId) ?? -1]?.push(i);
    if (offer.needIds) for (const id of offer.needIds) shared[needAt.get(id) ?? -1]?.push(i);
    else own[needAt.get(offer.needId ?? '') ?? -1]?.push(i);
  });
  const onCard = new Map<string, number>();
  for (const { shopId, amountMinor } of request.credits)
    if (!onCard.has(shopId)) onCard.set(shopId, amountMinor);
  const lists = {
    own,
    shared,
    ofShop,
    shopOf: request.offers.map(({ shopId }) => shopAt.get(shopId) ?? 0),
    offerAt: new Map(request.offers.map(({ id }, i) => [id, i])),
    needAt,
    creditOf: request.shops.map(({ id }) => onCard.get(id) ?? 0),
  };
  known.set(request, lists);
  return lists;
}
