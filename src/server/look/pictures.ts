import 'server-only';

import { randomUUID } from 'node:crypto';
import { readFile, rename, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import sharp from 'sharp';

import type { Moment, Picture, ThingPicture } from '@/core/look';
import {
  err,
  ok,
  pictureIdSchema,
  vantagePointIdSchema,
  type PictureId,
  type ProjectId,
  type Result,
  type RoomId,
  type VantagePointId,
} from '@/core/shared';
import { recordChange } from '@/data/changes';
import { thingPictureTable } from '@/data/countRepo';
import { DataError, picturesDir, type Db } from '@/data/db';
import { findProject, getProjectRecords } from '@/data/projectRepo';
import { pictureTable, vantagePointTable } from '@/data/tables';
import { createId, nowIso } from '../means';

export const MAX_PICTURE_BYTES = 25_000_000;
/** 60 megapixels: above what phones take, below what fills the memory. */
const MAX_PIXELS = 60_000_000;
/** The original, as taken by any phone; what pages show; what lists show. */
const SIDES_PX = { original: 8192, full: 2560, thumb: 640 } as const;
const ACCEPTED_FORMATS = new Set(['jpeg', 'png', 'webp', 'tiff', 'avif']);

export type PictureError =
  | { readonly code: 'picture_too_large'; readonly maxBytes: number }
  | { readonly code: 'not_a_picture' }
  | { readonly code: 'picture_damaged' };

export type PictureSize = keyof typeof SIDES_PX;
const SUFFIXES: Readonly<Record<PictureSize, string>> = {
  original: '.original.jpg',
  full: '.jpg',
  thumb: '.thumb.jpg',
};

/** The file of a picture. Its name is made of a parsed id and nothing that a request says. */
const fileOf = (dataDir: string, id: PictureId, size: PictureSize): string =>
  path.join(/*turbopackIgnore: true*/ picturesDir(dataDir), `${id}${SUFFIXES[size]}`);

interface Encoded {
  /** Undefined where the picture is no larger than `full`. */
  readonly original: Buffer | undefined;
  readonly full: Buffer;
  readonly thumb: Buffer;
  readonly widthPx: number;
  readonly heightPx: number;
}

/**
 * Re-encodes a picture by what its bytes are: upright, JPEG, with no metadata left (no place, no time,
 * no device); once as it was taken, once for pages at 2560 px, once for lists.
 */
export async function encodePicture(bytes: Uint8Array): Promise<Result<Encoded, PictureError>> {
  if (bytes.byteLength > MAX_PICTURE_BYTES)
    return err({ code: 'picture_too_large', maxBytes: MAX_PICTURE_BYTES });
  if (bytes.byteLength === 0) return err({ code: 'not_a_picture' });
  const options = { limitInputPixels: MAX_PIXELS, failOn: 'error' as const };
  const format = await sharp(bytes, options)
    .metadata()
    .then(
      (metadata) => metadata.format,
      () => undefined,
    );
  if (format === undefined || !ACCEPTED_FORMATS.has(format)) return err({ code: 'not_a_picture' });
  try {
    const upright = sharp(bytes, options).autoOrient().flatten({ background: '#ffffff' });
    const resized = (size: PictureSize) =>
      upright
        .clone()
        .resize(SIDES_PX[size], SIDES_PX[size], { fit: 'inside', withoutEnlargement: true });
    const full = await resized('full').jpeg({ quality: 84 }).toBuffer({ resolveWithObject: true });
    const thumb = await resized('thumb').jpeg({ quality: 78 }).toBuffer();
    const original = await resized('original')
      .jpeg({ quality: 90 })
      .toBuffer({ resolveWithObject: true });
    const isLarger = original.info.width > full.info.width;
    return ok({
      original: isLarger ? original.data : undefined,
      full: full.data,
      thumb,
      widthPx: full.info.width,
      heightPx: full.info.height,
    });
  } catch {
    return err({ code: 'picture_damaged' });
  }
}

/** Writes every size; each file appears whole or not at all. */
export async function writePictureFiles(
  dataDir: string,
  id: PictureId,
  encoded: Encoded,
): Promise<void> {
  for (const [size, bytes] of [
    ['original', encoded.original],
    ['full', encoded.full],
    ['thumb', encoded.thumb],
  ] as const) {
    if (!bytes) continue;
    const target = fileOf(dataDir, id, size);
    const partial = `${target}.${randomUUID()}.part`;
    await writeFile(partial, bytes, { mode: 0o600 });
    await rename(partial, target);
  }
}

/** A picture's file; of one that has no larger original, the full one is the original. @errors `not_found`. */
export async function readPictureFile(
  dataDir: string,
  id: PictureId,
  size: PictureSize,
): Promise<Buffer> {
  return readFile(fileOf(dataDir, id, size)).catch((cause: unknown) => {
    if (size === 'original') return readPictureFile(dataDir, id, 'full');
    throw new DataError('not_found', `the picture ${id} is not on the disk`, { cause });
  });
}

/** Keeps a picture of a vantage point. The file is written first, so that a row never lacks its file. */
export async function addPicture(
  db: Db,
  dataDir: string,
  input: {
    readonly projectId: ProjectId;
    readonly vantagePointId: VantagePointId;
    readonly moment: Moment;
    readonly bytes: Uint8Array;
    readonly id?: PictureId;
  },
): Promise<Result<Picture, PictureError>> {
  const { vantagePoints } = await getProjectRecords(db, input.projectId);
  const vantagePoint = vantagePoints.find(({ id }) => id === input.vantagePointId);
  if (!vantagePoint)
    throw new DataError('not_found', `there is no vantage point ${input.vantagePointId}`);
  const encoded = await encodePicture(input.bytes);
  if (!encoded.ok) return encoded;
  const id = input.id ?? pictureIdSchema.parse(createId());
  await writePictureFiles(dataDir, id, encoded.value);
  const { widthPx, heightPx } = encoded.value;
  const picture: Picture = {
    id,
    vantagePointId: input.vantagePointId,
    moment: input.moment,
    widthPx,
    heightPx,
    takenAt: nowIso(),
  };
  try {
    const label = `added a picture, ${vantagePoint.name}`;
    await recordChange(db, { projectId: input.projectId, label, now: nowIso() }, (writer) =>
      writer.insert(pictureTable, picture),
    );
  } catch (error) {
    await removeFiles(dataDir, id);
    throw error;
  }
  return ok(picture);
}

const removeFiles = (dataDir: string, id: PictureId) =>
  Promise.all(
    (Object.keys(SIDES_PX) as PictureSize[]).map((size) =>
      rm(fileOf(dataDir, id, size), { force: true }),
    ),
  );

/** Keeps a picture of a thing; the decision that names it says which. Like the log it stays: correcting the decision undoes it. */
export async function addThingPicture(
  db: Db,
  dataDir: string,
  input: { readonly projectId: ProjectId; readonly bytes: Uint8Array; readonly id: PictureId },
): Promise<Result<ThingPicture, PictureError>> {
  if (!(await findProject(db, input.projectId)))
    throw new DataError('not_found', `there is no project ${input.projectId}`);
  const encoded = await encodePicture(input.bytes);
  if (!encoded.ok) return encoded;
  const { widthPx, heightPx } = encoded.value;
  const picture: ThingPicture = {
    id: input.id,
    projectId: input.projectId,
    widthPx,
    heightPx,
    takenAt: nowIso(),
  };
  await writePictureFiles(dataDir, input.id, encoded.value);
  try {
    await db(thingPictureTable.name).insert(thingPictureTable.toRow(picture));
  } catch (error) {
    await removeFiles(dataDir, input.id);
    throw error;
  }
  return ok(picture);
}

/** Takes a picture out of the project; its file stays, so that undo can bring it back. */
export async function removePicture(
  db: Db,
  projectId: ProjectId,
  pictureId: PictureId,
): Promise<void> {
  const { pictures } = await getProjectRecords(db, projectId);
  if (pictures.every(({ id }) => id !== pictureId)) return;
  await recordChange(db, { projectId, label: 'removed a picture', now: nowIso() }, (writer) =>
    writer.remove(pictureTable, pictureId),
  );
}

/** Takes a spot away with its pictures. */
export async function removeVantagePoint(
  db: Db,
  projectId: ProjectId,
  vantagePointId: VantagePointId,
): Promise<void> {
  const { vantagePoints, pictures } = await getProjectRecords(db, projectId);
  const vantagePoint = vantagePoints.find(({ id }) => id === vantagePointId);
  if (!vantagePoint) return;
  await recordChange(
    db,
    { projectId, label: `removed the spot ${vantagePoint.name}`, now: nowIso() },
    async (writer) => {
      for (const picture of pictures.filter((other) => other.vantagePointId === vantagePointId))
        await writer.remove(pictureTable, picture.id);
      await writer.remove(vantagePointTable, vantagePointId);
    },
  );
}

export async function addVantagePoint(
  db: Db,
  projectId: ProjectId,
  input: { readonly roomId: RoomId; readonly name: string; readonly inView: string },
): Promise<VantagePointId> {
  const { rooms, vantagePoints } = await getProjectRecords(db, projectId);
  if (rooms.every(({ id }) => id !== input.roomId))
    throw new DataError('not_found', `there is no room ${input.roomId}`);
  const id = vantagePointIdSchema.parse(createId());
  const position = vantagePoints.filter(({ roomId }) => roomId === input.roomId).length;
  await recordChange(
    db,
    { projectId, label: `added the vantage point ${input.name}`, now: nowIso() },
    (writer) => writer.insert(vantagePointTable, { ...input, id, position }),
  );
  return id;
}
