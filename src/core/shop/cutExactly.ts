import type { Random } from '../shared';
import { LENGTH_TOLERANCE_MM, type CutProblem, type Pattern } from './cutPatterns';

/** Lengths are told in tenths at most; others are not for this. */
const STEPS_A_MM = 10;
/** Longer boards than this, in steps, take too long to work through one by one: three metres in tenths. */
const MOST_STEPS = 30_000;
/** Of the boards that are full so many are emptied again where the next one cannot be filled. */
const EMPTIED = { least: 2, more: 4 } as const;
/** Longer waste than this is looked for step by step no further. */
const MOST_WASTE = 200;

/**
 * Cuts all pieces from boards of which there are hardly enough: each board is begun with the longest piece that is
 * left and filled to the end, or as near to it as the waste that all boards together may have; where the next one
 * cannot be filled, some are emptied and filled otherwise. Undefined where the time ended it, or lengths are finer
 * than tenths of a millimetre.
 * Source: sums of subsets by dynamic programming; iterated greedy, Ruiz and Stützle, 2007.
 */
export function cutExactly(
  problem: CutProblem,
  random: Random,
  isOver: () => boolean,
): Pattern[] | undefined {
  const steps = toSteps(problem);
  return steps && new Filling(problem, steps, random).run(isOver);
}

interface Steps {
  readonly pieces: Int32Array;
  readonly stock: Int32Array;
}

function toSteps({ pieceMm, stockMm }: CutProblem): Steps | undefined {
  const isWhole = [...pieceMm, ...stockMm].every(
    (mm) => Math.abs(mm - Math.round(mm)) <= LENGTH_TOLERANCE_MM,
  );
  const aMm = isWhole ? 1 : STEPS_A_MM;
  const stepsOf = (mm: number): number => Math.round(mm * aMm);
  const isFine = [...pieceMm, ...stockMm].some(
    (mm) => Math.abs(mm * aMm - stepsOf(mm)) > LENGTH_TOLERANCE_MM * aMm,
  );
  if (isFine || Math.max(...stockMm) * aMm > MOST_STEPS) return undefined;
  return { pieces: Int32Array.from(pieceMm, stepsOf), stock: Int32Array.from(stockMm, stepsOf) };
}

class Filling {
  private readonly left: Int32Array;
  private readonly spent: Int32Array;
  private readonly full: Pattern[] = [];
  /** Kinds of piece, the longest first. */
  private readonly order: readonly number[];
  /** Waste that may still be made, in steps; Infinity where boards have no end. */
  private waste: number;

  constructor(
    private readonly problem: CutProblem,
    private readonly steps: Steps,
    private readonly random: Random,
  ) {
    const { quantities, available } = problem;
    this.left = Int32Array.from(quantities);
    this.spent = new Int32Array(steps.stock.length);
    this.order = [...quantities.keys()].sort((a, b) => steps.pieces[b]! - steps.pieces[a]!);
    const need = quantities.reduce((sum, n, i) => sum + n * steps.pieces[i]!, 0);
    this.waste = steps.stock.reduce((sum, length, s) => sum + length * available[s]!, 0) - need;
  }

  run(isOver: () => boolean): Pattern[] | undefined {
    if (this.waste < 0) return undefined;
    for (;;) {
      const first = this.order.find((i) => this.left[i]! > 0);
      if (first === undefined) return this.full;
      if (isOver()) return undefined;
      if (!this.fillNext(first)) {
        if (this.full.length === 0) return undefined;
        this.emptySome();
      }
    }
  }

  /** Fills one more board that holds this piece. */
  private fillNext(first: number): boolean {
    const { steps, problem, random } = this;
    const open = [...steps.stock.keys()]
      .filter(
        (s) => this.spent[s]! < problem.available[s]! && steps.stock[s]! >= steps.pieces[first]!,
      )
      .map((s) => ({ s, at: random() }))
      .sort((a, b) => a.at - b.at);
    for (const { s } of open) {
      const counts = this.fillBoard(steps.stock[s]!, first);
      if (!counts) continue;
      this.put({ stock: s, counts }, 1);
      this.full.push({ stock: s, counts });
      return true;
    }
    return false;
  }

  private fillBoard(length: number, first: number): Int32Array | undefined {
    const { steps, left, order, random } = this;
    const room = length - steps.pieces[first]!;
    left[first] = left[first]! - 1;
    const kinds = order.filter((i) => left[i]! > 0 && steps.pieces[i]! <= room);
    const reach = reachOf(
      kinds.map((i) => [steps.pieces[i]!, left[i]!] as const),
      room,
    );
    left[first] = left[first]! + 1;
    const most = Math.min(this.waste, MOST_WASTE, room);
    for (let waste = 0; waste <= most; waste += 1) {
      let rest = room - waste;
      if (reach[0]![rest] !== 1) continue;
      const counts = new Int32Array(left.length);
      counts[first] = 1;
      kinds.forEach((i, k) => {
        const size = steps.pieces[i]!;
        const here = left[i]! - (i === first ? 1 : 0);
        const fitting: number[] = [];
        for (let n = 0; n <= here && n * size <= rest; n += 1)
          if (reach[k + 1]![rest - n * size] === 1) fitting.push(n);
        const n = fitting[Math.floor(random() * fitting.length)]!;
        counts[i] = counts[i]! + n;
        rest -= n * size;
      });
      return counts;
    }
    return undefined;
  }

  private put({ stock, counts }: Pattern, sign: 1 | -1): void {
    const { steps, left } = this;
    let used = 0;
    counts.forEach((n, i) => {
      left[i] = left[i]! - sign * n;
      used += n * steps.pieces[i]!;
    });
    this.spent[stock] = this.spent[stock]! + sign;
    this.waste -= sign * (steps.stock[stock]! - used);
  }

  private emptySome(): void {
    const { random, full } = this;
    const count = EMPTIED.least + Math.floor(random() * EMPTIED.more);
    for (let n = 0; n < count && full.length > 0; n += 1) {
      const [pattern] = full.splice(Math.floor(random() * full.length), 1);
      if (pattern) this.put(pattern, -1);
    }
  }
}

/** Of the kinds from each place on: which sums up to the room they can make, as marks. */
function reachOf(
  kinds: readonly (readonly [size: number, count: number])[],
  room: number,
): Uint8Array[] {
  const reach: Uint8Array[] = [];
  let after = new Uint8Array(room + 1);
  after[0] = 1;
  reach[kinds.length] = after;
  for (let k = kinds.length - 1; k >= 0; k -= 1) {
    const [size, count] = kinds[k]!;
    const here = Uint8Array.from(after);
    // How many of this kind the sum takes at least; more than there are do not count.
    const taken = new Int32Array(room + 1);
    for (let sum = size; sum <= room; sum += 1) {
      if (here[sum] === 1 || here[sum - size] !== 1) continue;
      const n = taken[sum - size]! + 1;
      if (n > count) continue;
      here[sum] = 1;
      taken[sum] = n;
    }
    reach[k] = here;
    after = here;
  }
  return reach;
}
