import type { GroupId, ThingId } from '../shared';
import { leavingStatesOf, openBoxesOf, type LeavingState, type OpenBox } from './leaving';
import { type Thing } from './model';
import { type Reason } from '../things';
import { type Verdict, isKept } from './verdicts';
import { addUp, tallyByVerdict, type Amount } from './tally';
import { personOf } from './destination';

/** What the bench needs to know of the things that are not open on it: sums, and words to go by. */
export interface BenchBase {
  readonly tally: Readonly<Record<Verdict, Amount>>;
  readonly thingCount: number;
  /** Litres kept, by group. */
  readonly keptLitres: Readonly<Record<string, number>>;
  /** Pieces kept, by group. */
  readonly keptCounts: Readonly<Record<string, number>>;
  /** Names by group, for like with like; the latest of each group. */
  readonly names: readonly { readonly name: string; readonly groupId: GroupId }[];
  readonly reasonCounts: Readonly<Partial<Record<Reason, number>>>;
  /** Boxes with what is decided and still in the room. */
  readonly boxes: readonly OpenBox[];
  /** Who was given something. */
  readonly givenTo: readonly string[];
}

/** So many names tell what a group holds. */
const NAMES_A_GROUP = 24;

/** Sums up the closed things of a room. O(things). */
export function benchBaseOf(
  things: readonly Thing[],
  states: ReadonlyMap<ThingId, LeavingState> = leavingStatesOf(things, []),
): BenchBase {
  const names = new Map<GroupId, Set<string>>();
  const reasonCounts: Partial<Record<Reason, number>> = {};
  for (const thing of things)
    for (const reason of thing.reasons) reasonCounts[reason] = (reasonCounts[reason] ?? 0) + 1;
  // From the latest back, so that a group's names are its latest.
  for (let i = things.length - 1; i >= 0; i -= 1) {
    const thing = things[i];
    if (!thing || thing.groupId === null) continue;
    const known = names.get(thing.groupId) ?? new Set<string>();
    if (known.size < NAMES_A_GROUP) names.set(thing.groupId, known.add(thing.name));
  }
  return {
    tally: tallyByVerdict(things),
    thingCount: things.length,
    boxes: [...openBoxesOf(things, states).values()],
    keptLitres: keptByGroup(things, 'litres'),
    keptCounts: keptByGroup(things, 'count'),
    reasonCounts,
    names: [...names].flatMap(([groupId, known]) =>
      [...known].reverse().map((name) => ({ name, groupId })),
    ),
    givenTo: [...new Set(things.flatMap((thing) => personOf(thing) ?? []))].slice(-12),
  };
}

/** Litres or pieces that are kept, by group. O(things). */
export function keptByGroup(
  things: readonly Thing[],
  what: 'litres' | 'count',
): Readonly<Record<string, number>> {
  const sums: Record<string, number> = {};
  for (const thing of things)
    if (thing.groupId !== null && isKept(thing))
      sums[thing.groupId] = (sums[thing.groupId] ?? 0) + thing[what];
  return sums;
}

/** The totals of closed and open things together. */
export function addTallies(base: BenchBase['tally'], open: BenchBase['tally']): BenchBase['tally'] {
  const verdicts = Object.keys(base) as Verdict[];
  return Object.fromEntries(
    verdicts.map((verdict) => [verdict, addUp([base[verdict], open[verdict]])]),
  ) as Record<Verdict, Amount>;
}

/** Reasons in the order in which they are given, the commonest first; those never given keep their place. */
export function orderReasons(
  reasons: readonly Reason[],
  counts: BenchBase['reasonCounts'],
): Reason[] {
  return [...reasons].sort(
    (a, b) => (counts[b] ?? 0) - (counts[a] ?? 0) || reasons.indexOf(a) - reasons.indexOf(b),
  );
}
