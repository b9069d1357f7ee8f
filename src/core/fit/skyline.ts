import type { Random } from '../shared';

const TOLERANCE_MM = 1e-6;

/** A rectangle to be placed, gap included; `worth` is what is lost where it finds no place. */
export interface Piece {
  readonly width: number;
  readonly depth: number;
  readonly canTurn: boolean;
  readonly worth: number;
}
export interface Spot {
  readonly piece: number;
  readonly x: number;
  readonly y: number;
  readonly isTurned: boolean;
}
export interface SkylineFilling {
  readonly worth: number;
  readonly spots: readonly Spot[];
}

/**
 * Fills a rectangle from the front: at the lowest step of what stands, the piece that fits its width
 * and its neighbours' edges best, the earlier in the order where several do; a step that nothing fits
 * is given up to its lower neighbour.
 *
 *     y ▲      ┌──┐        Step 2 is the lowest. A piece as wide as it, and as deep as
 *       │──┐   │  │        one of its walls, leaves no new step: it scores most.
 *       │ 1│ 2 │ 3│
 *       └──┴───┴──┴─▶ x
 *
 * Source: Leung, Zhang and Sim, "A two-stage intelligent search algorithm for the two-dimensional
 * strip packing problem", 2011. O(n²) a filling.
 */
class Skyline {
  /** Of each piece, straight and turned. */
  private readonly sizes: Float64Array;
  private readonly canTurn: Uint8Array;
  private readonly left: Int32Array;
  private readonly areas: Float64Array;
  /** The most that a square millimetre of any piece is worth. */
  private readonly mostPerMm2: number;
  /**
   * The edge of what stands, as steps along x: where each begins, how wide it is, how deep what
   * stands there reaches.
   */
  private readonly stepX: number[] = [];
  private readonly stepWidth: number[] = [];
  private readonly stepY: number[] = [];

  constructor(
    private readonly pieces: readonly Piece[],
    private readonly room: { readonly width: number; readonly depth: number },
  ) {
    this.sizes = Float64Array.from(pieces.flatMap(({ width, depth }) => [width, depth]));
    this.canTurn = Uint8Array.from(
      pieces.map(({ canTurn, width, depth }) => (canTurn && width !== depth ? 1 : 0)),
    );
    this.left = new Int32Array(pieces.length);
    this.areas = Float64Array.from(pieces.map(({ width, depth }) => width * depth));
    this.mostPerMm2 = Math.max(
      0,
      ...pieces.map(({ width, depth, worth }) => worth / (width * depth)),
    );
  }

  /**
   * Fills in this order; `spots` gets what stands, where given. Returns the worth of it, or -1 as
   * soon as it cannot reach `least`.
   */
  fill(order: Int32Array, least = 0, spots?: Spot[]): number {
    const { sizes, left, areas, stepX, stepWidth, stepY } = this;
    const depth = this.room.depth;
    let freeMm2 = this.room.width * depth;
    let count = order.length;
    left.set(order);
    stepX.length = stepWidth.length = stepY.length = 1;
    stepX[0] = stepY[0] = 0;
    stepWidth[0] = this.room.width;
    let worth = 0;
    while (count > 0) {
      const at = this.lowestStep();
      const y = stepY[at]!;
      const width = stepWidth[at]!;
      if (y >= depth - TOLERANCE_MM) break;
      const before = (at > 0 ? stepY[at - 1]! : depth) - y;
      const after = (at + 1 < stepY.length ? stepY[at + 1]! : depth) - y;
      const best = this.pickPiece(count, width, depth - y, before, after);
      if (best < 0) {
        const lost = Math.min(before, after);
        stepY[at] = y + lost;
        this.join(at);
        freeMm2 -= lost * width;
        if (worth + this.mostPerMm2 * freeMm2 < least) return -1;
        continue;
      }
      const isTurned = (best & 1) === 1;
      const piece = left[best >> 1]!;
      left.copyWithin(best >> 1, (best >> 1) + 1, count);
      count -= 1;
      const w = sizes[2 * piece + (isTurned ? 1 : 0)]!;
      const d = sizes[2 * piece + (isTurned ? 0 : 1)]!;
      // Beside the wall it is level with, or the higher one, so that the step that is left is open
      // on one side.
      const isRight = !isSame(d, before) && (isSame(d, after) || after > before);
      spots?.push({ piece, x: stepX[at]! + (isRight ? width - w : 0), y, isTurned });
      worth += this.pieces[piece]!.worth;
      freeMm2 -= areas[piece]!;
      this.raise(at, { width: w, y: y + d, isRight });
    }
    return worth;
  }

  private lowestStep(): number {
    const { stepY } = this;
    let at = 0;
    for (let i = 1; i < stepY.length; i += 1) if (stepY[i]! < stepY[at]! - TOLERANCE_MM) at = i;
    return at;
  }

  /**
   * Of the first `count` that are left the one that fits a step best, as twice its place in `left`,
   * and one more where it is turned; -1 where none goes in. `before` and `after` are the walls
   * beside the step.
   */
  private pickPiece(
    count: number,
    width: number,
    depth: number,
    before: number,
    after: number,
  ): number {
    const { sizes, left, canTurn } = this;
    let best = -1;
    let bestScore = -1;
    for (let i = 0; i < count && bestScore < 4; i += 1) {
      const piece = left[i]!;
      for (let turn = 0; turn <= canTurn[piece]!; turn += 1) {
        const w = sizes[2 * piece + turn]!;
        const d = sizes[2 * piece + 1 - turn]!;
        if (w > width + TOLERANCE_MM || d > depth + TOLERANCE_MM) continue;
        const levels = (isSame(d, before) ? 1 : 0) + (isSame(d, after) ? 1 : 0);
        const score = isSame(w, width) ? 2 + levels : Math.min(1, levels);
        if (score <= bestScore) continue;
        best = 2 * i + turn;
        bestScore = score;
      }
    }
    return best;
  }

