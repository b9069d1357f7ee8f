import 'server-only';

import { insteadOf, keepChecks } from '@/core/fit';
import { priceLines, toShopRequest, type GiftCard, type HandNeed } from '@/core/shop';
import {
  giftCardIdSchema,
  handNeedIdSchema,
  type BayId,
  type ContainerId,
  type GiftCardId,
  type HandNeedId,
  type ProjectId,
  type RoomId,
  type ShopId,
} from '@/core/shared';
import { atomic, recordChange, requireUnchanged, stampOf } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { listShops } from '@/data/catalogueRepo';
import {
  approvalRecord,
  fitRecord,
  giftCardRecord,
  handNeedRecord,
  loadRecords,
  shortageRecord,
} from '@/data/records';
import { findSubstitutes } from '../fit/wishes';
import { createId, nowIso } from '../means';
import { answerRoomShopping, loadRoomShopping, shoppingNames } from './roomShopping';
import { fitNames } from '../fit/takeFit';

/** Puts something on a room's list that no fit calls for. @errors `not_found`: no such room or shop. */
export const addHandNeed = atomic(
  async (db: Db, projectId: ProjectId, input: Omit<HandNeed, 'id'>): Promise<void> => {
    const { rooms } = await loadRecords(db, projectId, 'rooms');
    if (rooms.every(({ id }) => id !== input.roomId))
      throw new DataError('not_found', `there is no room ${input.roomId}`);
    await requireShop(db, input.shopId);
    await recordChange(
      db,
      { projectId, deed: { code: 'need_added', name: input.name }, now: nowIso() },
      (writer) =>
        writer.insert(handNeedRecord, { ...input, id: handNeedIdSchema.parse(createId()) }),
    );
  },
);

export const removeHandNeed = atomic(
  async (db: Db, projectId: ProjectId, handNeedId: HandNeedId): Promise<void> => {
    const { handNeeds } = await loadRecords(db, projectId, 'handNeeds');
    const need = handNeeds.find(({ id }) => id === handNeedId);
    if (need)
      await recordChange(
        db,
        { projectId, deed: { code: 'need_removed', name: need.name }, now: nowIso() },
        (writer) => writer.remove(handNeedRecord, handNeedId),
      );
  },
);

/** @errors `not_found`: no such shop. */
export const addGiftCard = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: Pick<GiftCard, 'shopId' | 'amountMinor'>,
  ): Promise<void> => {
    const shop = await requireShop(db, input.shopId);
    await recordChange(
      db,
      { projectId, deed: { code: 'card_noted', name: shop.name }, now: nowIso() },
      (writer) =>
        writer.insert(giftCardRecord, {
          ...input,
          projectId,
          id: giftCardIdSchema.parse(createId()),
        }),
    );
  },
);

export const removeGiftCard = atomic(
  async (db: Db, projectId: ProjectId, giftCardId: GiftCardId): Promise<void> => {
    const { giftCards } = await loadRecords(db, projectId, 'giftCards');
    if (giftCards.some(({ id }) => id === giftCardId))
      await recordChange(
        db,
        { projectId, deed: { code: 'card_removed' }, now: nowIso() },
        (writer) => writer.remove(giftCardRecord, giftCardId),
      );
  },
);

/**
 * The client says yes to a line at what it comes to now, or takes the yes back. @errors
 * `not_found`: not on the list.
 */
export async function approveNeed(
  db: Db,
  projectId: ProjectId,
  {
    roomId,
    needId,
    isApproved,
  }: { readonly roomId: RoomId; readonly needId: string; readonly isApproved: boolean },
): Promise<void> {
  const stamp = await stampOf(db, projectId);
  const records = await loadRecords(db, projectId, ...shoppingNames);
  const shopping = await loadRoomShopping(db, records, roomId);
  const { request, answer } = await answerRoomShopping(shopping);
  const need = request.needs.find(({ id }) => id === needId);
  if (!need) throw new DataError('not_found', 'there is no such line on this list');
  const lineMinor =
    priceLines(request, answer, shopping.purchases).find((line) => line.needId === needId)
      ?.lineMinor ?? 0;
  const id = `${roomId}_${needId}`;
  const deed = { code: isApproved ? 'approved' : 'approval_withdrawn', name: need.name } as const;
  await recordChange(db, { projectId, deed, now: nowIso() }, async (writer, trx) => {
    await requireUnchanged(trx, projectId, stamp);
    if (isApproved)
      await writer.put(approvalRecord, { id, roomId, needId, lineMinor, approvedAt: nowIso() });
    else await writer.remove(approvalRecord, id);
  });
}

/**
 * Somebody stands in the shop: a line of the list is not to be had there, or is there again. The list is
 * planned around it from then on. @errors `not_found`: not on the list, no such shop.
 */
export const noteShortage = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      isShort,
      ...line
    }: {
      readonly roomId: RoomId;
      readonly needId: string;
      readonly shopId: ShopId;
      readonly isShort: boolean;
    },
  ): Promise<void> => {
    const records = await loadRecords(db, projectId, ...shoppingNames);
    const shop = await requireShop(db, line.shopId);
    const shopping = await loadRoomShopping(db, records, line.roomId);
    const need = toShopRequest(shopping).needs.find(({ id }) => id === line.needId);
    if (!need) throw new DataError('not_found', 'there is no such line on this list');
    const deed = {
      code: isShort ? 'shortage_noted' : 'shortage_lifted',
      name: need.name,
      place: shop.name,
    } as const;
    const said = shopping.shortages.filter(
      ({ needId, shopId }) => needId === line.needId && shopId === line.shopId,
    );
    await recordChange(db, { projectId, deed, now: nowIso() }, async (writer) => {
      for (const { id } of said) await writer.remove(shortageRecord, id);
      if (isShort)
        await writer.insert(shortageRecord, {
          ...line,
          id: `${line.roomId}_${line.shopId}_${line.needId}`,
          saidAt: nowIso(),
        });
    });
  },
);

/**
 * Takes what stands in a place instead of a container that cannot be had. @errors `not_found`:
 * nothing goes in instead.
 */
export async function takeSubstitute(
  db: Db,
  projectId: ProjectId,
  { containerId, bayId }: { readonly containerId: ContainerId; readonly bayId: BayId },
): Promise<void> {
  const stamp = await stampOf(db, projectId);
  const records = await loadRecords(db, projectId, ...fitNames);
  const substitute = (
    await findSubstitutes(db, records, { containerId, bayIds: new Set([bayId]) })
  )[0];
  if (!substitute) throw new DataError('not_found', 'nothing else was found that goes in there');
  await recordChange(
    db,
    {
      projectId,
      deed: {
        code: 'substitute_taken',
        name: substitute.names.join(', '),
        place: substitute.bayName,
      },
      now: nowIso(),
    },
    async (writer, trx) => {
      await requireUnchanged(trx, projectId, stamp);
      const before = records.fits.find((fit) => fit.bayId === bayId);
      await writer.put(fitRecord, {
        id: bayId,
        prefer: substitute.prefer,
        answer: substitute.answer,
        takenAt: nowIso(),
        checks: keepChecks(before, substitute.answer),
        insteadOf: insteadOf(before, substitute.answer),
      });
    },
  );
}

async function requireShop(db: Db, shopId: string) {
  const shop = (await listShops(db)).find(({ id }) => id === shopId);
  if (!shop) throw new DataError('not_found', `there is no shop ${shopId}`);
  return shop;
}
