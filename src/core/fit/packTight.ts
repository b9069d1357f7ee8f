import { Floor, type Packing, type Place } from './floor';
import type { FitRequest } from './model';
import type { Pile } from './piles';
import { clearOf } from './suitability';

const TOLERANCE_MM = 1e-6;
/** Below this share of the floor the orders of packPiles find what there is to find. */
const TIGHT_FILL = 0.9;
const MOST_PILES = 40;

/** A pile and its place, with the gap, seen along or across the bay. */
interface Spot extends Place {
  readonly pile: Pile;
}

/** Floor that these piles leave, as a share of it; below zero where they are too many. */
export function spareShareOf(request: FitRequest, piles: readonly Pile[]): number {
  const { x0, x1, y0, y1 } = clearOf(request);
  const gap = request.clearances.between;
  const floorMm2 = Math.max(1, (x1 - x0 + gap) * (y1 - y0 + gap));
  return (
    1 -
    piles.reduce(
      (sum, { container: { outer } }) => sum + (outer.width + gap) * (outer.depth + gap),
      0,
    ) /
      floorMm2
  );
}

/**
 * Searches for a filling that leaves hardly any floor: always at the frontmost, leftmost notch of
 * what stands, with every size that goes in, back and forth, as long as the floor given up behind
 * what stands is no more than there is to spare. Finds complete fillings that no order of placing
 * one after the other finds. For bays without obstacles. Undefined where there is none or the time ends.
 */
export function packTight(
  request: FitRequest,
  piles: readonly Pile[],
  { hasTime, nodeLimit }: { readonly hasTime: () => boolean; readonly nodeLimit: number },
): Packing | undefined {
  const { x0, x1, y0, y1 } = clearOf(request);
  const gap = request.clearances.between;
  const [width, depth] = [x1 - x0 + gap, y1 - y0 + gap];
  const areaOf = (pile: Pile) =>
    (pile.container.outer.width + gap) * (pile.container.outer.depth + gap);
  const spareMm2 = width * depth - piles.reduce((sum, pile) => sum + areaOf(pile), 0);
  const isMeant =
    (request.bay.obstacles ?? []).length === 0 &&
    piles.length <= MOST_PILES &&
    spareMm2 >= -TOLERANCE_MM &&
    spareMm2 <= (1 - TIGHT_FILL) * width * depth;
  if (!isMeant) return undefined;
  // Three orders, along and across: each gets its share of the nodes.
  for (const order of ['large', 'wide', 'deep'] as const) {
    for (const isAcross of [false, true]) {
      const search = new NotchSearch({
        piles: sortPiles(piles, order),
        width: isAcross ? depth : width,
        depth: isAcross ? width : depth,
        gap,
        spareMm2,
        isAcross,
      });
      const found = search.run(request, hasTime, nodeLimit / 6);
      if (found) return found;
    }
  }
  return undefined;
}

function sortPiles(piles: readonly Pile[], order: 'large' | 'wide' | 'deep'): Pile[] {
  const measure = ({ container: { outer } }: Pile) => {
    if (order === 'large') return outer.width * outer.depth;
    return order === 'wide'
      ? Math.max(outer.width, outer.depth)
      : Math.min(outer.width, outer.depth);
  };
  return [...piles].sort((a, b) => measure(b) - measure(a));
}

/** The edge of what stands, as steps along x: how deep it reaches. */
interface Step {
  readonly x: number;
  readonly width: number;
  readonly y: number;
}

class NotchSearch {
  private nodes = 0;
  private readonly spots: Spot[] = [];
  private readonly isUsed: boolean[];

  constructor(
    private readonly task: {
      readonly piles: readonly Pile[];
      readonly width: number;
      readonly depth: number;
      readonly gap: number;
      readonly spareMm2: number;
      readonly isAcross: boolean;
    },
  ) {
    this.isUsed = task.piles.map(() => false);
  }

