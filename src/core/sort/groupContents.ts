import { cautionCodes } from '../things';
import type { Group, GroupContents, Thing } from './model';
import { isKept } from './verdicts';

type Ranged = Pick<Thing, 'litres' | 'massG' | 'ranges' | 'kindId'>;
/** Decisions of older versions do not say how sure they are; by half is what their figures were off. */
const UNSAID_SHARE = 0.5;

/** Half the width of the range of one thing's figure. */
function halfWidthOf(thing: Ranged, what: 'litres' | 'massG'): number {
  const range = thing.ranges?.[what];
  return range === undefined ? thing[what] * UNSAID_SHARE : (range.high - range.low) / 2;
}

/**
 * How far the sum of some figures may be off, four times in five: what rests on the same assumed kind
 * errs together and adds straight, kinds err independently and add in squares.
 */
export function sumOff(things: readonly Ranged[], what: 'litres' | 'massG'): number {
  const byKind = new Map<string, number>();
  things.forEach((thing, i) => {
    const from = thing.ranges?.[what].from;
    const isShared = thing.kindId !== undefined && from !== 'typed';
    const key = isShared ? `kind ${thing.kindId}` : `thing ${i}`;
    byKind.set(key, (byKind.get(key) ?? 0) + halfWidthOf(thing, what));
  });
  return Math.sqrt([...byKind.values()].reduce((sum, off) => sum + off * off, 0));
}

const largest = (figures: readonly (number | undefined)[]): number | undefined => {
  const known = figures.filter((figure) => figure !== undefined);
  return known.length === 0 ? undefined : Math.max(...known);
};

/** Puts beside each group what its kept things say of it. O(things + groups). */
export function withContents(groups: readonly Group[], things: readonly Thing[]): Group[] {
  const byGroup = new Map<string, Thing[]>();
  for (const thing of things) {
    if (thing.groupId === null || !isKept(thing)) continue;
    const kept = byGroup.get(thing.groupId);
    if (kept) kept.push(thing);
    else byGroup.set(thing.groupId, [thing]);
  }
  return groups.map((group) => ({ ...group, contents: contentsOf(byGroup.get(group.id) ?? []) }));
}

function contentsOf(kept: readonly Thing[]): GroupContents {
  const known = new Set(kept.flatMap(({ cautions = [] }) => cautions));
  return {
    // That one piece is heavy says where it stands, not what the group is.
    cautions: cautionCodes.filter((code) => known.has(code)),
    tallestMm: largest(kept.map(({ uprightMm }) => uprightMm)),
    longestMm: largest(kept.map(({ longestMm }) => longestMm)),
    litresOff: sumOff(kept, 'litres'),
  };
}
