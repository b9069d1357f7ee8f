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
    a.x < b.x + b.width + gapMm && b.x < a.x + a.width + gapMm &&
    a.y < b.y + b.depth + gapMm && b.y < a.y + a.depth + gapMm &&
    a.z < b.z + b.height + gapMm && b.z < a.z + a.height + gapMm
  );
}

/** A range along one axis, `[from, to)`, of the obstacle that has it. */
interface Span {
  readonly from: number;
  readonly to: number;
  readonly box: Box;
}
const spansOf = (boxes: readonly Box[], axis: 'x' | 'y' | 'z'): Span[] => {
  const size = axis === 'x' ? 'width' : axis === 'y' ? 'depth' : 'height';
  return boxes.map((box) => ({ from: box[axis], to: box[axis] + box[size], box }));
};

/**
 * Litres of a space that no obstacle takes, overlaps counted once: a sweep over the obstacles'
 * coordinates along x and y, and the union of their heights in each column. O(n³) for n obstacles.
 */
export function freeLitresOf(space: Space, obstacles: readonly Box[]): number {
  let freeMm3 = 0;
  for (const [x, width] of slabs(spansOf(obstacles, 'x'), space.width)) {
    const inX = obstacles.filter((box) => box.x < x + width && box.x + box.width > x);
    for (const [y, depth] of slabs(spansOf(inX, 'y'), space.depth)) {
      const inY = inX.filter((box) => box.y < y + depth && box.y + box.depth > y);
      freeMm3 += width * depth * (space.height - coveredMm(spansOf(inY, 'z'), space.height));
    }
  }
  return freeMm3 / MM3_PER_LITRE;
}

/** The ranges between neighbouring cuts, as [start, size]. */
function slabs(spans: readonly Span[], end: number): (readonly [number, number])[] {
  const cuts = [...new Set([0, end, ...spans.flatMap(({ from, to }) => [from, to])])]
    .filter((cut) => cut >= 0 && cut <= end)
    .sort((a, b) => a - b);
  return cuts.slice(1).map((cut, i) => [cuts[i] ?? 0, cut - (cuts[i] ?? 0)]);
}

/** Length of the union of ranges within `[0, end)`. */
function coveredMm(spans: readonly Span[], end: number): number {
  let covered = 0;
  let reached = 0;
  for (const { from, to } of [...spans].sort((a, b) => a.from - b.from)) {
    const start = Math.max(from, reached);
    const stop = Math.min(to, end);
    if (stop > start) covered += stop - start;
    reached = Math.max(reached, stop);
  }
  return covered;
}

/**
 * The largest upright box that fits into a space beside its obstacles, by volume. Each face of such a
 * box lies on the space's edge or on an obstacle's face, so ranges between those are tried along x
 * and y, and the widest gap along z. O(n⁴ log n); a range that cannot beat the best is passed over.
 * Ensures: lies inside the space and shares no inner space with an obstacle. All zero where nothing is free.
 */
export function largestFreeBoxOf(space: Space, obstacles: readonly Box[]): Box {
  let best: Box = { x: 0, y: 0, z: 0, width: 0, depth: 0, height: 0 };
  let bestMm3 = 0;
  for (const [x, width] of openRanges(spansOf(obstacles, 'x'), space.width)) {
    if (width * space.depth * space.height <= bestMm3) continue;
    const inX = obstacles.filter((box) => box.x < x + width && box.x + box.width > x);
    for (const [y, depth] of openRanges(spansOf(inX, 'y'), space.depth)) {
      if (width * depth * space.height <= bestMm3) continue;
      const inY = inX.filter((box) => box.y < y + depth && box.y + box.depth > y);
      const [z, height] = widestGap(spansOf(inY, 'z'), space.height);
      if (width * depth * height <= bestMm3) continue;
      bestMm3 = width * depth * height;
      best = { x, y, z, width, depth, height };
    }
  }
  return best;
}

/** Ranges that begin at 0 or behind an obstacle and end at the end or before one, as [start, size]. */
function openRanges(spans: readonly Span[], end: number): (readonly [number, number])[] {
  const starts = [...new Set([0, ...spans.map(({ to }) => to)])].filter((start) => start >= 0 && start < end);
  const ends = [...new Set([end, ...spans.map(({ from }) => from)])].filter((stop) => stop > 0 && stop <= end);
  return starts.flatMap((start) => ends.filter((stop) => stop > start).map((stop) => [start, stop - start] as const));
}

function widestGap(spans: readonly Span[], end: number): readonly [number, number] {
  let best: readonly [number, number] = [0, 0];
  let reached = 0;
  for (const { from, to } of [...spans.map(({ from, to }) => ({ from, to })), { from: end, to: end }].sort((a, b) => a.from - b.from)) {
    if (Math.min(from, end) - reached > best[1]) best = [reached, Math.min(from, end) - reached];
    reached = Math.max(reached, to);
  }
  return best;
}
