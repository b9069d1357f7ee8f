import { median } from '../shared';
import type { PutAwayItem, PutAwayTest } from './model';
import { compareShares, shareOf, type Change, type Share } from './share';

/** How somebody, or something, did: found at the first tap, seconds, and turns that led elsewhere. */
export interface Score {
  readonly key: string;
  readonly name: string;
  readonly first: Share;
  /** To the place, of those that were found; undefined: none was. */
  readonly medianSeconds: number | undefined;
  readonly wrongTurns: number;
}

export const isFirstTry = ({ taps, meantBayId, isFound }: PutAwayItem): boolean =>
  isFound && taps[0]?.bayId === meantBayId;
export const wrongTurnsOf = ({ taps, meantBayId }: PutAwayItem): number =>
  taps.filter(({ bayId }) => bayId !== meantBayId).length;
const secondsOf = ({ taps, isFound }: PutAwayItem): number | undefined =>
  isFound ? taps.at(-1)?.seconds : undefined;

interface Tried extends PutAwayItem {
  readonly test: PutAwayTest;
}
const allOf = (tests: readonly PutAwayTest[]): Tried[] =>
  tests.flatMap((test) => test.items.map((item) => ({ ...item, test })));

/** Scores by whatever a thing is told apart by, the worst first. O(items). */
function scoresBy(
  tried: readonly Tried[],
  keyOf: (each: Tried) => { readonly key: string; readonly name: string },
): Score[] {
  const groups = new Map<string, { name: string; own: Tried[] }>();
  for (const each of tried) {
    const { key, name } = keyOf(each);
    const known = groups.get(key) ?? { name, own: [] };
    known.own.push(each);
    groups.set(key, known);
  }
  return [...groups]
    .map(([key, { name, own }]) => ({ key, name, ...scoreOf(own) }))
    .sort((a, b) => a.first.share - b.first.share || a.key.localeCompare(b.key));
}

function scoreOf(own: readonly PutAwayItem[]): Omit<Score, 'key' | 'name'> {
  const seconds = own.flatMap((each) => secondsOf(each) ?? []);
  return {
    first: shareOf(own.filter(isFirstTry).length, own.length),
    medianSeconds: seconds.length === 0 ? undefined : median(seconds),
    wrongTurns: own.reduce((sum, each) => sum + wrongTurnsOf(each), 0),
  };
}

export const scoresByGroup = (tests: readonly PutAwayTest[]): Score[] =>
  scoresBy(allOf(tests), ({ groupId, name }) => ({ key: groupId, name }));
export const scoresByPerson = (tests: readonly PutAwayTest[]): Score[] =>
  scoresBy(allOf(tests), ({ test }) => ({
    key: test.personId ?? test.personName,
    name: test.personName,
  }));
/** By the label on where a thing lives, as it says; what has none is told together. */
export const scoresByLabel = (
  tests: readonly PutAwayTest[],
  labelOf: (item: PutAwayItem) => string | undefined,
): Score[] =>
  scoresBy(allOf(tests), (item) => {
    const label = labelOf(item);
    return label === undefined ? { key: '', name: '' } : { key: label, name: label };
  });
export const scoreOfAll = (tests: readonly PutAwayTest[]): Omit<Score, 'key' | 'name'> =>
  scoreOf(allOf(tests));

/** Two rounds of tests, what is in both side by side; a difference that few cases cannot tell is none. */
export function compareRounds(
  before: readonly PutAwayTest[],
  after: readonly PutAwayTest[],
): {
  readonly groupId: string;
  readonly before: Score;
  readonly after: Score;
  readonly change: Change;
}[] {
  const earlier = new Map(scoresByGroup(before).map((score) => [score.key, score]));
  return scoresByGroup(after).flatMap((score) => {
    const known = earlier.get(score.key);
    return known
      ? [
          {
            groupId: score.key,
            before: known,
            after: score,
            change: compareShares(known.first, score.first),
          },
        ]
      : [];
  });
}
