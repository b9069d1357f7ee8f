import 'server-only';

import type { ProjectId } from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { forgetHome, listForgottenHomes, type ForgottenHome } from '@/data/forgetHome';
import { listArchivedProjects } from '@/data/projectRepo';
import type { Project } from '@/core/agree';
import { findProject, projectRecord } from '@/data/records';
import { listBackups, readManifest } from '../backup/backupData';
import { nowIso } from '../means';

/** Puts a home away from the desk, or takes it back; nothing of it changes. @errors `not_found`. */
export const putAway = atomic(
  async (db: Db, projectId: ProjectId, isAway: boolean): Promise<void> => {
    const project = await findProject(db, projectId);
    if (!project) throw new DataError('not_found', `there is no project ${projectId}`);
    if ((project.archivedAt !== null) === isAway) return;
    const deed = { code: isAway ? 'home_put_away' : 'home_taken_back' } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(projectRecord, { ...project, archivedAt: isAway ? nowIso() : null }),
    );
  },
);

/**
 * Forgets a home for good. Requires: its name, as somebody typed it, for nothing brings it back.
 * @errors `not_found` · `name_differs`.
 */
export async function forget(
  db: Db,
  dataDir: string,
  { projectId, typedName }: { readonly projectId: ProjectId; readonly typedName: string },
): Promise<ForgottenHome> {
  const project = await findProject(db, projectId);
  if (!project) throw new DataError('not_found', `there is no project ${projectId}`);
  if (typedName.trim() !== project.name)
    throw new DataError('name_differs', 'the name that was typed is not the home’s');
  return forgetHome(db, dataDir, { projectId, now: nowIso() });
}

/** A forgotten home, and which backups still hold it. */
interface RememberedElsewhere extends ForgottenHome {
  readonly backups: readonly string[];
}
export interface AwayHomes {
  readonly archived: readonly Project[];
  readonly forgotten: readonly RememberedElsewhere[];
}

export async function loadAway(db: Db, backupsDir: string | undefined): Promise<AwayHomes> {
  const forgotten = await listForgottenHomes(db);
  const held = new Map<string, string[]>();
  const folders =
    forgotten.length === 0 || backupsDir === undefined ? [] : await listBackups(backupsDir);
  for (const folder of folders) {
    const manifest = await readManifest(folder).catch(() => undefined);
    for (const id of manifest?.homeIds ?? [])
      held.set(id, [...(held.get(id) ?? []), manifest?.madeAt ?? '']);
  }
  return {
    archived: await listArchivedProjects(db),
    forgotten: forgotten.map((home) => ({ ...home, backups: held.get(home.id) ?? [] })),
  };
}

/** How many homes are not on the desk. */
export async function countAway(db: Db): Promise<number> {
  return (await listArchivedProjects(db)).length + (await listForgottenHomes(db)).length;
}
