import type { Random } from '../shared';
import { LITRE_TOLERANCE, orderDirect, type Knot } from './moveKnots';

interface Untied {
  readonly staged: ReadonlySet<number>;
  /** Direct moves in an order that works once the staged groups are out of the way. */
  readonly order: readonly number[];
  readonly stagedLitres: number;
  /** Proven: no fewer litres will do. */
  readonly bound: number;
}

interface UntieOptions {
  readonly random: Random;
  /** Whether so much of the time, 0..1, is spent. */
  readonly isOver: (share: number) => boolean;
}

/** States that one ordering may try: enough to be exact for some dozens of groups. */
const MOST_TRIES = 3000;
const QUICK_TRIES = 150;
/** Sets of staged groups that are looked at before the bound is left as it is. */
const MOST_SETS = 20_000;
/** Rounds of taking some out of the staged set and mending it. */
const MENDING_ROUNDS = 400;
const EARLY_SHARE = 0.2;
const EARLY_SETS = 300;
/** The rest of the time is for the bound. */
const MENDING_SHARE = 0.7;
const SMALL_KNOT = 14;

const litresOf = (knot: Knot, staged: Iterable<number>): number => {
  let sum = 0;
  for (const g of staged) sum += knot.litres[g]!;
  return sum;
};

/**
 * Chooses which groups of a knot go through a basket, fewest litres first: all of them at first,
 * from which as many as can be are
 * put back; mended by doing that again in other orders; then sets in the order of their litres
 * until one works. Of what is stuck once all safe moves are done, one has to be
 * staged, so each set is followed by those with one of them more.
 * Ensures: `bound <= stagedLitres`; equal where the search came to its end. Deterministic unless it
 * is cut short.
 */
export function untieKnot(knot: Knot, { random, isOver }: UntieOptions): Untied {
  const first = putBack(knot, bySize(knot, knot.litres.keys()), { isOver: () => isOver(1) });
  // Often few litres will do: the smallest sets are tried before anything is mended.
  const early = searchSets(knot, first, {
    isOver: () => isOver(EARLY_SHARE),
    mostSets: EARLY_SETS,
  });
  if (early.bound >= litresOf(knot, early.choice.staged) - LITRE_TOLERANCE)
    return { ...early.choice, stagedLitres: early.bound, bound: early.bound };
  const quick = early.choice;
  // A small knot is worked through to its end at once.
  const best =
    knot.litres.length <= SMALL_KNOT
      ? quick
      : mend(knot, quick, { random, isOver: () => isOver(MENDING_SHARE) });
  const exact = searchSets(knot, best, { isOver: () => isOver(1), mostSets: MOST_SETS });
  return {
    ...exact.choice,
    stagedLitres: litresOf(knot, exact.choice.staged),
    bound: Math.min(exact.bound, litresOf(knot, exact.choice.staged)),
  };
}

interface Choice {
  readonly staged: ReadonlySet<number>;
  readonly order: readonly number[];
}

/**
 * Out of the way with all of these, then back in line what goes straight all the same: one after
 * the other. `straight` is an order for the rest.
 */
function putBack(
  knot: Knot,
  order: readonly number[],
  {
    straight = [],
    isOver,
  }: { readonly straight?: readonly number[]; readonly isOver: () => boolean },
): Choice {
  let now: Choice = { staged: new Set(order), order: straight };
  for (const g of order) {
    if (isOver()) break;
    const without = new Set(now.staged);
    without.delete(g);
    const ordering = orderDirect(knot, without, QUICK_TRIES, isOver);
    if (ordering.code === 'order') now = { staged: without, order: ordering.order };
  }
  return now;
}

/** The largest first: what is not handled twice is worth most. */
const bySize = (knot: Knot, groups: Iterable<number>): number[] =>
  [...groups].sort((a, b) => knot.litres[b]! - knot.litres[a]! || a - b);

