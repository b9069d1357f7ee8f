import 'server-only';

import { z } from 'zod';

import { defineTable, plain, readAll, type Row } from './columns';
import type { Db } from './db';

const deviceSchema = z.object({
  id: z.string(),
  name: z.string().trim().min(1).max(40),
  pairedAt: z.iso.datetime(),
  seenAt: z.iso.datetime(),
  /** When it was put out again; null while it is let in. */
  putOutAt: z.iso.datetime().nullable(),
});
export type Device = Readonly<z.infer<typeof deviceSchema>>;
const deviceTable = defineTable('devices', deviceSchema, {
  id: plain('id'),
  name: plain('name'),
  pairedAt: plain('paired_at'),
  seenAt: plain('seen_at'),
  putOutAt: plain('put_out_at'),
});

/** A code that lets one device in; only its hash is kept. */
const pairingCodeSchema = z.object({
  id: z.string(),
  codeHash: z.string(),
  madeAt: z.iso.datetime(),
  endsAt: z.iso.datetime(),
  wrongCount: z.number().int(),
  usedAt: z.iso.datetime().nullable(),
});
type PairingCode = Readonly<z.infer<typeof pairingCodeSchema>>;
const pairingCodeTable = defineTable('pairing_codes', pairingCodeSchema, {
  id: plain('id'),
  codeHash: plain('code_hash'),
  madeAt: plain('made_at'),
  endsAt: plain('ends_at'),
  wrongCount: plain('wrong_count'),
  usedAt: plain('used_at'),
});

export const listDevices = (db: Db): Promise<Device[]> =>
  readAll(deviceTable, db(deviceTable.name).orderBy('paired_at', 'desc'));
export async function findDevice(db: Db, id: string): Promise<Device | undefined> {
  const row: Row | undefined = await db(deviceTable.name).where({ id }).first();
  return row && deviceTable.fromRow(row);
}
export async function insertDevice(db: Db, device: Device): Promise<void> {
  await db(deviceTable.name).insert(deviceTable.toRow(deviceSchema.parse(device)));
}
export async function noteDeviceSeen(db: Db, id: string, seenAt: string): Promise<void> {
  await db(deviceTable.name).where({ id }).update({ seen_at: seenAt });
}
export async function markDevicePutOut(db: Db, id: string, putOutAt: string): Promise<void> {
  await db(deviceTable.name).where({ id }).whereNull('put_out_at').update({ put_out_at: putOutAt });
}

/** The newest code, used up or not; older ones count for nothing. */
export async function findNewestCode(db: Db): Promise<PairingCode | undefined> {
  const row: Row | undefined = await db(pairingCodeTable.name).orderBy('made_at', 'desc').first();
  return row && pairingCodeTable.fromRow(row);
}
/** Puts a fresh code in the place of all others. */
export async function replaceCodes(db: Db, code: PairingCode): Promise<void> {
  await db.transaction(async (trx) => {
    await trx(pairingCodeTable.name).delete();
    await trx(pairingCodeTable.name).insert(pairingCodeTable.toRow(pairingCodeSchema.parse(code)));
  });
}
export async function updateCode(
  db: Db,
  code: Pick<PairingCode, 'id' | 'wrongCount' | 'usedAt'>,
): Promise<void> {
  await db(pairingCodeTable.name)
    .where({ id: code.id })
    .update({ wrong_count: code.wrongCount, used_at: code.usedAt });
}
