import 'server-only';

import { getUndoState, stampOf, type UndoState } from '@/data/changes';
import type { Db } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { projectIdSchema, roomIdSchema } from '@/core/shared';
import type { RoomRecords } from '@/core/show';
import { findProject, loadRecords, type LoadName, type Records } from '@/data/records';
import { placeConflicts, type PlacedConflict } from '../field/conflicts';
import {
  deskNames,
  roomRecordsOf,
  roomsOnDesk,
  type DeskName,
  type RoomWithProgress,
} from './loadDesk';

/** Everything a step's page needs: the project, its rooms with their progress, and this room. */
export interface OpenRoom<N extends LoadName> extends OpenHome<N> {
  readonly here: RoomWithProgress;
  readonly own: RoomRecords;
}
export interface OpenHome<N extends LoadName> {
  readonly db: Db;
  readonly records: Records<DeskName | N>;
  readonly desk: readonly RoomWithProgress[];
  readonly undo: UndoState;
  /** Of the home before its records were read: what is worked out of them holds while it stands. */
  readonly stamp: string;
  /** What devices said differently, and nobody has settled. */
  readonly conflicts: readonly PlacedConflict[];
}

/**
 * Opens a room with what every page shows and with the records that this page names beside.
 * Returns undefined where an id is no id, or names nothing.
 */
export async function openRoom<N extends LoadName = never>(
  projectIdRaw: string,
  roomIdRaw: string,
  ...names: readonly N[]
): Promise<OpenRoom<N> | undefined> {
  const roomId = roomIdSchema.safeParse(roomIdRaw);
  const project = await openHome(projectIdRaw, ...names);
  if (!project || !roomId.success) return undefined;
  const here = project.desk.find(({ room }) => room.id === roomId.data);
  return here && { ...project, here, own: roomRecordsOf(project.records, roomId.data) };
}

/** Returns undefined where the id is no id, or names nothing. */
export async function openHome<N extends LoadName = never>(
  projectIdRaw: string,
  ...names: readonly N[]
): Promise<OpenHome<N> | undefined> {
  const projectId = projectIdSchema.safeParse(projectIdRaw);
  if (!projectId.success) return undefined;
  const db = await getDatabase();
  if (!(await findProject(db, projectId.data))) return undefined;
  const stamp = await stampOf(db, projectId.data);
  const records = await loadRecords<DeskName | N>(db, projectId.data, ...deskNames, ...names);
  return {
    db,
    records,
    desk: roomsOnDesk(records),
    undo: await getUndoState(db, projectId.data),
    stamp,
    conflicts: await placeConflicts(db, projectId.data, records),
  };
}
