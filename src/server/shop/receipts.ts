import 'server-only';

import { format } from 'date-fns';

import {
  err,
  ok,
  pictureIdSchema,
  receiptIdSchema,
  type ProjectId,
  type ReceiptId,
  type Result,
} from '@/core/shared';
import { findLinesOf, type Receipt } from '@/core/shop';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { keepPictureFiles } from '@/data/pictureFiles';
import { loadRecords, purchaseRecord, receiptRecord } from '@/data/records';
import { encodePicture, type PictureError } from '../look/encodePicture';
import { createId, nowIso } from '../means';

/** The day at the till, by this machine's calendar. */
export const dayOf = (boughtAt: string): string => format(new Date(boughtAt), 'yyyy-MM-dd');

/**
 * Keeps a receipt, with its picture where one was taken (no metadata left in it), and puts on it what
 * was noted for that shop and day. @errors `not_found`: no such project.
 */
export async function addReceipt(
  db: Db,
  dataDir: string,
  projectId: ProjectId,
  {
    bytes,
    ...facts
  }: Pick<Receipt, 'shopName' | 'boughtOn' | 'totalMinor'> & {
    readonly bytes: Uint8Array | undefined;
  },
): Promise<Result<Receipt, PictureError>> {
  const encoded = bytes === undefined ? undefined : await encodePicture(bytes);
  if (encoded && !encoded.ok) return err(encoded.error);
  const pictureId = encoded ? pictureIdSchema.parse(createId()) : null;
  const receipt: Receipt = {
    ...facts,
    projectId,
    pictureId,
    id: receiptIdSchema.parse(createId()),
  };
  const keep = (place: () => Promise<void>) =>
    recordChange(
      db,
      { projectId, deed: { code: 'receipt_kept', name: facts.shopName }, now: nowIso() },
      async (writer, trx) => {
        const { purchases } = await loadRecords(trx, projectId, 'purchases');
        await writer.insert(receiptRecord, receipt);
        for (const purchase of findLinesOf(facts, purchases, dayOf))
          await writer.put(purchaseRecord, { ...purchase, receiptId: receipt.id });
        await place();
      },
    );
  if (encoded && pictureId)
    await keepPictureFiles(dataDir, { id: pictureId, bytes: encoded.value }, keep);
  else await keep(() => Promise.resolve());
  return ok(receipt);
}

/**
 * Takes a receipt away; what was bought stays, and its picture stays on the disk so that undo can
 * bring it back.
 */
export const removeReceipt = atomic(
  async (db: Db, projectId: ProjectId, receiptId: ReceiptId): Promise<void> => {
    const { receipts, purchases } = await loadRecords(db, projectId, 'purchases', 'receipts');
    const receipt = receipts.find(({ id }) => id === receiptId);
    if (!receipt) throw new DataError('not_found', 'there is no such receipt in this home');
    await recordChange(
      db,
      { projectId, deed: { code: 'receipt_removed', name: receipt.shopName }, now: nowIso() },
      async (writer) => {
        for (const purchase of purchases.filter((other) => other.receiptId === receiptId))
          await writer.put(purchaseRecord, { ...purchase, receiptId: null });
        await writer.remove(receiptRecord, receiptId);
      },
    );
  },
);
