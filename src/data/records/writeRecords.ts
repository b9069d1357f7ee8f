import 'server-only';

import type { Db } from '../db';
import type { AnyRecord, RecordKind } from './defineRecord';

/**
 * Writes a record that nothing was known of before, outside undo: a new home, what a file brings in,
 * a picture of a thing. Everything else passes `recordChange`.
 */
export async function insertRecord<T>(db: Db, { table }: RecordKind<T>, record: T): Promise<void> {
  await db(table.name).insert(table.toRow(record));
}

/** Writes a record of the price list, which every home shares and no undo of one home changes. */
export async function putShared<T extends { readonly id: string }>(
  db: Db,
  { table }: RecordKind<T>,
  record: T,
): Promise<void> {
  await db(table.name).insert(table.toRow(record)).onConflict('id').merge();
}

/** Of the price list, what is here already stays as it is. */
export async function insertIfMissing<T>(
  db: Db,
  { table }: RecordKind<T>,
  record: T,
): Promise<void> {
  await db(table.name).insert(table.toRow(record)).onConflict('id').ignore();
}

/** The picture's name of every record of a kind that has one, of all homes. */
export async function listPictureNames(
  db: Db,
  { table, fileField }: RecordKind,
): Promise<string[]> {
  if (fileField === undefined) return [];
  const column = table.columnOf(fileField);
  return (await db(table.name).whereNotNull(column).pluck(column)) as string[];
}

/** Every record of a kind in this database, of all homes, in the order in which they came. */
export async function listEvery(db: Db, { table }: RecordKind): Promise<AnyRecord[]> {
  const rows = (await db(table.name).orderBy('rowid')) as Record<string, unknown>[];
  return rows.map(table.fromRow);
}

/** Of `ids`, those that records of a kind have here and that are not every home's. */
export async function findOwnedByAny(
  db: Db,
  { table, parent, shared }: RecordKind,
  ids: readonly string[],
): Promise<string[]> {
  if (shared === 'always') return [];
  const found: string[] = [];
  // SQLite takes a limited number of values in one question.
  for (let i = 0; i < ids.length; i += 500) {
    const query = db(table.name).whereIn('id', ids.slice(i, i + 500));
    if (shared === 'without_parent' && parent)
      void query.whereNotNull(table.columnOf(parent.field));
    found.push(...((await query.pluck('id')) as string[]));
  }
  return found;
}
