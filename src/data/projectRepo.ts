import 'server-only';

import type { Project } from '@/core/agree';
import type { Visit } from '@/core/visits';
import type { Picture } from '@/core/look';
import type { PictureId, ProjectId } from '@/core/shared';
import type { Receipt } from '@/core/shop';
import { PROJECT_STAMP } from './changes';
import type { Row } from './columns';
import type { Db } from './db';
import { pictureRecord, projectRecord, receiptRecord, visitRecord } from './records';

/** Every home, those on the desk first; the ones that were put away among them. */
export async function listProjects(db: Db): Promise<Project[]> {
  const rows: readonly Row[] = await db(projectRecord.table.name).orderBy([
    { column: 'status' },
    { column: 'created_at' },
  ]);
  return rows.map(projectRecord.table.fromRow);
}

/** A home that lies on the desk, with a stamp that differs whenever something of it has changed. */
interface StampedProject {
  readonly project: Project;
  readonly stamp: string;
}

/**
 * The homes on the desk. Everything that people change passes the changes or the log: their ends
 * are the stamp.
 */
export async function listDeskProjects(db: Db): Promise<StampedProject[]> {
  const rows: readonly (Row & { readonly stamp: string })[] = await db(projectRecord.table.name)
    .whereNull('archived_at')
    .orderBy([{ column: 'status' }, { column: 'created_at' }])
    .select('*', db.raw(`${PROJECT_STAMP} AS stamp`));
  return rows.map((row) => ({ project: projectRecord.table.fromRow(row), stamp: row.stamp }));
}

/** Homes that were put away, the latest first. */
export async function listArchivedProjects(db: Db): Promise<Project[]> {
  const rows: readonly Row[] = await db(projectRecord.table.name)
    .whereNotNull('archived_at')
    .orderBy('archived_at', 'desc');
  return rows.map(projectRecord.table.fromRow);
}

/** The visits of some homes, by day and time. */
export async function listVisitsOf(db: Db, projectIds: readonly ProjectId[]): Promise<Visit[]> {
  const rows: readonly Row[] = await db(visitRecord.table.name)
    .whereIn('project_id', projectIds)
    .orderBy(['day', 'from_minute', 'id']);
  return rows.map(visitRecord.table.fromRow);
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

/** Every home, those that were put away among them, with a stamp that differs whenever one learns otherwise of it. */
export async function listStampedProjects(
  db: Db,
): Promise<{ readonly projectId: ProjectId; readonly stamp: string }[]> {
  // A test of putting away is kept outside undo.
  const rows: readonly { id: ProjectId; stamp: string }[] = await db(projectRecord.table.name)
    .orderBy(['created_at', 'id'])
    .select(
      'id',
      db.raw(
        `${PROJECT_STAMP} || ' ' ||
        (SELECT count(*) FROM put_away_tests WHERE project_id = projects.id) AS stamp`,
      ),
    );
  return rows.map(({ id, stamp }) => ({ projectId: id, stamp }));
}

export async function findPicture(db: Db, id: PictureId): Promise<Picture | undefined> {
  const row: Row | undefined = await db(pictureRecord.table.name).where({ id }).first();
  return row && pictureRecord.table.fromRow(row);
}

/** The receipt that a picture was taken of. */
export async function findReceiptOf(db: Db, pictureId: PictureId): Promise<Receipt | undefined> {
  const row: Row | undefined = await db(receiptRecord.table.name)
    .where({ picture_id: pictureId })
    .first();
  return row && receiptRecord.table.fromRow(row);
}
