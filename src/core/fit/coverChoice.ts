import type { Cover } from './listCovers';
import type { NoGoods } from './noGoods';
import { compareText } from '../shared';

/** One cover a group. */
export interface Choice {
  readonly covers: readonly Cover[];
  readonly worth: number;
}

interface Priced {
  readonly cover: Cover;
  readonly sum: number;
}

/** The first groups with a cover each: the last of them, after the ones before it. */
interface Step {
  readonly before: Step | undefined;
  readonly g: number;
  /** Of its covers, by price. */
  readonly c: number;
  readonly sum: number;
  readonly worth: number;
  /** No choice that begins so counts less. */
  readonly bound: number;
  /** Whether it is a choice whose worth is its bound. */
  readonly isFinal: boolean;
}

const EPS = 1e-9;
const ROUNDS = 80;
/** With so many beginnings at once the search is given up. */
const MOST_BEGUN = 150_000;

interface Wish {
  /** Beginnings looked at, at most. */
  readonly most: number;
  readonly hasTime: () => boolean;
  readonly noGoods: NoGoods;
  readonly isPossible: (covers: readonly Cover[]) => boolean;
}

/**
 * Chooses one cover a group so that every row is kept: all choices below a limit, one after the
 * other, cheapest first. The rows are priced
 * (subgradients, Held and Karp, 1971); what is left of a cover's worth at those prices tells early
 * which beginnings lead to nothing cheap, and
 * the one that may still lead to the cheapest goes on first. Of choices that differ only in which
 * of two groups of one kind has which cover, one is given.
 */
export class CoverChoice {
  /** No choice that was not given yet counts less than this. */
  reached: number;
  /** Beginnings looked at. */
  looked = 0;
  /** Worth and price of each cover of each group, least first. */
  private readonly priced: readonly (readonly Priced[])[];
  /** Of each group, how many after it are of its kind: their covers are then no earlier in the list. */
  private readonly twinsAfter: readonly number[];
  /** The least that the groups after the twins of each one count. */
  private readonly leastAfter: readonly number[];
  /** What all rows are worth at their prices. */
  private readonly offset: number;
  private readonly begun = new Heap<Step>((step) => step.bound);
  private readonly used: Float64Array;
  private readonly rowCount: number;

  /** Groups of one kind have the same covers, in the same order. `start` has a price a row to begin with. */
  constructor(
    groups: readonly { readonly kind: string; readonly covers: readonly Cover[] }[],
    start: Float64Array,
    limit: number,
  ) {
    const { prices, bound } = priceRows(groups, start, limit);
    this.rowCount = start.length;
    this.used = new Float64Array(this.rowCount);
    this.offset = prices.reduce((a, b) => a + b, 0);
    const ordered = [...groups].sort(
      (a, b) => a.covers.length - b.covers.length || compareText(a.kind, b.kind),
    );
    this.priced = ordered.map(({ covers }) =>
      covers
        .map((cover) => ({ cover, sum: pricedSum(cover, prices) }))
        .sort((a, b) => a.sum - b.sum),
    );
    this.twinsAfter = ordered.map(
      ({ kind }, g) => ordered.slice(g + 1).filter((other) => other.kind === kind).length,
    );
    const least = this.priced.map((covers) => covers[0]?.sum ?? Infinity);
    this.leastAfter = ordered.map((_, g) =>
      least.slice(g + 1 + this.twinsAfter[g]!).reduce((a, b) => a + b, 0),
    );
    this.reached = bound;
    this.go(undefined, 0, 0, limit);
  }

  /**
   * The cheapest choice not given yet that counts less than `below`, is possible and holds nothing
   * refuted; undefined where there is none, 'later' where the search ended before it was found.
   */
  next(below: number, { most, hasTime, noGoods, isPossible }: Wish): Choice | 'later' | undefined {
    for (const end = this.looked + most; ; this.looked += 1) {
      const bound = this.begun.least;
      if (bound === undefined || bound >= below - EPS) {
        this.reached = Math.max(this.reached, below);
        return undefined;
      }
      this.reached = Math.max(this.reached, bound);
      if (this.looked >= end || this.isFull || (this.looked % 256 === 0 && !hasTime()))
        return 'later';
      const step = this.begun.take();
      if (!step) return undefined;
      const covers = this.coversOf(step);
      if (!step.isFinal) {
        this.markUsed(step.before);
        this.go(step.before, step.g, step.c + 1, below);
      }
      if (noGoods.hold(covers)) continue;
      if (step.g + 1 < this.priced.length) {
        this.markUsed(step);
        this.go(step, step.g + 1, this.twinsAfter[step.g]! > 0 ? step.c : 0, below);
      } else if (step.bound < step.worth - EPS) {
        if (step.worth < below - EPS) this.begun.add({ ...step, bound: step.worth, isFinal: true });
      } else if (isPossible(covers)) {
        this.looked += 1;
        return { covers, worth: step.worth };
      }
    }
  }

  /** Whether too much is begun to go on. */
  get isFull(): boolean {
    return this.begun.size >= MOST_BEGUN;
  }

  /**
   * Begins with the first cover of a group, from `c` on, that keeps the rows beside what is marked
   * as used.
   */
  private go(before: Step | undefined, g: number, from: number, below: number): void {
    const priced = this.priced[g] ?? [];
    const twins = this.twinsAfter[g]!;
    const sumBefore = before?.sum ?? -this.offset;
    for (let c = from; c < priced.length; c += 1) {
      const next = priced[c];
      if (!next) return;
      const sum = sumBefore + next.sum;
      const bound = Math.max(
        before?.bound ?? -Infinity,
        sum + twins * next.sum + this.leastAfter[g]!,
      );
      if (bound >= below - EPS) return;
      if (!this.keepsRows(next.cover)) continue;
      this.begun.add({
        before,
        g,
        c,
        sum,
        worth: (before?.worth ?? 0) + next.cover.worth,
        bound,
        isFinal: false,
      });
      return;
    }
  }

