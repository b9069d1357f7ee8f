import 'server-only';

import { randomUUID } from 'node:crypto';
import { readFile, rename, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import sharp from 'sharp';

import type { Moment, Picture } from '@/core/look';
import { err, ok, pictureIdSchema, vantagePointIdSchema, type PictureId, type ProjectId, type Result, type RoomId, type VantagePointId } from '@/core/shared';
import { recordChange } from '@/data/changes';
import { DataError, picturesDir, type Db } from '@/data/db';
import { getProjectRecords } from '@/data/projectRepo';
import { pictureTable, vantagePointTable } from '@/data/tables';
import { createId, nowIso } from '../means';

export const MAX_PICTURE_BYTES = 25_000_000;
/** 60 megapixels: above what phones take, below what fills the memory. */
const MAX_PIXELS = 60_000_000;
const LONG_SIDE_PX = 2560;
const THUMB_SIDE_PX = 640;
const ACCEPTED_FORMATS = new Set(['jpeg', 'png', 'webp', 'tiff', 'avif']);

export type PictureError =
  | { readonly code: 'picture_too_large'; readonly maxBytes: number }
  | { readonly code: 'not_a_picture' }
  | { readonly code: 'picture_damaged' };

export type PictureSize = 'full' | 'thumb';

/** The file of a picture. Its name is made of a parsed id and nothing that a request says. */
const fileOf = (dataDir: string, id: PictureId, size: PictureSize): string =>
  path.join(/*turbopackIgnore: true*/ picturesDir(dataDir), size === 'full' ? `${id}.jpg` : `${id}.thumb.jpg`);

interface Encoded {
  readonly full: Buffer;
  readonly thumb: Buffer;
  readonly widthPx: number;
  readonly heightPx: number;
}

/**
 * Re-encodes a picture by what its bytes are: upright, at most 2560 px, JPEG, with no metadata left
 * (no place, no time, no device).
 */
export async function encodePicture(bytes: Uint8Array): Promise<Result<Encoded, PictureError>> {
  if (bytes.byteLength > MAX_PICTURE_BYTES) return err({ code: 'picture_too_large', maxBytes: MAX_PICTURE_BYTES });
  if (bytes.byteLength === 0) return err({ code: 'not_a_picture' });
  const options = { limitInputPixels: MAX_PIXELS, failOn: 'error' as const };
  const format = await sharp(bytes, options).metadata().then((metadata) => metadata.format, () => undefined);
  if (format === undefined || !ACCEPTED_FORMATS.has(format)) return err({ code: 'not_a_picture' });
  try {
    const upright = sharp(bytes, options).autoOrient().flatten({ background: '#ffffff' });
    const full = await upright.clone().resize(LONG_SIDE_PX, LONG_SIDE_PX, { fit: 'inside', withoutEnlargement: true }).jpeg({ quality: 84, mozjpeg: true }).toBuffer({ resolveWithObject: true });
    const thumb = await upright.clone().resize(THUMB_SIDE_PX, THUMB_SIDE_PX, { fit: 'inside', withoutEnlargement: true }).jpeg({ quality: 78 }).toBuffer();
    return ok({ full: full.data, thumb, widthPx: full.info.width, heightPx: full.info.height });
  } catch {
    return err({ code: 'picture_damaged' });
  }
}

/** Writes both sizes; each file appears whole or not at all. */
export async function writePictureFiles(dataDir: string, id: PictureId, encoded: Encoded): Promise<void> {
  for (const [size, bytes] of [['full', encoded.full], ['thumb', encoded.thumb]] as const) {
    const target = fileOf(dataDir, id, size);
    const partial = `${target}.${randomUUID()}.part`;
    await writeFile(partial, bytes, { mode: 0o600 });
    await rename(partial, target);
  }
}

/** @errors `not_found`. */
export async function readPictureFile(dataDir: string, id: PictureId, size: PictureSize): Promise<Buffer> {
  return readFile(fileOf(dataDir, id, size)).catch((cause: unknown) => {
    throw new DataError('not_found', `the picture ${id} is not on the disk`, { cause });
  });
}

/** Keeps a picture of a vantage point. The file is written first, so that a row never lacks its file. */
export async function addPicture(
  db: Db,
  dataDir: string,
  input: { readonly projectId: ProjectId; readonly vantagePointId: VantagePointId; readonly moment: Moment; readonly bytes: Uint8Array },
): Promise<Result<Picture, PictureError>> {
  const { vantagePoints } = await getProjectRecords(db, input.projectId);
  const vantagePoint = vantagePoints.find(({ id }) => id === input.vantagePointId);
  if (!vantagePoint) throw new DataError('not_found', `there is no vantage point ${input.vantagePointId}`);
  const encoded = await encodePicture(input.bytes);
  if (!encoded.ok) return encoded;
  const id = pictureIdSchema.parse(createId());
  await writePictureFiles(dataDir, id, encoded.value);
  const { widthPx, heightPx } = encoded.value;
  const picture: Picture = { id, vantagePointId: input.vantagePointId, moment: input.moment, widthPx, heightPx, takenAt: nowIso() };
  try {
    const label = `added a picture, ${vantagePoint.name}`;
    await recordChange(db, { projectId: input.projectId, label, now: nowIso() }, (writer) => writer.insert(pictureTable, picture));
  } catch (error) {
    await Promise.all([rm(fileOf(dataDir, id, 'full'), { force: true }), rm(fileOf(dataDir, id, 'thumb'), { force: true })]);
    throw error;
  }
  return ok(picture);
}

/** Takes a picture out of the project; its file stays, so that undo can bring it back. */
export async function removePicture(db: Db, projectId: ProjectId, pictureId: PictureId): Promise<void> {
  const { pictures } = await getProjectRecords(db, projectId);
  if (pictures.every(({ id }) => id !== pictureId)) return;
  await recordChange(db, { projectId, label: 'removed a picture', now: nowIso() }, (writer) => writer.remove(pictureTable, pictureId));
}

/** Takes a spot away with its pictures. */
export async function removeVantagePoint(db: Db, projectId: ProjectId, vantagePointId: VantagePointId): Promise<void> {
  const { vantagePoints, pictures } = await getProjectRecords(db, projectId);
  const vantagePoint = vantagePoints.find(({ id }) => id === vantagePointId);
  if (!vantagePoint) return;
  await recordChange(db, { projectId, label: `removed the spot ${vantagePoint.name}`, now: nowIso() }, async (writer) => {
    for (const picture of pictures.filter((other) => other.vantagePointId === vantagePointId)) await writer.remove(pictureTable, picture.id);
    await writer.remove(vantagePointTable, vantagePointId);
  });
}

export async function addVantagePoint(db: Db, projectId: ProjectId, input: { readonly roomId: RoomId; readonly name: string }): Promise<VantagePointId> {
  const { rooms, vantagePoints } = await getProjectRecords(db, projectId);
  if (rooms.every(({ id }) => id !== input.roomId)) throw new DataError('not_found', `there is no room ${input.roomId}`);
  const id = vantagePointIdSchema.parse(createId());
  const position = vantagePoints.filter(({ roomId }) => roomId === input.roomId).length;
  await recordChange(db, { projectId, label: `added the vantage point ${input.name}`, now: nowIso() }, (writer) =>
    writer.insert(vantagePointTable, { ...input, id, position }),
  );
  return id;
}
