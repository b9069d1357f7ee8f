import 'server-only';

import type { UndoState } from '@/data/changes';
import { getUndoState } from '@/data/changes';
import { type Db } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { getProjectRecords, type ProjectRecords } from '@/data/projectRepo';
import { projectIdSchema, roomIdSchema, type RoomId } from '@/core/shared';
import type { RoomRecords } from '@/core/show';
import { roomRecordsOf, roomsOnDesk, type RoomWithProgress } from './loadDesk';

/** Everything a step's page needs: the project, its rooms with their progress, and this room. */
export interface OpenRoom {
  readonly db: Db;
  readonly records: ProjectRecords;
  readonly desk: readonly RoomWithProgress[];
  readonly here: RoomWithProgress;
  readonly own: RoomRecords;
  readonly undo: UndoState;
}

/** Returns undefined where an id is no id, or names nothing. */
export async function openRoom(
  projectIdRaw: string,
  roomIdRaw: string,
): Promise<OpenRoom | undefined> {
  const roomId = roomIdSchema.safeParse(roomIdRaw);
  const project = await openProject(projectIdRaw);
  if (!project || !roomId.success) return undefined;
  return pickRoom(project, roomId.data);
}

export type OpenProject = Pick<OpenRoom, 'db' | 'records' | 'desk' | 'undo'>;

export async function openProject(projectIdRaw: string): Promise<OpenProject | undefined> {
  const projectId = projectIdSchema.safeParse(projectIdRaw);
  if (!projectId.success) return undefined;
  const db = await getDatabase();
  const records = await getProjectRecords(db, projectId.data).catch((error: unknown) => {
    if (error instanceof Error && 'code' in error && error.code === 'not_found') return undefined;
    throw error;
  });
  return (
    records && {
      db,
      records,
      desk: roomsOnDesk(records),
      undo: await getUndoState(db, projectId.data),
    }
  );
}

function pickRoom(project: OpenProject, roomId: RoomId): OpenRoom | undefined {
  const here = project.desk.find(({ room }) => room.id === roomId);
  return here && { ...project, here, own: roomRecordsOf(project.records, roomId) };
}
