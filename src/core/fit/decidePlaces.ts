import { addBlocked, otherMassG } from './floor';
import { MAX_BLOCKING_G, type Pile } from './piles';
import type { Lie } from './suitability';

/** A pile that is to be placed. */
export interface Block {
  readonly pile: Pile;
  /** The ways round that it may lie, its gap included. */
  readonly lies: readonly Lie[];
}
/** Where a block stands, front left corner, and how it lies. */
export interface Decided {
  readonly x: number;
  readonly y: number;
  readonly lie: Lie;
}
/**
 * A rectangle that keeps its place, its gap included. Blocks that are no higher than `fromMm` go
 * under it.
 */
export interface Fixed {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly depth: number;
  readonly fromMm: number;
}
export interface Room {
  readonly width: number;
  readonly depth: number;
  readonly fixed: readonly Fixed[];
  /** Nothing needs to be lifted out of the way. */
  readonly isPullOut: boolean;
}

/** How one block lies to another: bits of a set. */
const LEFT = 1;
const RIGHT = 2;
const BEFORE = 4;
const BEHIND = 8;
const EPS = 1e-6;
/** Of one way alone the way back; 0 for sets of several. */
const OPPOSITE = new Uint8Array(16);
OPPOSITE[LEFT] = RIGHT;
OPPOSITE[RIGHT] = LEFT;
OPPOSITE[BEFORE] = BEHIND;
OPPOSITE[BEHIND] = BEFORE;

/**
 * Decides whether blocks can be placed without overlap and with all ways out kept: where each of
 * them stands, 'none' where
 * there is no way at all, undefined where the steps or the time ended it. The largest come first:
 * each is given a way round, then of every two one is
 * left or right of, or before or behind the other; what is chosen narrows where they can be, and
 * what is left of the ways for the others.
 * Source: the disjunctive model of orthogonal packing with constraint propagation, Clautiaux et
 * al., "A new constraint
 * programming approach for the orthogonal packing problem", 2008.
 */
export function decidePlaces(
  blocks: readonly Block[],
  room: Room,
  { mostSteps, hasTime }: { readonly mostSteps: number; readonly hasTime: () => boolean },
): { readonly places: readonly Decided[] | 'none' | undefined; readonly taken: number } {
  const areaOf = ({ lies }: Block): number =>
    Math.max(0, ...lies.map(({ width, depth }) => width * depth));
  const order = [...blocks.keys()].sort(
    (a, b) => areaOf(blocks[b] as Block) - areaOf(blocks[a] as Block),
  );
  const placing = new Placing(
    order.flatMap((i) => blocks[i] ?? []),
    room,
  );
  const found = placing.decide(mostSteps, hasTime);
  const places =
    typeof found === 'object' ? blocks.flatMap((_, i) => found[order.indexOf(i)] ?? []) : found;
  return { places, taken: placing.steps };
}

interface State {
  /** First and last place of each block, front left corner; the fixed ones after the blocks. */
  readonly xFrom: Float64Array;
  readonly xTo: Float64Array;
  readonly yFrom: Float64Array;
  readonly yTo: Float64Array;
  /** Of each as it lies; the lesser side both ways where that is not chosen yet. */
  readonly widths: Float64Array;
  readonly depths: Float64Array;
  /** So many blocks have their way round. */
  readonly lain: number;
  /** Ways that are left of each pair; 0 where any way will do. */
  readonly ways: Uint8Array;
}

class Placing {
  private readonly count: number;
  private readonly all: number;
  /**
   * In the way of each level of each pile: from the levels above it, and from each other pile were
   * it in front.
   */
  private readonly ownG: readonly Float64Array[];
  private readonly gramsOf: readonly (readonly (Float64Array | undefined)[])[];
  steps = 0;

  constructor(
    private readonly blocks: readonly Block[],
    private readonly room: Room,
  ) {
    this.count = blocks.length;
    this.all = blocks.length + room.fixed.length;
    this.ownG = blocks.map(({ pile: { levels } }) =>
      Float64Array.from(levels, (level, l) => otherMassG(levels.slice(l + 1), level)),
    );
    this.gramsOf = blocks.map(({ pile: front }) =>
      blocks.map(({ pile: back }) => {
        const grams = back.levels.map(() => 0);
        addBlocked(grams, back, front);
        return grams.some((gram) => gram > 0) ? Float64Array.from(grams) : undefined;
      }),
    );
  }

  decide(mostSteps: number, hasTime: () => boolean): readonly Decided[] | 'none' | undefined {
    const visit = (state: State): State | 'none' | undefined => {
      this.steps += 1;
      if (this.steps > mostSteps || (this.steps % 64 === 0 && !hasTime())) return undefined;
      if (!this.narrow(state)) return 'none';
      const branches = this.branch(state);
      if (!branches) return state;
      for (const next of branches) {
        const found = visit(next);
        if (found !== 'none') return found;
      }
      return 'none';
    };
    const found = visit(this.start());
    if (found === 'none' || found === undefined) return found;
    return this.blocks.map((_, i) => ({
      x: found.xFrom[i]!,
      y: found.yFrom[i]!,
      lie: { width: found.widths[i]!, depth: found.depths[i]! },
    }));
  }

