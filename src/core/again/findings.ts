import type { BayId, GroupId } from '../shared';
import type { PutAwayTest, Review, WalkLine } from './model';
import { shareOf, type Share } from './share';
import { isFirstTry } from './testScore';

/** Something that does not work as it was meant, named, with how sure that is. */
export type Finding =
  /** So many of those who looked went elsewhere first. */
  | {
      readonly code: 'looked_elsewhere';
      readonly groupId: GroupId;
      readonly meantBayId: BayId;
      /** Where most of them went; undefined: no place more often than another. */
      readonly bayId: BayId | undefined;
      readonly missed: Share;
      readonly countThere: number;
    }
  /** People look for each of two groups in the place of the other. */
  | { readonly code: 'mixed_up'; readonly groupIds: readonly [GroupId, GroupId] }
  /** Found on a walk where it does not live, so often in a place. */
  | {
      readonly code: 'wandered';
      readonly groupId: GroupId;
      readonly bayId: BayId;
      readonly times: number;
    }
  | { readonly code: 'overfull'; readonly bayId: BayId; readonly litresFound: number | null }
  | { readonly code: 'half_empty'; readonly bayId: BayId; readonly litresFound: number | null }
  | { readonly code: 'label_missing'; readonly bayId: BayId }
  | { readonly code: 'container_unused'; readonly bayId: BayId }
  | { readonly code: 'lid_off'; readonly bayId: BayId };

/** What would mend a finding; each is worked out as a draft before somebody takes it. */
export const mendings = [
  'label',
  'picture',
  'place',
  'join',
  'enough',
  'refit',
  'lidless',
  'give_back',
] as const;
export type Mending = (typeof mendings)[number];

/** So many looks at least, and so large a share of misses at the low end; fewer tell nothing. */
const LEAST_LOOKS = 2;
const LEAST_LOW = 0.3;

/** A finding is the same at the next look where it has the same key. */
export function findingKey(finding: Finding): string {
  switch (finding.code) {
    case 'looked_elsewhere':
    case 'wandered':
      return `${finding.code} ${finding.groupId}`;
    case 'mixed_up':
      return `${finding.code} ${[...finding.groupIds].sort().join(' ')}`;
    default:
      return `${finding.code} ${finding.bayId}`;
  }
}

/** What tests show: groups that are looked for elsewhere, and pairs that are mixed up. O(items²) for pairs. */
export function findingsOfTests(tests: readonly PutAwayTest[]): Finding[] {
  const items = tests.flatMap((test) => test.items);
  const byGroup = new Map<GroupId, typeof items>();
  for (const item of items) byGroup.set(item.groupId, [...(byGroup.get(item.groupId) ?? []), item]);
  const elsewhere = [...byGroup].flatMap(([groupId, own]): Finding[] => {
    const wrong = own.filter((item) => !isFirstTry(item));
    const missed = shareOf(wrong.length, own.length);
    if (own.length < LEAST_LOOKS || missed.low < LEAST_LOW) return [];
    const there = mostOften(
      wrong.flatMap(({ taps, meantBayId }) =>
        taps[0] && taps[0].bayId !== meantBayId ? [taps[0].bayId] : [],
      ),
    );
    return [
      {
        code: 'looked_elsewhere',
        groupId,
        // Where it lived when it was looked for last.
        meantBayId: own.at(-1)!.meantBayId,
        bayId: there?.bayId,
        missed,
        countThere: there?.count ?? 0,
      },
    ];
  });
  return [...elsewhere, ...mixedUp(elsewhere)];
}

/** The place that was gone to most often, where no other was as often. */
function mostOften(bayIds: readonly BayId[]): { bayId: BayId; count: number } | undefined {
  const counts = new Map<BayId, number>();
  for (const bayId of bayIds) counts.set(bayId, (counts.get(bayId) ?? 0) + 1);
  const [first, second] = [...counts].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]));
  return first && first[1] !== second?.[1] ? { bayId: first[0], count: first[1] } : undefined;
}

function mixedUp(elsewhere: readonly Finding[]): Finding[] {
  const looked = elsewhere.flatMap((each) => (each.code === 'looked_elsewhere' ? [each] : []));
  return looked.flatMap((a, i) =>
    looked
      .slice(i + 1)
      .filter((b) => a.bayId === b.meantBayId && b.bayId === a.meantBayId)
      .map((b): Finding => ({ code: 'mixed_up', groupIds: [a.groupId, b.groupId] })),
  );
}

/** What a walk shows, place by place; strays of one group in one place are one finding. */
export function findingsOfWalk({ lines }: Pick<Review, 'lines'>): Finding[] {
  return lines.flatMap((line) => [...marksOf(line), ...wanderedTo(line)]);
}

function marksOf({ bayId, marks, litresFound }: WalkLine): Finding[] {
  return marks.flatMap((mark): Finding[] => {
    switch (mark) {
      case 'overfull':
      case 'half_empty':
        return [{ code: mark, bayId, litresFound }];
      case 'label_missing':
      case 'container_unused':
      case 'lid_off':
        return [{ code: mark, bayId }];
      default:
        return [];
    }
  });
}

function wanderedTo({ bayId, strays }: WalkLine): Finding[] {
  const times = new Map<GroupId, number>();
  for (const { groupId } of strays)
    if (groupId !== null) times.set(groupId, (times.get(groupId) ?? 0) + 1);
  return [...times].map(([groupId, count]): Finding => ({
    code: 'wandered',
    groupId,
    bayId,
    times: count,
  }));
}

interface MendingFacts {
  /** Units by place: who goes to the wrong shelf of the right cupboard needs a label, not another place. */
  readonly unitOf: (bayId: BayId) => string | undefined;
  /** Whether somebody who looks there does not read. */
  readonly someCannotRead: boolean;
}

/** What would mend a finding, the likeliest first. It proposes; nothing is changed by it. */
export function mendingsOf(finding: Finding, facts: MendingFacts): readonly Mending[] {
  const sign: Mending = facts.someCannotRead ? 'picture' : 'label';
  switch (finding.code) {
    case 'looked_elsewhere': {
      const isNear =
        finding.bayId !== undefined &&
        facts.unitOf(finding.bayId) === facts.unitOf(finding.meantBayId);
      if (isNear || finding.bayId === undefined) return [sign, 'place'];
      return ['place', sign];
    }
    case 'wandered':
      return ['place', sign];
    case 'mixed_up':
      return ['join', sign];
    case 'overfull':
      return ['enough', 'refit', 'place'];
    case 'half_empty':
      return ['refit', 'give_back'];
    case 'label_missing':
      return [sign];
    case 'container_unused':
      return ['give_back'];
    case 'lid_off':
      return ['lidless'];
  }
}

/** Of findings that were mended, which came back at a later look; by their keys. */
export const cameBack = (
  mendedKeys: readonly string[],
  later: readonly Finding[],
): { readonly held: readonly string[]; readonly back: readonly string[] } => {
  const now = new Set(later.map(findingKey));
  return {
    held: mendedKeys.filter((key) => !now.has(key)),
    back: mendedKeys.filter((key) => now.has(key)),
  };
};
