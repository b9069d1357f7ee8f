import 'server-only';

import type { Moment, Picture, ThingPicture } from '@/core/look';
import {
  ok,
  pictureIdSchema,
  vantagePointIdSchema,
  type PictureId,
  type ProjectId,
  type Result,
  type RoomId,
  type VantagePointId,
} from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { keepPictureFiles } from '@/data/pictureFiles';
import {
  findProject,
  insertRecord,
  loadRecords,
  pictureRecord,
  thingPictureRecord,
  vantagePointRecord,
} from '@/data/records';
import { createId, nowIso } from '../means';
import { encodePicture, type PictureError } from './encodePicture';

/** Keeps a picture of a vantage point, its files and its record together or neither. */
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
  const { vantagePoints } = await loadRecords(db, input.projectId, 'vantagePoints');
  const vantagePoint = vantagePoints.find(({ id }) => id === input.vantagePointId);
  if (!vantagePoint)
    throw new DataError('not_found', `there is no vantage point ${input.vantagePointId}`);
  const encoded = await encodePicture(input.bytes);
  if (!encoded.ok) return encoded;
  const id = input.id ?? pictureIdSchema.parse(createId());
  const { widthPx, heightPx } = encoded.value;
  const picture: Picture = {
    id,
    vantagePointId: input.vantagePointId,
    moment: input.moment,
    widthPx,
    heightPx,
    takenAt: nowIso(),
  };
  const deed = { code: 'picture_added', name: vantagePoint.name } as const;
  await keepPictureFiles(dataDir, { id, bytes: encoded.value }, (place) =>
    recordChange(db, { projectId: input.projectId, deed, now: nowIso() }, async (writer) => {
      await writer.insert(pictureRecord, picture);
      await place();
    }),
  );
  return ok(picture);
}

/**
 * Keeps a picture of a thing; the decision that names it says which. Like the log it stays:
 * correcting the decision undoes it.
 */
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
  await keepPictureFiles(dataDir, { id: input.id, bytes: encoded.value }, (place) =>
    db.transaction(async (trx) => {
      await insertRecord(trx, thingPictureRecord, picture);
      await place();
    }),
  );
  return ok(picture);
}

/** Gives a picture whose files were lost its files again. */
export async function mendPicture(
  dataDir: string,
  id: PictureId,
  bytes: Uint8Array,
): Promise<Result<undefined, PictureError>> {
  const encoded = await encodePicture(bytes);
  if (!encoded.ok) return encoded;
  await keepPictureFiles(dataDir, { id, bytes: encoded.value }, (place) => place());
  return ok(undefined);
}

/** Takes a picture out of the project; its file stays, so that undo can bring it back. */
export const removePicture = atomic(
  async (db: Db, projectId: ProjectId, pictureId: PictureId): Promise<void> => {
    const { pictures } = await loadRecords(db, projectId, 'pictures');
    if (pictures.every(({ id }) => id !== pictureId))
      throw new DataError('not_found', 'there is no such picture in this home');
    await recordChange(
      db,
      { projectId, deed: { code: 'picture_removed' }, now: nowIso() },
      (writer) => writer.remove(pictureRecord, pictureId),
    );
  },
);

/** Takes a spot away with its pictures. */
export const removeVantagePoint = atomic(
  async (db: Db, projectId: ProjectId, vantagePointId: VantagePointId): Promise<void> => {
    const { vantagePoints } = await loadRecords(db, projectId, 'vantagePoints');
    const vantagePoint = vantagePoints.find(({ id }) => id === vantagePointId);
    if (!vantagePoint) throw new DataError('not_found', 'there is no such spot in this home');
    await recordChange(
      db,
      { projectId, deed: { code: 'spot_removed', name: vantagePoint.name }, now: nowIso() },
      (writer) => writer.remove(vantagePointRecord, vantagePointId),
    );
  },
);

/** Says that the "before" of a spot was missed, and what stands in for it; null takes that back. */
export const missBefore = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: { readonly vantagePointId: VantagePointId; readonly said: string | null },
  ): Promise<void> => {
    const { vantagePoints } = await loadRecords(db, projectId, 'vantagePoints');
    const vantagePoint = vantagePoints.find(({ id }) => id === input.vantagePointId);
    if (!vantagePoint) throw new DataError('not_found', 'there is no such spot in this home');
    await recordChange(
      db,
      { projectId, deed: { code: 'before_missed', name: vantagePoint.name }, now: nowIso() },
      (writer) => writer.put(vantagePointRecord, { ...vantagePoint, beforeMissed: input.said }),
    );
  },
);

export const addVantagePoint = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: { readonly roomId: RoomId; readonly name: string; readonly inView: string },
  ): Promise<VantagePointId> => {
    const { rooms, vantagePoints } = await loadRecords(db, projectId, 'rooms', 'vantagePoints');
    if (rooms.every(({ id }) => id !== input.roomId))
      throw new DataError('not_found', `there is no room ${input.roomId}`);
    const id = vantagePointIdSchema.parse(createId());
    const position = vantagePoints.filter(({ roomId }) => roomId === input.roomId).length;
    await recordChange(
      db,
      { projectId, deed: { code: 'spot_added', name: input.name }, now: nowIso() },
      (writer) => writer.insert(vantagePointRecord, { ...input, id, position, beforeMissed: null }),
    );
    return id;
  },
);
