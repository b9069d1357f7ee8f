import 'server-only';

import type { Knex } from 'knex';

import type { ProjectId } from '@/core/shared';
import { readAll, type Table } from './columns';
import { enoughRuleTable, thingPictureTable } from './countRepo';
import type { Db } from './db';
import { carryTable, ownMethodTable, sessionTable } from './sessionRepo';
import * as tables from './tables';

/** A record as every kind has it: keyed by its id, its fields known to its table. */
export type AnyRecord = Readonly<Record<string, unknown>> & { readonly id: string };

/**
 * What a record is, said once. Who owns it, which other records it names, and by which name it stands
 * in a project's file: loading, the guard between homes, the file out and in, and what is forgotten
 * with a home follow from it.
 */
export interface RecordKind {
  /** By which it stands in a project's file; in the field's plural. */
  readonly name: string;
  readonly table: Table<AnyRecord>;
  /** The record that it belongs to and goes with; none for a project. */
  readonly parent: { readonly kind: string; readonly field: string } | undefined;
  /**
   * The ids it names, by path (`idPaths.ts`), and of which kinds they may be, parted by `|`; `?` where
   * the text may also be something that is no id; `~` where the id ends a longer text. The parent's
   * is among them.
   */
  readonly ids: Readonly<Record<string, string>>;
  /** Made of other ids where it is: a room's line has one yes. */
  readonly composeId: ((record: AnyRecord) => string) | undefined;
  /** The field that names a picture's files; none where it has no picture. */
  readonly fileField: string | undefined;
}

interface Definition<T> {
  readonly name: string;
  readonly table: Table<T>;
  readonly parent?: readonly [field: string, kind: string];
  readonly ids?: Readonly<Record<string, string>>;
  readonly composeId?: (record: T) => string;
  readonly fileField?: string;
}

function defineRecord<T extends { readonly id: string }>(definition: Definition<T>): RecordKind {
  const { parent, ids = {}, composeId } = definition;
  return {
    name: definition.name,
    table: definition.table as unknown as Table<AnyRecord>,
    parent: parent && { field: parent[0], kind: parent[1] },
    ids: parent ? { [parent[0]]: parent[1], ...ids } : ids,
    composeId: composeId as RecordKind['composeId'],
    fileField: definition.fileField,
  };
}

/** The organizer's own, for every home: price list and shops. Containers without a project are too. */
const SHARED = new Set(['shops', 'offers']);

