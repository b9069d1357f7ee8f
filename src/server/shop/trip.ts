import 'server-only';

import {
  cardLeftMinorOf,
  spentMinorOf,
  toShopRequest,
  toTripRequest,
  type Lacking,
  type MaterialNeed,
  type Offer,
  type RoomShopping,
  type ShopAnswer,
  type ShopRequest,
} from '@/core/shop';
import type { RoomId } from '@/core/shared';
import type { Db } from '@/data/db';
import type { Records } from '@/data/records';
import { answerOrKnown, type Answered } from '../engines/answerOrKnown';
import { runEngine } from '../engines/runEngine';
import {
  answerRoomShopping,
  leftoversOf,
  loadRoomShopping,
  shopBasisOf,
  type PriceList,
  type ShoppingName,
} from './roomShopping';

/** One list for all rooms; plain JSON, so that it can be kept. */
export interface TripView {
  readonly request: ShopRequest;
  readonly answer: ShopAnswer;
  /** Rooms' shares that the trip does not keep, where no trip keeps all of them: it is planned all the same. */
  readonly overRooms: readonly {
    readonly roomId: string;
    readonly reasons: ShopAnswer['reasons'];
  }[];
  readonly lacking: readonly Lacking[];
  /** What the rooms would pay one by one; undefined where one of them cannot. */
  readonly alone: { readonly payMinor: number; readonly roomCount: number } | undefined;
  /** Pieces to carry over from a room that has too many. */
  readonly spare: readonly {
    readonly label: string;
    readonly pieces: number;
    readonly fromRoomId: string;
    readonly toRoomId: string;
  }[];
  readonly offers: readonly Offer[];
  readonly materialNeeds: readonly MaterialNeed[];
  readonly cardLeftMinor: Readonly<Record<string, number>>;
}

interface Opened {
  readonly db: Db;
  readonly records: Records<ShoppingName>;
  readonly stamp: string;
}

/** The trip for all rooms, or the last one known with its date where the new one takes longer. */
export const loadTrip = (
  { db, records, stamp }: Opened,
  prices: PriceList,
): Promise<Answered<TripView>> =>
  answerOrKnown(
    db,
    {
      projectId: records.project.id,
      about: 'trip',
      basis: [stamp, ...shopBasisOf(records, prices)],
    },
    () => workOut(db, records, prices),
  );

type Room = { readonly roomId: RoomId; readonly shopping: RoomShopping };

async function workOut(
  db: Db,
  records: Records<ShoppingName>,
  prices: PriceList,
): Promise<TripView> {
  const rooms: Room[] = await Promise.all(
    records.rooms.map(async ({ id }) => ({
      roomId: id,
      shopping: await loadRoomShopping(db, records, id, prices),
    })),
  );
  const spare = spareOf(records, rooms);
  const budgetMinor = Math.max(0, records.project.budgetMinor - spentMinorOf(records.purchases));
  const { request, lacking } = toTripRequest(
    rooms.map(({ roomId, shopping }) => ({
      roomId,
      request: toShopRequest(shopping),
      spare: spare
        .filter(({ toRoomId }) => toRoomId === roomId)
        .map(({ containerId, pieces }) => ({ needId: containerId, qty: pieces })),
    })),
    budgetMinor,
  );
  const asked = await runEngine('shop', request);
  const overRooms = asked.reasons.flatMap((reason) =>
    reason.code === 'room_budget_too_small' ? [{ roomId: reason.subject, reasons: [reason] }] : [],
  );
  // A share that is too small is told; what to buy is shown all the same.
  const answer =
    overRooms.length === 0
      ? asked
      : await runEngine('shop', {
          ...request,
          rooms: (request.rooms ?? []).map((room) => ({ ...room, budgetMinor })),
        });
  const bought = new Set(answer.buys.map(({ offerId }) => offerId));
  const first = rooms[0]?.shopping;
  return {
    request,
    answer,
    overRooms,
    lacking,
    alone: await roomByRoom(rooms),
    spare,
    offers: prices.offers.filter(({ id }) => bought.has(id)),
    materialNeeds: rooms.flatMap(({ shopping }) => shopping.materialNeeds),
    cardLeftMinor: Object.fromEntries(
      prices.shops.map((shop) => [shop.id, first ? cardLeftMinorOf(shop, first) : 0]),
    ),
  };
}

/** What each room has too much of and another one wants, piece by piece to the first that does. */
function spareOf(records: Records<ShoppingName>, rooms: readonly Room[]) {
  const left = new Map<string, number>();
  return rooms.flatMap(({ roomId, shopping }) =>
    leftoversOf(records, shopping, roomId).flatMap(
      ({ containerId, label, pieces, wantedElsewhere }) => {
        let spare = pieces;
        return wantedElsewhere.flatMap((wanted) => {
          const key = `${wanted.roomId} ${containerId}`;
          const still = left.get(key) ?? wanted.pieces;
          const given = Math.min(spare, still);
          left.set(key, still - given);
          spare -= given;
          return given > 0
            ? [
                {
                  containerId,
                  label,
                  pieces: given,
                  fromRoomId: roomId as string,
                  toRoomId: wanted.roomId,
                },
              ]
            : [];
        });
      },
    ),
  );
}

/** What the rooms pay where each buys for itself: every card is used by the first that can. */
async function roomByRoom(rooms: readonly Room[]): Promise<TripView['alone']> {
  let payMinor = 0;
  let roomCount = 0;
  const usedMinor = new Map<string, number>();
  for (const { shopping } of rooms) {
    const { answer } = await answerRoomShopping(shopping);
    if (answer.objective === null) return undefined;
    if (answer.buys.length > 0) roomCount += 1;
    payMinor += answer.payMinor;
    for (const { shopId, creditMinor } of answer.perShop) {
      const onCard = shopping.shops.find(({ id }) => id === shopId);
      const leftMinor =
        (onCard ? cardLeftMinorOf(onCard, shopping) : 0) - (usedMinor.get(shopId) ?? 0);
      // A card that the room before has used up is paid in money.
      payMinor += Math.max(0, creditMinor - leftMinor);
      usedMinor.set(shopId, (usedMinor.get(shopId) ?? 0) + Math.min(creditMinor, leftMinor));
    }
  }
  return { payMinor, roomCount };
}
