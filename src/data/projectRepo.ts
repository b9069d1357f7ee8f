import 'server-only';

import type { Agreement, Person, Project, Section } from '@/core/agree';
import type { ContainerProduct, FitWishes, TakenFit } from '@/core/fit';
import type { Bay, Fixture, Picture, Room, Unit, VantagePoint } from '@/core/look';
import type { Draft, KeptMoveList } from '@/core/place';
import type { PictureId, ProjectId } from '@/core/shared';
import type {
  Approval,
  GiftCard,
  HandNeed,
  Materials,
  Priority,
  Purchase,
  Receipt,
} from '@/core/shop';
import type { Group, Thing } from '@/core/sort';
import { readAll, type Row } from './columns';
import { DataError, type Db } from './db';
import { listThings } from './decisionLog';
import {
  agreementTable,
  approvalTable,
  bayTable,
  containerTable,
  draftTable,
  fitTable,
  fitWishesTable,
  fixtureTable,
  giftCardTable,
  groupTable,
  handNeedTable,
  materialsTable,
  moveListTable,
  needPriorityTable,
  personTable,
  pictureTable,
  projectTable,
  purchaseTable,
  receiptTable,
  roomTable,
  sectionTable,
  unitTable,
  vantagePointTable,
} from './tables';

/** All of one project as it stands, in parsed records. Lists are in their order on screen. */
export interface ProjectRecords {
  readonly project: Project;
  readonly people: readonly Person[];
  readonly rooms: readonly Room[];
  readonly units: readonly Unit[];
  readonly fixtures: readonly Fixture[];
  /** In the order of the work, over all rooms. */
  readonly sections: readonly Section[];
  /** Oldest first. */
  readonly agreements: readonly Agreement[];
  readonly vantagePoints: readonly VantagePoint[];
  readonly pictures: readonly Picture[];
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly drafts: readonly Draft[];
  readonly moveLists: readonly KeptMoveList[];
  readonly fits: readonly TakenFit[];
  readonly fitWishes: readonly FitWishes[];
  /** The catalogue and what this household owns. */
  readonly containers: readonly ContainerProduct[];
  readonly purchases: readonly Purchase[];
  readonly materials: readonly Materials[];
  readonly priorities: readonly {
    readonly roomId: string;
    readonly containerId: string;
    readonly priority: Priority;
  }[];
  readonly approvals: readonly Approval[];
  /** The newest first. */
  readonly receipts: readonly Receipt[];
  readonly handNeeds: readonly HandNeed[];
  readonly giftCards: readonly GiftCard[];
}

/** Every home, those on the desk first; the ones that were put away among them. */
export async function listProjects(db: Db): Promise<Project[]> {
  const rows: readonly Row[] = await db(projectTable.name).orderBy([
    { column: 'status' },
    { column: 'created_at' },
  ]);
  return rows.map(projectTable.fromRow);
}

/** A home that lies on the desk, with a stamp that differs whenever something of it has changed. */
export interface StampedProject {
  readonly project: Project;
  readonly stamp: string;
}

/** The homes on the desk. Everything that people change passes the changes or the log: their ends are the stamp. */
export async function listDeskProjects(db: Db): Promise<StampedProject[]> {
  const rows: readonly (Row & { readonly stamp: string })[] = await db(projectTable.name)
    .whereNull('archived_at')
    .orderBy([{ column: 'status' }, { column: 'created_at' }])
    .select(
      '*',
      db.raw(`
        ifnull((SELECT max(seq) FROM changes WHERE project_id = projects.id), 0) || ' ' ||
        (SELECT count(*) FROM changes WHERE project_id = projects.id AND is_undone = 1) || ' ' ||
        ifnull((SELECT max(seq) FROM decision_events WHERE project_id = projects.id), 0) AS stamp`),
    );
  return rows.map((row) => ({ project: projectTable.fromRow(row), stamp: row.stamp }));
}

/** Homes that were put away, the latest first. */
export async function listArchivedProjects(db: Db): Promise<Project[]> {
  const rows: readonly Row[] = await db(projectTable.name)
    .whereNotNull('archived_at')
    .orderBy('archived_at', 'desc');
  return rows.map(projectTable.fromRow);
}

/** What was worked out of homes before, by home. */
export async function listDeskSummaries(
  db: Db,
): Promise<ReadonlyMap<string, { readonly stamp: string; readonly summary: unknown }>> {
  const rows: readonly { project_id: string; stamp: string; summary_json: string }[] =
    await db('desk_summaries');
  return new Map(
    rows.map((row) => [
      row.project_id,
      { stamp: row.stamp, summary: JSON.parse(row.summary_json) as unknown },
    ]),
  );
}

export async function putDeskSummary(
  db: Db,
  projectId: ProjectId,
  { stamp, summary }: { readonly stamp: string; readonly summary: unknown },
): Promise<void> {
  const row = { project_id: projectId, stamp, summary_json: JSON.stringify(summary) };
  await db('desk_summaries').insert(row).onConflict('project_id').merge();
}