/** Takes some more out of the way, and puts back in another order: what was staged comes first. */
function mend(
  knot: Knot,
  first: Choice,
  { random, isOver }: { readonly random: Random; readonly isOver: () => boolean },
): Choice {
  let best = first;
  const all = Array.from({ length: knot.litres.length }, (_, g) => g);
  for (let round = 0; round < MENDING_ROUNDS && best.staged.size > 0 && !isOver(); round += 1) {
    const share = 0.2 + random() * 0.8;
    const more = all.filter((g) => !best.staged.has(g) && random() < share);
    const shuffled = bySize(knot, more)
      .map((g) => ({ g, at: knot.litres[g]! * (0.5 + random()) }))
      .sort((a, b) => b.at - a.at)
      .map(({ g }) => g);
    // With more out of the way, the rest still goes in the order it went.
    const moreSet = new Set(more);
    const tried = putBack(knot, [...bySize(knot, best.staged), ...shuffled], {
      straight: best.order.filter((g) => !moreSet.has(g)),
      isOver,
    });
    if (litresOf(knot, tried.staged) < litresOf(knot, best.staged) - LITRE_TOLERANCE) best = tried;
  }
  return best;
}

interface SetNode {
  readonly litres: number;
  readonly staged: readonly number[];
  /** Groups that go straight in this branch. */
  readonly straight: ReadonlySet<number>;
}

/**
 * Sets of staged groups in the order of their litres, branching on what is stuck; the litres of the
 * next set are a proven bound.
 */
function searchSets(
  knot: Knot,
  known: Choice,
  { isOver, mostSets }: { readonly isOver: () => boolean; readonly mostSets: number },
): { readonly choice: Choice; readonly bound: number } {
  let choice = known;
  let bestLitres = litresOf(knot, known.staged);
  const heap = new SetHeap();
  heap.push({ litres: 0, staged: [], straight: new Set() });
  /** The least litres of a set of which it is not known whether it works. */
  let unknownLitres = Infinity;
  for (let sets = 0; ; sets += 1) {
    const node = heap.pop();
    if (!node || node.litres >= bestLitres - LITRE_TOLERANCE)
      return { choice, bound: Math.min(bestLitres, unknownLitres) };
    if (sets > mostSets || ((sets & 15) === 0 && isOver()))
      return { choice, bound: Math.min(node.litres, unknownLitres) };
    const staged = new Set(node.staged);
    const ordering = orderDirect(knot, staged, MOST_TRIES, isOver);
    if (ordering.code === 'order') {
      choice = { staged, order: ordering.order };
      bestLitres = node.litres;
      continue;
    }
    if (ordering.code === 'unknown') unknownLitres = Math.min(unknownLitres, node.litres);
    const straight = new Set(node.straight);
    for (const g of [...ordering.stuck].sort((a, b) => knot.litres[a]! - knot.litres[b]!)) {
      if (straight.has(g)) continue;
      const litres = node.litres + knot.litres[g]!;
      if (litres < bestLitres - LITRE_TOLERANCE)
        heap.push({ litres, staged: [...node.staged, g], straight: new Set(straight) });
      straight.add(g);
    }
  }
}

/** The set of fewest litres comes out first; of equal ones the one that went in first. */
class SetHeap {
  private readonly items: { readonly node: SetNode; readonly turn: number }[] = [];
  private turn = 0;

  push(node: SetNode): void {
    const item = { node, turn: this.turn++ };
    let at = this.items.push(item) - 1;
    while (at > 0) {
      const above = (at - 1) >> 1;
      if (!this.isBefore(item, this.items[above])) break;
      this.items[at] = this.items[above] as typeof item;
      at = above;
    }
    this.items[at] = item;
  }

  pop(): SetNode | undefined {
    const first = this.items[0];
    const last = this.items.pop();
    if (!first || !last || this.items.length === 0) return first?.node;
    let at = 0;
    for (;;) {
      let below = 2 * at + 1;
      if (below >= this.items.length) break;
      const right = this.items[below + 1];
      if (right && this.isBefore(right, this.items[below])) below += 1;
      if (!this.isBefore(this.items[below] as typeof last, last)) break;
      this.items[at] = this.items[below] as typeof last;
      at = below;
    }
    this.items[at] = last;
    return first.node;
  }

  private isBefore(
    a: { readonly node: SetNode; readonly turn: number },
    b: { readonly node: SetNode; readonly turn: number } | undefined,
  ): boolean {
    return (
      b !== undefined &&
      (a.node.litres < b.node.litres || (a.node.litres === b.node.litres && a.turn < b.turn))
    );
  }
}
