import type { Random } from '../shared';
import type { CutProblem, Pattern } from './cutPatterns';
import { toSteps, type Steps } from './cutSteps';

/** Of the boards that are full so many are emptied again where the next one cannot be filled. */
const EMPTIED = { least: 2, more: 4 } as const;
/** Kinds of piece that a board is filled from, spread over all lengths; more where the first leave waste. */
const MOST_KINDS = [28, 80] as const;

/**
 * Cuts all pieces from boards of which there are hardly enough: each board is begun with the longest piece that is
 * left and filled to the end, or as near to it as the waste that all boards together may have; where the next one
 * cannot be filled, some are emptied and filled otherwise. Undefined where the time or `mostEmptied` such times ended
 * it, or lengths are finer than tenths of a millimetre.
 * Source: sums of subsets by dynamic programming; iterated greedy, Ruiz and Stützle, 2007.
 */
export function cutExactly(
  problem: CutProblem,
  random: Random,
  {
    isOver,
    mostEmptied = Infinity,
  }: { readonly isOver: () => boolean; readonly mostEmptied?: number },
): Pattern[] | undefined {
  const steps = toSteps(problem);
  return steps && new Filling(problem, steps, random).run(isOver, mostEmptied);
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

  run(isOver: () => boolean, mostEmptied: number): Pattern[] | undefined {
    if (this.waste < 0) return undefined;
    for (let emptied = 0; emptied <= mostEmptied;) {
      const first = this.order.find((i) => this.left[i]! > 0);
      if (first === undefined) return this.full;
      if (isOver()) return undefined;
      if (!this.fillNext(first)) {
        if (this.full.length === 0) return undefined;
        this.emptySome();
        emptied += 1;
      }
    }
    return undefined;
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

  /** Holds this piece, with as little waste as sums of the others leave. */
  private fillBoard(length: number, first: number): Int32Array | undefined {
    const { steps, left, order } = this;
    const room = length - steps.pieces[first]!;
    left[first] = left[first]! - 1;
    const open = order.filter((i) => left[i]! > 0 && steps.pieces[i]! <= room);
    let best: { readonly waste: number; readonly counts: Int32Array } | undefined;
    for (const most of MOST_KINDS) {
      const found = this.fillRoom(room, this.spread(open, most), best?.waste ?? Infinity);
      if (found) best = found;
      if (best?.waste === 0 || open.length <= most) break;
    }
    left[first] = left[first]! + 1;
    if (!best) return undefined;
    best.counts[first] = best.counts[first]! + 1;
    return best.counts;
  }

  /** The sum of these kinds that is nearest to the room, one of its ways by chance; undefined if not nearer than `above`. */
  private fillRoom(
    room: number,
    kinds: readonly number[],
    above: number,
  ): { readonly waste: number; readonly counts: Int32Array } | undefined {
    const { steps, left, random } = this;
    const reach = reachOf(
      kinds.map((i) => [steps.pieces[i]!, left[i]!] as const),
      room,
    );
    const most = Math.min(this.waste, room, above - 1);
    for (let waste = 0; waste <= most; waste += 1) {
      let rest = room - waste;
      if (reach[0]![rest] !== 1) continue;
      const counts = new Int32Array(left.length);
      kinds.forEach((i, k) => {
        const size = steps.pieces[i]!;
        const fitting: number[] = [];
        for (let n = 0; n <= left[i]! && n * size <= rest; n += 1)
          if (reach[k + 1]![rest - n * size] === 1) fitting.push(n);
        const n = fitting[Math.floor(random() * fitting.length)]!;
        counts[i] = n;
        rest -= n * size;
      });
      return { waste, counts };
    }
    return undefined;
  }

  /** Few of many kinds, one of each stretch by chance, in their order. */
  private spread(kinds: readonly number[], most: number): readonly number[] {
    if (kinds.length <= most) return kinds;
    const startOf = (k: number): number => Math.floor((k * kinds.length) / most);
    return Array.from({ length: most }, (_, k) => {
      const from = startOf(k);
      return kinds[from + Math.floor(this.random() * (startOf(k + 1) - from))]!;
    });
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
  const taken = new Int32Array(room + 1);
  let after = new Uint8Array(room + 1);
  after[0] = 1;
  reach[kinds.length] = after;
  for (let k = kinds.length - 1; k >= 0; k -= 1) {
    const [size, count] = kinds[k]!;
    const here = Uint8Array.from(after);
    // How many of this kind the sum takes at least; more than there are do not count.
    taken.fill(0);
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
