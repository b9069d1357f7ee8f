import 'server-only';

import { createHash, randomInt, timingSafeEqual } from 'node:crypto';

import type { Db } from '@/data/db';
import {
  findDevice,
  findNewestCode,
  insertDevice,
  markDevicePutOut,
  noteDeviceSeen,
  replaceCodes,
  updateCode,
  type Device,
} from '@/data/deviceRepo';
import { createId } from '../means';

/** A code is good for so long, for one device, and for so many wrong tries. */
export const CODE_MINUTES = 3;
export const MOST_WRONG = 5;
/** No letter that is taken for another, or for a digit. */
const LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const CODE_LENGTH = 8;

const hashOf = (code: string): string => createHash('sha256').update(code).digest('hex');
/** As it may be typed: small letters, blanks and dashes between. */
const plainCode = (typed: string): string => typed.toUpperCase().replace(/[^A-Z0-9]/g, '');

/** Makes a code for one device; what was made before no longer counts. The code itself is kept nowhere. */
export async function makePairingCode(
  db: Db,
  now: Date,
): Promise<{ readonly code: string; readonly endsAt: string }> {
  const code = Array.from({ length: CODE_LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join(
    '',
  );
  const endsAt = new Date(now.getTime() + CODE_MINUTES * 60_000).toISOString();
  await replaceCodes(db, {
    id: createId(),
    codeHash: hashOf(code),
    madeAt: now.toISOString(),
    endsAt,
    wrongCount: 0,
    usedAt: null,
  });
  return { code, endsAt };
}

export type PairingOutcome =
  | { readonly code: 'paired'; readonly device: Device }
  /** Not the code; after so many more there is none. */
  | { readonly code: 'wrong'; readonly triesLeft: number }
  /** No code is waiting: none was made, it has run out, was used, or was guessed at too often. */
  | { readonly code: 'no_code' };

/** Lets a device in by its code. Every wrong try counts against the code, whoever makes it. */
export async function pairDevice(
  db: Db,
  input: { readonly typed: string; readonly name: string; readonly now: Date },
): Promise<PairingOutcome> {
  return db.transaction(async (trx): Promise<PairingOutcome> => {
    const known = await findNewestCode(trx);
    const now = input.now.toISOString();
    if (!known || known.usedAt !== null || known.endsAt <= now || known.wrongCount >= MOST_WRONG)
      return { code: 'no_code' };
    if (
      !timingSafeEqual(Buffer.from(hashOf(plainCode(input.typed))), Buffer.from(known.codeHash))
    ) {
      await updateCode(trx, { ...known, wrongCount: known.wrongCount + 1 });
      return { code: 'wrong', triesLeft: MOST_WRONG - known.wrongCount - 1 };
    }
    const device: Device = {
      id: createId(),
      name: input.name.trim().slice(0, 40) || 'phone',
      pairedAt: now,
      seenAt: now,
      putOutAt: null,
    };
    await updateCode(trx, { ...known, usedAt: now });
    await insertDevice(trx, device);
    return { code: 'paired', device };
  });
}

/** How long a sealed cookie is good for without the device being seen. */
export const LET_IN_DAYS = 30;
const SEEN_EVERY_MS = 60_000;

/** The device behind an id, where it is let in now; notes that it was seen. */
export async function findLetIn(db: Db, deviceId: string, now: Date): Promise<Device | undefined> {
  const device = await findDevice(db, deviceId);
  const unseenMs = device ? now.getTime() - Date.parse(device.seenAt) : 0;
  if (!device || device.putOutAt !== null || unseenMs > LET_IN_DAYS * 86_400_000) return undefined;
  if (unseenMs > SEEN_EVERY_MS) await noteDeviceSeen(db, deviceId, now.toISOString());
  return device;
}

/** Whether it was let in once and put out since; one that nobody knows was not. */
export const wasPutOut = async (db: Db, deviceId: string): Promise<boolean> =>
  typeof (await findDevice(db, deviceId))?.putOutAt === 'string';

/** Puts a device out: from its next request on it sees nothing but the pairing page. */
export const putOutDevice = (db: Db, deviceId: string, now: Date): Promise<void> =>
  markDevicePutOut(db, deviceId, now.toISOString());
