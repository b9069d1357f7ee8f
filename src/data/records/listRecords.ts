import 'server-only';

import type { ProjectId } from '@/core/shared';
import { readAll } from '../columns';
import type { Db } from '../db';
import { getRecordKind, type RecordName, type RecordOf } from './kinds';
import { namableIds } from './ownership';

/** A project's records of one kind in their order; those that every home shares among them. */
export function listRecords<N extends RecordName>(
  db: Db,
  name: N,
  projectId: ProjectId,
): Promise<RecordOf<N>[]> {
  const kind = getRecordKind(name);
  const query = db(kind.table.name).whereIn('id', namableIds(db, kind, projectId));
  const ordered = query.orderBy([...kind.order, { column: 'rowid' }]);
  return readAll(kind.table, ordered) as unknown as Promise<RecordOf<N>[]>;
}
