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
import { loadEstimate, type EstimateName } from '../agree/loadEstimate';
import { answerOrKnown, type Answered } from '../engines/answerOrKnown';
import { today } from '../means';
import {
  answerRoomShopping,
  loadPriceList,
  loadRoomShopping,
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

/** The money of the home, or the last known with its date where the new one takes longer. */
export const loadMoneyView = (
  db: Db,
  records: Records<'approvals' | EstimateName | ShoppingName>,
): Promise<Answered<HomeMoney>> =>
  answerOrKnown(db, { projectId: records.project.id, about: 'money' }, () =>
    loadHomeMoney(db, records),
  );

/** The money of every room and of the home, each room's list worked out as it stands. */
export async function loadHomeMoney(
  db: Db,
  records: Records<'approvals' | EstimateName | ShoppingName>,
): Promise<HomeMoney> {
  const prices = await loadPriceList(db);
  const rooms = await Promise.all(
    records.rooms.map(async (room) => {
      const shopping = await loadRoomShopping(db, records, room.id, prices);
      const { request, answer } = await answerRoomShopping(shopping);
      const sums = sumRoom({
        shareMinor: room.budgetMinor,
        openMinor: answer.leastBudgetMinor ?? answer.payMinor,
        purchases: shopping.purchases,
        lines: priceLines(request, answer, shopping.purchases),
        approvals: records.approvals.filter(({ roomId }) => roomId === room.id),
      });
      return { room, sums, isShort: answer.status === 'infeasible' };
    }),
  );
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
  const workedMinutes = records.rooms.reduce((sum, room) => sum + (room.workedMinutes ?? 0), 0);
  const { hourlyRateMinor } = records.project.terms;
  return {
    rooms,
    cards,
    home: sumRooms(
      rooms.map(({ sums }) => sums),
      records.project.budgetMinor,
    ),
    payers: sumPayers(records.purchases),
    fee: {
      workedMinutes,
      soFarMinor: Math.round((workedMinutes / 60) * hourlyRateMinor),
      likelyMinor: estimate.feeMinor.likely,
      highMinor: estimate.feeMinor.high,
    },
  };
}
