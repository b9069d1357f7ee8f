import 'server-only';

import type { PictureId, ProjectId } from '@/core/shared';
import { DataError, type Db } from './db';
import { removePictureFiles } from './pictureFiles';
import { listOwned, recordKinds } from './records';

/** What remains of a home that was forgotten: that there was one, and when it went. No name. */
export interface ForgottenHome {
  readonly id: string;
  /** The day on which it was begun. */
  readonly begunOn: string;
  readonly forgottenAt: string;
  readonly roomCount: number;
  readonly pictureCount: number;
}

/**
 * Forgets a home for good: its records, its log, what undo remembers of it, its pictures. What was
 * begun is finished at the next start where the server is killed meanwhile.
 * @errors `not_found`.
 */
export async function forgetHome(
  db: Db,
  dataDir: string,
  { projectId, now }: { readonly projectId: ProjectId; readonly now: string },
): Promise<ForgottenHome> {
  const home = await db.transaction(async (trx): Promise<ForgottenHome> => {
    const project: { id: string; created_at: string } | undefined = await trx('projects')
      .where({ id: projectId })
      .first('id', 'created_at');
    if (!project) throw new DataError('not_found', `there is no project ${projectId}`);
    const rooms = await trx('rooms').where({ project_id: projectId }).pluck('id');
    const kept: ForgottenHome = {
      id: projectId,
      begunOn: project.created_at.slice(0, 10),
      forgottenAt: now,
      roomCount: rooms.length,
      pictureCount: (await listPictureIds(trx, projectId)).length,
    };
    await trx('forgetting').insert({ project_id: projectId });
    await trx('forgotten_homes').insert({
      id: kept.id,
      begun_on: kept.begunOn,
      forgotten_at: kept.forgottenAt,
      room_count: kept.roomCount,
      picture_count: kept.pictureCount,
    });
    return kept;
  });
  await finishForgetting(db, dataDir);
  return home;
}

/** Does, or goes on with, what `forgetHome` began. Returns whether there was something to do. */
export async function finishForgetting(db: Db, dataDir: string): Promise<boolean> {
  const ids = (await db('forgetting').pluck('project_id')) as ProjectId[];
  for (const projectId of ids) {
    // Pictures first: once their rows are gone, nothing says whose they are.
    for (const id of await listPictureIds(db, projectId)) await removePictureFiles(dataDir, id);
    await db.transaction(async (trx) => {
      await trx('things').where({ project_id: projectId }).delete();
      await trx('decision_events').where({ project_id: projectId }).delete();
      // Everything else goes with the project.
      await trx('projects').where({ id: projectId }).delete();
      await trx('forgetting').where({ project_id: projectId }).delete();
    });
    // What was deleted stays in free pages and in the write-ahead log until both are made anew.
    await db.raw('PRAGMA wal_checkpoint(TRUNCATE)');
    await db.raw('VACUUM');
    await db.raw('PRAGMA wal_checkpoint(TRUNCATE)');
  }
  return ids.length > 0;
}

/** Every picture of a home: those that stand, and those that were removed and could come back. */
async function listPictureIds(db: Db, projectId: ProjectId): Promise<PictureId[]> {
  const ids = new Set<string>();
  const withFiles = recordKinds.filter(({ fileField }) => fileField !== undefined);
  for (const kind of withFiles)
    for (const record of await listOwned(db, kind, projectId)) {
      const id = record[kind.fileField ?? ''];
      if (typeof id === 'string') ids.add(id);
    }
  for (const id of await listRememberedPictures(db, projectId)) ids.add(id);
  return [...ids] as PictureId[];
}

/** Pictures in what undo remembers, of one home or of all. */
export async function listRememberedPictures(db: Db, projectId?: ProjectId): Promise<Set<string>> {
  const ids = new Set<string>();
  const withFiles = new Map(
    recordKinds.flatMap(({ table, fileField }) =>
      fileField === undefined ? [] : [[table.name, table.columnOf(fileField)] as const],
    ),
  );
  const query = db('changes').select('images_json');
  const rows: readonly { images_json: string }[] = await (projectId === undefined
    ? query
    : query.where({ project_id: projectId }));
  for (const { images_json } of rows) {
    const images = JSON.parse(images_json) as readonly {
      readonly table: string;
      readonly before: Record<string, unknown> | null;
      readonly after: Record<string, unknown> | null;
    }[];
    for (const { table, before, after } of images) {
      const column = withFiles.get(table);
      if (column === undefined) continue;
      for (const row of [before, after])
        if (typeof row?.[column] === 'string') ids.add(row[column]);
    }
  }
  return ids;
}

export async function listForgottenHomes(db: Db): Promise<ForgottenHome[]> {
  const rows: readonly {
    id: string;
    begun_on: string;
    forgotten_at: string;
    room_count: number;
    picture_count: number;
  }[] = await db('forgotten_homes').orderBy('forgotten_at', 'desc');
  return rows.map((row) => ({
    id: row.id,
    begunOn: row.begun_on,
    forgottenAt: row.forgotten_at,
    roomCount: row.room_count,
    pictureCount: row.picture_count,
  }));
}