/** Projects in which the hours of at least one room are noted. */
export async function listProjectsWithHours(db: Db): Promise<Project[]> {
  const rows: readonly Row[] = await db(projectTable.name)
    .whereIn('id', db(roomTable.name).whereNotNull('worked_minutes').select('project_id'))
    .orderBy('created_at');
  return rows.map(projectTable.fromRow);
}

export async function findProject(db: Db, id: ProjectId): Promise<Project | undefined> {
  const row: Row | undefined = await db(projectTable.name).where({ id }).first();
  return row && projectTable.fromRow(row);
}

/** @errors `not_found`. */
export async function getProjectRecords(db: Db, projectId: ProjectId): Promise<ProjectRecords> {
  const project = await findProject(db, projectId);
  if (!project) throw new DataError('not_found', `there is no project ${projectId}`);
  const rooms = await readAll(
    roomTable,
    db(roomTable.name).where({ project_id: projectId }).orderBy('position'),
  );
  const roomIds = rooms.map(({ id }) => id);
  const unitRecords = await readAll(
    unitTable,
    db(unitTable.name).whereIn('room_id', roomIds).orderBy('position'),
  );
  const unitIds = unitRecords.map(({ id }) => id);
  const bays = await readAll(
    bayTable,
    db(bayTable.name).whereIn('unit_id', unitIds).orderBy(['column_index', 'row_index']),
  );
  const bayIds = bays.map(({ id }) => id);
  const vantagePoints = await readAll(
    vantagePointTable,
    db(vantagePointTable.name).whereIn('room_id', roomIds).orderBy('position'),
  );
  const fits = await readAll(fitTable, db(fitTable.name).whereIn('id', bayIds));
  return {
    project,
    people: await readAll(
      personTable,
      db(personTable.name).where({ project_id: projectId }).orderBy('position'),
    ),
    rooms,
    units: unitRecords.map((unit) => ({
      ...unit,
      bays: bays.filter((bay: Bay) => bay.unitId === unit.id),
    })),
    fixtures: await readAll(
      fixtureTable,
      db(fixtureTable.name).whereIn('room_id', roomIds).orderBy(['kind', 'name', 'id']),
    ),
    sections: await readAll(
      sectionTable,
      db(sectionTable.name).whereIn('room_id', roomIds).orderBy(['position', 'id']),
    ),
    agreements: await readAll(
      agreementTable,
      db(agreementTable.name).where({ project_id: projectId }).orderBy('agreed_at'),
    ),
    vantagePoints,
    pictures: await readAll(
      pictureTable,
      db(pictureTable.name)
        .whereIn(
          'vantage_point_id',
          vantagePoints.map(({ id }) => id),
        )
        .orderBy('taken_at'),
    ),
    groups: await readAll(
      groupTable,
      db(groupTable.name).where({ project_id: projectId }).orderBy(['room_id', 'position']),
    ),
    things: await listThings(db, projectId),
    drafts: await readAll(
      draftTable,
      db(draftTable.name).where({ project_id: projectId }).orderBy('position'),
    ),
    moveLists: await readAll(moveListTable, db(moveListTable.name).whereIn('id', roomIds)),
    fits: fits.map(({ id, ...fit }) => ({ ...fit, bayId: id })),
    fitWishes: (await readAll(fitWishesTable, db(fitWishesTable.name).whereIn('id', bayIds))).map(
      ({ id, ...wishes }) => ({ ...wishes, bayId: id }),
    ),
    containers: await readAll(
      containerTable,
      db(containerTable.name)
        .whereNull('project_id')
        .orWhere({ project_id: projectId })
        .orderBy('name'),
    ),
    purchases: await readAll(
      purchaseTable,
      db(purchaseTable.name).whereIn('room_id', roomIds).orderBy('bought_at'),
    ),
    materials: await readAll(materialsTable, db(materialsTable.name).whereIn('id', roomIds)),
    priorities: await readAll(
      needPriorityTable,
      db(needPriorityTable.name).whereIn('room_id', roomIds),
    ),
    approvals: await readAll(approvalTable, db(approvalTable.name).whereIn('room_id', roomIds)),
    receipts: await readAll(
      receiptTable,
      db(receiptTable.name)
        .where({ project_id: projectId })
        .orderBy([{ column: 'bought_on', order: 'desc' }, 'id']),
    ),
    handNeeds: await readAll(
      handNeedTable,
      db(handNeedTable.name).whereIn('room_id', roomIds).orderBy('name'),
    ),
    giftCards: await readAll(
      giftCardTable,
      db(giftCardTable.name).where({ project_id: projectId }),
    ),
  };
}

export async function findPicture(db: Db, id: PictureId): Promise<Picture | undefined> {
  const row: Row | undefined = await db(pictureTable.name).where({ id }).first();
  return row && pictureTable.fromRow(row);
}

/** The receipt that a picture was taken of. */
export async function findReceiptOf(db: Db, pictureId: PictureId): Promise<Receipt | undefined> {
  const row: Row | undefined = await db(receiptTable.name).where({ picture_id: pictureId }).first();
  return row && receiptTable.fromRow(row);
}
