import 'server-only';

import type { FitAnswer } from '@/core/fit';
import type { BayId, RoomId } from '@/core/shared';
import type { RoomShopping } from '@/core/shop';
import type { Db } from '@/data/db';
import type { Records } from '@/data/records';
import { findSubstitutes } from '../fit/wishes';
import type { FitRecords } from '../fit/takeFit';
import {
  answerRoomShopping,
  loadRoomShopping,
  type PriceList,
  type ShoppingName,
} from './roomShopping';

/** What the tills take for a room's list: whole packs, deliveries, less what is there and on cards. */
export interface TillSum {
  /** For the whole list, still to pay. */
  readonly payMinor: number;
  /** Of it for one place: the list with it, less the list without. Negative where it makes a delivery free. */
  readonly addsMinor: number;
  /** Pieces that nobody has, and that the sums are without. */
  readonly lackQty: number;
}

type Placed = Pick<FitAnswer, 'placements' | 'surfaces'>;

/** What the tills take if one place of a room is fitted out in this way. */
export async function sumTillWith(
  shopping: RoomShopping,
  bayId: BayId,
  placed: Placed,
): Promise<TillSum> {
  const [without, with_] = await Promise.all(
    [NOTHING_PLACED, placed].map(({ placements, surfaces }) =>
      answerRoomShopping({
        ...shopping,
        fits: [
          ...shopping.fits.filter((fit) => fit.bayId !== bayId),
          {
            bayId,
            prefer: 'cost',
            takenAt: '',
            checks: [],
            insteadOf: [],
            answer: { ...NOTHING_PLACED, placements, ...(surfaces && { surfaces }) },
          },
        ],
      }),
    ),
  );
  const payOf = (planned: typeof with_) =>
    planned ? (planned.answer.leastBudgetMinor ?? planned.answer.payMinor) : 0;
  return {
    payMinor: payOf(with_),
    addsMinor: payOf(with_) - payOf(without),
    lackQty: with_?.lacking.reduce((sum, { qty }) => sum + qty, 0) ?? 0,
  };
}

const NOTHING_PLACED: FitAnswer = {
  status: 'feasible',
  objective: null,
  bound: null,
  elapsedMs: 0,
  placements: [],
  costMinor: 0,
  usedLitres: 0,
  freeLitres: 0,
  unmet: [],
  reasons: [],
};

/** What goes into a place instead of what cannot be had, and what the room's list comes to then. */
export interface WayInstead {
  readonly bayId: BayId;
  readonly bayName: string;
  readonly names: readonly string[];
  readonly payMinor: number;
}

/** In the places of a room, what could stand there instead of one container. */
export async function listWaysInstead(
  db: Db,
  records: Records<ShoppingName> & FitRecords,
  {
    roomId,
    containerId,
    prices,
  }: { readonly roomId: RoomId; readonly containerId: string; readonly prices?: PriceList },
): Promise<readonly WayInstead[]> {
  const shopping = await loadRoomShopping(db, records, roomId, prices);
  const bayIds = new Set<BayId>(shopping.fits.map(({ bayId }) => bayId));
  const found = await findSubstitutes(db, records, { containerId, bayIds });
  return Promise.all(
    found.map(async ({ bayId, bayName, names, answer }) => ({
      bayId,
      bayName,
      names,
      payMinor: (await sumTillWith(shopping, bayId, answer)).payMinor,
    })),
  );
}
