import 'server-only';

import {
  cardLeftMinorOf,
  priceLines,
  sumPayers,
  sumRoom,
  sumRooms,
  type BudgetSums,
} from '@/core/shop';
import type { Room } from '@/core/look';
import type { Db } from '@/data/db';
import type { Records } from '@/data/records';
import { addUpHours } from '@/core/visits';
import { loadEstimate, type EstimateName } from '../agree/loadEstimate';
import { answerOrKnown, type Answered } from '../engines/answerOrKnown';
import { today } from '../means';
import {
  answerRoomShopping,
  loadRoomShopping,
  shopBasisOf,
  type PriceList,
  type ShoppingName,
} from './roomShopping';

export interface HomeMoney {
  readonly rooms: readonly {
    readonly room: Room;
    readonly sums: BudgetSums;
    /** The list cannot be had within the share. */ readonly isShort: boolean;
  }[];
  readonly home: BudgetSums;
  readonly payers: ReturnType<typeof sumPayers>;
  readonly cards: readonly {
    readonly shopName: string;
    readonly onCardsMinor: number;
    readonly leftMinor: number;
  }[];
  /**
   * The organizer's fee is no part of the budget: by the hours noted, and for the whole project as
   * estimated.
   */
  readonly fee: {
    readonly workedMinutes: number;
    readonly soFarMinor: number;
    readonly likelyMinor: number;
    readonly highMinor: number;
  };
}

type MoneyName = 'approvals' | EstimateName | ShoppingName;
type RoomsMoney = HomeMoney['rooms'];

/** Every room's money, or the last known with its date where the new one takes longer. */
export const loadRoomsMoney = (
  {
    db,
    records,
    stamp,
  }: { readonly db: Db; readonly records: Records<MoneyName>; readonly stamp: string },
  prices: PriceList,
): Promise<Answered<RoomsMoney>> =>
  answerOrKnown(
    db,
    {
      projectId: records.project.id,
      about: 'money',
      basis: [stamp, ...shopBasisOf(records, prices)],
    },
    () => Promise.all(records.rooms.map((room) => workOutRoom(db, records, { room, prices }))),
  );

/** A room's list worked out as it stands. */
async function workOutRoom(
  db: Db,
  records: Records<MoneyName>,
  { room, prices }: { readonly room: Room; readonly prices: PriceList },
): Promise<RoomsMoney[number]> {
  const shopping = await loadRoomShopping(db, records, room.id, prices);
  const { request, answer } = await answerRoomShopping(shopping);
  const sums = sumRoom({
    shareMinor: room.budgetMinor,
    openMinor: answer.leastBudgetMinor ?? answer.payMinor,
    purchases: shopping.purchases,
    lines: priceLines(request, answer, shopping.purchases),
    approvals: records.approvals.filter(({ roomId }) => roomId === room.id),
  });
  return { room, sums, isShort: answer.objective === null };
}

/** Of the home's money, what needs no engine. The fee follows finished rooms of every home. */
export async function loadHomeFacts(
  db: Db,
  records: Records<MoneyName>,
  prices: PriceList,
): Promise<Pick<HomeMoney, 'cards' | 'payers' | 'fee'>> {
  const cards = prices.shops.flatMap((shop) => {
    const own = records.giftCards.filter(({ shopId }) => shopId === shop.id);
    return own.length === 0
      ? []
      : [
          {
            shopName: shop.name,
            onCardsMinor: own.reduce((sum, { amountMinor }) => sum + amountMinor, 0),
            leftMinor: cardLeftMinorOf(shop, {
              giftCards: records.giftCards,
              cardPurchases: records.purchases,
            }),
          },
        ];
  });
  const { estimate } = await loadEstimate(db, records, today());
  const { rooms, sections, visits } = records;
  const workedMinutes = addUpHours(rooms, sections, visits).allMinutes;
  const { hourlyRateMinor } = records.project.terms;
  return {
    cards,
    payers: sumPayers(records.purchases),
    fee: {
      workedMinutes,
      soFarMinor: Math.round((workedMinutes / 60) * hourlyRateMinor),
      likelyMinor: estimate.feeMinor.likely,
      highMinor: estimate.feeMinor.high,
    },
  };
}

/** All of the home's money. */
export const sumHomeMoney = (
  { project }: Records<'project'>,
  rooms: RoomsMoney,
  facts: Awaited<ReturnType<typeof loadHomeFacts>>,
): HomeMoney => ({
  ...facts,
  rooms,
  home: sumRooms(
    rooms.map(({ sums }) => sums),
    project.budgetMinor,
  ),
});