  run(request: FitRequest, hasTime: () => boolean, nodeLimit: number): Packing | undefined {
    const visit = (steps: readonly Step[], spareMm2: number): Packing | undefined => {
      if (this.spots.length === this.task.piles.length) return this.check(request);
      this.nodes += 1;
      if (this.nodes > nodeLimit || (this.nodes % 256 === 0 && !hasTime())) return undefined;
      const at = lowestStep(steps);
      const step = steps[at];
      if (!step) return undefined;
      const tried = new Set<string>();
      for (const [i, pile] of this.task.piles.entries()) {
        if (this.isUsed[i]) continue;
        for (const size of this.sizesOf(pile)) {
          const key = `${size.width}/${size.depth}/${pile.levels[0]?.group.id}/${pile.levels.length}`;
          if (!this.goesIn(size, step) || tried.has(key)) continue;
          tried.add(key);
          this.isUsed[i] = true;
          this.spots.push({ pile, x: step.x, y: step.y, ...size });
          const found = visit(raise(steps, at, size), spareMm2);
          if (found) return found;
          this.spots.pop();
          this.isUsed[i] = false;
          if (this.nodes > nodeLimit) return undefined;
        }
      }
      // Nothing goes here: the notch is given up to its lower neighbour's height.
      const level = Math.min(
        steps[at - 1]?.y ?? Infinity,
        steps[at + 1]?.y ?? Infinity,
        this.task.depth,
      );
      const lostMm2 = (level - step.y) * step.width;
      if (lostMm2 > spareMm2 + TOLERANCE_MM || level <= step.y) return undefined;
      return visit(
        merge(steps.map((other, i) => (i === at ? { ...other, y: level } : other))),
        spareMm2 - lostMm2,
      );
    };
    return visit([{ x: 0, width: this.task.width, y: 0 }], this.task.spareMm2);
  }

  private goesIn(size: { readonly width: number; readonly depth: number }, step: Step): boolean {
    return (
      size.width <= step.width + TOLERANCE_MM &&
      step.y + size.depth <= this.task.depth + TOLERANCE_MM
    );
  }

  /** With the gap, seen along or across the bay. */
  private sizesOf({ container }: Pile): readonly {
    readonly width: number;
    readonly depth: number;
    readonly turned: boolean;
  }[] {
    const { gap, isAcross } = this.task;
    const [w, d] = [container.outer.width + gap, container.outer.depth + gap];
    const straight = { width: isAcross ? d : w, depth: isAcross ? w : d, turned: false };
    const canTurn = (container.turnable ?? true) && container.shape !== 'round' && w !== d;
    return canTurn
      ? [straight, { width: straight.depth, depth: straight.width, turned: true }]
      : [straight];
  }

  /** Whether every way out is kept; front and back, left and right can be swapped until one does. */
  private check(request: FitRequest): Packing | undefined {
    const { gap, isAcross } = this.task;
    const clear = clearOf(request);
    const [wide, deep] = [clear.x1 - clear.x0 + gap, clear.y1 - clear.y0 + gap];
    for (const isFlipped of [false, true]) {
      const floor = new Floor(request);
      const stands = this.spots.every(({ pile, turned, ...spot }) => {
        const [x, y, w, d] = isAcross
          ? [spot.y, spot.x, spot.depth, spot.width]
          : [spot.x, spot.y, spot.width, spot.depth];
        return floor.standAt(pile, {
          x: clear.x0 + (isFlipped ? wide - x - w : x),
          y: clear.y0 + (isFlipped ? deep - y - d : y),
          width: w - gap,
          depth: d - gap,
          turned,
        });
      });
      if (stands) return floor.packing;
    }
    return undefined;
  }
}

function lowestStep(steps: readonly Step[]): number {
  let best = 0;
  for (let i = 1; i < steps.length; i += 1)
    if ((steps[i]?.y ?? 0) < (steps[best]?.y ?? 0) - TOLERANCE_MM) best = i;
  return best;
}

function raise(
  steps: readonly Step[],
  at: number,
  size: { readonly width: number; readonly depth: number },
): Step[] {
  const step = steps[at];
  if (!step) return [...steps];
  const rest = step.width - size.width;
  const raised = [
    { x: step.x, width: size.width, y: step.y + size.depth },
    ...(rest > TOLERANCE_MM ? [{ x: step.x + size.width, width: rest, y: step.y }] : []),
  ];
  return merge([...steps.slice(0, at), ...raised, ...steps.slice(at + 1)]);
}

function merge(steps: readonly Step[]): Step[] {
  const merged: Step[] = [];
  for (const step of steps) {
    const last = merged[merged.length - 1];
    if (last && Math.abs(last.y - step.y) <= TOLERANCE_MM)
      merged[merged.length - 1] = { ...last, width: last.width + step.width };
    else merged.push(step);
  }
  return merged;
}
