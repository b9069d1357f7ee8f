import 'server-only';

import type { Project } from '@/core/agree';
import type { ContainerProduct, FitWishes, TakenFit } from '@/core/fit';
import type { Unit } from '@/core/look';
import type { ProjectId } from '@/core/shared';
import { withContents, type Group, type Thing } from '@/core/sort';
import type { Row } from '../columns';
import { DataError, type Db } from '../db';
import { listThings } from '../decisionLog';
import { projectRecord } from './agree';
import type { RecordName, RecordOf } from './kinds';
import { listRecords } from './listRecords';

/** What differs from the rows it is made of. */
interface Assembled {
  readonly project: Project;
  /** With their bays. */
  readonly units: readonly Unit[];
  /** By the bay that they are of. */
  readonly fits: readonly TakenFit[];
  readonly fitWishes: readonly FitWishes[];
  /** The price list and what this household owns. */
  readonly containers: readonly ContainerProduct[];
  /** Today's state of every thing, as the decision log leaves it. */
  readonly things: readonly Thing[];
}
type PlainName = Exclude<RecordName, keyof Assembled | 'projects'>;

/** One project's records as they stand, parsed, each list in its order on screen. */
export type ProjectRecords = Assembled & {
  readonly [N in PlainName]: readonly RecordOf<N>[];
};
export type LoadName = keyof ProjectRecords;
/** Some of a project's records: what a function reads of them is in its signature. */
export type Records<N extends LoadName> = Pick<ProjectRecords, N>;

export async function findProject(db: Db, id: ProjectId): Promise<Project | undefined> {
  const row: Row | undefined = await db(projectRecord.table.name).where({ id }).first();
  return row && projectRecord.table.fromRow(row);
}

/** @errors `not_found`. */
async function getProject(db: Db, id: ProjectId): Promise<Project> {
  const project = await findProject(db, id);
  if (!project) throw new DataError('not_found', `there is no project ${id}`);
  return project;
}

async function listUnits(db: Db, projectId: ProjectId): Promise<Unit[]> {
  const units = await listRecords(db, 'units', projectId);
  const bays = await listRecords(db, 'bays', projectId);
  return units.map((unit) => ({ ...unit, bays: bays.filter(({ unitId }) => unitId === unit.id) }));
}

const assemblers: {
  readonly [N in keyof Assembled]: (db: Db, projectId: ProjectId) => Promise<Assembled[N]>;
} = {
  project: getProject,
  units: listUnits,
  fits: async (db, projectId) =>
    (await listRecords(db, 'fits', projectId)).map(({ id, ...fit }) => ({ ...fit, bayId: id })),
  fitWishes: async (db, projectId) =>
    (await listRecords(db, 'fitWishes', projectId)).map(({ id, ...wishes }) => ({
      ...wishes,
      bayId: id,
    })),
  containers: (db, projectId) => listRecords(db, 'containers', projectId),
  things: listThings,
};
const isAssembled = (name: LoadName): name is keyof Assembled => name in assemblers;

/**
 * Reads only the kinds of records that are asked for.
 * @errors `not_found`: there is no such project.
 */
export async function loadRecords<N extends LoadName>(
  db: Db,
  projectId: ProjectId,
  ...names: readonly N[]
): Promise<Records<N>> {
  const loaded: Partial<Record<LoadName, unknown>> = { project: await getProject(db, projectId) };
  for (const name of names)
    loaded[name] ??= isAssembled(name)
      ? await assemblers[name](db, projectId)
      : await listRecords(db, name, projectId);
  if (loaded.groups && loaded.things)
    loaded.groups = withContents(
      loaded.groups as readonly Group[],
      loaded.things as readonly Thing[],
    );
  return loaded as Records<N>;
}
