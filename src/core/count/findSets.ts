import { type Thing, isInHome, isOpen } from '../sort';
import { likenessOf } from './findRepeats';

/** A set by its parts: `5 of 6 champagne glasses`, `jigsaw, 498 of 500 pieces`. */
export interface CountedSet {
  readonly name: string;
  readonly present: number;
  readonly expected: number;
  readonly things: readonly Thing[];
}
/** Single pieces of one kind: two of them may be a pair. */
export interface OddPieces {
  readonly name: string;
  readonly count: number;
  readonly things: readonly Thing[];
}

const OF = /\b(\d{1,4})\s+of\s+(\d{1,4})\b/i;
/** After the number: the thing is one, and the parts are counted in it. */
const PARTS = /\b\d{1,4}\s+of\s+\d{1,4}\s+(?:pieces|parts|cards|bits)\b/i;
const ODD = /\b(?:odd|one of a pair|single|without its (?:pair|partner|match))\b/i;

/**
 * Sets with their parts counted together, wherever in the home they lie; the most incomplete first.
 * Only what is still in the home counts.
 */
export function findSets(things: readonly Thing[]): CountedSet[] {
  const sets = new Map<
    string,
    { name: string; present: number; expected: number; things: Thing[] }
  >();
  for (const thing of inHomeOf(things)) {
    const match = OF.exec(thing.name);
    const [part, expected] = [Number(match?.[1]), Number(match?.[2])];
    if (!match || expected < 2 || part > expected) continue;
    const isInside = PARTS.test(thing.name);
    const name = nameWithout(thing.name, isInside ? PARTS : OF);
    const key = `${likenessOf(name)}|${expected}${isInside ? `|${thing.id}` : ''}`;
    const set = sets.get(key) ?? { name, present: 0, expected, things: [] };
    set.present += isInside ? part : thing.count;
    set.things.push(thing);
    sets.set(key, set);
  }
  return [...sets.values()].sort(
    (a, b) => a.present / a.expected - b.present / b.expected || a.name.localeCompare(b.name),
  );
}

/** Odd pieces of which there are two or more of a kind: lay them side by side. */
export function findOddPieces(things: readonly Thing[]): OddPieces[] {
  const kinds = new Map<string, { name: string; count: number; things: Thing[] }>();
  for (const thing of inHomeOf(things)) {
    if (!ODD.test(thing.name)) continue;
    const name = nameWithout(thing.name, ODD);
    const key = likenessOf(name);
    const kind = kinds.get(key) ?? { name, count: 0, things: [] };
    kind.count += thing.count;
    kind.things.push(thing);
    kinds.set(key, kind);
  }
  return [...kinds.values()].filter(({ count }) => count > 1);
}

const inHomeOf = (things: readonly Thing[]): Thing[] =>
  things.filter(({ verdict }) => isInHome({ verdict }) || isOpen({ verdict }));
const nameWithout = (name: string, pattern: RegExp): string =>
  name
    .replace(pattern, '')
    .replace(/\s+/g, ' ')
    .replace(/^[\s,;]+|[\s,;]+$/g, '')
    .replace(/\s+,/g, ',');
