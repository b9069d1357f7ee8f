const { max, min } = Math;

/** Lengths that differ by less are the same. */
export const EDGE_TOLERANCE_MM = 1e-6;

/** Every piece one by one, as arrays: both sides, and whether it may be turned. */
export interface RollProblem {
  readonly widthMm: number;
  readonly lengthMm: number;
  readonly across: Float64Array;
  readonly along: Float64Array;
  readonly turnable: Uint8Array;
}

export interface Layout {
  readonly rolls: number;
  readonly usedLengthMm: number;
  /**
   * Area under the outline of every roll, filled or lost, over the width: of two layouts of one
   * length the one with less has more room for the next change.
   */
  readonly coveredMm: number;
  readonly roll: Int32Array;
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly turned: Uint8Array;
}

/**
 * What is varied: how much each piece is favoured, and which way round it lies: 0 as given, 1
 * turned, 2 as fits better.
 */
export interface RollTaste {
  readonly favour: Float64Array;
  readonly way: Uint8Array;
}
export const EITHER_WAY = 2;

/**
 * Lays the pieces one after the other into the lowest gap of the outline: the one that fills most
 * of its width, by how much each is
 * favoured; where none goes in, the gap is given up to its lower neighbour; where none goes in
 * anywhere, a new roll begins.
 * Source: Burke, Kendall and Whitwell (2004), best fit for strips. O(pieces²).
 *
 *     ┌──┐
 *     │  │  ┌─────┐       the lowest gap is the one in the middle
 *     │  └──┘     │
 */
export function layBestFit(problem: RollProblem, { favour, way }: RollTaste): Layout {
  const { widthMm, lengthMm, across, along } = problem;
  const count = across.length;
  const layout = {
    roll: new Int32Array(count),
    x: new Float64Array(count),
    y: new Float64Array(count),
    turned: new Uint8Array(count),
  };
  const left = Int32Array.from({ length: count }, (_, i) => i);
  const outline = new Outline(count + 1);
  let [open, rolls, usedLengthMm, coveredMm] = [count, 0, 0, 0];
  while (open > 0) {
    outline.begin(widthMm);
    let end = 0;
    const before = open;
    while (open > 0) {
      const low = outline.lowest();
      const gapWidth = outline.width[low]!;
      const gapY = outline.y[low]!;
      const picked = pickPiece(problem, { favour, way }, { left, open, gapWidth, gapY });
      if (picked < 0) {
        // Nothing goes in here: the gap rises to its lower neighbour. A single step over the whole
        // width is the end of the roll.
        if (!outline.raise(low)) break;
        continue;
      }
      const turned = picked & 1;
      const i = left[picked >> 1]!;
      const wide = turned ? along[i]! : across[i]!;
      const deep = turned ? across[i]! : along[i]!;
      // Against the higher neighbour, so that the gap that stays is beside the lower one.
      const isRight = outline.isHigherRight(low, lengthMm);
      layout.roll[i] = rolls;
      layout.x[i] = max(0, outline.x[low]! + (isRight ? gapWidth - wide : 0));
      layout.y[i] = gapY;
      layout.turned[i] = turned;
      end = max(end, gapY + deep);
      open -= 1;
      left[picked >> 1] = left[open]!;
      outline.put(low, wide, deep, isRight);
    }
    // Cannot happen where every piece fits an empty roll; guards against going round for ever.
    if (open === before) break;
    usedLengthMm += end;
    coveredMm += outline.coveredMm2() / widthMm;
    rolls += 1;
  }
  return { ...layout, rolls, usedLengthMm, coveredMm };
}

/**
 * Of the first `open` that are left the one that fills a gap best, as twice its place in `left`, and
 * one more where it is turned; -1 where none goes in.
 */
function pickPiece(
  { lengthMm, across, along, turnable }: RollProblem,
  { favour, way }: RollTaste,
  {
    left,
    open,
    gapWidth,
    gapY,
  }: {
    readonly left: Int32Array;
    readonly open: number;
    readonly gapWidth: number;
    readonly gapY: number;
  },
): number {
  const room = lengthMm - gapY + EDGE_TOLERANCE_MM;
  const fits = gapWidth + EDGE_TOLERANCE_MM;
  let [best, bestScore] = [-1, -Infinity];
  for (let k = 0; k < open; k += 1) {
    const i = left[k]!;
    const only = way[i] ?? EITHER_WAY;
    const lastTurn = only === EITHER_WAY ? turnable[i]! : only;
    for (let turn = only === EITHER_WAY ? 0 : only; turn <= lastTurn; turn += 1) {
      const wide = turn ? along[i]! : across[i]!;
      const deep = turn ? across[i]! : along[i]!;
      if (wide > fits || deep > room) continue;
      // What fills the gap exactly goes before what leaves a sliver; among equals the longer one.
      const score =
        (wide / gapWidth) * favour[i]! +
        (gapWidth - wide <= EDGE_TOLERANCE_MM ? 0.15 : 0) +
        (1e-4 * deep) / lengthMm;
      if (score <= bestScore) continue;
      best = 2 * k + turn;
      bestScore = score;
    }
  }
  return best;
}

