import 'server-only';

import {
  carrySchema,
  ownMethodSchema,
  sessionSchema,
  type Carry,
  type OwnMethod,
  type Session,
} from '@/core/sort';
import type { ProjectId, RoomId } from '@/core/shared';
import { defineTable, json, plain, readAll } from './columns';
import type { Db } from './db';

export const sessionTable = defineTable('sessions', sessionSchema, {
  id: plain('id'),
  roomId: plain('room_id'),
  sectionId: plain('section_id'),
  method: plain('method'),
  steps: json('steps_json'),
  present: json('present_json'),
  plannedMinutes: plain('planned_minutes'),
  startedAt: plain('started_at'),
  stepStarts: json('step_starts_json'),
  endedAt: plain('ended_at'),
});
export const ownMethodTable = defineTable('own_methods', ownMethodSchema, {
  id: plain('id'),
  projectId: plain('project_id'),
  name: plain('name'),
  steps: json('steps_json'),
});
export const carryTable = defineTable('carries', carrySchema, {
  id: plain('id'),
  roomId: plain('room_id'),
  verdict: plain('verdict'),
  litres: plain('litres'),
  massG: plain('mass_g'),
  carriedAt: plain('carried_at'),
  note: plain('note'),
  dueOn: plain('due_on'),
  settledAt: plain('settled_at'),
});

/** Everything of some rooms at once, for the whole project's file. */
export async function listSessionRecords(
  db: Db,
  projectId: ProjectId,
  roomIds: readonly RoomId[],
): Promise<{
  readonly sessions: Session[];
  readonly carries: Carry[];
  readonly ownMethods: OwnMethod[];
}> {
  return {
    sessions: await readAll(
      sessionTable,
      db(sessionTable.name).whereIn('room_id', roomIds).orderBy('started_at'),
    ),
    carries: await readAll(
      carryTable,
      db(carryTable.name).whereIn('room_id', roomIds).orderBy('carried_at'),
    ),
    ownMethods: await listOwnMethods(db, projectId),
  };
}

/** A room's sessions, oldest first; the last one without an end is going on. */
export const listSessions = (db: Db, roomId: RoomId): Promise<Session[]> =>
  readAll(sessionTable, db(sessionTable.name).where({ room_id: roomId }).orderBy('started_at'));
export const listOwnMethods = (db: Db, projectId: ProjectId): Promise<OwnMethod[]> =>
  readAll(ownMethodTable, db(ownMethodTable.name).where({ project_id: projectId }).orderBy('name'));
export const listCarries = (db: Db, roomId: RoomId): Promise<Carry[]> =>
  readAll(carryTable, db(carryTable.name).where({ room_id: roomId }).orderBy('carried_at'));
