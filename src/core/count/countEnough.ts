import { type Thing, findPhrase, headStemsOf, isInHome, isOpen } from '../sort';
import { vocabulary } from '../things/vocabulary';
import { type Reason } from '../things';
import type { EnoughRule, HouseholdCounts, ShippedRule } from './model';

type Amounts = Pick<
  EnoughRule,
  'perHome' | 'perPerson' | 'perBed' | 'perGuestPlace' | 'perDay' | 'perPersonDay'
>;

/** How many are enough for a household: the sum of the rule's parts, rounded up to a whole piece. */
export function enoughOf(
  rule: Amounts,
  { people, beds, guestPlaces, washEveryDays }: HouseholdCounts,
): number {
  const sum =
    rule.perHome +
    rule.perPerson * people +
    rule.perBed * beds +
    rule.perGuestPlace * guestPlaces +
    rule.perDay * washEveryDays +
    rule.perPersonDay * people * washEveryDays;
  return Math.ceil(sum - 1e-9);
}

/**
 * The rule that speaks about a thing: the one whose longest word stands in its name; undefined
 * where none does, or where a
 * known kind names the thing better: a sheet of music is no sheet.
 */
export function findRule<R extends Pick<ShippedRule, 'words'>>(
  rules: readonly R[],
  name: string,
): R | undefined {
  const stems = headStemsOf(name);
  const found = findPhrase(rules, stems);
  if (!found) return undefined;
  const kind = findPhrase(vocabulary.kinds, stems);
  const isSameKind =
    !kind ||
    kind.length <= found.length ||
    kind.entry.words.some((word) => found.entry.words.includes(word));
  return isSameKind ? found.entry : undefined;
}

/**
 * So gladly is a thing let go, by its reasons: the highest goes first. What is used or dear stays
 * longest.
 */
const LET_GO_RANK: Readonly<Record<Reason, number>> = {
  out_of_date: 9,
  broken: 8,
  incomplete: 7,
  fails_its_job: 7,
  worn_out: 6,
  outgrown: 6,
  never_used: 5,
  more_than_enough: 4,
  forgotten: 3,
  in_use: 1,
  sentimental: 0,
  heirloom: 0,
};
const PLAIN_RANK = 2;

function letGoRankOf(thing: Pick<Pile, 'reasons'>): number {
  const ranks = thing.reasons.map((reason) => LET_GO_RANK[reason]);
  if (ranks.length === 0) return PLAIN_RANK;
  // A reason to stay outweighs the others: a broken heirloom is an heirloom.
  const least = Math.min(...ranks);
  return least < PLAIN_RANK ? least : Math.max(...ranks);
}

/**
 * Things in the order in which they are let go; of equal ones the bulkiest piece first, for the
 * room it wins.
 */
const orderLetGo = <T extends Pile>(things: readonly T[]): T[] =>
  [...things].sort(
    (a, b) =>
      letGoRankOf(b) - letGoRankOf(a) ||
      b.litres / b.count - a.litres / a.count ||
      a.name.localeCompare(b.name),
  );

/** What the order and the litres of a pile rest on. */
export type Pile = Pick<Thing, 'name' | 'count' | 'litres'> & {
  readonly reasons: readonly Reason[];
};

export interface LetGo {
  readonly thing: Thing;
  /** Pieces of it; at most its own. */
  readonly count: number;
}

/** One rule against what there is. */
export interface EnoughLine<R> {
  readonly rule: R;
  readonly enough: number;
  /** Kept, or belonging elsewhere in the home. */
  readonly kept: number;
  /** Asked about or put off. */
  readonly undecided: number;
  /** Kept beyond what is enough; 0 where it is not. */
  readonly over: number;
  /** Missing from what is enough; 0 where nothing is. */
  readonly short: number;
  /** Which to let go first: `over` pieces in all. */
  readonly letGoFirst: readonly LetGo[];
}

/**
 * Holds what there is against each rule. O(things × words + n log n).
 * Ensures: a line a rule that is not off, in the rules' order; kept = enough + over − short; the
 * pieces of `letGoFirst` add up to `over`.
 */
export function countEnough<R extends ShippedRule & { readonly isOff?: boolean }>(
  rules: readonly R[],
  household: HouseholdCounts,
  things: readonly Thing[],
): EnoughLine<R>[] {
  const active = rules.filter((rule) => rule.isOff !== true);
  const byRule = new Map<R, Thing[]>(active.map((rule) => [rule, []]));
  for (const thing of things) {
    if (!isInHome(thing) && !isOpen(thing)) continue;
    const rule = findRule(active, thing.name);
    if (rule) byRule.get(rule)?.push(thing);
  }
  return active.map((rule) => {
    const mine = byRule.get(rule) ?? [];
    const inHome = mine.filter(isInHome);
    const kept = piecesOf(inHome);
    const enough = enoughOf(rule, household);
    const over = Math.max(0, kept - enough);
    return {
      rule,
      enough,
      kept,
      undecided: piecesOf(mine.filter(isOpen)),
      over,
      short: Math.max(0, enough - kept),
      letGoFirst: takePieces(orderLetGo(inHome), over),
    };
  });
}

export const piecesOf = (things: readonly Pick<Thing, 'count'>[]): number =>
  things.reduce((sum, { count }) => sum + count, 0);

/** So many pieces off the front of a list of piles. */
function takePieces<T extends Pick<Thing, 'count'>>(
  things: readonly T[],
  pieces: number,
): { readonly thing: T; readonly count: number }[] {
  let left = pieces;
  return things.flatMap((thing) => {
    const count = Math.min(left, thing.count);
    left -= count;
    return count > 0 ? [{ thing, count }] : [];
  });
}

/** Litres of the best pieces of some piles, so many in all: those let go last. */
export function litresOfBest(things: readonly Pile[], pieces: number): number {
  return takePieces(orderLetGo(things).reverse(), pieces).reduce(
    (sum, { thing, count }) => sum + (thing.litres * count) / thing.count,
    0,
  );
}
