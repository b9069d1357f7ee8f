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

/** Whether two boxes share inner space, or come closer than `gapMm` along every axis at once. */
export function boxesOverlap(a: Box, b: Box, gapMm = 0): boolean {
  return (
    a.x < b.x + b.width + gapMm && b.x < a.x + a.width + gapMm &&
    a.y < b.y + b.depth + gapMm && b.y < a.y + a.depth + gapMm &&
    a.z < b.z + b.height + gapMm && b.z < a.z + a.height + gapMm
  );
}

/**
 * Litres of a space that no obstacle takes, overlaps counted once, by a sweep over the obstacles'
 * coordinates. O(n³) cells for n obstacles, each tested against all.
 */
export function freeLitresOf(
  space: { readonly width: number; readonly depth: number; readonly height: number },
  obstacles: readonly Box[],
): number {
  const cutsOf = (from: (box: Box) => number, size: (box: Box) => number, end: number) =>
    [...new Set([0, end, ...obstacles.flatMap((box) => [from(box), from(box) + size(box)])])]
      .filter((cut) => cut >= 0 && cut <= end)
      .sort((a, b) => a - b);
  const xs = cutsOf((box) => box.x, (box) => box.width, space.width);
  const ys = cutsOf((box) => box.y, (box) => box.depth, space.depth);
  const zs = cutsOf((box) => box.z, (box) => box.height, space.height);
  let freeMm3 = 0;
  for (const [x, width] of cells(xs))
    for (const [y, depth] of cells(ys))
      for (const [z, height] of cells(zs)) {
        const cell = { x, y, z, width, depth, height };
        if (!obstacles.some((box) => boxesOverlap(box, cell))) freeMm3 += width * depth * height;
      }
  return freeMm3 / MM3_PER_LITRE;
}

/** Neighbouring cuts as [start, size] pairs. */
const cells = (cuts: readonly number[]): (readonly [number, number])[] =>
  cuts.slice(1).map((end, i) => [cuts[i] ?? 0, end - (cuts[i] ?? 0)]);
