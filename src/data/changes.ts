import 'server-only';

import { z } from 'zod';

import { parseDeed, writeDeed, type Deed, type KeptDeed } from '@/core/home';
import type { ProjectId } from '@/core/shared';
import type { Row } from './columns';
import { DataError, refuseDamaged, type Db } from './db';
import { listIds } from './idPaths';
import {
  findKindOfTable,
  findUnnamable,
  isChangeable,
  recordKinds,
  type RecordKind,
  projectRecord,
} from './records';

/** One row before and after; null where it did not exist. */
interface RowImage {
  readonly table: string;
  readonly id: string;
  readonly before: Row | null;
  readonly after: Row | null;
}
const imagesSchema = z.array(
  z.object({
    table: z.string(),
    id: z.string(),
    before: z.record(z.string(), z.unknown()).nullable(),
    after: z.record(z.string(), z.unknown()).nullable(),
  }),
);

/**
 * Writes rows and remembers how they were, so that the whole change can be taken back. Every change of
 * a project passes here, so here it is made sure that it stays within that project: what is changed
 * is its own, and what is named is its own or every home's.
 */
export class ChangeWriter {
  readonly images: RowImage[] = [];
  private dependants: ReadonlyMap<string, readonly Dependant[]> | undefined;

  constructor(
    private readonly trx: Db,
    private readonly projectId: ProjectId,
  ) {}

  async insert<T extends { readonly id: string }>(kind: RecordKind<T>, record: T): Promise<void> {
    const after = kind.table.toRow(record);
    await this.trx(kind.table.name).insert(after);
    this.images.push({ table: kind.table.name, id: record.id, before: null, after });
  }

  /** Replaces a record by its id; inserts it where there is none. */
  async put<T extends { readonly id: string }>(kind: RecordKind<T>, record: T): Promise<void> {
    const before = await readRow(this.trx, kind.table.name, record.id);
    if (!before) return this.insert(kind, record);
    await this.refuseForeign(kind.table.name, record.id);
    const after = kind.table.toRow(record);
    await this.trx(kind.table.name).where({ id: record.id }).update(after);
    this.images.push({ table: kind.table.name, id: record.id, before, after });
  }

  /**
   * Removes a record with every record that belongs to it, and remembers all of them, so that undo
   * brings all of them back. What only names it stays, and is for the use case to put right.
   */
  async remove(
    { table }: { readonly table: { readonly name: string } },
    id: string,
  ): Promise<void> {
    const before = await readRow(this.trx, table.name, id);
    if (!before) return;
    await this.refuseForeign(table.name, id);
    await this.removeDependants(table.name, id);
    await this.trx(table.name).where({ id }).delete();
    this.images.push({ table: table.name, id, before, after: null });
  }

  /**
   * Does first what SQLite would do by itself when a row goes, so that undo knows of it: what belongs
   * to it goes, children before their parent, and what names it becomes empty.
   */
  private async removeDependants(parent: string, id: string): Promise<void> {
    this.dependants ??= await listDependants(this.trx);
    for (const { kind, column, onDelete } of this.dependants.get(parent) ?? []) {
      const { table } = kind;
      const rows: readonly Row[] = await this.trx(table.name).where(column, id).orderBy('rowid');
      for (const before of [...rows].reverse()) {
        const childId = String(before['id']);
        if (onDelete === 'CASCADE') await this.remove(kind, childId);
        else {
          const emptied = { [column]: null };
          await this.trx(table.name).where({ id: childId }).update(emptied);
          const after = { ...before, ...emptied };
          this.images.push({ table: table.name, id: childId, before, after });
        }
      }
    }
  }

  /** @errors `not_found`: the record is another home's, which is not told of. */
  private async refuseForeign(table: string, id: string): Promise<void> {
    const kind = getKindOfTable(table);
    if (!(await isChangeable(this.trx, kind, { projectId: this.projectId, id })))
      throw new DataError('not_found', `there is no ${kind.name} ${id} in this home`);
  }

