import { classesOf } from './mergeNeeds';
import type { Lacking } from './cutToOffer';
import { OTHER_OFFER } from './listNeeds';
import { shopRequestSchema, type ShopRequest } from './model';

/** A room's list, and pieces that other rooms have to spare of its needs. */
interface RoomList {
  readonly roomId: string;
  readonly request: ShopRequest;
  readonly spare: readonly { readonly needId: string; readonly qty: number }[];
}

/** The id of a room's need on the list of the trip. */
export const tripNeedId = (roomId: string, needId: string): string => `${roomId} ${needId}`;

/**
 * One list of several rooms' lists: an offer that is on several is one offer for all of them, a shop one
 * shop with one delivery, a card one card. What nobody has is cut, as on one list; of what is scarce the
 * first rooms get theirs. Needs and offers keep the order of the rooms.
 */
export function toTripRequest(
  lists: readonly RoomList[],
  budgetMinor: number,
): { readonly request: ShopRequest; readonly lacking: readonly Lacking[] } {
  const offers = new Map<string, ShopRequest['offers'][number] & { needIds: string[] }>();
  for (const { roomId, request } of lists)
    for (const { needId, needIds, ...offer } of request.offers) {
      const ids = (needIds ?? (needId === undefined ? [] : [needId])).map((id) =>
        tripNeedId(roomId, id),
      );
      // What was put down by hand, and materials, have one price of their own in each room.
      const id = offer.id.startsWith(OTHER_OFFER)
        ? `${OTHER_OFFER}${tripNeedId(roomId, offer.id.slice(OTHER_OFFER.length))}`
        : offer.id;
      const known = offers.get(id);
      if (known) known.needIds.push(...ids);
      else offers.set(id, { ...offer, id, needIds: [...ids] });
    }
  const once = <T>(all: readonly T[], keyOf: (one: T) => string): T[] => [
    ...new Map(all.map((one) => [keyOf(one), one])).values(),
  ];
  const request = shopRequestSchema.parse({
    needs: lists.flatMap(({ roomId, request: own }) =>
      own.needs.map((need) => ({ ...need, id: tripNeedId(roomId, need.id), roomId })),
    ),
    offers: [...offers.values()],
    shops: once(
      lists.flatMap(({ request: own }) => own.shops),
      ({ id }) => id,
    ),
    owned: lists.flatMap(({ roomId, request: own, spare }) =>
      own.needs.map(({ id }) => ({
        needId: tripNeedId(roomId, id),
        qty: [...own.owned, ...spare]
          .filter(({ needId }) => needId === id)
          .reduce((sum, { qty }) => sum + qty, 0),
      })),
    ),
    credits: once(
      lists.flatMap(({ request: own }) => own.credits),
      ({ shopId }) => shopId,
    ),
    budgetMinor,
    rooms: lists.map(({ roomId, request: own }) => ({
      id: roomId,
      budgetMinor: own.budgetMinor,
    })),
    timeLimitMs: 4000,
  });
  return cutScarce(request);
}

function cutScarce(request: ShopRequest): ReturnType<typeof toTripRequest> {
  const ownedOf = new Map(request.owned.map(({ needId, qty }) => [needId, qty]));
  const lacking: Lacking[] = [];
  const qtyOf = new Map<string, number>();
  for (const { needs } of classesOf(request)) {
    const [first] = needs;
    let left = request.offers
      .filter(({ needIds }) => first && needIds?.includes(first.id))
      .reduce((sum, { maxPacks = Infinity, packSize }) => sum + maxPacks * packSize, 0);
    for (const need of needs) {
      const had = Math.min(need.qty, ownedOf.get(need.id) ?? 0);
      const bought = Math.min(need.qty - had, left);
      left -= bought;
      qtyOf.set(need.id, had + bought);
      if (had + bought < need.qty) lacking.push({ needId: need.id, qty: need.qty - had - bought });
    }
  }
  return {
    lacking,
    request: {
      ...request,
      needs: request.needs.map((need) => ({ ...need, qty: qtyOf.get(need.id) ?? need.qty })),
    },
  };
}
