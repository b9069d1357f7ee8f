import { err, ok, type Result } from '../shared';
import type { RoomPlan } from './model';

/** A point of the plan in mm; x to the right, y down the page, as seen from above. */
export interface Point {
  readonly x: number;
  readonly y: number;
}
/** An upright rectangle of the plan in mm. */
export interface Rect extends Point {
  readonly width: number;
  readonly depth: number;
}

export interface Wall {
  readonly wallIndex: number;
  readonly from: Point;
  readonly to: Point;
  readonly lengthMm: number;
  /** Unit steps along the wall and from it into the room. */
  readonly along: Point;
  readonly inward: Point;
}

/** The room from above: its walls in order, and the size of the rectangle around it. Starts at x, y >= 0. */
export interface Outline {
  readonly walls: readonly Wall[];
  readonly widthMm: number;
  readonly depthMm: number;
  /** What the tape left open at the last corner, shared out over the walls. */
  readonly slackMm: number;
}

export type TraceWallsError =
  | { readonly code: 'walls_do_not_meet'; readonly acrossMm: number; readonly downMm: number }
  | { readonly code: 'walls_cross'; readonly wallIndex: number; readonly otherIndex: number }
  | { readonly code: 'walls_turn_wrong'; readonly rightTurns: number; readonly leftTurns: number };

/** A tape round a room is off by some centimetres; more than this is a wall read wrongly. */
const MAX_SLACK_MM = 40;

/**
 * Walks round a room from its first corner, along the top of the page. A small gap at the end is
 * shared out over the walls of that direction by their lengths.
 * Ensures: a closed outline of right angles with the room on the right hand of each wall.
 * @errors `walls_turn_wrong` (four more turns go right than left) · `walls_do_not_meet` · `walls_cross`.
 */
export function traceWalls(plan: RoomPlan): Result<Outline, TraceWallsError> {
  const rightTurns = plan.walls.filter(({ turn }) => turn === 'right').length;
  const leftTurns = plan.walls.length - rightTurns;
  if (rightTurns - leftTurns !== 4) return err({ code: 'walls_turn_wrong', rightTurns, leftTurns });
  const steps = headings(plan);
  const gap = steps.reduce(
    (sum, { along, mm }) => ({ x: sum.x + along.x * mm, y: sum.y + along.y * mm }),
    { x: 0, y: 0 },
  );
  const slackMm = Math.max(Math.abs(gap.x), Math.abs(gap.y));
  if (slackMm > MAX_SLACK_MM)
    return err({ code: 'walls_do_not_meet', acrossMm: gap.x, downMm: gap.y });
  const closed = closeGap(steps, gap);
  const walls = toWalls(closed);
  const crossing = findCrossing(walls);
  return crossing ? err(crossing) : ok({ walls, ...sizeOf(walls), slackMm });
}

interface Step {
  readonly along: Point;
  readonly mm: number;
}

function headings(plan: RoomPlan): Step[] {
  let along: Point = { x: 1, y: 0 };
  return plan.walls.map(({ length, turn }) => {
    const step = { along, mm: length.mm };
    // With y down the page, a right turn takes east to south.
    along = turn === 'right' ? { x: -along.y, y: along.x } : { x: along.y, y: -along.x };
    along = { x: along.x + 0, y: along.y + 0 };
    return step;
  });
}

/** Takes the gap off the walls that run along it, each by its share of their length. */
function closeGap(steps: readonly Step[], gap: Point): Step[] {
  const sumOf = (axis: 'x' | 'y') =>
    steps.reduce((sum, { along, mm }) => sum + Math.abs(along[axis]) * mm, 0);
  const sums = { x: sumOf('x'), y: sumOf('y') };
  return steps.map(({ along, mm }) => {
    const axis = along.x !== 0 ? 'x' : 'y';
    return { along, mm: mm - (along[axis] * gap[axis] * mm) / Math.max(1, sums[axis]) };
  });
}

