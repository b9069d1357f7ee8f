import 'server-only';

import type { GiftCard, HandNeed } from '@/core/shop';
import { giftCardIdSchema, handNeedIdSchema, type BayId, type ContainerId, type GiftCardId, type HandNeedId, type ProjectId, type RoomId } from '@/core/shared';
import { recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { listShops } from '@/data/catalogueRepo';
import { getProjectRecords } from '@/data/projectRepo';
import { fitTable, giftCardTable, handNeedTable, needPriorityTable } from '@/data/tables';
import { findSubstitutes } from '../fit/wishes';
import { createId, nowIso } from '../means';

/** Puts something on a room's list that no fit calls for. @errors `not_found`: no such room or shop. */
export async function addHandNeed(db: Db, projectId: ProjectId, input: Omit<HandNeed, 'id'>): Promise<void> {
  const { rooms } = await getProjectRecords(db, projectId);
  if (rooms.every(({ id }) => id !== input.roomId)) throw new DataError('not_found', `there is no room ${input.roomId}`);
  await requireShop(db, input.shopId);
  await recordChange(db, { projectId, label: `put ${input.name} on the list`, now: nowIso() }, (writer) => writer.insert(handNeedTable, { ...input, id: handNeedIdSchema.parse(createId()) }));
}

export async function removeHandNeed(db: Db, projectId: ProjectId, handNeedId: HandNeedId): Promise<void> {
  const { handNeeds } = await getProjectRecords(db, projectId);
  const need = handNeeds.find(({ id }) => id === handNeedId);
  if (need) await recordChange(db, { projectId, label: `took ${need.name} off the list`, now: nowIso() }, (writer) => writer.remove(handNeedTable, handNeedId));
}

/** @errors `not_found`: no such shop. */
export async function addGiftCard(db: Db, projectId: ProjectId, input: Pick<GiftCard, 'shopId' | 'amountMinor'>): Promise<void> {
  const shop = await requireShop(db, input.shopId);
  await recordChange(db, { projectId, label: `noted a gift card of ${shop.name}`, now: nowIso() }, (writer) => writer.insert(giftCardTable, { ...input, projectId, id: giftCardIdSchema.parse(createId()) }));
}

export async function removeGiftCard(db: Db, projectId: ProjectId, giftCardId: GiftCardId): Promise<void> {
  const { giftCards } = await getProjectRecords(db, projectId);
  if (giftCards.some(({ id }) => id === giftCardId)) await recordChange(db, { projectId, label: 'removed a gift card', now: nowIso() }, (writer) => writer.remove(giftCardTable, giftCardId));
}

/** The client says yes to a line, or takes the yes back. @errors `not_found`. */
export async function approveNeed(db: Db, projectId: ProjectId, input: { readonly roomId: RoomId; readonly containerId: ContainerId; readonly isApproved: boolean }): Promise<void> {
  const { rooms, containers, priorities } = await getProjectRecords(db, projectId);
  const container = containers.find(({ id }) => id === input.containerId);
  if (!container || rooms.every(({ id }) => id !== input.roomId)) throw new DataError('not_found', 'there is no such line on this list');
  const before = priorities.find((entry) => entry.roomId === input.roomId && entry.containerId === input.containerId);
  await recordChange(db, { projectId, label: `${input.isApproved ? 'client approved' : 'took the approval back for'} ${container.name}`, now: nowIso() }, (writer) =>
    writer.put(needPriorityTable, { id: `${input.roomId}_${input.containerId}`, roomId: input.roomId, containerId: input.containerId, priority: before?.priority ?? 'must', approvedAt: input.isApproved ? nowIso() : null }),
  );
}

/** Takes what stands in a place instead of a container that cannot be had. @errors `not_found`: nothing goes in instead. */
export async function takeSubstitute(db: Db, projectId: ProjectId, { containerId, bayId }: { readonly containerId: ContainerId; readonly bayId: BayId }): Promise<void> {
  const records = await getProjectRecords(db, projectId);
  const substitute = (await findSubstitutes(db, records, { containerId, bayIds: new Set([bayId]) }))[0];
  if (!substitute) throw new DataError('not_found', 'nothing else was found that goes in there');
  await recordChange(db, { projectId, label: `took ${substitute.names.join(', ')} instead for ${substitute.bayName}`, now: nowIso() }, (writer) =>
    writer.put(fitTable, { id: bayId, prefer: substitute.prefer, answer: substitute.answer, takenAt: nowIso(), checks: [] }),
  );
}

async function requireShop(db: Db, shopId: string) {
  const shop = (await listShops(db)).find(({ id }) => id === shopId);
  if (!shop) throw new DataError('not_found', `there is no shop ${shopId}`);
  return shop;
}