/**
 * What is filled of a roll so far, as steps from its left edge to its right one; in arrays that are
 * used again.
 */
class Outline {
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly width: Float64Array;
  private count = 0;

  constructor(most: number) {
    // A piece adds one step at most, and one for the rest beside it.
    this.x = new Float64Array(2 * most + 2);
    this.y = new Float64Array(2 * most + 2);
    this.width = new Float64Array(2 * most + 2);
  }

  begin(widthMm: number): void {
    this.count = 1;
    this.set(0, 0, 0, widthMm);
  }

  lowest(): number {
    let low = 0;
    for (let s = 1; s < this.count; s += 1) if (this.y[s]! < this.y[low]!) low = s;
    return low;
  }

  coveredMm2(): number {
    let sum = 0;
    for (let s = 0; s < this.count; s += 1) sum += this.width[s]! * this.y[s]!;
    return sum;
  }

  isHigherRight(at: number, wallY: number): boolean {
    return (at + 1 < this.count ? this.y[at + 1]! : wallY) > (at > 0 ? this.y[at - 1]! : wallY);
  }

  /** Lifts a step to its lower neighbour; false where it has none. */
  raise(at: number): boolean {
    if (this.count === 1) return false;
    this.y[at] = min(
      at > 0 ? this.y[at - 1]! : Infinity,
      at + 1 < this.count ? this.y[at + 1]! : Infinity,
    );
    this.join(at);
    return true;
  }

  /** Lays a piece on a step, to its right or its left end. */
  put(at: number, wide: number, deep: number, isRight: boolean): void {
    const [x, y, rest] = [this.x[at]!, this.y[at]!, this.width[at]! - wide];
    if (rest <= EDGE_TOLERANCE_MM) {
      this.y[at] = y + deep;
      this.join(at);
      return;
    }
    for (let s = this.count; s > at + 1; s -= 1)
      this.set(s, this.x[s - 1]!, this.y[s - 1]!, this.width[s - 1]!);
    this.count += 1;
    if (isRight) {
      this.set(at, x, y, rest);
      this.set(at + 1, x + rest, y + deep, wide);
      this.join(at + 1);
    } else {
      this.set(at, x, y + deep, wide);
      this.set(at + 1, x + wide, y, rest);
      this.join(at);
    }
  }

  private set(at: number, x: number, y: number, width: number): void {
    this.x[at] = x;
    this.y[at] = y;
    this.width[at] = width;
  }

  /** A step of one height with its neighbour is one step. */
  private join(at: number): void {
    const isLevel = (a: number, b: number) =>
      b < this.count && a >= 0 && Math.abs(this.y[a]! - this.y[b]!) <= EDGE_TOLERANCE_MM;
    if (isLevel(at, at + 1)) this.merge(at);
    if (isLevel(at - 1, at)) this.merge(at - 1);
  }

  private merge(at: number): void {
    this.width[at] = this.width[at]! + this.width[at + 1]!;
    for (let s = at + 1; s < this.count - 1; s += 1)
      this.set(s, this.x[s + 1]!, this.y[s + 1]!, this.width[s + 1]!);
    this.count -= 1;
  }
}

/**
 * Proven: no way uses less length. The larger of area over width, of pieces that are never side by
 * side, and of the longest one.
 */
export function leastLengthOf({ widthMm, across, along, turnable }: RollProblem): number {
  let [area, single, longest] = [0, 0, 0];
  across.forEach((a, i) => {
    const b = along[i]!;
    area += a * b;
    const ways = [[a, b], ...(turnable[i] ? [[b, a]] : [])].filter(
      ([wide]) => (wide ?? 0) <= widthMm + EDGE_TOLERANCE_MM,
    );
    const least = min(...ways.map(([, deep]) => deep ?? 0));
    longest = max(longest, least);
    // Two pieces that are both wider than half the roll, either way round, lie one behind the other.
    if (ways.every(([wide]) => (wide ?? 0) > widthMm / 2 + EDGE_TOLERANCE_MM)) single += least;
  });
  return max(area / widthMm, single, longest);
}
