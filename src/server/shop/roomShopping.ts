import 'server-only';

import {
  err,
  ok,
  purchaseIdSchema,
  type ContainerId,
  type ProjectId,
  type PurchaseId,
  type Result,
  type RoomId,
} from '@/core/shared';
import {
  cardLeftMinorOf,
  cutToOffer,
  findLeftovers,
  listNeeds,
  toShopRequest,
  type ContainerNeed,
  type Lacking,
  type Leftover,
  type Priority,
  type Purchase,
  type RoomShopping,
  type ShopAnswer,
  type ShopRequest,
  type WayBack,
  type WishWeights,
} from '@/core/shop';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { listOffers, listShops } from '@/data/catalogueRepo';
import {
  loadRecords,
  needPriorityRecord,
  purchaseRecord,
  type LoadName,
  type Records,
} from '@/data/records';
import { createId, nowIso } from '../means';
import { leftElsewhereOf } from './leftElsewhere';
import { runEngine } from '../engines/runEngine';
import { materialNeedsOf } from './materials';

export interface PlannedShopping {
  readonly needs: readonly ContainerNeed[];
  readonly request: ShopRequest;
  readonly answer: ShopAnswer;
  /** What nobody has any more; the rest is planned without it. */
  readonly lacking: readonly Lacking[];
  readonly waysBack: readonly WayBack[];
  readonly wishes: WishWeights;
  /** Shops that price in another currency are left out; their names are told. */
  readonly otherCurrencyShopNames: readonly string[];
}

export type PriceList = Pick<RoomShopping, 'offers' | 'shops'>;
/** Offers and shops: the same for every room. */
export const loadPriceList = async (db: Db): Promise<PriceList> => ({
  offers: await listOffers(db),
  shops: await listShops(db),
});

/** What a room's list is worked out from. */
export const shoppingNames = [
  'containers',
  'fits',
  'giftCards',
  'groups',
  'handNeeds',
  'materials',
  'priorities',
  'project',
  'purchases',
  'rooms',
  'shortages',
  'units',
] as const satisfies readonly LoadName[];
export type ShoppingName = (typeof shoppingNames)[number];

/** @errors `not_found` where the room is not of this project. */
export async function loadRoomShopping(
  db: Db,
  records: Records<ShoppingName>,
  roomId: RoomId,
  prices?: PriceList,
): Promise<RoomShopping> {
  const room = records.rooms.find(({ id }) => id === roomId);
  if (!room) throw new DataError('not_found', `there is no room ${roomId}`);
  const bayIds = new Set(
    records.units
      .filter((unit) => unit.roomId === roomId)
      .flatMap((unit) => unit.bays.map(({ id }) => id)),
  );
  return {
    fits: records.fits.filter((fit) => bayIds.has(fit.bayId)),
    containers: records.containers,
    ...(prices ?? (await loadPriceList(db))),
    purchases: records.purchases.filter((purchase) => purchase.roomId === roomId),
    leftElsewhere: leftElsewhereOf(records, roomId),
    priorities: new Map(
      records.priorities
        .filter((entry) => entry.roomId === roomId)
        .map((entry) => [entry.containerId, entry.priority]),
    ),
    handNeeds: records.handNeeds.filter((need) => need.roomId === roomId),
    materialNeeds: await materialNeedsOf(records, roomId),
    giftCards: records.giftCards,
    // A container that a shop does not have is not there for another room either.
    shortages: records.shortages.filter(
      (shortage) =>
        shortage.roomId === roomId || records.containers.some(({ id }) => id === shortage.needId),
    ),
    cardPurchases: records.purchases,
    budgetMinor: room.budgetMinor,
    currency: records.project.currency,
  };
}

/** Beside a home's stamp, what its shopping depends on: the price list changes without a change of the home. */
export const shopBasisOf = (
  { project, rooms, containers }: Records<'project' | 'rooms' | 'containers'>,
  prices: PriceList,
): readonly unknown[] => [project, rooms, containers, prices];

