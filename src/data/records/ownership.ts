import 'server-only';

import type { Knex } from 'knex';

import type { ProjectId } from '@/core/shared';
import { readAll } from '../columns';
import type { Db } from '../db';
import type { AnyRecord, RecordKind } from './defineRecord';
import { getRecordKind, recordKinds } from './kinds';

/** A question for the ids of one kind's records that are a project's. */
export function ownedIds(db: Db, kind: RecordKind, projectId: ProjectId): Knex.QueryBuilder {
  const ids = db(kind.table.name).select('id');
  if (!kind.parent) return kind.name === 'projects' ? ids.where({ id: projectId }) : ids;
  const column = kind.table.columnOf(kind.parent.field);
  const parent = getRecordKind(kind.parent.kind);
  if (parent.name === 'projects') return ids.where(column, projectId);
  return ids.whereIn(column, ownedIds(db, parent, projectId));
}

/** What a project's records may name: its own, and what every home shares. */
export function namableIds(db: Db, kind: RecordKind, projectId: ProjectId): Knex.QueryBuilder {
  if (kind.shared !== 'without_parent') return ownedIds(db, kind, projectId);
  return db(kind.table.name)
    .select('id')
    .where((either) => void either.where({ project_id: projectId }).orWhereNull('project_id'));
}

/** Whether a project may change or remove a record: it is its own, or every home's. */
export async function isChangeable(
  db: Db,
  kind: RecordKind,
  { projectId, id }: { readonly projectId: ProjectId; readonly id: string },
): Promise<boolean> {
  const row: unknown = await db(kind.table.name)
    .where({ id })
    .whereIn('id', namableIds(db, kind, projectId))
    .first('id');
  return row !== undefined;
}

/** A project's records of one kind, in the order in which they came. */
export const listOwned = (db: Db, kind: RecordKind, projectId: ProjectId): Promise<AnyRecord[]> =>
  readAll(
    kind.table,
    db(kind.table.name)
      .whereIn('id', ownedIds(db, kind, projectId))
      .orderBy('rowid'),
  );

export const isAlwaysShared = (kind: RecordKind): boolean => kind.shared === 'always';
export const isShared = (kind: RecordKind, record: AnyRecord): boolean =>
  isAlwaysShared(kind) ||
  (kind.shared === 'without_parent' && record[kind.parent?.field ?? ''] === null);

/**
 * Of `ids`, those that records of a project may not name as `target`: they are another home's, or
 * nothing's.
 */
export async function findUnnamable(
  db: Db,
  projectId: ProjectId,
  { target, ids }: { readonly target: string; readonly ids: readonly string[] },
): Promise<string[]> {
  const names = target.split('|');
  // Such texts are only compared with each other, never followed.
  if (target.endsWith('~')) return [];
  const left = new Set(ids);
  // SQLite takes a limited number of values in one question.
  for (let i = 0; i < ids.length; i += 500) {
    const some = ids.slice(i, i + 500);
    for (const name of names.filter((each) => each !== '?')) {
      const kind = getRecordKind(name);
      const rows: readonly { id: string }[] = await db(kind.table.name)
        .select('id')
        .whereIn('id', some)
        .whereIn('id', namableIds(db, kind, projectId));
      for (const { id } of rows) left.delete(id);
    }
    if (!names.includes('?')) continue;
    // Text that may be no id: only what is another home's is refused.
    for (const id of [...left].filter((each) => some.includes(each)))
      if (!(await isAnywhere(db, names, id))) left.delete(id);
  }
  return [...left];
}

async function isAnywhere(db: Db, names: readonly string[], id: string): Promise<boolean> {
  for (const name of names.filter((each) => each !== '?')) {
    const row: unknown = await db(getRecordKind(name).table.name).where({ id }).first('id');
    if (row !== undefined) return true;
  }
  return false;
}

/** What belongs to a home beside its records: the log, what undo keeps, and what is being brought in. */
const NO_RECORDS = new Set([
  'changes',
  'decision_events',
  'things',
  'imports',
  'import_rows',
  'desk_summaries',
  'known_answers',
  'field_acts',
  'field_conflicts',
]);

/** Tables that lead to a home and that no kind of record is of: their rows would be lost by undo. */
export async function findUnregisteredTables(db: Db): Promise<string[]> {
  const tables = (await db('sqlite_master').where({ type: 'table' }).pluck('name')) as string[];
  const registered = new Set(recordKinds.map(({ table }) => table.name));
  const found: string[] = [];
  for (const table of tables) {
    if (registered.has(table) || NO_RECORDS.has(table)) continue;
    const keys: readonly { table: string }[] = await db.raw(`PRAGMA foreign_key_list(${table})`);
    if (keys.some((key) => registered.has(key.table))) found.push(table);
  }
  return found;
}