/** Every kind of record that belongs to a home or to the price list, parents before children. */
export const recordKinds: readonly RecordKind[] = [
  defineRecord({ name: 'projects', table: tables.projectTable }),
  defineRecord({ name: 'people', table: tables.personTable, parent: ['projectId', 'projects'] }),
  defineRecord({
    name: 'rooms',
    table: tables.roomTable,
    parent: ['projectId', 'projects'],
    ids: { 'checks.*.clear.unitId': 'units' },
  }),
  defineRecord({ name: 'units', table: tables.unitTable, parent: ['roomId', 'rooms'] }),
  defineRecord({ name: 'bays', table: tables.bayTable, parent: ['unitId', 'units'] }),
  defineRecord({ name: 'fixtures', table: tables.fixtureTable, parent: ['roomId', 'rooms'] }),
  defineRecord({
    name: 'sections',
    table: tables.sectionTable,
    parent: ['roomId', 'rooms'],
    ids: { 'bayIds.*': 'bays' },
  }),
  defineRecord({
    name: 'agreements',
    table: tables.agreementTable,
    parent: ['projectId', 'projects'],
    // A line's key ends in the room that it is about; two sheets are compared by their keys.
    ids: { 'lines.*.key': 'rooms~' },
  }),
  defineRecord({
    name: 'sessions',
    table: sessionTable,
    parent: ['roomId', 'rooms'],
    ids: { sectionId: 'sections' },
  }),
  defineRecord({ name: 'carries', table: carryTable, parent: ['roomId', 'rooms'] }),
  defineRecord({
    name: 'ownMethods',
    table: ownMethodTable,
    parent: ['projectId', 'projects'],
  }),
  defineRecord({
    name: 'enoughRules',
    table: enoughRuleTable,
    parent: ['projectId', 'projects'],
  }),
  defineRecord({
    name: 'thingPictures',
    table: thingPictureTable,
    parent: ['projectId', 'projects'],
    fileField: 'id',
  }),
  defineRecord({
    name: 'vantagePoints',
    table: tables.vantagePointTable,
    parent: ['roomId', 'rooms'],
  }),
  defineRecord({
    name: 'pictures',
    table: tables.pictureTable,
    parent: ['vantagePointId', 'vantagePoints'],
    fileField: 'id',
  }),
  defineRecord({
    name: 'groups',
    table: tables.groupTable,
    parent: ['projectId', 'projects'],
    ids: {
      roomId: 'rooms',
      bayId: 'bays',
      standsBayId: 'bays',
      'placing.stationId': 'fixtures',
      'placing.userIds.*': 'people',
      'placing.withIds.*': 'groups',
      'placing.apartIds.*': 'groups',
    },
  }),
  defineRecord({
    name: 'drafts',
    table: tables.draftTable,
    parent: ['projectId', 'projects'],
    ids: { roomId: 'rooms', 'places.*.groupId': 'groups', 'places.*.bayId': 'bays' },
  }),
  defineRecord({
    name: 'moveLists',
    table: tables.moveListTable,
    parent: ['id', 'rooms'],
    ids: {
      'cleanedBayIds.*': 'bays',
      'items.*.groupId': 'groups',
      'items.*.bayId': 'bays',
      // "basket" stands beside the places.
      'items.*.from': 'bays|?',
      'items.*.to': 'bays|?',
      'circles.*.*': 'groups|bays|?',
    },
  }),
  defineRecord({
    name: 'containers',
    table: tables.containerTable,
    parent: ['projectId', 'projects'],
  }),
  defineRecord({ name: 'shops', table: tables.shopTable }),
  defineRecord({
    name: 'offers',
    table: tables.offerTable,
    ids: { shopId: 'shops', containerId: 'containers' },
  }),
  defineRecord({
    name: 'fits',
    table: tables.fitTable,
    parent: ['id', 'bays'],
    ids: {
      'answer.placements.*.containerId': 'containers',
      'answer.placements.*.groupId': 'groups',
      'answer.unmet.*.groupId': 'groups',
      'answer.reasons.*.subject': 'groups|containers|bays|?',
    },
  }),
  defineRecord({
    name: 'fitWishes',
    table: tables.fitWishesTable,
    parent: ['id', 'bays'],
    ids: {
      'forbidden.*': 'containers',
      'pins.*.groupId': 'groups',
      'pins.*.containerId': 'containers',
    },
  }),
  defineRecord({
    name: 'receipts',
    table: tables.receiptTable,
    parent: ['projectId', 'projects'],
    fileField: 'pictureId',
  }),
  defineRecord({
    name: 'handNeeds',
    table: tables.handNeedTable,
    parent: ['roomId', 'rooms'],
    ids: { shopId: 'shops' },
  }),
  defineRecord({
    name: 'purchases',
    table: tables.purchaseTable,
    parent: ['roomId', 'rooms'],
    ids: { containerId: 'containers', handNeedId: 'handNeeds', receiptId: 'receipts' },
  }),
  defineRecord({
    name: 'giftCards',
    table: tables.giftCardTable,
    parent: ['projectId', 'projects'],
    ids: { shopId: 'shops' },
  }),
  defineRecord({
    name: 'materials',
    table: tables.materialsTable,
    parent: ['id', 'rooms'],
    ids: { 'linedBayIds.*': 'bays', 'buying.*.shopId': 'shops' },
  }),
  defineRecord({
    name: 'priorities',
    table: tables.needPriorityTable,
    parent: ['roomId', 'rooms'],
    ids: { containerId: 'containers' },
    composeId: ({ roomId, containerId }) => `${roomId}_${containerId}`,
  }),
  defineRecord({
    name: 'approvals',
    table: tables.approvalTable,
    parent: ['roomId', 'rooms'],
    ids: { needId: 'containers|handNeeds|?' },
    composeId: ({ roomId, needId }) => `${roomId}_${needId}`,
  }),
];

const byName = new Map(recordKinds.map((kind) => [kind.name, kind]));
const byTable = new Map(recordKinds.map((kind) => [kind.table.name, kind]));

export function getRecordKind(name: string): RecordKind {
  const kind = byName.get(name);
  if (!kind) throw new Error(`no kind of record is called ${name}`);
  return kind;
}
export const findKindOfTable = (tableName: string): RecordKind | undefined =>
  byTable.get(tableName);

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
function namableIds(db: Db, kind: RecordKind, projectId: ProjectId): Knex.QueryBuilder {
  if (kind.name !== 'containers') return ownedIds(db, kind, projectId);
  return db(kind.table.name)
    .select('id')
    .where((either) => either.where({ project_id: projectId }).orWhereNull('project_id'));
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

export const isAlwaysShared = (kind: RecordKind): boolean => SHARED.has(kind.name);
export const isShared = (kind: RecordKind, record: AnyRecord): boolean =>
  isAlwaysShared(kind) || (kind.name === 'containers' && record.projectId === null);

/** Of `ids`, those that records of a project may not name as `target`: they are another home's, or nothing's. */
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
