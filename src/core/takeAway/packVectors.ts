import { createRandom, type Random } from '../shared';

/** What is packed: two amounts that add up, and for boxes whether little may stand on it. */
export interface PackItem {
  readonly a: number;
  readonly b: number;
  readonly fragile: boolean;
}
export interface PackProblem {
  readonly items: readonly PackItem[];
  readonly mostA: number;
  readonly mostB: number;
  /** Of `b`, above a fragile item. */
  readonly mostAbove: number;
  /** Items that never go together, a list an item. */
  readonly foes: readonly ReadonlySet<number>[];
}
interface Packing {
  readonly bins: readonly (readonly number[])[];
  /** Proven: no packing has fewer. */
  readonly bound: number;
}
interface PackOptions {
  readonly seed: number;
  readonly isOver: () => boolean;
  /** Leaves out the search that proves. */
  readonly isQuick?: boolean;
}

/** Amounts come as decimals; sums of them are off by less. */
export const PACK_TOLERANCE = 1e-6;
const SHUFFLES = 40;
const MOST_NODES = 60_000;
/** A set of items as one number stays exact up to here. */
const MOST_EXACT = 50;

/**
 * Packs items into the fewest bins of two limits: first and best fit in several orders and with
 * small disturbances of them, then completion of bins one after the other, the largest item first,
 * with what was refuted remembered (bin completion, Korf 2003, with two amounts and foes).
 * Requires: each item fits a bin of its own. Deterministic unless `isOver` cuts it.
 */
export function packVectors(
  problem: PackProblem,
  { seed, isOver, isQuick = false }: PackOptions,
): Packing {
  const { items } = problem;
  if (items.length === 0) return { bins: [], bound: 0 };
  const bound = boundOf(
    problem,
    items.map((_, i) => i),
  );
  let best = packBest(problem, { random: createRandom(seed), bound, isOver });
  let proven = bound;
  while (!isQuick && best.length > proven && items.length <= MOST_EXACT && !isOver()) {
    const found = completeBins(problem, proven, isOver);
    if (found === 'unknown') break;
    if (found === undefined) proven += 1;
    else best = found;
  }
  return { bins: best, bound: Math.min(proven, best.length) };
}

/** What a bin holds, kept up to date while items come in. */
class Bin {
  readonly members: number[] = [];
  a = 0;
  b = 0;
  private fragileSum = 0;
  private fragileMost = 0;

  constructor(private readonly problem: PackProblem) {}

  takes(i: number): boolean {
    const { items, mostA, mostB, mostAbove, foes } = this.problem;
    const { a, b, fragile } = items[i]!;
    if (this.a + a > mostA + PACK_TOLERANCE || this.b + b > mostB + PACK_TOLERANCE) return false;
    // The heaviest fragile one lies below the others, on everything that bears.
    if (fragile && this.fragileSum + b - Math.max(this.fragileMost, b) > mostAbove + PACK_TOLERANCE)
      return false;
    const own = foes[i]!;
    return own.size === 0 || this.members.every((member) => !own.has(member));
  }
  add(i: number): void {
    const { a, b, fragile } = this.problem.items[i]!;
    this.members.push(i);
    this.a += a;
    this.b += b;
    if (!fragile) return;
    this.fragileSum += b;
    this.fragileMost = Math.max(this.fragileMost, b);
  }
}

/** Of the largest of an item's two shares, the share that decides where it goes. */
const shareOf = ({ mostA, mostB }: PackProblem, { a, b }: PackItem): number =>
  Math.max(a / mostA, b / mostB);

/** First fit, largest first: the plain way. */
export function packPlainly(problem: PackProblem): number[][] {
  return firstFit(
    problem,
    orderBy(problem, (item) => shareOf(problem, item)),
  );
}

function orderBy({ items }: PackProblem, valueOf: (item: PackItem) => number): number[] {
  const values = items.map(valueOf);
  return items.map((_, i) => i).sort((i, j) => values[j]! - values[i]! || i - j);
}

