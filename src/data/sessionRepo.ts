import 'server-only';

import type { Carry, OwnMethod, Session } from '@/core/sort';
import type { ProjectId, RoomId } from '@/core/shared';
import { readAll } from './columns';
import type { Db } from './db';
import { carryRecord, listRecords, sessionRecord } from './records';

/** A room's sessions, oldest first; the last one without an end is going on. */
export const listSessions = (db: Db, roomId: RoomId): Promise<Session[]> =>
  readAll(
    sessionRecord.table,
    db(sessionRecord.table.name).where({ room_id: roomId }).orderBy('started_at'),
  );
export const listOwnMethods = (db: Db, projectId: ProjectId): Promise<OwnMethod[]> =>
  listRecords(db, 'ownMethods', projectId);
export const listCarries = (db: Db, roomId: RoomId): Promise<Carry[]> =>
  readAll(
    carryRecord.table,
    db(carryRecord.table.name).where({ room_id: roomId }).orderBy('carried_at'),
  );
