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
import { hasPictureFiles } from '@/data/pictureFiles';
import { findPicture } from '@/data/projectRepo';
import { loadRecords } from '@/data/records';
import { oneAtATime } from '../oneAtATime';
import { MAX_PICTURE_BYTES, type PictureError } from './encodePicture';
import { addPicture, addThingPicture, mendPicture } from './pictures';

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

type ChunkOutcome =
  | { readonly code: 'received'; readonly receivedBytes: number }
  /** The piece does not begin where the upload ends; go on from `receivedBytes`. */
  | { readonly code: 'wrong_offset'; readonly receivedBytes: number }
  | { readonly code: 'picture_too_large'; readonly maxBytes: number };

/** Pieces and the end of one upload come one after another, however often they are sent. */
const inTurn = <T>(id: PictureId, work: () => Promise<T>): Promise<T> =>
  oneAtATime(`upload ${id}`, work);

/**
 * Adds a piece to an upload. A piece that came before is answered like one out of place: nothing is
 * written twice.
 */
export const receiveChunk = (
  dataDir: string,
  id: PictureId,
  piece: { readonly offset: number; readonly bytes: Uint8Array },
): Promise<ChunkOutcome> => inTurn(id, () => writeChunk(dataDir, id, piece));

async function writeChunk(
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
    await file.sync();
  } finally {
    await file.close();
  }
  return { code: 'received', receivedBytes: offset + bytes.byteLength };
}

interface FinishInput {
  readonly id: PictureId;
  readonly projectId: ProjectId;
  /** Null for the picture of a thing. */
  readonly spot: { readonly vantagePointId: VantagePointId; readonly moment: Moment } | null;
  readonly totalBytes: number;
}

/**
 * Makes a picture of an upload that is complete: of a spot, or, where none is named, of a thing. Asked
 * again, at once or later, it answers the same picture; where that one's files were lost, an upload
 * under its id gives it its files again. A file that is no picture is thrown away, for sending the
 * rest of it would not help.
 * @errors `not_whole` (not all of it has arrived; send the rest) · `not_found` (no such project or
 * spot, or the id is another home's) and what `encodePicture` finds.
 */
export const finishUpload = (
  db: Db,
  dataDir: string,
  input: FinishInput,
): Promise<Result<Picture | ThingPicture, PictureError>> =>
  inTurn(input.id, () => finish(db, dataDir, input));

async function finish(
  db: Db,
  dataDir: string,
  input: FinishInput,
): Promise<Result<Picture | ThingPicture, PictureError>> {
  const known = await findKnown(db, input);
  if (known && (await hasPictureFiles(dataDir, input.id))) return ok(known);
  if ((await receivedBytesOf(dataDir, input.id)) !== input.totalBytes)
    throw new DataError('not_whole', 'this picture has not arrived whole');
  const bytes = await readFile(partOf(dataDir, input.id));
  const made = known
    ? await mendPicture(dataDir, input.id, bytes)
    : await addUploaded(db, dataDir, input, bytes);
  await rm(partOf(dataDir, input.id), { force: true });
  if (!made.ok) return made;
  return ok(made.value ?? (known as Picture | ThingPicture));
}

const addUploaded = (
  db: Db,
  dataDir: string,
  { id, projectId, spot }: FinishInput,
  bytes: Uint8Array,
): Promise<Result<Picture | ThingPicture, PictureError>> =>
  spot
    ? addPicture(db, dataDir, { id, projectId, ...spot, bytes })
    : addThingPicture(db, dataDir, { id, projectId, bytes });

/** The picture that was made of this upload before. @errors `not_found`: it is another home's. */
async function findKnown(
  db: Db,
  { id, projectId }: FinishInput,
): Promise<Picture | ThingPicture | undefined> {
  const known = (await findPicture(db, id)) ?? (await findThingPicture(db, id));
  if (!known) return undefined;
  const isOfProject =
    'projectId' in known
      ? known.projectId === projectId
      : (await loadRecords(db, projectId, 'pictures')).pictures.some(
          (picture) => picture.id === id,
        );
  if (!isOfProject) throw new DataError('not_found', `there is no picture ${id} in this home`);
  return known;
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
