import 'server-only';

import {
  createNameMemory,
  homeCountsOf,
  type HomeCounts,
  type NameMemory,
  type HouseholdCounts,
} from '@/core/count';
import {
  benchBaseOf,
  leavingStatesOf,
  keptByGroup,
  type BenchBase,
  type DecisionEvent,
  type KindSize,
  type LearntSize,
  type Thing,
} from '@/core/sort';
import type { ProjectId, RoomId } from '@/core/shared';
import { listKindSizes } from '@/data/countRepo';
import type { Db } from '@/data/db';
import { listCarries } from '@/data/sessionRepo';
import { decidedAtFromEnd, lastSeqOf, listHistory, listRecentHistories } from '@/data/decisionLog';
import type { Records } from '@/data/records';
import { loadLearned } from '../learn/loadLearned';
import { householdOf, rulesInUse, type RuleInUse } from '../count/enoughRules';

/**
 * So many of the latest decisions of a project are open on the bench: they can be undone and are
 * shown one by one.
 */
const OPEN_EVENTS = 300;
/** A session's own are all open, however many, up to what a browser folds without a pause. */
const MOST_OPEN_EVENTS = 4800;

interface LoadedBench {
  /** Complete histories of the open things, in the log's order. */
  readonly log: readonly DecisionEvent[];
  readonly base: BenchBase;
  /** Litres kept elsewhere in the project, by group: they may share a bay with this room's. */
  readonly otherKeptLitres: Readonly<Record<string, number>>;
  readonly lastSeq: number;
  /** What the whole home keeps, but for the open things. */
  readonly home: HomeCounts;
  readonly enough: { readonly rules: readonly RuleInUse[]; readonly household: HouseholdCounts };
  readonly kindSizes: readonly KindSize[];
  /** Litres of kinds as the homes of this desk have shown them. */
  readonly learntSizes: readonly LearntSize[];
}

/** What the bench of a room starts from: the latest decisions one by one, everything older as sums. */
export async function loadBench(
  db: Db,
  {
    project,
    people,
    roomId,
    things,
    openSince,
    openThingId,
  }: Records<'people' | 'project' | 'things'> & {
    readonly roomId: RoomId;
    readonly openSince?: string | undefined;
    /** A thing to be decided anew, however long ago it was decided. */
    readonly openThingId?: string | undefined;
  },
): Promise<LoadedBench> {
  const projectId = project.id;
  const lastSeq = await lastSeqOf(db, projectId);
  const latest = await listRecentHistories(
    db,
    projectId,
    await openEventsOf(db, projectId, openSince),
  );
  const asked =
    openThingId === undefined || latest.some(({ thingId }) => thingId === openThingId)
      ? []
      : await listHistory(db, projectId, openThingId);
  const recent = [...asked, ...latest];
  const touchedHere = new Set(
    recent.flatMap((event) =>
      event.kind === 'decided' && event.roomId === roomId ? [event.thingId] : [],
    ),
  );
  const log = recent.filter((event) => touchedHere.has(event.thingId));
  // What was decided here and has moved to another room since is not shown here any more.
  const isOpen = (thing: Thing) => thing.roomId === roomId && touchedHere.has(thing.id);
  const closed = things.filter((thing) => !isOpen(thing));
  const here = things.filter((thing) => thing.roomId === roomId);
  const carries = await listCarries(db, roomId);
  const rules = (await rulesInUse(db, projectId)).filter(({ isOff }) => !isOff);
  return {
    log,
    base: benchBaseOf(
      closed.filter((thing) => thing.roomId === roomId),
      leavingStatesOf(here, carries),
    ),
    otherKeptLitres: keptByGroup(
      closed.filter((thing) => thing.roomId !== roomId),
      'litres',
    ),
    lastSeq,
    home: homeCountsOf(closed, rules, memoryFor(rules)),
    enough: { rules, household: householdOf(project, people) },
    kindSizes: await listKindSizes(db),
    learntSizes: (await loadLearned(db, { asKept: projectId })).learned.sizes,
  };
}

/** Doubled until all that was decided since then is among them. */
async function openEventsOf(
  db: Db,
  projectId: ProjectId,
  since: string | undefined,
): Promise<number> {
  let count = OPEN_EVENTS;
  while (
    since !== undefined &&
    count < MOST_OPEN_EVENTS &&
    ((await decidedAtFromEnd(db, projectId, count)) ?? '') >= since
  )
    count *= 2;
  return count;
}

/** What names mean is worked out once; other rules, or very many names, begin anew. */
let memory: { readonly key: string; readonly names: NameMemory } | undefined;
const MOST_NAMES = 100_000;
function memoryFor(rules: readonly RuleInUse[]): NameMemory {
  const key = JSON.stringify(rules.map(({ name, words }) => [name, words]));
  if (memory?.key !== key || memory.names.likeness.size > MOST_NAMES)
    memory = { key, names: createNameMemory() };
  return memory.names;
}
