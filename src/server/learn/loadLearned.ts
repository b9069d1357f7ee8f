import 'server-only';

import {
  learnFirm,
  outcomesOf,
  type FirmLearned,
  type HomeOutcomes,
  type Learning,
} from '@/core/learn';
import type { ProjectId, RoomId } from '@/core/shared';
import type { Db } from '@/data/db';
import { listKnownAnswers, putKnownAnswer } from '@/data/knownAnswers';
import { listStampedProjects } from '@/data/projectRepo';
import { loadRecords, type LoadName } from '@/data/records';
import { getLearning } from '@/data/settingsRepo';
import { nowIso } from '../means';

/** Everything of a home that something is learnt from. */
export const learnNames = [
  'containers',
  'fits',
  'groups',
  'labelings',
  'pictures',
  'project',
  'purchases',
  'putAwayTests',
  'reviews',
  'rooms',
  'sections',
  'setUps',
  'things',
  'units',
  'vantagePoints',
  'visits',
] as const satisfies readonly LoadName[];

/** Goes up whenever outcomes say something else of the same home. */
const OUTCOMES_VERSION = 2;
const ABOUT = 'outcomes';

interface LearnedOptions {
  /** A room whose tasks are left out: what was timed in it counts beside. */
  readonly withoutTasksOf?: RoomId | undefined;
  /**
   * A home that is worked in: what was gathered of it last is taken, if anything was, so that a page of it does not
   * wait until all of it is gone through after each decision.
   */
  readonly asKept?: ProjectId | undefined;
}

export interface OutcomesOfHome {
  readonly projectId: ProjectId;
  readonly outcomes: HomeOutcomes;
}

/**
 * What every home has shown, those that were put away among them. What was worked out of a home is kept until
 * something of it changes, so that a desk of hundreds does not read all of its homes each time.
 */
export async function loadOutcomes(
  db: Db,
  { asKept }: Pick<LearnedOptions, 'asKept'> = {},
): Promise<OutcomesOfHome[]> {
  const known = await listKnownAnswers(db, ABOUT);
  const all: OutcomesOfHome[] = [];
  for (const { projectId, stamp } of await listStampedProjects(db)) {
    const basis = `${OUTCOMES_VERSION} ${stamp}`;
    const kept = known.get(projectId);
    const isKept =
      kept?.basis === basis ||
      (projectId === asKept && kept?.basis.startsWith(`${OUTCOMES_VERSION} `));
    if (isKept) {
      // Written below, by the same version.
      all.push({ projectId, outcomes: kept?.answer as HomeOutcomes });
      continue;
    }
    const outcomes = outcomesOf(await loadRecords(db, projectId, ...learnNames));
    await putKnownAnswer(db, projectId, ABOUT, { basis, answer: outcomes, answeredAt: nowIso() });
    all.push({ projectId, outcomes });
  }
  return all;
}

export interface LoadedLearned {
  readonly learned: FirmLearned;
  readonly homes: readonly OutcomesOfHome[];
  readonly learning: Learning;
}

/** What this desk has learnt so far, less what was left aside. */
export async function loadLearned(
  db: Db,
  { withoutTasksOf, asKept }: LearnedOptions = {},
): Promise<LoadedLearned> {
  const learning = await getLearning(db);
  const homes = await loadOutcomes(db, { asKept });
  return {
    learned: learnFirm(
      homes.map(({ outcomes: { tasks, ...outcomes } }) => ({
        ...outcomes,
        tasks: tasks.filter(({ roomId }) => roomId !== withoutTasksOf),
      })),
      learning,
    ),
    homes,
    learning,
  };
}
