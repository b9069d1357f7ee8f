import type { BayId, GroupId } from '../shared';
import type { PutAwayTest, Review } from './model';

/** In which places a group is looked for first, and what a search in the wrong one takes. */
export interface SoughtIn {
  readonly bayId: BayId;
  /** 0..1 of the looks for it. */
  readonly share: number;
  readonly seconds: number;
}

/** So many looks count that went where it lives: few looks say little. */
const CALM_LOOKS = 2;
/** Until it was seen, a look in the wrong place takes so long, and that counts as two cases. Our own assumption. */
const ASSUMED_SECONDS = 10;
const ASSUMED_CASES = 2;

/**
 * What tests and walks say of where a group is looked for first. A stray that lay in a place counts as one look there.
 * Shares of all looks, the most first; those that went where it lived are left out. O(items + lines).
 */
export function soughtIn(
  groupId: GroupId,
  {
    tests,
    reviews,
  }: { readonly tests: readonly PutAwayTest[]; readonly reviews: readonly Pick<Review, 'lines'>[] },
): SoughtIn[] {
  const items = tests.flatMap((test) => test.items).filter((item) => item.groupId === groupId);
  const looks = new Map<BayId, number>();
  const look = (bayId: BayId) => looks.set(bayId, (looks.get(bayId) ?? 0) + 1);
  let right = 0;
  const searches: number[] = [];
  for (const { taps, meantBayId, isFound } of items) {
    const [first] = taps;
    if (first === undefined) continue;
    if (first.bayId === meantBayId) right += 1;
    else {
      look(first.bayId);
      if (isFound) searches.push(Math.max(0, (taps.at(-1)?.seconds ?? 0) - first.seconds));
    }
  }
  for (const { bayId, strays } of reviews.flatMap(({ lines }) => lines))
    for (const stray of strays) if (stray.groupId === groupId) look(bayId);
  const wrong = [...looks.values()].reduce((sum, count) => sum + count, 0);
  const all = right + wrong + CALM_LOOKS;
  const seconds =
    (searches.reduce((sum, each) => sum + each, 0) + ASSUMED_SECONDS * ASSUMED_CASES) /
    (searches.length + ASSUMED_CASES);
  return [...looks]
    .sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))
    .map(([bayId, count]) => ({ bayId, share: count / all, seconds }));
}
