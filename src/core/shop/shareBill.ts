import type { ShopAnswer } from './shopAnswer';
import type { ShopRequest } from './model';
import { splitMinor } from './splitMinor';

/** Pieces of an offer that go to a need. */
export interface NeedShare {
  readonly needId: string;
  readonly offerId: string;
  readonly units: number;
}

type Bill = Pick<ShopAnswer, 'buys' | 'perShop'>;

/**
 * What each room pays of a bill, in whole minor units. A pack is split by the pieces that each room gets of
 * it; delivery, gift cards and packs of which no piece is used are split by the list prices of the rooms'
 * pieces at that shop (evenly where nobody has any), each by largest remainder.
 * Ensures: the rooms' sums add up to the bill.
 */
export function shareBill(
  request: ShopRequest,
  bill: Bill,
  shares: readonly NeedShare[],
): { readonly roomId: string; readonly payMinor: number }[] {
  const rooms = request.rooms ?? [];
  const roomOf = new Map(request.needs.map((need) => [need.id, need.roomId]));
  const pay = rooms.map(() => 0);
  const addSplit = (totalMinor: number, weights: readonly number[]) =>
    splitMinor(totalMinor, weights).forEach((part, i) => (pay[i]! += part));
  for (const shop of bill.perShop) {
    const listMinor = rooms.map(() => 0);
    let unusedMinor = 0;
    for (const { offerId, packs } of bill.buys) {
      const offer = request.offers.find(({ id }) => id === offerId);
      if (offer?.shopId !== shop.shopId) continue;
      const units = rooms.map(({ id }) =>
        shares
          .filter((share) => share.offerId === offerId && roomOf.get(share.needId) === id)
          .reduce((sum, share) => sum + share.units, 0),
      );
      if (units.every((count) => count === 0)) unusedMinor += packs * offer.priceMinor;
      else addSplit(packs * offer.priceMinor, units);
      units.forEach((count, i) => (listMinor[i]! += (count * offer.priceMinor) / offer.packSize));
    }
    addSplit(unusedMinor + shop.deliveryMinor, listMinor);
    addSplit(-shop.creditMinor, listMinor);
  }
  return rooms.map(({ id }, i) => ({ roomId: id, payMinor: pay[i]! }));
}
