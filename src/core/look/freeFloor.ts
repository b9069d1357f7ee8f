import { largestFreeBoxOf, type Box } from '../shared';
import type { Footprint } from './placeInPlan';
import { outsideRects, rectsOverlap, type Outline, type Rect } from './traceWalls';

/**
 * A free rectangle of a size, either way round, or undefined where there is none. Exact: a rectangle
 * that is free somewhere is still free pushed left and then up until it touches something, so only
 * such corners are tried. O(n³) for n walls and obstacles.
 */
export function findFreeFloor(
  outline: Outline,
  taken: readonly Rect[],
  size: Footprint,
): Rect | undefined {
  const blocked = [...taken, ...outsideRects(outline)];
  const lefts = [0, ...blocked.map((rect) => rect.x + rect.width)];
  const tops = [0, ...blocked.map((rect) => rect.y + rect.depth)];
  for (const [width, depth] of [
    [size.widthMm, size.depthMm],
    [size.depthMm, size.widthMm],
  ] as const) {
    for (const x of lefts) {
      for (const y of tops) {
        const rect = { x, y, width, depth };
        const isWithin =
          x >= 0 &&
          y >= 0 &&
          x + width <= outline.widthMm + 0.5 &&
          y + depth <= outline.depthMm + 0.5;
        if (isWithin && !blocked.some((other) => rectsOverlap(rect, other))) return rect;
      }
    }
  }
  return undefined;
}

/** The largest free rectangle of a floor, by area; of no size where nothing is free. */
export function largestFreeFloor(outline: Outline, taken: readonly Rect[]): Rect {
  const obstacles = [...taken, ...outsideRects(outline)].map((rect): Box => ({
    ...rect,
    z: 0,
    height: 1,
  }));
  const { x, y, width, depth } = largestFreeBoxOf(
    { width: outline.widthMm, depth: outline.depthMm, height: 1 },
    obstacles,
  );
  return { x, y, width, depth };
}
