import type { CutProblem } from './cutPatterns';
import { toSteps } from './cutSteps';

/** More steps of all rows of a table than this take longer than a search. */
const MOST_CELLS = 12_000_000;

/** What boards hold at most of pieces that have a worth: one table for boards of every length. */
export interface PatternTable {
  /** The pieces worth most on a board of this kind; no others are worth more. */
  best(stock: number): { readonly counts: Int32Array; readonly value: number };
}

/**
 * For every length up to the longest board the pieces that are worth most, no more of one than is wanted. A quantity is
 * split into ones, twos, fours and the rest, each taken once or not.
 * Undefined where lengths are not counted in steps, or there are too many of them.
 * Source: the bounded knapsack by dynamic programming; Martello and Toth, Knapsack Problems, 1990, 3.
 */
export function tablePatterns(problem: CutProblem, worth: Float64Array): PatternTable | undefined {
  const steps = toSteps(problem);
  if (!steps) return undefined;
  const longest = steps.stock.reduce((a, b) => Math.max(a, b), 0);
  const parts = listParts(problem, { pieces: steps.pieces, worth, longest });
  if (parts.length * (longest + 1) > MOST_CELLS) return undefined;
  const value = new Float64Array(longest + 1);
  const taken = parts.map(({ size, gain }) => {
    const marks = new Uint8Array(longest + 1);
    for (let length = longest; length >= size; length -= 1) {
      const next = value[length - size]! + gain;
      if (next <= value[length]!) continue;
      value[length] = next;
      marks[length] = 1;
    }
    return marks;
  });
  return {
    best(stock) {
      const counts = new Int32Array(worth.length);
      let length = steps.stock[stock]!;
      for (let k = parts.length - 1; k >= 0; k -= 1) {
        if (taken[k]![length] !== 1) continue;
        const { i, times, size } = parts[k]!;
        counts[i] = counts[i]! + times;
        length -= size;
      }
      return { counts, value: value[steps.stock[stock]!]! };
    },
  };
}

interface Part {
  readonly i: number;
  readonly times: number;
  readonly size: number;
  readonly gain: number;
}

function listParts(
  { quantities }: CutProblem,
  {
    pieces,
    worth,
    longest,
  }: { readonly pieces: Int32Array; readonly worth: Float64Array; readonly longest: number },
): Part[] {
  return [...worth.keys()].flatMap((i) => {
    if (!(worth[i]! > 1e-12)) return [];
    const list: Part[] = [];
    let left = Math.min(quantities[i]!, Math.floor(longest / pieces[i]!));
    for (let times = 1; left > 0; times *= 2) {
      const here = Math.min(times, left);
      list.push({ i, times: here, size: here * pieces[i]!, gain: here * worth[i]! });
      left -= here;
    }
    return list;
  });
}