  /**
   * What comes next: the ways of a pair of blocks that lie, or the lies of the next block;
   * undefined where all is chosen.
   */
  private branch(state: State): State[] | undefined {
    const copy = (): State => ({
      xFrom: state.xFrom.slice(),
      xTo: state.xTo.slice(),
      yFrom: state.yFrom.slice(),
      yTo: state.yTo.slice(),
      widths: state.widths.slice(),
      depths: state.depths.slice(),
      lain: state.lain,
      ways: state.ways.slice(),
    });
    const pair = this.pickPair(state);
    if (pair >= 0) {
      return [BEFORE, BEHIND, LEFT, RIGHT]
        .filter((way) => (state.ways[pair]! & way) !== 0)
        .map((way) => {
          const next = copy();
          next.ways[pair] = way;
          return next;
        });
    }
    const i = state.lain;
    return this.blocks[i]?.lies.map(({ width, depth }) => {
      const next = copy();
      next.widths[i] = width;
      next.depths[i] = depth;
      next.xTo[i] = Math.min(next.xTo[i]!, this.room.width - width);
      next.yTo[i] = Math.min(next.yTo[i]!, this.room.depth - depth);
      return { ...next, lain: i + 1 };
    });
  }

  private start(): State {
    const { blocks, room } = this;
    const all = (of: (block: Block) => number, fixed: (box: Fixed) => number) =>
      Float64Array.from([...blocks.map(of), ...room.fixed.map(fixed)]);
    const leastWidth = ({ lies }: Block): number => Math.min(...lies.map(({ width }) => width));
    const leastDepth = ({ lies }: Block): number => Math.min(...lies.map(({ depth }) => depth));
    const ways = new Uint8Array(this.all * this.all);
    const heightOf = ({ pile: { container, levels } }: Block): number =>
      container.outer.height * levels.length;
    const isEqual = (a: Block, b: Block | undefined): boolean =>
      b !== undefined &&
      a.pile.container === b.pile.container &&
      a.pile.levels.length === b.pile.levels.length &&
      a.pile.levels.every(({ kind }, l) => kind === b.pile.levels[l]?.kind);
    blocks.forEach((block, i) => {
      for (let j = i + 1; j < this.all; j += 1) {
        const fixed = room.fixed[j - this.count];
        if (fixed && heightOf(block) <= fixed.fromMm + EPS) continue;
        // Equal ones are told apart by their order: of any there is one that is left of or before
        // each of the others.
        ways[i * this.all + j] = isEqual(block, blocks[j])
          ? LEFT | BEFORE
          : LEFT | RIGHT | BEFORE | BEHIND;
      }
    });
    const xTo = all(
      (block) => room.width - leastWidth(block),
      ({ x }) => x,
    );
    // Where nothing is fixed the mirror image does as well: a block that has no equal keeps to the left half.
    const alone = blocks.findIndex((block, i) =>
      blocks.every((other, j) => i === j || !isEqual(block, other)),
    );
    if (room.fixed.length === 0 && alone >= 0) xTo[alone] = xTo[alone]! / 2 + EPS;
    return {
      xFrom: all(
        () => 0,
        ({ x }) => x,
      ),
      xTo,
      yFrom: all(
        () => 0,
        ({ y }) => y,
      ),
      yTo: all(
        (block) => room.depth - leastDepth(block),
        ({ y }) => y,
      ),
      widths: all(leastWidth, ({ width }) => width),
      depths: all(leastDepth, ({ depth }) => depth),
      lain: 0,
      ways,
    };
  }

  /**
   * Takes out the ways that are not left, and narrows the places by those that are sure; false
   * where a pair has none.
   */
  private narrow(state: State): boolean {
    const { xFrom, xTo, yFrom, yTo, widths, depths, ways } = state;
    for (let i = 0; i < this.count; i += 1)
      if (xFrom[i]! > xTo[i]! + EPS || yFrom[i]! > yTo[i]! + EPS) return false;
    for (let hasMoved = true; hasMoved;) {
      hasMoved = false;
      for (let i = 0; i < this.count; i += 1) {
        for (let j = i + 1; j < this.all; j += 1) {
          const at = i * this.all + j;
          const before = ways[at]!;
          if (before === 0) continue;
          const left = this.waysLeft(state, i, j, before);
          if (left === 0) return false;
          if (left !== before) {
            ways[at] = left;
            hasMoved = true;
          }
          const moved = pushApart(state, i, j, left);
          if (moved < 0) return false;
          if (moved > 0) hasMoved = true;
        }
      }
    }
    return (
      this.fitsAlong(yFrom, yTo, depths, widths, this.room.width) &&
      this.fitsAlong(xFrom, xTo, widths, depths, this.room.depth)
    );
  }