  private raise(
    at: number,
    {
      width,
      y,
      isRight,
    }: { readonly width: number; readonly y: number; readonly isRight: boolean },
  ): void {
    const { stepX, stepWidth, stepY } = this;
    const x = stepX[at]!;
    const rest = stepWidth[at]! - width;
    if (rest <= TOLERANCE_MM) {
      stepY[at] = y;
      this.join(at);
      return;
    }
    const low = stepY[at]!;
    stepX.splice(at + 1, 0, isRight ? x + rest : x + width);
    stepWidth.splice(at + 1, 0, isRight ? width : rest);
    stepY.splice(at + 1, 0, isRight ? y : low);
    stepWidth[at] = isRight ? rest : width;
    stepY[at] = isRight ? low : y;
    this.join(isRight ? at + 1 : at);
  }

  /** Makes one of a step and the neighbours that reach as deep. */
  private join(at: number): void {
    for (const other of [at, at - 1]) {
      if (
        other < 0 ||
        other + 1 >= this.stepY.length ||
        !isSame(this.stepY[other]!, this.stepY[other + 1]!)
      )
        continue;
      this.stepWidth[other] = this.stepWidth[other]! + this.stepWidth[other + 1]!;
      this.stepX.splice(other + 1, 1);
      this.stepWidth.splice(other + 1, 1);
      this.stepY.splice(other + 1, 1);
    }
  }
}

/**
 * Betters the order of filling until everything stands, or the fillings or the time are used up:
 * two pieces swap or one moves, a little worse is taken at first. Deterministic unless the time cuts it.
 * Ensures: no two spots overlap, none reaches beyond `width` and `depth`.
 */
export function searchSkyline(
  pieces: readonly Piece[],
  room: { readonly width: number; readonly depth: number },
  {
    random,
    fillings,
    hasTime,
  }: { readonly random: Random; readonly fillings: number; readonly hasTime: () => boolean },
): SkylineFilling {
  const whole = pieces.reduce((sum, { worth }) => sum + worth, 0);
  const by = (measure: (piece: Piece) => number): Int32Array => {
    const measures = pieces.map(measure);
    return Int32Array.from(pieces.map((_, i) => i).sort((a, b) => measures[b]! - measures[a]!));
  };
  const starts = [
    by(({ width, depth }) => width * depth),
    by(({ width, depth }) => width + depth),
    by(({ width, depth }) => Math.max(width, depth)),
    by(({ width }) => width),
    by(({ depth }) => depth),
  ];
  // Along and across the room: each keeps an order of its own, and they take turns.
  const across = pieces.map((piece) => ({ ...piece, width: piece.depth, depth: piece.width }));
  const ways = [
    new Skyline(pieces, room),
    new Skyline(across, { width: room.depth, depth: room.width }),
  ].map((skyline) => ({ skyline, order: starts[0]?.slice() ?? new Int32Array(0), standing: -1 }));
  let best: { readonly way: number; readonly order: Int32Array; readonly worth: number } = {
    way: 0,
    order: new Int32Array(0),
    worth: -1,
  };
  const keep = (way: number, order: Int32Array, worth: number): void => {
    if (worth > best.worth) best = { way, order: order.slice(), worth };
  };
  for (const [w, way] of ways.entries()) {
    for (const start of starts) {
      const worth = way.skyline.fill(start);
      keep(w, start, worth);
      if (worth <= way.standing) continue;
      way.order.set(start);
      way.standing = worth;
    }
  }
  const changed = new Int32Array(pieces.length);
  for (let n = 0; n < fillings && best.worth < whole - TOLERANCE_MM && pieces.length > 1; n += 1) {
    if (n % 32 === 0 && !hasTime()) break;
    const w = Math.floor(n / TURN) % 2;
    const way = ways[w];
    if (!way) break;
    changed.set(way.order);
    change(changed, random);
    const least = way.standing - whole * START_SHARE * (1 - (n % PERIOD) / PERIOD) ** 2 * random();
    const worth = way.skyline.fill(changed, least);
    if (worth < least) continue;
    way.order.set(changed);
    way.standing = worth;
    keep(w, changed, worth);
  }
  const spots: Spot[] = [];
  const worth = ways[best.way]?.skyline.fill(best.order, 0, spots) ?? 0;
  return {
    worth,
    spots:
      best.way === 0
        ? spots
        : spots.map(({ piece, x, y, isTurned }) => ({ piece, x: y, y: x, isTurned })),
  };
}

/** Fillings after which the other way has its turn. */
const TURN = 500;
/** Of the whole worth: so much worse is taken at the start of a period. */
const START_SHARE = 0.04;
/** Fillings until boldness starts anew. */
const PERIOD = 5000;

/** Swaps two pieces, or moves one. */
function change(order: Int32Array, random: Random): void {
  const i = Math.floor(random() * order.length);
  const j = Math.floor(random() * order.length);
  const moved = order[i]!;
  if (random() < 0.5) {
    order[i] = order[j]!;
    order[j] = moved;
    return;
  }
  if (i < j) order.copyWithin(i, i + 1, j + 1);
  else order.copyWithin(j + 1, j, i);
  order[j] = moved;
}

const isSame = (a: number, b: number): boolean => Math.abs(a - b) <= TOLERANCE_MM;