function toWalls(steps: readonly Step[]): Wall[] {
  const corners: Point[] = [{ x: 0, y: 0 }];
  for (const { along, mm } of steps) {
    const last = corners.at(-1) ?? { x: 0, y: 0 };
    corners.push({ x: last.x + along.x * mm, y: last.y + along.y * mm });
  }
  const left = Math.min(...corners.map(({ x }) => x));
  const top = Math.min(...corners.map(({ y }) => y));
  const at = (i: number): Point => ({
    x: (corners[i]?.x ?? 0) - left,
    y: (corners[i]?.y ?? 0) - top,
  });
  return steps.map(({ along, mm }, wallIndex) => ({
    wallIndex,
    from: at(wallIndex),
    to: at(wallIndex + 1),
    lengthMm: mm,
    along,
    inward: { x: -along.y + 0, y: along.x + 0 },
  }));
}

/** Two walls that are no neighbours and touch: the room would be pinched or lie over itself. */
function findCrossing(walls: readonly Wall[]): TraceWallsError | undefined {
  for (const wall of walls) {
    for (const other of walls.slice(wall.wallIndex + 2)) {
      const areNeighbours = wall.wallIndex === 0 && other.wallIndex === walls.length - 1;
      if (areNeighbours || !rectsMeet(spanOf(wall), spanOf(other))) continue;
      return { code: 'walls_cross', wallIndex: wall.wallIndex, otherIndex: other.wallIndex };
    }
  }
  return undefined;
}

const spanOf = ({ from, to }: Wall): Rect => ({
  x: Math.min(from.x, to.x),
  y: Math.min(from.y, to.y),
  width: Math.abs(to.x - from.x),
  depth: Math.abs(to.y - from.y),
});
const rectsMeet = (a: Rect, b: Rect): boolean =>
  a.x <= b.x + b.width && b.x <= a.x + a.width && a.y <= b.y + b.depth && b.y <= a.y + a.depth;

const sizeOf = (walls: readonly Wall[]) => ({
  widthMm: Math.max(...walls.map(({ to }) => to.x)),
  depthMm: Math.max(...walls.map(({ to }) => to.y)),
});

/** Less than this counts as touching: measures are kept to 0.1 mm. */
const TOUCH_MM = 0.5;

/** Whether two rectangles share more than an edge. */
export const rectsOverlap = (a: Rect, b: Rect): boolean =>
  a.x + TOUCH_MM < b.x + b.width &&
  b.x + TOUCH_MM < a.x + a.width &&
  a.y + TOUCH_MM < b.y + b.depth &&
  b.y + TOUCH_MM < a.y + a.depth;

/** Whether a rectangle lies in the room: its middle is inside, and no wall runs through it. */
export function isInside({ walls }: Outline, rect: Rect): boolean {
  const isCut = walls.some((wall) => {
    const span = spanOf(wall);
    return (
      span.x < rect.x + rect.width - TOUCH_MM &&
      span.x + span.width > rect.x + TOUCH_MM &&
      span.y < rect.y + rect.depth - TOUCH_MM &&
      span.y + span.depth > rect.y + TOUCH_MM
    );
  });
  return !isCut && hasInside(walls, { x: rect.x + rect.width / 2, y: rect.y + rect.depth / 2 });
}

/** A ray to the right crosses an odd number of walls from inside. */
const hasInside = (walls: readonly Wall[], point: Point): boolean =>
  walls.filter(
    ({ from, to }) =>
      from.x === to.x &&
      from.x > point.x &&
      Math.min(from.y, to.y) <= point.y &&
      point.y < Math.max(from.y, to.y),
  ).length %
    2 ===
  1;

/** The rectangles of the bounding box that are not room. */
export function outsideRects(outline: Outline): Rect[] {
  const cutsOf = (axis: 'x' | 'y') =>
    [...new Set(outline.walls.map(({ from }) => from[axis]))].sort((a, b) => a - b);
  const [xs, ys] = [cutsOf('x'), cutsOf('y')];
  return xs.slice(1).flatMap((right, i) =>
    ys.slice(1).flatMap((bottom, j) => {
      const [left, top] = [xs[i]!, ys[j]!];
      const cell = { x: left, y: top, width: right - left, depth: bottom - top };
      return hasInside(outline.walls, { x: (left + right) / 2, y: (top + bottom) / 2 })
        ? []
        : [cell];
    }),
  );
}
