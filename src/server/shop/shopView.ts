import 'server-only';

import {
  approvalStateOf,
  cardLeftMinorOf,
  listOtherNeeds,
  priceLines,
  type ApprovalState,
  type MaterialNeed,
  type Offer,
  type Priority,
  type RoomShopping,
  type ShopAnswer,
  type ShopRequest,
  type Shortage,
  type WayBack,
  type WishWeights,
} from '@/core/shop';
import type { RoomId } from '@/core/shared';
import type { Db } from '@/data/db';
import type { Records } from '@/data/records';
import { answerOrKnown, type Answered } from '../engines/answerOrKnown';
import {
  leftoversOf,
  loadRoomShopping,
  planRoomShopping,
  shopBasisOf,
  type PlannedShopping,
  type PriceList,
  type ShoppingName,
} from './roomShopping';
import { listWaysInstead, type WayInstead } from './till';

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
  /** Of them those left over in other rooms. */
  readonly elsewhereQty: number;
  /** The rooms in which those lie. */
  readonly elsewhereRooms: readonly string[];
  readonly from: 'fit' | 'owned' | 'hand' | 'material';
  readonly priority: Priority;
  /** Pieces that the plan leaves out. */
  readonly shortQty: number;
  /** Pieces that nobody has. */
  readonly lackQty: number;
  /** Paid, and still to pay. */
  readonly lineMinor: number;
  readonly approval: ApprovalState;
}

/** A line that nobody has in the number that is wanted. */
interface LackingLine {
  readonly needId: string;
  readonly name: string;
  /** Pieces that are not to be had. */
  readonly qty: number;
  /** Whether anybody sells it at all. */
  readonly isOnOffer: boolean;
  /** What goes into its places instead; undefined until it is asked for, null for what is no container. */
  readonly instead: readonly WayInstead[] | undefined | null;
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
  readonly lacking: readonly LackingLine[];
  /** What was said in a shop, and where. */
  readonly shortages: readonly (Pick<Shortage, 'needId' | 'shopId' | 'saidAt'> & {
    readonly name: string;
    readonly shopName: string;
  })[];
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
    lacking: await findInstead(db, records, { roomId, prices, plan }),
    shortages: shopping.shortages.flatMap(({ needId, shopId, saidAt }) => {
      const name = request.needs.find(({ id }) => id === needId)?.name;
      const shopName = shopping.shops.find(({ id }) => id === shopId)?.name;
      return name === undefined || shopName === undefined
        ? []
        : [{ needId, shopId, saidAt, name, shopName }];
    }),
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
      elsewhereQty: 0,
      elsewhereRooms: [],
      from: handIds.has(need.id) ? ('hand' as const) : ('material' as const),
    })),
  ];
  return called.map(({ id, name, qty, hadQty, elsewhereQty, elsewhereRooms, priority, from }) => {
    const lineMinor = lines.find(({ needId }) => needId === id)?.lineMinor ?? 0;
    const approval = records.approvals.find((each) => each.roomId === roomId && each.needId === id);
    return {
      needId: id,
      name,
      qty,
      hadQty,
      elsewhereQty,
      elsewhereRooms,
      from,
      priority,
      lineMinor,
      shortQty: answer.objective === null ? 0 : (met.get(id) ?? 0),
      lackQty: plan.lacking.find(({ needId }) => needId === id)?.qty ?? 0,
      approval: approvalStateOf(approval, lineMinor),
    };
  });
}

function findInstead(
  db: Db,
  records: Records<ShopViewName>,
  {
    roomId,
    prices,
    plan,
  }: Pick<Planned, 'plan'> & { readonly roomId: RoomId; readonly prices: PriceList },
): Promise<ShopView['lacking']> {
  const containerIds = plan.lacking
    .map(({ needId }) => needId)
    .filter((needId) => plan.needs.some(({ container }) => container.id === needId));
  return Promise.all(
    plan.lacking.map(async ({ needId, qty }) => {
      const turn = containerIds.indexOf(needId);
      const found =
        turn >= 0 && turn < FOUND_AT_ONCE
          ? await listWaysInstead(db, records, { roomId, containerId: needId, prices })
          : undefined;
      const instead = turn < 0 ? null : found;
      return {
        needId,
        qty,
        name: plan.request.needs.find(({ id }) => id === needId)?.name ?? needId,
        isOnOffer: plan.request.offers.some((offer) => offer.needId === needId),
        instead,
      };
    }),
  );
}
