/** A rectangle on a floor, in mm. */
export interface FloorRect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly depth: number;
}
interface Circle {
  readonly x: number;
  readonly y: number;
  readonly radiusMm: number;
}

interface Cell {
  readonly x: number;
  readonly y: number;
  readonly half: number;
  readonly radiusMm: number;
}

const PRECISION_MM = 0.5;

/**
 * The largest circle on a rectangular floor that touches none of the taken rectangles, to half a
 * millimetre. Splits squares in four as long as the best that one can hold, the clearance at its
 * middle and half its
 * diagonal, beats what is found. Source: the distance to the nearest edge is 1-Lipschitz; the pole of
 * inaccessibility by quadrants, Agafonkin, 2016. Radius 0 where no floor is free.
 */
export function largestCircleOf(
  floor: { readonly width: number; readonly depth: number },
  taken: readonly FloorRect[],
): Circle {
  const clearanceAt = (x: number, y: number): number =>
    Math.min(
      x,
      y,
      floor.width - x,
      floor.depth - y,
      ...taken.map((rect) => distanceTo(rect, x, y)),
    );
  const cellAt = (x: number, y: number, half: number): Cell => ({
    x,
    y,
    half,
    radiusMm: clearanceAt(x, y),
  });
  const size = Math.min(floor.width, floor.depth);
  if (size <= 0) return { x: 0, y: 0, radiusMm: 0 };
  let open: Cell[] = [];
  for (let x = 0; x < floor.width; x += size)
    for (let y = 0; y < floor.depth; y += size)
      open.push(cellAt(x + size / 2, y + size / 2, size / 2));
  let best = cellAt(floor.width / 2, floor.depth / 2, 0);
  while (open.length > 0) {
    for (const cell of open) if (cell.radiusMm > best.radiusMm) best = cell;
    open = open
      .filter((cell) => cell.radiusMm + cell.half * Math.SQRT2 > best.radiusMm + PRECISION_MM)
      .flatMap(({ x, y, half }) => {
        const quarter = half / 2;
        return [
          cellAt(x - quarter, y - quarter, quarter),
          cellAt(x + quarter, y - quarter, quarter),
          cellAt(x - quarter, y + quarter, quarter),
          cellAt(x + quarter, y + quarter, quarter),
        ];
      });
  }
  return { x: best.x, y: best.y, radiusMm: Math.max(0, best.radiusMm) };
}

/** To its edge; below zero inside it. */
function distanceTo({ x, y, width, depth }: FloorRect, px: number, py: number): number {
  const dx = Math.max(x - px, px - x - width);
  const dy = Math.max(y - py, py - y - depth);
  return dx <= 0 && dy <= 0 ? Math.max(dx, dy) : Math.hypot(Math.max(0, dx), Math.max(0, dy));
}