function firstFit(problem: PackProblem, order: readonly number[], isBest = false): number[][] {
  const bins: Bin[] = [];
  for (const i of order) {
    const fitting = bins.filter((bin) => bin.takes(i));
    const bin = isBest ? fullest(problem, fitting) : fitting[0];
    if (bin) bin.add(i);
    else {
      const next = new Bin(problem);
      next.add(i);
      bins.push(next);
    }
  }
  return bins.map(({ members }) => members);
}
const fullest = ({ mostA, mostB }: PackProblem, bins: readonly Bin[]): Bin | undefined =>
  bins.reduce<Bin | undefined>(
    (best, bin) =>
      best && best.a / mostA + best.b / mostB >= bin.a / mostA + bin.b / mostB ? best : bin,
    undefined,
  );

function packBest(
  problem: PackProblem,
  {
    random,
    bound,
    isOver,
  }: { readonly random: Random; readonly bound: number; readonly isOver: () => boolean },
): number[][] {
  const { mostA, mostB } = problem;
  const weights: ((item: PackItem) => number)[] = [
    (item) => shareOf(problem, item),
    ({ a, b }) => a / mostA + b / mostB,
    ({ a }) => a,
    ({ b }) => b,
  ];
  let best = packPlainly(problem);
  const keep = (bins: number[][]) => {
    if (bins.length < best.length) best = bins;
  };
  for (const weight of weights)
    for (const isBest of [false, true]) {
      if (best.length <= bound) return best;
      keep(firstFit(problem, orderBy(problem, weight), isBest));
    }
  for (let i = 0; i < SHUFFLES && best.length > bound && !isOver(); i += 1) {
    const weight = weights[i % 2]!;
    keep(
      firstFit(
        problem,
        orderBy(problem, (item) => weight(item) * (0.75 + 0.5 * random())),
        i % 4 > 1,
      ),
    );
  }
  return best;
}

/** Proven below every packing of these items. */
export function boundOf(problem: PackProblem, indexes: readonly number[]): number {
  const { items, mostA, mostB } = problem;
  if (indexes.length === 0) return 0;
  const sharesA = indexes.map((i) => items[i]!.a / mostA);
  const sharesB = indexes.map((i) => items[i]!.b / mostB);
  return Math.max(
    1,
    boundByLarge(sharesA),
    boundByLarge(sharesB),
    countStrangers(problem, indexes),
  );
}

/**
 * By one amount, in shares of a bin: what is above half stands alone, and what is at least a
 * threshold fills what those leave. Source: Martello and Toth, Knapsack Problems, 8.3 (bound L2).
 */
function boundByLarge(shares: readonly number[]): number {
  const sorted = [...shares].sort((x, y) => y - x);
  const thresholds = [0, ...new Set(sorted.filter((share) => share <= 0.5))];
  return thresholds.reduce((most, threshold) => {
    const alone = sorted.filter((share) => share > 1 - threshold + PACK_TOLERANCE);
    const large = sorted.filter(
      (share) => share <= 1 - threshold + PACK_TOLERANCE && share > 0.5 + PACK_TOLERANCE,
    );
    const middle = sorted.filter((share) => share <= 0.5 + PACK_TOLERANCE && share >= threshold);
    const sum = (list: readonly number[]) => list.reduce((total, share) => total + share, 0);
    const left = sum(middle) - (large.length - sum(large));
    const more = Math.max(0, Math.ceil(left - PACK_TOLERANCE));
    return Math.max(most, alone.length + large.length + more);
  }, 0);
}

/** By sums, and by what fills more than half of either; for every node of a search. */
function boundQuickly({ items, mostA, mostB }: PackProblem, indexes: readonly number[]): number {
  let [sumA, sumB, halvesA, halvesB] = [0, 0, 0, 0];
  for (const i of indexes) {
    const { a, b } = items[i]!;
    sumA += a;
    sumB += b;
    if (a > mostA / 2 + PACK_TOLERANCE) halvesA += 1;
    if (b > mostB / 2 + PACK_TOLERANCE) halvesB += 1;
  }
  const least = Math.ceil(Math.max(sumA / mostA, sumB / mostB) - PACK_TOLERANCE);
  return Math.max(least, halvesA, halvesB);
}