  private keepsRows({ shares }: Cover): boolean {
    for (let r = 0; r < this.rowCount; r += 1)
      if (this.used[r]! + shares[r]! > 1 + EPS) return false;
    return true;
  }

  private markUsed(step: Step | undefined): void {
    this.used.fill(0);
    for (let at = step; at; at = at.before) {
      const shares = this.priced[at.g]?.[at.c]?.cover.shares;
      for (let r = 0; r < this.rowCount; r += 1) this.used[r] = this.used[r]! + (shares?.[r] ?? 0);
    }
  }

  private coversOf(step: Step): Cover[] {
    const covers: Cover[] = [];
    for (let at: Step | undefined = step; at; at = at.before) {
      const cover = this.priced[at.g]?.[at.c]?.cover;
      if (cover) covers.unshift(cover);
    }
    return covers;
  }
}

/** Gives the least first. */
class Heap<T> {
  private readonly items: T[] = [];

  constructor(private readonly keyOf: (item: T) => number) {}

  get size(): number {
    return this.items.length;
  }
  get least(): number | undefined {
    const [first] = this.items;
    return first && this.keyOf(first);
  }

  add(item: T): void {
    const { items } = this;
    let at = items.push(item) - 1;
    while (at > 0) {
      const up = (at - 1) >> 1;
      const above = items[up];
      if (above === undefined || this.keyOf(above) <= this.keyOf(item)) break;
      items[at] = above;
      at = up;
    }
    items[at] = item;
  }

  take(): T | undefined {
    const { items } = this;
    const [first] = items;
    const last = items.pop();
    if (first === undefined || last === undefined || items.length === 0) return first;
    let at = 0;
    for (;;) {
      const left = 2 * at + 1;
      const [a, b] = [items[left], items[left + 1]];
      if (a === undefined) break;
      const isLeft = b === undefined || this.keyOf(a) <= this.keyOf(b);
      const next = isLeft ? a : b;
      if (this.keyOf(next) >= this.keyOf(last)) break;
      items[at] = next;
      at = isLeft ? left : left + 1;
    }
    items[at] = last;
    return first;
  }
}

const pricedSum = (cover: Cover, prices: Float64Array): number => {
  let sum = cover.worth;
  for (let r = 0; r < prices.length; r += 1) sum += prices[r]! * cover.shares[r]!;
  return sum;
};

/** The covers of all groups of one kind, by number. */
interface KindCovers {
  readonly groups: number;
  readonly worths: Float64Array;
  /** Row by row of each cover. */
  readonly shares: Float64Array;
}

/** Prices of the rows at which what is left of the worth is highest, and how high. */
function priceRows(
  groups: readonly { readonly kind: string; readonly covers: readonly Cover[] }[],
  start: Float64Array,
  limit: number,
): RowPrices {
  const rowCount = start.length;
  const kinds = [...new Set(groups.map(({ kind }) => kind))].map((kind): KindCovers => {
    const same = groups.filter((group) => group.kind === kind);
    const covers = same[0]?.covers ?? [];
    const shares = new Float64Array(covers.length * rowCount);
    covers.forEach((cover, c) => shares.set(cover.shares.subarray(0, rowCount), c * rowCount));
    return { groups: same.length, worths: Float64Array.from(covers, ({ worth }) => worth), shares };
  });
  return climbPrices(start, ROUNDS, limit, (prices) => {
    const used = new Float64Array(rowCount);
    let sum = 0;
    for (const { groups: count, worths, shares } of kinds) {
      let least = Infinity;
      let at = -1;
      for (let c = 0; c < worths.length; c += 1) {
        let weight = worths[c]!;
        for (let r = 0; r < rowCount; r += 1) weight += prices[r]! * shares[c * rowCount + r]!;
        if (weight >= least) continue;
        least = weight;
        at = c;
      }
      sum += count * least;
      for (let r = 0; r < rowCount && at >= 0; r += 1)
        used[r] = used[r]! + count * shares[at * rowCount + r]!;
    }
    return { sum, used };
  });
}

interface RowPrices {
  readonly prices: Float64Array;
  readonly bound: number;
}

/**
 * Raises the prices of rows that are used by more than one, and lowers the others, so that the
 * least that all counts at the prices, less the prices, is
 * as high as can be, at most `limit`. `leastAt` gives that least and how much of each row it uses.
 */
export function climbPrices(
  start: Float64Array,
  rounds: number,
  limit: number,
  leastAt: (prices: Float64Array) => { readonly sum: number; readonly used: Float64Array },
): RowPrices {
  let prices = start;
  let best: RowPrices = { prices, bound: -Infinity };
  let step = 1;
  for (let round = 0; round < rounds; round += 1) {
    const { sum, used } = leastAt(prices);
    const bound = sum - prices.reduce((a, b) => a + b, 0);
    if (bound > best.bound + EPS) best = { prices, bound };
    else if (round % 5 === 4) step *= 0.8;
    const over = used.map((share) => share - 1);
    const norm = over.reduce((all, each) => all + each * each, 0);
    const goal = Number.isFinite(limit) ? limit : bound * GUESS;
    if (norm < EPS || bound >= limit) break;
    const move = (step * (goal - bound)) / norm;
    prices = prices.map((price, r) => Math.max(0, price + move * over[r]!));
  }
  return best;
}
/** Where no limit is known: so much above the bound. */
export const GUESS = 1.3;
