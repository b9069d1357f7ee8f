import {
  outsideRects,
  traceWalls,
  rectsOverlap,
  type Outline,
  type Point,
  type Rect,
} from './traceWalls';
import { middleOfDoor, twinOf, type WayRoom } from './ways';

/** How a room's plan lies in the drawing of the home: quarter turns to the right, then shifted. */
export interface PlacedPlan {
  readonly roomId: string;
  readonly outline: Outline;
  readonly quarterTurns: number;
  readonly shift: Point;
  /** Plans of one part are to one scale and in their true places; parts stand beside each other. */
  readonly part: number;
}

/** Two plans that are joined by doors and cannot both be true: they would lie over each other. */
interface PlanMisfit {
  readonly roomId: string;
  readonly otherId: string;
}

/** Rooms stand so far apart at a door: a wall in between. */
const WALL_MM = 120;
/** Tapes are off by some centimetres: overlaps up to here are none. */
const TOLERANCE_MM = 100;

/** A point of a plan as it lies in the drawing. */
export const pointIn = ({ quarterTurns, shift }: PlacedPlan, point: Point): Point => {
  const turned = turn(point, quarterTurns);
  return { x: turned.x + shift.x, y: turned.y + shift.y };
};
/** An upright rectangle of a plan as it lies in the drawing. */
export function rectIn(placed: PlacedPlan, rect: Rect): Rect {
  const a = pointIn(placed, rect);
  const b = pointIn(placed, { x: rect.x + rect.width, y: rect.y + rect.depth });
  return {
    x: Math.min(a.x, b.x),
    y: Math.min(a.y, b.y),
    width: Math.abs(a.x - b.x),
    depth: Math.abs(a.y - b.y),
  };
}

/** With y down the page, a quarter turn to the right takes east to south. */
function turn({ x, y }: Point, quarterTurns: number): Point {
  switch (((quarterTurns % 4) + 4) % 4) {
    case 1:
      return { x: -y, y: x };
    case 2:
      return { x: -x, y: -y };
    case 3:
      return { x: y, y: -x };
    default:
      return { x, y };
  }
}

/** The floor of a placed plan as upright rectangles. */
function floorOf(placed: PlacedPlan): Rect[] {
  const { outline } = placed;
  const cutsOf = (axis: 'x' | 'y') =>
    [...new Set(outline.walls.map(({ from }) => from[axis]))].sort((a, b) => a - b);
  const [xs, ys] = [cutsOf('x'), cutsOf('y')];
  const outside = outsideRects(outline);
  return xs.slice(1).flatMap((right, i) =>
    ys.slice(1).flatMap((bottom, j) => {
      const cell = { x: xs[i]!, y: ys[j]!, width: right - xs[i]!, depth: bottom - ys[j]! };
      return outside.some((rect) => rectsOverlap(rect, cell)) ? [] : [rectIn(placed, cell)];
    }),
  );
}

const shrink = (rect: Rect): Rect => ({
  x: rect.x + TOLERANCE_MM / 2,
  y: rect.y + TOLERANCE_MM / 2,
  width: Math.max(0, rect.width - TOLERANCE_MM),
  depth: Math.max(0, rect.depth - TOLERANCE_MM),
});
const lieOver = (a: PlacedPlan, b: PlacedPlan): boolean =>
  floorOf(a).some((rect) => floorOf(b).some((other) => rectsOverlap(shrink(rect), shrink(other))));

interface Joined {
  readonly plans: readonly PlacedPlan[];
  readonly misfits: readonly PlanMisfit[];
}

/**
 * Puts the plans of a home together at the doors that lead from one into the other, each turned so
 * that the doors face. What would lie over a plan that stands already begins a part of its own and
 * is told as a misfit. Rooms without a plan are left out. Deterministic; rooms in their order.
 */
export function joinPlans(rooms: readonly WayRoom[]): Joined {
  const outlines = new Map<string, Outline>();
  for (const { room } of rooms) {
    const traced = room.plan ? traceWalls(room.plan) : undefined;
    if (traced?.ok) outlines.set(room.id, traced.value);
  }
  const placed = new Map<string, PlacedPlan>();
  const misfits: PlanMisfit[] = [];
  let part = 0;
  for (const first of rooms) {
    const outline = outlines.get(first.room.id);
    if (!outline || placed.has(first.room.id)) continue;
    const start = { roomId: first.room.id, outline, quarterTurns: 0, shift: { x: 0, y: 0 }, part };
    placed.set(first.room.id, start);
    const queue = [first];
    for (let own = queue.shift(); own; own = queue.shift()) {
      for (const { plan, room } of neighboursOf(rooms, own, { placed, outlines })) {
        if (placed.has(room.room.id)) continue;
        const inPart = [...placed.values()].filter((other) => other.part === part);
        const over = inPart.find((other) => lieOver(other, plan));
        if (over) {
          misfits.push({ roomId: own.room.id, otherId: room.room.id });
          continue;
        }
        placed.set(room.room.id, plan);
        queue.push(room);
      }
    }
    part += 1;
  }
  return { plans: [...placed.values()], misfits };
}

/** The rooms behind the doors of a placed one, as they would lie. */
function neighboursOf(
  rooms: readonly WayRoom[],
  own: WayRoom,
  {
    placed,
    outlines,
  }: {
    readonly placed: ReadonlyMap<string, PlacedPlan>;
    readonly outlines: ReadonlyMap<string, Outline>;
  },
): { readonly plan: PlacedPlan; readonly room: WayRoom }[] {
  const ownPlan = placed.get(own.room.id);
  if (!ownPlan) return [];
  return own.fixtures.flatMap((door) => {
    const { leadsTo } = door;
    const room =
      leadsTo?.to === 'room' ? rooms.find((each) => each.room.id === leadsTo.roomId) : undefined;
    const outline = room && outlines.get(room.room.id);
    const twin = twinOf(rooms, own, door);
    const [here, there] = [
      middleOfDoor(ownPlan.outline, door),
      outline && twin ? middleOfDoor(outline, twin) : undefined,
    ];
    const [wall, otherWall] = [
      ownPlan.outline.walls[door.place.wallIndex],
      twin && outline?.walls[twin.place.wallIndex],
    ];
    if (!room || !outline || !here || !there || !wall || !otherWall) return [];
    const out = turn({ x: -wall.inward.x, y: -wall.inward.y }, ownPlan.quarterTurns);
    const quarterTurns =
      [0, 1, 2, 3].find((turns) => {
        const inward = turn(otherWall.inward, turns);
        return Math.abs(inward.x - out.x) + Math.abs(inward.y - out.y) < 1e-6;
      }) ?? 0;
    const target = pointIn(ownPlan, here);
    const turned = turn(there, quarterTurns);
    const plan: PlacedPlan = {
      roomId: room.room.id,
      outline,
      quarterTurns,
      shift: {
        x: target.x + out.x * WALL_MM - turned.x,
        y: target.y + out.y * WALL_MM - turned.y,
      },
      part: ownPlan.part,
    };
    return [{ plan, room }];
  });
}
