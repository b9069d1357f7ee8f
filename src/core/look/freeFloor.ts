import { largestFreeBoxOf, type Box } from '../shared';
import type { Footprint } from './placeInPlan';
import {
  isInside,
  outsideRects,
  rectsOverlap,
  type Outline,
  type Point,
  type Rect,
} from './traceWalls';

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

/**
 * The middle of a room's floor: the centre of its area or, where that lies outside, as in an L, the centre of its
 * largest rectangle. Source: the centroid of a polygon by the shoelace sums.
 */
export function middleOfFloor(outline: Outline): Point {
  let [area, x, y] = [0, 0, 0];
  for (const { from, to } of outline.walls) {
    const cross = from.x * to.y - to.x * from.y;
    area += cross / 2;
    x += ((from.x + to.x) * cross) / 6;
    y += ((from.y + to.y) * cross) / 6;
  }
  const centre = { x: x / area, y: y / area };
  const spot = { x: centre.x - 1, y: centre.y - 1, width: 2, depth: 2 };
  if (area > 0 && isInside(outline, spot)) return centre;
  const largest = largestFreeFloor(outline, []);
  return { x: largest.x + largest.width / 2, y: largest.y + largest.depth / 2 };
}
