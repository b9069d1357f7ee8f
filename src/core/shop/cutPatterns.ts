import type { Random } from '../shared';

/** Lengths are added up in any order; sums that differ by less than this are the same. */
export const LENGTH_TOLERANCE_MM = 1e-6;

/**
 * The cutting problem with the kerf taken up: a piece takes its length and a kerf, a board has a
 * kerf more.
 */
export interface CutProblem {
  readonly pieceMm: Float64Array;
  readonly quantities: Int32Array;
  readonly stockMm: Float64Array;
  readonly priceMinor: Float64Array;
  /** Infinity where there is no limit. */
  readonly available: Float64Array;
}

/** One way to cut a board of a kind: how many of each piece. */
export interface Pattern {
  readonly stock: number;
  readonly counts: Int32Array;
}

/** Branches that are gone into for one board; beyond them the even shares bound the rest. */
const MOST_DIGS = 60_000;

export interface BestPattern {
  readonly counts: Int32Array;
  readonly value: number;
  /** No pattern of this board is worth more: proven. */
  readonly most: number;
}

/**
 * The pattern of a board that is worth most when each piece has a worth, no more of a piece than is
 * wanted: a bounded knapsack, gone
 * through depth first, the denser pieces first; a branch ends where even shares would not beat the best.
 * Source: Gilmore and Gomory (1961), the pricing of cutting patterns.
 */
export function findBestPattern(
  { pieceMm, quantities, stockMm }: CutProblem,
  stock: number,
  worth: Float64Array,
  mostDigs = MOST_DIGS,
): BestPattern {
  const items = [...worth.keys()].filter(
    (i) =>
      worth[i]! > 1e-12 &&
      quantities[i]! > 0 &&
      pieceMm[i]! <= stockMm[stock]! + LENGTH_TOLERANCE_MM,
  );
  items.sort((a, b) => worth[b]! / (pieceMm[b] ?? 1) - worth[a]! / (pieceMm[a] ?? 1));
  const counts = new Int32Array(pieceMm.length);
  let best = new Int32Array(pieceMm.length);
  let [value, givenUp, digs] = [0, 0, mostDigs];
  const shares = (from: number, leftMm: number): number => {
    let [sum, left] = [0, leftMm];
    for (let k = from; k < items.length; k += 1) {
      const i = items[k] as number;
      const n = Math.min(quantities[i]!, left / (pieceMm[i] ?? 1));
      sum += n * worth[i]!;
      left -= n * pieceMm[i]!;
      if (left <= 0) break;
    }
    return sum;
  };
  const dig = (k: number, leftMm: number, sum: number): void => {
    if (sum > value + 1e-12) {
      value = sum;
      best = Int32Array.from(counts);
    }
    if (k >= items.length) return;
    const most = sum + shares(k, leftMm);
    if (most <= value + 1e-12) return;
    if ((digs -= 1) < 0) {
      givenUp = Math.max(givenUp, most);
      return;
    }
    const i = items[k] as number;
    const length = pieceMm[i] ?? 1;
    for (
      let n = Math.min(quantities[i]!, Math.floor((leftMm + LENGTH_TOLERANCE_MM) / length));
      n >= 0;
      n -= 1
    ) {
      counts[i] = n;
      dig(k + 1, leftMm - n * length, sum + n * worth[i]!);
    }
    counts[i] = 0;
  };
  dig(0, stockMm[stock]!, 0);
  return { counts: best, value, most: Math.max(value, givenUp) };
}

/**
 * Boards one after the other, the longest piece that still goes in first; on the kind of board that
 * costs least a millimetre filled.
 */
