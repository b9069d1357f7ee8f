import { MM3_PER_LITRE } from './quantity';

/** An upright box in mm. Origin: front left bottom corner; x right, y back, z up. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly width: number;
  readonly depth: number;
  readonly height: number;
}
type Space = Pick<Box, 'width' | 'depth' | 'height'>;

/** Whether two boxes share inner space, or come closer than `gapMm` along every axis at once. */
export function boxesOverlap(a: Box, b: Box, gapMm = 0): boolean {
  return (
    a.x < b.x + b.width + gapMm &&
    b.x < a.x + a.width + gapMm &&
    a.y < b.y + b.depth + gapMm &&
    b.y < a.y + a.depth + gapMm &&
    a.z < b.z + b.height + gapMm &&
    b.z < a.z + a.height + gapMm
  );
}

/** Obstacles from the lowest up, so that a column's free stretches are found in one sweep. */
const fromBelow = (obstacles: readonly Box[]): readonly Box[] =>
  [...obstacles].sort((a, b) => a.z - b.z);

/**
 * Litres of a space that no obstacle takes, overlaps counted once: a sweep over the obstacles'
 * coordinates along x and y, and the union of their heights in each column. O(n³) for n obstacles.
 */
export function freeLitresOf(space: Space, obstacles: readonly Box[]): number {
  const boxes = fromBelow(obstacles);
  const xs = cutsOf(
    boxes.flatMap((box) => [box.x, box.x + box.width]),
    space.width,
  );
  const ys = cutsOf(
    boxes.flatMap((box) => [box.y, box.y + box.depth]),
    space.depth,
  );
  let freeMm3 = 0;
  for (let i = 1; i < xs.length; i += 1) {
    const [left, right] = [xs[i - 1]!, xs[i]!];
    const inX = boxes.filter((box) => box.x < right && box.x + box.width > left);
    for (let j = 1; j < ys.length; j += 1) {
      const [front, back] = [ys[j - 1]!, ys[j]!];
      freeMm3 +=
        (right - left) *
        (back - front) *
        (space.height - coveredMm(inX, { front, back, height: space.height }));
    }
  }
  return freeMm3 / MM3_PER_LITRE;
}

/** The distinct coordinates inside `[0, end]`, with both ends, in order. */
const cutsOf = (coordinates: readonly number[], end: number): number[] =>
  [...new Set([0, end, ...coordinates])]
    .filter((cut) => cut >= 0 && cut <= end)
    .sort((a, b) => a - b);

interface Column {
  readonly front: number;
  readonly back: number;
  readonly height: number;
}

/**
 * How much of a column's height the boxes that stand in it take, overlaps once. Requires: boxes
 * from below.
 */
function coveredMm(boxes: readonly Box[], { front, back, height }: Column): number {
  let covered = 0;
  let reached = 0;
  for (const box of boxes) {
    if (box.y >= back || box.y + box.depth <= front) continue;
    const top = Math.min(box.z + box.height, height);
    covered += Math.max(0, top - Math.max(box.z, reached));
    reached = Math.max(reached, top);
  }
  return covered;
}

/**
 * The largest upright box that fits into a space beside its obstacles, by volume. Each face of such a
 * box lies on the space's edge or on an obstacle's face, so ranges between those are tried along x
 * and y, and the widest gap along z. O(n⁵) at worst; a range that cannot beat the best is passed over.
 * What has to pass an opening is at most `most` wide and high.
 * Ensures: lies inside the space and shares no inner space with an obstacle. All zero where nothing is free.
 */
export function largestFreeBoxOf(
  space: Space,
  obstacles: readonly Box[],
  most: { readonly width?: number | undefined; readonly height?: number | undefined } = {},
): Box {
  let best: Box = { x: 0, y: 0, z: 0, width: 0, depth: 0, height: 0 };
  let bestMm3 = 0;
  const { width: mostWidth = Infinity, height: mostHeight = Infinity } = most;
  const boxes = fromBelow(obstacles);
  const ends = (faces: readonly number[], end: number) => [
    end,
    ...faces.filter((face) => face > 0 && face < end),
  ];
  const starts = (faces: readonly number[], end: number) => [
    0,
    ...faces.filter((face) => face > 0 && face < end),
  ];
  const rights = ends(
    boxes.map((box) => box.x),
    space.width,
  );
  for (const left of starts(
    boxes.map((box) => box.x + box.width),
    space.width,
  )) {
    for (const right of rights) {
      const width = Math.min(right - left, mostWidth);
      if (width <= 0 || width * space.depth * space.height <= bestMm3) continue;
      const inX = boxes.filter((box) => box.x < right && box.x + box.width > left);
      const backs = ends(
        inX.map((box) => box.y),
        space.depth,
      );
      for (const front of starts(
        inX.map((box) => box.y + box.depth),
        space.depth,
      )) {
        for (const back of backs) {
          const areaMm2 = width * (back - front);
          if (back <= front || areaMm2 * space.height <= bestMm3) continue;
          const gap = widestGap(inX, { front, back, height: space.height });
          const height = Math.min(gap.height, mostHeight);
          if (areaMm2 * height <= bestMm3) continue;
          bestMm3 = areaMm2 * height;
          best = { x: left, y: front, z: gap.z, width, depth: back - front, height };
        }
      }
    }
  }
  return best;
}

/** The highest free stretch of a column. Requires: boxes from below. */
function widestGap(
  boxes: readonly Box[],
  { front, back, height }: Column,
): Pick<Box, 'z' | 'height'> {
  let best = { z: 0, height: 0 };
  let reached = 0;
  for (const box of boxes) {
    if (box.y >= back || box.y + box.depth <= front) continue;
    const bottom = Math.min(box.z, height);
    if (bottom - reached > best.height) best = { z: reached, height: bottom - reached };
    reached = Math.max(reached, box.z + box.height);
  }
  return height - reached > best.height ? { z: reached, height: height - reached } : best;
}
