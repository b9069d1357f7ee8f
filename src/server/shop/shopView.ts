import 'server-only';

import {
  approvalStateOf,
  cardLeftMinorOf,
  findSoldOut,
  listOtherNeeds,
  priceLines,
  type ApprovalState,
  type MaterialNeed,
  type Offer,
  type Priority,
  type RoomShopping,
  type ShopAnswer,
  type ShopRequest,
  type WayBack,
  type WishWeights,
} from '@/core/shop';
import type { BayId, RoomId } from '@/core/shared';
import type { Db } from '@/data/db';
import type { Records } from '@/data/records';
import { answerOrKnown, type Answered } from '../engines/answerOrKnown';
import { findSubstitutes, type Substitute } from '../fit/wishes';
import {
  leftoversOf,
  loadRoomShopping,
  planRoomShopping,
  shopBasisOf,
  type PlannedShopping,
  type PriceList,
  type ShoppingName,
} from './roomShopping';

/**
 * Substitutes that are worked out with the page; for more sold-out containers they are asked for
 * one by one.
 */
const FOUND_AT_ONCE = 2;

/** One line of what a room calls for. */
interface ShopNeed {
  readonly needId: string;
  readonly name: string;
  readonly qty: number;
  readonly hadQty: number;
  readonly from: 'fit' | 'owned' | 'hand' | 'material';
  readonly priority: Priority;
  /** Pieces that the plan leaves out. */
  readonly shortQty: number;
  /** Paid, and still to pay. */
  readonly lineMinor: number;
  readonly approval: ApprovalState;
}

/** Of a room's shopping, what engines work out; plain JSON, so that it can be kept. */
export interface ShopView {
  readonly request: ShopRequest;
  readonly answer: ShopAnswer;
  readonly wishes: WishWeights;
  readonly waysBack: readonly WayBack[];
  readonly otherCurrencyShopNames: readonly string[];
  readonly needs: readonly ShopNeed[];
  /** Those that are bought, with their aisles and when they were checked. */
  readonly offers: readonly Offer[];
  readonly materialNeeds: readonly MaterialNeed[];
  readonly cardLeftMinor: Readonly<Record<string, number>>;
  readonly soldOut: readonly {
    readonly containerId: string;
    readonly name: string;
    /** Undefined until it is asked for. */
    readonly instead: readonly Substitute[] | undefined;
  }[];
  readonly leftovers: ReturnType<typeof leftoversOf>;
  /** When any price was last asked of a shop; null: never. */
  readonly checkedAt: string | null;
}

type ShopViewName = ShoppingName | 'approvals' | 'fitWishes' | 'things';

/** A home with what its shopping is worked out from, and the stamp from before that was read. */
interface Opened {
  readonly db: Db;
  readonly records: Records<ShopViewName>;
  readonly stamp: string;
}

/** A room's shopping, or the last one known with its date where the new one takes longer. */
export const loadShopView = (
  { db, records, stamp }: Opened,
  roomId: RoomId,
  prices: PriceList,
): Promise<Answered<ShopView>> =>
  answerOrKnown(
    db,
    {
      projectId: records.project.id,
      about: `shop ${roomId}`,
      basis: [stamp, ...shopBasisOf(records, prices)],
    },
    () => workOut(db, records, { roomId, prices }),
  );

async function workOut(
  db: Db,
  records: Records<ShopViewName>,
  { roomId, prices }: { readonly roomId: RoomId; readonly prices: PriceList },
): Promise<ShopView> {
  const shopping = await loadRoomShopping(db, records, roomId, prices);
  const plan = await planRoomShopping(shopping);
  const { request, answer, wishes, waysBack, otherCurrencyShopNames } = plan;
  const bought = new Set(answer.buys.map(({ offerId }) => offerId));
  const checks = shopping.offers.flatMap(({ checkedAt }) => checkedAt ?? []).sort();
  return {
    request,
    answer,
    wishes,
    waysBack,
    otherCurrencyShopNames,
    needs: listRows(records, { roomId, shopping, plan }),
    offers: shopping.offers.filter(({ id }) => bought.has(id)),
    materialNeeds: shopping.materialNeeds,
    cardLeftMinor: Object.fromEntries(
      shopping.shops.map((shop) => [shop.id, cardLeftMinorOf(shop, shopping)]),
    ),
    soldOut: await findInstead(db, records, { shopping, plan }),
    leftovers: leftoversOf(records, shopping, roomId),
    checkedAt: checks.at(-1) ?? null,
  };
}

interface Planned {
  readonly shopping: RoomShopping;
  readonly plan: PlannedShopping;
}

function listRows(
  records: Records<ShopViewName>,
  { roomId, shopping, plan }: Planned & { readonly roomId: RoomId },
): ShopNeed[] {
  const { request, answer } = plan;
  const lines = priceLines(request, answer, shopping.purchases);
  const handIds = new Set<string>(shopping.handNeeds.map(({ id }) => id));
  const met = new Map(answer.met.map((each) => [each.needId, each.short]));
  const called = [
    ...plan.needs.map(({ container, ...need }) => ({
      ...need,
      id: container.id as string,
      name: container.name,
      from: container.projectId === null ? ('fit' as const) : ('owned' as const),
    })),
    ...listOtherNeeds(shopping).map((need) => ({
      ...need,
      from: handIds.has(need.id) ? ('hand' as const) : ('material' as const),
    })),
  ];
  return called.map(({ id, name, qty, hadQty, priority, from }) => {
    const lineMinor = lines.find(({ needId }) => needId === id)?.lineMinor ?? 0;
    const approval = records.approvals.find((each) => each.roomId === roomId && each.needId === id);
    return {
      needId: id,
      name,
      qty,
      hadQty,
      from,
      priority,
      lineMinor,
      shortQty: answer.status === 'infeasible' ? 0 : (met.get(id) ?? 0),
      approval: approvalStateOf(approval, lineMinor),
    };
  });
}

const findInstead = (
  db: Db,
  records: Records<ShopViewName>,
  { shopping, plan }: Planned,
): Promise<ShopView['soldOut']> => {
  const bayIds = new Set<BayId>(shopping.fits.map(({ bayId }) => bayId));
  return Promise.all(
    findSoldOut(plan.needs, shopping.offers).map(async ({ container }, i) => ({
      containerId: container.id,
      name: container.name,
      instead:
        i < FOUND_AT_ONCE
          ? await findSubstitutes(db, records, { containerId: container.id, bayIds })
          : undefined,
    })),
  );
};
