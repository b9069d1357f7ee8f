import type { FitContainer } from './model';
import { clearOf, findBayFault, liesOf, type FitQuestion } from './suitability';

/** What every set of stacks that stands keeps: Σ `of(container)` over its stacks <= `most`. */
export interface FloorRow {
  readonly most: number;
  readonly of: (container: FitContainer) => number;
}

interface Rect {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
}

/**
 * Limits on what can stand on a floor, by area and by sizes that shut each other out: of two boxes
 * deeper than half the bay neither can stand behind the other, however little area they take. Each
 * row scales widths and depths by functions that keep what fits within one; the sum of the scaled
 * areas can then be no more than one.
 * Source: dual feasible functions, Fekete and Schepers, "A general framework for bounds for
 * higher-dimensional orthogonal packing problems", 2004. Obstacles that every stack meets are fixed
 * boxes; floor where nothing fits is not counted. The first row is the area.
 */
export function floorRowsOf(request: FitQuestion): readonly FloorRow[] {
  const { x0, x1, y0, y1 } = clearOf(request);
  const gap = request.clearances.between;
  // Of levels beside each other their area tells enough: the walls between them are many.
  if (request.zones)
    return [
      {
        most:
          request.zones.reduce((sum, zone) => sum + (zone.x1 - zone.x0 + gap), 0) * (y1 - y0 + gap),
        of: (container) => footprint(container, gap),
      },
    ];
  const [width, depth] = [x1 - x0 + gap, y1 - y0 + gap];
  if (width <= 0 || depth <= 0) return [{ most: 0, of: () => 1 }];
  const standing = request.containers.filter(
    (container) => findBayFault(request, container) === undefined,
  );
  const lowest = Math.min(...standing.map(({ outer }) => outer.height));
  const fixed = (request.bay.obstacles ?? [])
    .filter((box) => box.z < lowest + gap)
    .map((box): Rect => ({
      x0: Math.max(0, box.x - x0),
      x1: Math.min(width, box.x + box.width + gap - x0),
      y0: Math.max(0, box.y - y0),
      y1: Math.min(depth, box.y + box.depth + gap - y0),
    }))
    .filter((rect) => rect.x1 > rect.x0 && rect.y1 > rect.y0);
  const area: FloorRow = {
    most: usableMm2(standing, fixed, { width, depth, gap }),
    of: (container) => footprint(container, gap),
  };
  // Obstacles that overlap would count twice.
  const apart = fixed.filter((rect, i) =>
    fixed.every(
      (other, j) =>
        j >= i ||
        other.x0 >= rect.x1 ||
        other.x1 <= rect.x0 ||
        other.y0 >= rect.y1 ||
        other.y1 <= rect.y0,
    ),
  );
  const scaled = SCALES.flatMap((across) =>
    SCALES.map((along): FloorRow => ({
      most:
        1 -
        apart.reduce(
          (sum, rect) =>
            sum + across((rect.x1 - rect.x0) / width) * along((rect.y1 - rect.y0) / depth),
          0,
        ) +
        1e-9,
      of: (container) => {
        const lies = liesOf(request, container);
        return lies.length === 0
          ? 1
          : Math.min(...lies.map((lie) => across(lie.width / width) * along(lie.depth / depth)));
      },
    })),
  ).slice(1);
  return [area, ...scaled.filter((row) => standing.some((container) => row.of(container) > 0))];
}

const EPS = 1e-9;
const same = (x: number): number => x;
/**
 * Rounds up to the next k-th where x is none: more than a half counts as whole, more than a third
 * as a half, and so on.
 */
const stepped =
  (k: number) =>
  (x: number): number => {
    const steps = (k + 1) * x;
    return Math.abs(steps - Math.round(steps)) < EPS ? x : Math.floor(steps) / k;
  };
const SCALES: readonly ((x: number) => number)[] = [same, stepped(1), stepped(2)];

/**
 * Floor of one stack with its share of the gaps. A circle gets less of the gap, since a box's
 * corner may reach into it.
 */
function footprint({ outer, shape }: FitContainer, gap: number): number {
  return shape === 'round'
    ? (Math.PI / 4) * (outer.width + gap / 2) ** 2
    : (outer.width + gap) * (outer.depth + gap);
}

/**
 * Floor that some container can cover: the area of all free rectangles that hold at least one of
 * them, or all that is free where circles may reach around a corner.
 */
function usableMm2(
  standing: readonly FitContainer[],
  fixed: readonly Rect[],
  { width, depth, gap }: { readonly width: number; readonly depth: number; readonly gap: number },
): number {
  const xs = sortedUnique([0, width, ...fixed.flatMap((rect) => [rect.x0, rect.x1])]);
  const ys = sortedUnique([0, depth, ...fixed.flatMap((rect) => [rect.y0, rect.y1])]);
  const isFree = (rect: Rect) =>
    fixed.every(
      (other) =>
        other.x0 >= rect.x1 || other.x1 <= rect.x0 || other.y0 >= rect.y1 || other.y1 <= rect.y0,
    );
  const holds = (rect: Rect) =>
    standing.some((container) => {
      if (container.shape === 'round') return true;
      const [w, d] = [container.outer.width + gap, container.outer.depth + gap];
      const [a, b] = [rect.x1 - rect.x0 + 1e-6, rect.y1 - rect.y0 + 1e-6];
      return (w <= a && d <= b) || ((container.turnable ?? true) && d <= a && w <= b);
    });
  const covered = xs.slice(1).map(() => ys.slice(1).map(() => false));
  for (let i = 0; i + 1 < xs.length; i += 1)
    for (let j = i + 1; j < xs.length; j += 1)
      for (let k = 0; k + 1 < ys.length; k += 1)
        for (let l = k + 1; l < ys.length; l += 1) {
          const rect = { x0: xs[i]!, x1: xs[j]!, y0: ys[k]!, y1: ys[l]! };
          if (!isFree(rect) || !holds(rect)) continue;
          for (let a = i; a < j; a += 1)
            for (let b = k; b < l; b += 1) {
              const column = covered[a];
              if (column) column[b] = true;
            }
        }
  return covered.reduce(
    (sum, column, a) =>
      sum +
      column.reduce(
        (part, is, b) => part + (is ? (xs[a + 1]! - xs[a]!) * (ys[b + 1]! - ys[b]!) : 0),
        0,
      ),
    0,
  );
}

const sortedUnique = (values: readonly number[]): number[] =>
  [...new Set(values)].sort((a, b) => a - b);