  /**
   * Looks at every id that the change brought in, once all of it is written: records may name what the
   * same change makes. What was named before the change may stay, though it is gone since.
   * @errors `not_found`: something is named that is not there, or is another home's.
   */
  async verify(): Promise<void> {
    const named = new Map<string, Set<string>>();
    for (const { table, before, after } of this.images) {
      if (!after) continue;
      const kind = getKindOfTable(table);
      const known = new Set(before ? idsOf(kind, before).map(({ id }) => id) : []);
      for (const { target, id } of idsOf(kind, after))
        if (!known.has(id)) named.set(target, (named.get(target) ?? new Set()).add(id));
    }
    for (const [target, ids] of named) {
      const [stray] = await findUnnamable(this.trx, this.projectId, { target, ids: [...ids] });
      if (stray !== undefined)
        throw new DataError('not_found', `there is no ${target} ${stray} in this home`);
    }
  }
}

const idsOf = (kind: RecordKind, row: Row) => listIds(kind.table.fromRow(row), kind.ids);

/** A table that undo knows is registered: else nothing could say whose its rows are. */
function getKindOfTable(table: string): RecordKind {
  const kind = findKindOfTable(table);
  if (!kind) throw new Error(`the table ${table} is not registered in records.ts`);
  return kind;
}

/** A column that names a table's rows, and what becomes of its own row when one of those goes. */
interface Dependant {
  readonly kind: RecordKind;
  readonly column: string;
  readonly onDelete: string;
}

/** By the table that is named; of each, those that come last are removed first. */
async function listDependants(db: Db): Promise<ReadonlyMap<string, readonly Dependant[]>> {
  const dependants = new Map<string, Dependant[]>();
  for (const kind of [...recordKinds].reverse()) {
    const keys: readonly { table: string; from: string; on_delete: string }[] = await db.raw(
      `PRAGMA foreign_key_list(${kind.table.name})`,
    );
    for (const { table, from, on_delete } of keys)
      if (on_delete === 'CASCADE' || on_delete === 'SET NULL')
        dependants.set(table, [
          ...(dependants.get(table) ?? []),
          { kind, column: from, onDelete: on_delete },
        ]);
  }
  return dependants;
}

async function readRow(db: Db, table: string, id: string): Promise<Row | undefined> {
  const row: Row | undefined = await db(table).where({ id }).first();
  return row;
}

/**
 * Makes a use case read and write in one transaction, so that what it decides by is what it changes.
 * A change that it records within is the same transaction's.
 */
export const atomic =
  <A extends readonly unknown[], T>(work: (db: Db, ...args: A) => Promise<T>) =>
  (db: Db, ...args: A): Promise<T> =>
    db.transaction((trx) => work(trx, ...args));

/**
 * A stamp that differs whenever something of a home has changed: everything that people change passes
 * the changes or the log. For long computing, which reads first and writes what it found.
 */
export async function stampOf(db: Db, projectId: ProjectId): Promise<string> {
  const row: { stamp: string } | undefined = await db(projectRecord.table.name)
    .where({ id: projectId })
    .first({ stamp: db.raw(PROJECT_STAMP) });
  return row?.stamp ?? '';
}

/** @errors `changed_meanwhile`: somebody changed the home since the stamp was taken. */
export async function requireUnchanged(db: Db, projectId: ProjectId, stamp: string): Promise<void> {
  if ((await stampOf(db, projectId)) !== stamp)
    throw new DataError('changed_meanwhile', 'the home was changed while this was worked out');
}

/** Of a row of `projects`. */
export const PROJECT_STAMP = `
  ifnull((SELECT max(seq) FROM changes WHERE project_id = projects.id), 0) || ' ' ||
  (SELECT count(*) FROM changes WHERE project_id = projects.id AND is_undone = 1) || ' ' ||
  ifnull((SELECT max(seq) FROM decision_events WHERE project_id = projects.id), 0)`;

/**
 * Does `work` in one transaction and records it as one change, with what it did
 * ("added Tall cupboard"). What had been undone before can then no longer be done again.
 */
export async function recordChange<T>(
  db: Db,
  change: { readonly projectId: ProjectId; readonly deed: Deed; readonly now: string },
  work: (writer: ChangeWriter, trx: Db) => Promise<T>,
): Promise<T> {
  refuseDamaged(db);
  return db.transaction(async (trx) => {
    const writer = new ChangeWriter(trx, change.projectId);
    const value = await work(writer, trx);
    if (writer.images.length > 0) {
      await writer.verify();
      await trx('changes').where({ project_id: change.projectId, is_undone: 1 }).delete();
      await trx('changes').insert({
        project_id: change.projectId,
        label: writeDeed(change.deed),
        images_json: JSON.stringify(writer.images),
        is_undone: 0,
        changed_at: change.now,
      });
    }
    return value;
  });
}