/** What to buy where, for one room: what nobody has is named, and the rest planned without it. */
export async function answerRoomShopping(
  shopping: RoomShopping,
): Promise<Pick<PlannedShopping, 'request' | 'answer' | 'lacking'>> {
  const { request, lacking } = cutToOffer(toShopRequest(shopping));
  return { request, answer: await runEngine('shop', request), lacking };
}

/** Works the list of a room out: what to buy where, and, over budget, what would bring it back. */
export async function planRoomShopping(shopping: RoomShopping): Promise<PlannedShopping> {
  const { request, answer, lacking } = await answerRoomShopping(shopping);
  return {
    needs: listNeeds(shopping),
    request,
    answer,
    lacking,
    wishes: await runEngine('wishes', { request, answer }),
    waysBack: answer.leastBudgetMinor === undefined ? [] : await runEngine('waysBack', request),
    otherCurrencyShopNames: shopping.shops
      .filter((shop) => shop.currency !== shopping.currency)
      .map(({ name }) => name),
  };
}

export const setNeedPriority = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: {
      readonly roomId: RoomId;
      readonly containerId: ContainerId;
      readonly priority: Priority;
    },
  ): Promise<void> => {
    const { rooms, containers } = await loadRecords(db, projectId, 'containers', 'rooms');
    const container = containers.find(({ id }) => id === input.containerId);
    if (!container || rooms.every(({ id }) => id !== input.roomId))
      throw new DataError('not_found', 'there is no such line on this list');
    await recordChange(
      db,
      { projectId, deed: { code: 'priority_changed', name: container.name }, now: nowIso() },
      (writer) =>
        writer.put(needPriorityRecord, { ...input, id: `${input.roomId}_${input.containerId}` }),
    );
  },
);

export interface CardFault {
  readonly code: 'card_too_small';
  readonly leftMinor: number;
}

export type PurchaseInput = Pick<
  Purchase,
  'roomId' | 'containerId' | 'shopName' | 'label' | 'pieces' | 'paidMinor'
> &
  Partial<Pick<Purchase, 'paidBy' | 'cardMinor' | 'expectedMinor' | 'handNeedId' | 'materialKey'>>;

/** Notes what was paid at the till; a gift card pays no more than is on it. @errors `not_found`. */
export const addPurchase = (
  db: Db,
  projectId: ProjectId,
  input: PurchaseInput,
): Promise<Result<undefined, CardFault>> => addPurchases(db, projectId, [input]);

/**
 * Notes what was bought at one till, for one room or several, as one change.
 * @errors `not_found`: a room is not of this project.
 */
export const addPurchases = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    inputs: readonly PurchaseInput[],
  ): Promise<Result<undefined, CardFault>> => {
    const { rooms, giftCards, purchases } = await loadRecords(
      db,
      projectId,
      'giftCards',
      'purchases',
      'rooms',
    );
    const [first] = inputs;
    if (!first || inputs.some(({ roomId }) => rooms.every(({ id }) => id !== roomId)))
      throw new DataError('not_found', 'there is no such room in this home');
    const cardMinor = inputs.reduce((sum, input) => sum + (input.cardMinor ?? 0), 0);
    if (cardMinor > 0) {
      const shop = (await listShops(db)).find(({ name }) => name === first.shopName);
      const leftMinor = shop ? cardLeftMinorOf(shop, { giftCards, cardPurchases: purchases }) : 0;
      if (cardMinor > leftMinor) return err({ code: 'card_too_small', leftMinor });
    }
    await recordChange(
      db,
      { projectId, deed: { code: 'bought', name: first.label }, now: nowIso() },
      async (writer) => {
        for (const input of inputs)
          await writer.insert(purchaseRecord, {
            paidBy: '',
            cardMinor: 0,
            expectedMinor: null,
            handNeedId: null,
            materialKey: null,
            receiptId: null,
            ...input,
            id: purchaseIdSchema.parse(createId()),
            boughtAt: nowIso(),
            returnBy: null,
            deliverOn: null,
            returnedPieces: 0,
            refundMinor: 0,
          });
      },
    );
    return ok(undefined);
  },
);

