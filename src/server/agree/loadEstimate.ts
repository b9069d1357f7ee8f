import 'server-only';

import {
  estimateProject,
  planBackward,
  type BackwardPlan,
  type ProjectEstimate,
} from '@/core/agree';
import { countedOf, sectionFactsOf, type RoomOutcome } from '@/core/learn';
import type { Learned } from '@/core/shared';
import type { Db } from '@/data/db';
import type { LoadName, Records } from '@/data/records';
import { loadLearned } from '../learn/loadLearned';

interface LoadedEstimate {
  readonly estimate: ProjectEstimate;
  /** The finished rooms with hours that it is corrected by. */
  readonly finished: readonly RoomOutcome[];
  readonly backward: BackwardPlan | undefined;
  /** What litres by the tape and the eye were multiplied by in the end. */
  readonly litres: Learned;
}

/** What an estimate is worked out from. */
export const estimateNames = [
  'pictures',
  'project',
  'rooms',
  'sections',
  'units',
  'vantagePoints',
  'visits',
] as const satisfies readonly LoadName[];
export type EstimateName = (typeof estimateNames)[number];

/**
 * Estimates a project from what was measured, corrected by every finished room whose hours were noted, of
 * any project, this one too.
 */
export async function loadEstimate(
  db: Db,
  records: Records<EstimateName>,
  today: string,
): Promise<LoadedEstimate> {
  const { learned, homes, learning } = await loadLearned(db);
  const finished = countedOf(
    'hours',
    learning,
    homes.flatMap(({ outcomes }) => outcomes.rooms),
  ).filter(({ minutes }) => minutes !== undefined);
  const { readyBy, terms } = records.project;
  const estimate = estimateProject(sectionFactsOf(records), terms, learned.hours);
  const backward =
    readyBy === null || estimate.visitsLeft === 0
      ? undefined
      : planBackward({
          readyBy,
          today,
          visits: estimate.visitsLeft,
          visitsPerWeek: terms.visitsPerWeek,
        });
  return { estimate, finished, backward, litres: learned.litres };
}
