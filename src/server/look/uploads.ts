import 'server-only';

import { open, readdir, readFile, rm, stat } from 'node:fs/promises';
import { mkdirSync } from 'node:fs';
import path from 'node:path';

import type { Moment, Picture, ThingPicture } from '@/core/look';
import {
  ok,
  type PictureId,
  type ProjectId,
  type Result,
  type VantagePointId,
} from '@/core/shared';
import { findThingPicture } from '@/data/countRepo';
import { DataError, type Db } from '@/data/db';
import { findPicture } from '@/data/projectRepo';
import { addPicture, addThingPicture, MAX_PICTURE_BYTES, type PictureError } from './pictures';

/** The largest piece that is taken at a time. */
export const MAX_CHUNK_BYTES = 2_000_000;
/** What was begun and never finished is swept out after a week. */
const STALE_MS = 7 * 86_400_000;

const uploadsDir = (dataDir: string): string =>
  path.join(/*turbopackIgnore: true*/ dataDir, 'uploads');
/** The file of an upload; its name is made of a parsed id and nothing else. */
const partOf = (dataDir: string, id: PictureId): string =>
  path.join(/*turbopackIgnore: true*/ uploadsDir(dataDir), `${id}.part`);

/** How much of an upload has arrived, in bytes; 0 where none has. */
export async function receivedBytesOf(dataDir: string, id: PictureId): Promise<number> {
  return stat(partOf(dataDir, id)).then(
    ({ size }) => size,
    () => 0,
  );
}

export type ChunkOutcome =
  | { readonly code: 'received'; readonly receivedBytes: number }
  /** The piece does not begin where the upload ends; go on from `receivedBytes`. */
  | { readonly code: 'wrong_offset'; readonly receivedBytes: number }
  | { readonly code: 'picture_too_large'; readonly maxBytes: number };

/** Adds a piece to an upload. A piece that came before is answered like one out of place: nothing is written twice. */
export async function receiveChunk(
  dataDir: string,
  id: PictureId,
  { offset, bytes }: { readonly offset: number; readonly bytes: Uint8Array },
): Promise<ChunkOutcome> {
  mkdirSync(uploadsDir(dataDir), { recursive: true, mode: 0o700 });
  const receivedBytes = await receivedBytesOf(dataDir, id);
  if (offset !== receivedBytes) return { code: 'wrong_offset', receivedBytes };
  if (offset + bytes.byteLength > MAX_PICTURE_BYTES)
    return { code: 'picture_too_large', maxBytes: MAX_PICTURE_BYTES };
  const file = await open(partOf(dataDir, id), receivedBytes === 0 ? 'w' : 'r+', 0o600);
  try {
    await file.write(bytes, 0, bytes.byteLength, offset);
  } finally {
    await file.close();
  }
  return { code: 'received', receivedBytes: offset + bytes.byteLength };
}

/**
 * Makes a picture of an upload that is complete: of a spot, or, where none is named, of a thing. Asked twice, it answers the same picture.
 * A file that is no picture is thrown away, for sending the rest of it would not help.
 * @errors `not_found` (no such upload, or not all of it) and what `addPicture` finds.
 */
export async function finishUpload(
  db: Db,
  dataDir: string,
  input: {
    readonly id: PictureId;
    readonly projectId: ProjectId;
    readonly spot: { readonly vantagePointId: VantagePointId; readonly moment: Moment } | null;
    readonly totalBytes: number;
  },
): Promise<Result<Picture | ThingPicture, PictureError>> {
  const known = (await findPicture(db, input.id)) ?? (await findThingPicture(db, input.id));
  if (known) return ok(known);
  if ((await receivedBytesOf(dataDir, input.id)) !== input.totalBytes)
    throw new DataError('not_found', 'this picture has not arrived whole');
  const bytes = await readFile(partOf(dataDir, input.id)).catch((cause: unknown) => {
    throw new DataError('not_found', 'this picture has not arrived', { cause });
  });
  const { id, projectId, spot } = input;
  const added = spot
    ? await addPicture(db, dataDir, { id, projectId, ...spot, bytes })
    : await addThingPicture(db, dataDir, { id, projectId, bytes });
  await rm(partOf(dataDir, input.id), { force: true });
  return added;
}

/** Sweeps out uploads that nobody goes on with. Returns how many. */
export async function sweepUploads(dataDir: string, nowMs: number): Promise<number> {
  const names = await readdir(uploadsDir(dataDir)).catch(() => []);
  let count = 0;
  for (const name of names) {
    const file = path.join(/*turbopackIgnore: true*/ uploadsDir(dataDir), name);
    const isStale = await stat(file).then(
      ({ mtimeMs }) => nowMs - mtimeMs > STALE_MS,
      () => false,
    );
    if (!isStale) continue;
    await rm(file, { force: true });
    count += 1;
  }
  return count;
}