/** One change that stands, with the rows it changed. */
export interface Change {
  readonly seq: number;
  readonly deed: KeptDeed;
  readonly changedAt: string;
  readonly images: readonly RowImage[];
}

/** The latest changes that were not taken back, the latest first. */
export async function listChanges(db: Db, projectId: ProjectId, limit = 400): Promise<Change[]> {
  const rows: readonly { seq: number; label: string; images_json: string; changed_at: string }[] =
    await db('changes')
      .where({ project_id: projectId, is_undone: 0 })
      .orderBy('seq', 'desc')
      .limit(limit);
  return rows.map(({ seq, label, images_json, changed_at }) => ({
    seq,
    deed: parseDeed(label),
    changedAt: changed_at,
    images: imagesSchema.parse(JSON.parse(images_json)),
  }));
}

/** The latest changes that were not taken back, without what they hold. */
export async function listChangeHeads(
  db: Db,
  projectId: ProjectId,
  limit: number,
): Promise<{ readonly seq: number; readonly deed: KeptDeed }[]> {
  const rows: readonly { seq: number; label: string }[] = await db('changes')
    .where({ project_id: projectId, is_undone: 0 })
    .orderBy('seq', 'desc')
    .limit(limit)
    .select('seq', 'label');
  return rows.map(({ seq, label }) => ({ seq, deed: parseDeed(label) }));
}

/** What undo and redo would do next. */
export interface UndoState {
  readonly undo: KeptDeed | undefined;
  readonly redo: KeptDeed | undefined;
}

export async function getUndoState(db: Db, projectId: ProjectId): Promise<UndoState> {
  const undo = await findChange(db, projectId, 'undo');
  const redo = await findChange(db, projectId, 'redo');
  return { undo: undo && parseDeed(undo.label), redo: redo && parseDeed(redo.label) };
}

/**
 * Takes the last change back, or does the one taken back last again. Returns what it did.
 * @errors `not_found` (nothing to undo) · `changed_since` (a row is no longer as the change left it).
 */
export async function moveChange(
  db: Db,
  projectId: ProjectId,
  way: 'undo' | 'redo',
): Promise<KeptDeed> {
  return db.transaction(async (trx) => {
    const change = await findChange(trx, projectId, way);
    if (!change) throw new DataError('not_found', `nothing to ${way}`);
    const images = imagesSchema.parse(JSON.parse(change.images_json));
    const ordered = way === 'undo' ? [...images].reverse() : images;
    for (const image of ordered) {
      const [from, to] = way === 'undo' ? [image.after, image.before] : [image.before, image.after];
      await applyImage(trx, image, { from, to });
    }
    await trx('changes')
      .where({ seq: change.seq })
      .update({ is_undone: way === 'undo' ? 1 : 0 });
    return parseDeed(change.label);
  });
}

async function findChange(db: Db, projectId: ProjectId, way: 'undo' | 'redo') {
  const row: { seq: number; label: string; images_json: string } | undefined = await db('changes')
    .where({ project_id: projectId, is_undone: way === 'undo' ? 0 : 1 })
    .orderBy('seq', way === 'undo' ? 'desc' : 'asc')
    .first();
  return row;
}

async function applyImage(
  trx: Db,
  image: { readonly table: string; readonly id: string },
  { from, to }: { readonly from: Row | null; readonly to: Row | null },
): Promise<void> {
  const current = await readRow(trx, image.table, image.id);
  if (!isSameRow(current, from))
    throw new DataError('changed_since', `${image.table} ${image.id} was changed since`);
  if (!to) await trx(image.table).where({ id: image.id }).delete();
  else if (!from) await trx(image.table).insert(to);
  else await trx(image.table).where({ id: image.id }).update(to);
}

function isSameRow(current: Row | undefined, expected: Row | null): boolean {
  if (!current || !expected) return !current && !expected;
  return Object.keys(expected).every((column) => current[column] === expected[column]);
}