/** Items of which no two go together, the largest first. */
function countStrangers(problem: PackProblem, indexes: readonly number[]): number {
  const chosen: number[] = [];
  const order = [...indexes].sort(
    (i, j) =>
      problem.foes[j]!.size - problem.foes[i]!.size ||
      shareOf(problem, problem.items[j]!) - shareOf(problem, problem.items[i]!),
  );
  for (const i of order) {
    const goesWithAny = chosen.some((j) => {
      const bin = new Bin(problem);
      bin.add(j);
      return bin.takes(i);
    });
    if (!goesWithAny) chosen.push(i);
  }
  return chosen.length;
}

/**
 * Looks for a packing into `count` bins. Each bin is completed with the largest item that is left and a
 * set that leaves room for no other; a bin may waste no more than all bins together can.
 * @returns undefined where there is none, `unknown` where it was given up.
 */
function completeBins(
  problem: PackProblem,
  count: number,
  isOver: () => boolean,
): number[][] | 'unknown' | undefined {
  const { items, mostA, mostB, foes } = problem;
  const order = orderBy(problem, (item) => shareOf(problem, item));
  const refuted = new Set<string>();
  const isTwin = (i: number, j: number): boolean => {
    const [x, y] = [items[i]!, items[j]!];
    const areAlike = x.a === y.a && x.b === y.b && x.fragile === y.fragile;
    return areAlike && foes[i]!.size === 0 && foes[j]!.size === 0;
  };
  const search = { nodes: 0, isGivenUp: false };
  const stop = (): boolean => {
    search.nodes += 1;
    search.isGivenUp ||= search.nodes > MOST_NODES || (search.nodes % 64 === 0 && isOver());
    return search.isGivenUp;
  };

  const solve = (rest: readonly number[], binsLeft: number): number[][] | undefined => {
    if (rest.length === 0) return [];
    if (boundQuickly(problem, rest) > binsLeft || stop()) return undefined;
    const key = `${binsLeft} ${rest.reduce((mask, i) => mask + 2 ** i, 0)}`;
    if (refuted.has(key)) return undefined;
    const sumA = rest.reduce((sum, i) => sum + items[i]!.a, 0);
    const sumB = rest.reduce((sum, i) => sum + items[i]!.b, 0);
    const leastA = mostA - (binsLeft * mostA - sumA) - PACK_TOLERANCE;
    const leastB = mostB - (binsLeft * mostB - sumB) - PACK_TOLERANCE;
    const [first, ...others] = rest;
    const found = fill([first!], others, { leastA, leastB, binsLeft });
    if (!found && !search.isGivenUp) refuted.add(key);
    return found;
  };

  interface Limits {
    readonly leastA: number;
    readonly leastB: number;
    readonly binsLeft: number;
  }
  /** Tries every maximal set that goes with the first, what is fuller before what is emptier. */
  const fill = (start: readonly number[], others: readonly number[], limits: Limits) => {
    const skipped: number[] = [];
    const members = [...start];
    const binOf = (list: readonly number[]) => {
      const bin = new Bin(problem);
      for (const i of list) bin.add(i);
      return bin;
    };
    const go = (at: number): number[][] | undefined => {
      if (stop()) return undefined;
      const bin = binOf(members);
      let canA = bin.a;
      let canB = bin.b;
      for (let k = at; k < others.length; k += 1)
        if (bin.takes(others[k]!)) {
          canA += items[others[k]!]!.a;
          canB += items[others[k]!]!.b;
        }
      if (canA < limits.leastA || canB < limits.leastB) return undefined;
      let next = at;
      const passed: number[] = [];
      while (next < others.length && !bin.takes(others[next]!)) {
        passed.push(others[next]!);
        next += 1;
      }
      if (next === others.length) {
        if (skipped.some((i) => bin.takes(i))) return undefined;
        const inside = new Set(members);
        const rest = others.filter((i) => !inside.has(i));
        const tail = solve(rest, limits.binsLeft - 1);
        return tail && [[...members], ...tail];
      }
      const item = others[next]!;
      members.push(item);
      const withIt = go(next + 1);
      members.pop();
      if (withIt) return withIt;
      let after = next + 1;
      while (after < others.length && isTwin(item, others[after]!)) after += 1;
      skipped.push(item);
      const without = go(after);
      skipped.pop();
      return without;
    };
    return go(0);
  };

  const found = solve(order, count);
  if (found) return found;
  return search.isGivenUp ? 'unknown' : undefined;
}