export function cutLongestFirst(
  problem: CutProblem,
  wanted: Int32Array,
  used: Float64Array,
): Pattern[] | undefined {
  const { pieceMm, stockMm, priceMinor, available } = problem;
  const left = Int32Array.from(wanted);
  const spent = Float64Array.from(used);
  const order = [...left.keys()].sort((a, b) => pieceMm[b]! - pieceMm[a]!);
  const patterns: Pattern[] = [];
  while (left.some((n) => n > 0)) {
    let best: { pattern: Pattern; perMm: number } | undefined;
    for (let stock = 0; stock < stockMm.length; stock += 1) {
      if (spent[stock]! >= available[stock]!) continue;
      const counts = new Int32Array(left.length);
      let room = stockMm[stock]! + LENGTH_TOLERANCE_MM;
      for (const i of order) {
        const n = Math.min(left[i]!, Math.floor(room / (pieceMm[i] ?? 1)));
        counts[i] = n;
        room -= n * pieceMm[i]!;
      }
      const filled = stockMm[stock]! + LENGTH_TOLERANCE_MM - room;
      if (filled <= LENGTH_TOLERANCE_MM) continue;
      const perMm = priceMinor[stock]! / filled;
      if (!best || perMm < best.perMm) best = { pattern: { stock, counts }, perMm };
    }
    if (!best) return undefined;
    // As often as it repeats without cutting more than is wanted.
    const { stock, counts } = best.pattern;
    let times = available[stock]! - spent[stock]!;
    counts.forEach((n, i) => {
      if (n > 0) times = Math.min(times, Math.floor(left[i]! / n));
    });
    for (let t = 0; t < times; t += 1) patterns.push(best.pattern);
    spent[stock] = spent[stock]! + times;
    counts.forEach((n, i) => {
      left[i] = left[i]! - n * times;
    });
  }
  return patterns;
}

/** So far into a filling is looked: nearly full is full enough where many are tried. */
const FILL_DIGS = 400;
/** One of so many longest pieces begins a board. */
const FIRST_OF = 3;

/**
 * Boards one after the other, each begun with one of the longest pieces that are left and filled as
 * fully as a short
 * search finds, by lengths that chance shakes: another list each time. Undefined where boards or time run out.
 */
export function cutFullest(
  problem: CutProblem,
  wanted: Int32Array,
  used: Float64Array,
  { random, isOver }: { readonly random: Random; readonly isOver: () => boolean },
): Pattern[] | undefined {
  const { pieceMm, stockMm, priceMinor, available } = problem;
  const left = Int32Array.from(wanted);
  const spent = Float64Array.from(used);
  const worth = Float64Array.from(pieceMm, (length) => length * (0.95 + random() * 0.1));
  const order = [...left.keys()].sort((a, b) => pieceMm[b]! - pieceMm[a]!);
  const patterns: Pattern[] = [];
  for (;;) {
    const open = order.filter((i) => left[i]! > 0);
    const first = open[Math.floor(random() * Math.min(FIRST_OF, open.length))];
    if (first === undefined) return patterns;
    if (isOver()) return undefined;
    left[first] = left[first]! - 1;
    let best: { readonly pattern: Pattern; readonly perMm: number } | undefined;
    for (let stock = 0; stock < stockMm.length; stock += 1) {
      const room = stockMm[stock]! - pieceMm[first]!;
      if (spent[stock]! >= available[stock]! || room < -LENGTH_TOLERANCE_MM) continue;
      const { counts } = findBestPattern(
        { ...problem, quantities: left, stockMm: Float64Array.of(Math.max(0, room)) },
        0,
        worth,
        FILL_DIGS,
      );
      counts[first] = counts[first]! + 1;
      const filledMm = counts.reduce((sum, n, i) => sum + n * pieceMm[i]!, 0);
      const perMm = priceMinor[stock]! / filledMm;
      if (!best || perMm < best.perMm) best = { pattern: { stock, counts }, perMm };
    }
    if (!best) return undefined;
    left[first] = left[first]! + 1;
    best.pattern.counts.forEach((n, i) => {
      left[i] = left[i]! - n;
    });
    spent[best.pattern.stock] = spent[best.pattern.stock]! + 1;
    patterns.push(best.pattern);
  }
}