  /** Of the ways of a pair, those for which there is room and that leave every way out. */
  private waysLeft(state: State, i: number, j: number, before: number): number {
    const { xFrom, xTo, yFrom, yTo, widths, depths, ways } = state;
    let left = before;
    if ((left & LEFT) !== 0 && xFrom[i]! + widths[i]! > xTo[j]! + EPS) left &= ~LEFT;
    if ((left & RIGHT) !== 0 && xFrom[j]! + widths[j]! > xTo[i]! + EPS) left &= ~RIGHT;
    if (
      (left & BEFORE) !== 0 &&
      (yFrom[i]! + depths[i]! > yTo[j]! + EPS || !this.mayBlock(ways, i, j))
    )
      left &= ~BEFORE;
    if (
      (left & BEHIND) !== 0 &&
      (yFrom[j]! + depths[j]! > yTo[i]! + EPS || !this.mayBlock(ways, j, i))
    )
      left &= ~BEHIND;
    return left;
  }

  /** Whether what surely lies on one line goes in side by side. */
  private fitsAlong(
    from: Float64Array,
    to: Float64Array,
    lengths: Float64Array,
    sizes: Float64Array,
    most: number,
  ): boolean {
    for (let i = 0; i < this.count; i += 1) {
      const at = to[i]!;
      if (at >= from[i]! + lengths[i]! - EPS) continue;
      let sum = 0;
      for (let j = 0; j < this.count; j += 1)
        if (to[j]! <= at + EPS && from[j]! + lengths[j]! > at + EPS) sum += sizes[j]!;
      if (sum > most + EPS) return false;
    }
    return true;
  }

  /** Whether block i may stand before block j, with what surely stands before that already. */
  private mayBlock(ways: Uint8Array, i: number, j: number): boolean {
    const grams = this.gramsOf[i]?.[j];
    const levels = this.blocks[j]?.pile.levels;
    if (!grams || !levels) return true;
    for (let l = 0; l < levels.length; l += 1) {
      if (grams[l]! === 0) continue;
      if (levels[l]?.group.front) return false;
      if (this.room.isPullOut) continue;
      let massG = grams[l]! + (this.ownG[j]?.[l] ?? 0);
      for (let k = 0; k < this.count; k += 1)
        if (k !== i && k !== j && this.wayOf(ways, k, j) === BEFORE)
          massG += this.gramsOf[k]?.[j]?.[l] ?? 0;
      if (massG > MAX_BLOCKING_G + EPS) return false;
    }
    return true;
  }

  private wayOf(ways: Uint8Array, i: number, j: number): number {
    if (i < j) return ways[i * this.all + j]!;
    return OPPOSITE[ways[j * this.all + i]!]!;
  }

  /**
   * The pair with the fewest ways, of those the two that take most room, among the blocks that lie;
   * -1 where every pair of them is sure.
   */
  private pickPair(state: State): number {
    const { widths, depths, lain } = state;
    let best = -1;
    let bestScore = -Infinity;
    for (let i = 0; i < lain; i += 1) {
      for (let j = i + 1; j < this.all; j += 1) {
        if (j >= lain && j < this.count) continue;
        const ways = state.ways[i * this.all + j]!;
        const left = countBits(ways);
        if (left < 2 || this.isApart(state, i, j)) continue;
        const score = (widths[i]! * depths[i]! + widths[j]! * depths[j]!) / 4 ** left;
        if (score <= bestScore) continue;
        bestScore = score;
        best = i * this.all + j;
      }
    }
    return best;
  }

  /** Left or right of each other wherever they are put. */
  private isApart({ xFrom, xTo, widths }: State, i: number, j: number): boolean {
    return xTo[i]! + widths[i]! <= xFrom[j]! + EPS || xTo[j]! + widths[j]! <= xFrom[i]! + EPS;
  }
}

/** Where one way is left, it is kept to; as `push` says, 0 where several are left. */
function pushApart(state: State, i: number, j: number, left: number): number {
  const { xFrom, xTo, yFrom, yTo, widths, depths } = state;
  switch (left) {
    case LEFT:
      return push(xFrom, xTo, widths, i, j);
    case RIGHT:
      return push(xFrom, xTo, widths, j, i);
    case BEFORE:
      return push(yFrom, yTo, depths, i, j);
    case BEHIND:
      return push(yFrom, yTo, depths, j, i);
    default:
      return 0;
  }
}

/** The one comes before the other; -1 where there is no room for that, 1 where something moved. */
function push(
  from: Float64Array,
  to: Float64Array,
  sizes: Float64Array,
  i: number,
  j: number,
): number {
  const least = from[i]! + sizes[i]!;
  const most = to[j]! - sizes[i]!;
  let moved = 0;
  if (least > from[j]! + EPS) {
    from[j] = least;
    moved = 1;
  }
  if (most < to[i]! - EPS) {
    to[i] = most;
    moved = 1;
  }
  return from[j]! > to[j]! + EPS || from[i]! > to[i]! + EPS ? -1 : moved;
}

const countBits = (ways: number): number =>
  (ways & 1) + ((ways >> 1) & 1) + ((ways >> 2) & 1) + ((ways >> 3) & 1);