export const removePurchase = atomic(
  async (db: Db, projectId: ProjectId, purchaseId: PurchaseId): Promise<void> => {
    const { purchases } = await loadRecords(db, projectId, 'purchases');
    const purchase = purchases.find(({ id }) => id === purchaseId);
    if (!purchase) throw new DataError('not_found', 'there is no such purchase in this home');
    await recordChange(
      db,
      { projectId, deed: { code: 'purchase_removed', name: purchase.label }, now: nowIso() },
      (writer) => writer.remove(purchaseRecord, purchaseId),
    );
  },
);

type ReturnFault =
  | { readonly code: 'more_than_bought'; readonly mostPieces: number }
  | { readonly code: 'more_than_paid'; readonly mostMinor: number };

/**
 * Notes until when a purchase can go back, what went back of it, and what was paid for that.
 * @errors `not_found`.
 */
export const noteReturn = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      purchaseId,
      ...change
    }: { readonly purchaseId: PurchaseId } & Pick<
      Purchase,
      'returnBy' | 'deliverOn' | 'returnedPieces' | 'refundMinor'
    >,
  ): Promise<Result<undefined, ReturnFault>> => {
    const { purchases } = await loadRecords(db, projectId, 'purchases');
    const purchase = purchases.find(({ id }) => id === purchaseId);
    if (!purchase) throw new DataError('not_found', `there is no purchase ${purchaseId}`);
    if (change.returnedPieces > purchase.pieces)
      return err({ code: 'more_than_bought', mostPieces: purchase.pieces });
    if (change.refundMinor > purchase.paidMinor)
      return err({ code: 'more_than_paid', mostMinor: purchase.paidMinor });
    await recordChange(
      db,
      {
        projectId,
        deed: {
          code: change.returnedPieces > purchase.returnedPieces ? 'brought_back' : 'return_noted',
          name: purchase.label,
        },
        now: nowIso(),
      },
      (writer) => writer.put(purchaseRecord, { ...purchase, ...change }),
    );
    return ok(undefined);
  },
);

/** What the room has too much of, with the rooms of the home that still want it. */
export function leftoversOf(
  records: Records<'containers' | 'fits' | 'purchases' | 'rooms' | 'units'>,
  shopping: RoomShopping,
  roomId: RoomId,
): Leftover[] {
  const needs = listNeeds(shopping);
  const priorities = new Map<string, Priority>();
  const elsewhere = records.rooms
    .filter(({ id }) => id !== roomId)
    .map((room) => {
      const bayIds = new Set(
        records.units
          .filter((unit) => unit.roomId === room.id)
          .flatMap((unit) => unit.bays.map(({ id }) => id)),
      );
      return {
        roomId: room.id,
        needs: listNeeds({
          fits: records.fits.filter((fit) => bayIds.has(fit.bayId)),
          containers: records.containers,
          purchases: records.purchases.filter((purchase) => purchase.roomId === room.id),
          priorities,
        }),
      };
    });
  return findLeftovers({
    purchases: shopping.purchases,
    wantedOf: (id) => needs.find(({ container }) => container.id === id)?.qty ?? 0,
    ownedOf: (id) => records.containers.find((container) => container.id === id)?.ownedCount ?? 0,
    shortElsewhere: (id) =>
      elsewhere.flatMap((room) => {
        const need = room.needs.find(({ container }) => container.id === id);
        return need && need.qty > need.hadQty
          ? [{ roomId: room.roomId, pieces: need.qty - need.hadQty }]
          : [];
      }),
  });
}
