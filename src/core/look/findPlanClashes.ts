import type { CheckId, FixtureId, UnitId } from '../shared';
import { findFreeFloor, largestFreeFloor } from './freeFloor';
import type { Fixture, FixtureKind, RoomCheck, Unit } from './model';
import { rectAt, rectOnWall, type Footprint } from './placeInPlan';
import {
  isInside,
  outsideRects,
  rectsOverlap,
  type Outline,
  type Point,
  type Rect,
  type Wall,
} from './traceWalls';

/** What gets in the way of what; `rect` is where it is marked. Null for `by`: a wall. */
export type PlanClash =
  | { readonly code: 'unit_outside'; readonly unitId: UnitId; readonly rect: Rect }
  | { readonly code: 'fixture_outside'; readonly fixtureId: FixtureId; readonly rect: Rect }
  | {
      readonly code: 'units_overlap';
      readonly unitId: UnitId;
      readonly by: UnitId | FixtureId;
      readonly rect: Rect;
    }
  | {
      readonly code: 'door_blocked' | 'fixture_blocked' | 'window_covered';
      readonly fixtureId: FixtureId;
      readonly by: UnitId;
      readonly rect: Rect;
    }
  | {
      readonly code: 'pull_out_hits' | 'leaf_hits';
      readonly unitId: UnitId;
      readonly by: UnitId | FixtureId | null;
      readonly rect: Rect;
    }
  | {
      readonly code: 'clear_space_taken';
      readonly checkId: CheckId;
      readonly by: UnitId | FixtureId | null;
      readonly rect: Rect;
    }
  | {
      readonly code: 'clear_space_missing' | 'table_too_small';
      readonly checkId: CheckId;
      readonly rect: Rect;
    };

/** So deep a doorway stays free: a person with a basket passes. */
const DOORWAY_MM = 600;
/** What hangs higher than this lets a bed fold out, or a chair stand, beneath it. */
const CLEAR_BELOW_MM = 900;
/** How far in front of it a fixture must stay within reach, or away from heat. */
const REACH_BEFORE_MM: Readonly<Partial<Record<FixtureKind, number>>> = {
  socket: 150,
  valve: 150,
  meter: 400,
  radiator: 100,
};
/** Furniture this close before a window takes its light. */
const BEFORE_WINDOW_MM = 400;
/** Walls go on past the outline as far as any leaf reaches. */
const FRAME_MM = 5000;

/** A quarter of a disc, as a leaf sweeps it: from its hinge over its square. */
interface Sweep {
  readonly hinge: Point;
  readonly radiusMm: number;
  readonly square: Rect;
}
interface Solid {
  readonly id: UnitId | FixtureId | null;
  readonly rect: Rect;
  readonly fromMm: number;
  readonly toMm: number;
}

export interface PlacedUnit extends Solid {
  readonly id: UnitId;
  readonly unit: Unit;
  readonly wall: Wall;
  readonly leaves: readonly Sweep[];
  /** The way of its drawers, as long as the deepest; undefined where nothing pulls out. */
  readonly pullOut: Rect | undefined;
}
export interface PlacedFixture extends Solid {
  readonly id: FixtureId;
  readonly fixture: Fixture;
  readonly wall: Wall;
  readonly leaf: Sweep | undefined;
  /** What must stay free before it. */
  readonly before: Rect;
}

/** Units and fixtures where they stand in the plan; what has no place, or an unknown wall, is left out. */
export function placeAll(
  outline: Outline,
  units: readonly Unit[],
  fixtures: readonly Fixture[],
): { readonly units: readonly PlacedUnit[]; readonly fixtures: readonly PlacedFixture[] } {
  return {
    units: units.flatMap((unit) => placeUnit(outline, unit) ?? []),
    fixtures: fixtures.flatMap((fixture) => placeFixture(outline, fixture) ?? []),
  };
}

/**
 * Everything in a room's plan that is in the way of something else. O(n²) for n things.
 * Heights count: a wall cupboard over a bench is no overlap. Deterministic, in the order units,
 * fixtures, checks.
 */
export function findPlanClashes(request: {
  readonly outline: Outline;
  readonly units: readonly Unit[];
  readonly fixtures: readonly Fixture[];
  readonly checks: readonly RoomCheck[];
}): PlanClash[] {
  const { outline, checks } = request;
  const { units, fixtures } = placeAll(outline, request.units, request.fixtures);
  const walls = wallSolids(outline);
  const bulky = fixtures.filter(({ fixture }) => fixture.depth.mm > 0);
  return [
    ...units
      .filter(({ rect }) => !isInside(outline, rect))
      .map(({ id, rect }): PlanClash => ({ code: 'unit_outside', unitId: id, rect })),
    ...fixtures
      .filter(({ fixture, wall }) => fixture.place.along.mm + fixture.width.mm > wall.lengthMm + 1)
      .map(({ id, rect }): PlanClash => ({ code: 'fixture_outside', fixtureId: id, rect })),
    ...overlaps(units, bulky),
    ...units.flatMap((unit) => opensInto(unit, [...units, ...bulky, ...walls])),
    ...fixtures.flatMap((fixture) => blockedBy(fixture, units)),
    ...checks.flatMap((check) => clearSpaceClashes(check, { outline, units, bulky })),
  ];
}

function placeUnit(outline: Outline, unit: Unit): PlacedUnit | undefined {
  const wall = unit.place && outline.walls[unit.place.wallIndex];
  const rect =
    unit.place && rectAt(outline, unit.place, { widthMm: unit.width.mm, depthMm: unit.depth.mm });
  if (!wall || !rect) return undefined;
  const [alongMm, frontMm] = [unit.place.along.mm, unit.place.off.mm + unit.depth.mm];
  const leaf = (hingeMm: number, sign: 1 | -1, radiusMm: number) =>
    sweepOn(wall, { hingeMm, sign, radiusMm, offMm: frontMm });
  const width = unit.width.mm;
  const leaves: Readonly<Record<Unit['door'], readonly Sweep[]>> = {
    none: [],
    slides: [],
    left: [leaf(alongMm, 1, width)],
    right: [leaf(alongMm + width, -1, width)],
    pair: [leaf(alongMm, 1, width / 2), leaf(alongMm + width, -1, width / 2)],
  };
  const drawerMm = Math.max(
    0,
    ...unit.bays
      .filter(({ pullOut }) => pullOut)
      .map(({ depthReadings }) => Math.min(...depthReadings.map(({ mm }) => mm))),
  );
  const pullOut =
    drawerMm > 0
      ? rectOnWall(wall, { alongMm, offMm: frontMm, widthMm: width, depthMm: drawerMm })
      : undefined;
  return {
    id: unit.id,
    unit,
    wall,
    rect,
    fromMm: unit.floorGap.mm,
    toMm: unit.floorGap.mm + unit.height.mm,
    leaves: leaves[unit.door],
    pullOut,
  };
}

function placeFixture(outline: Outline, fixture: Fixture): PlacedFixture | undefined {
  const wall = outline.walls[fixture.place.wallIndex];
  const rect = rectAt(outline, fixture.place, {
    widthMm: fixture.width.mm,
    depthMm: fixture.depth.mm,
  });
  if (!wall || !rect) return undefined;
  const {
    place: { along, off },
    width,
    depth,
  } = fixture;
  const beforeMm = freeBeforeMm(fixture.kind);
  const before = rectOnWall(wall, {
    alongMm: along.mm,
    offMm: off.mm,
    widthMm: width.mm,
    depthMm: depth.mm + beforeMm,
  });
  const hinges: Partial<Record<string, { readonly hingeMm: number; readonly sign: 1 | -1 }>> = {
    'in-start': { hingeMm: along.mm, sign: 1 },
    'in-end': { hingeMm: along.mm + width.mm, sign: -1 },
  };
  const hinge = hinges[fixture.swing ?? ''];
  const leaf = hinge && sweepOn(wall, { ...hinge, radiusMm: width.mm, offMm: off.mm });
  return {
    id: fixture.id,
    fixture,
    wall,
    rect,
    fromMm: fixture.bottom.mm,
    toMm: fixture.top.mm,
    leaf,
    before,
  };
}

/**
 *   wall ──●━━━━━━┐   ● hinge, `sign` the way its leaf lies when shut
 *          ┃      ╱   the leaf sweeps the quarter disc within its square
 *          ┃   ╱
 */
function sweepOn(
  wall: Wall,
  {
    hingeMm,
    sign,
    radiusMm,
    offMm,
  }: {
    readonly hingeMm: number;
    readonly sign: 1 | -1;
    readonly radiusMm: number;
    readonly offMm: number;
  },
): Sweep {
  const hinge = {
    x: wall.from.x + wall.along.x * hingeMm + wall.inward.x * offMm,
    y: wall.from.y + wall.along.y * hingeMm + wall.inward.y * offMm,
  };
  return {
    hinge,
    radiusMm,
    square: rectOnWall(wall, {
      alongMm: sign === 1 ? hingeMm : hingeMm - radiusMm,
      offMm,
      widthMm: radiusMm,
      depthMm: radiusMm,
    }),
  };
}

/**
 * Whether the leaf meets a rectangle on its way: the rectangle's nearest point within the square is
 * nearer than the leaf is long.
 */
function sweepHits({ hinge, radiusMm, square }: Sweep, rect: Rect): boolean {
  if (!rectsOverlap(square, rect)) return false;
  const part = intersect(square, rect);
  const x = Math.max(part.x, Math.min(hinge.x, part.x + part.width));
  const y = Math.max(part.y, Math.min(hinge.y, part.y + part.depth));
  return Math.hypot(x - hinge.x, y - hinge.y) < radiusMm - 1;
}

function intersect(a: Rect, b: Rect): Rect {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)];
  return {
    x,
    y,
    width: Math.max(0, Math.min(a.x + a.width, b.x + b.width) - x),
    depth: Math.max(0, Math.min(a.y + a.depth, b.y + b.depth) - y),
  };
}

const isLevelWith = (a: Solid, b: Solid): boolean => a.fromMm < b.toMm - 1 && b.fromMm < a.toMm - 1;

function overlaps(units: readonly PlacedUnit[], bulky: readonly PlacedFixture[]): PlanClash[] {
  return units.flatMap((a, i) =>
    [...units.slice(i + 1), ...bulky.filter(() => a.unit.kind !== 'under-bed')]
      .filter((b) => isLevelWith(a, b) && rectsOverlap(a.rect, b.rect))
      .map((b): PlanClash => ({
        code: 'units_overlap',
        unitId: a.id,
        by: b.id,
        rect: intersect(a.rect, b.rect),
      })),
  );
}

/** What a unit's leaves and drawers meet on their way out. */
function opensInto(unit: PlacedUnit, solids: readonly Solid[]): PlanClash[] {
  // What lies under a bed comes out from beneath what stands over it.
  const inTheWay = solids.filter(
    (solid) =>
      solid.id !== unit.id && isLevelWith(unit, solid) && !rectsOverlap(solid.rect, unit.rect),
  );
  const drawer = unit.pullOut;
  return [
    ...(drawer
      ? inTheWay
          .filter((solid) => rectsOverlap(drawer, solid.rect))
          .map((solid): PlanClash => ({
            code: 'pull_out_hits',
            unitId: unit.id,
            by: solid.id,
            rect: intersect(drawer, solid.rect),
          }))
      : []),
    ...unit.leaves.flatMap((leaf) =>
      inTheWay
        .filter((solid) => sweepHits(leaf, solid.rect))
        .map((solid): PlanClash => ({
          code: 'leaf_hits',
          unitId: unit.id,
          by: solid.id,
          rect: intersect(leaf.square, solid.rect),
        })),
    ),
  ];
}

function blockedBy(
  { fixture, before, leaf, fromMm, toMm, id }: PlacedFixture,
  units: readonly PlacedUnit[],
): PlanClash[] {
  if (fixture.kind === 'station') return [];
  const code = blockedCodeOf(fixture.kind);
  return units
    .filter(
      (unit) =>
        unit.fromMm < toMm &&
        fromMm < unit.toMm &&
        (rectsOverlap(before, unit.rect) || (leaf !== undefined && sweepHits(leaf, unit.rect))),
    )
    .map((unit): PlanClash => ({
      code,
      fixtureId: id,
      by: unit.id,
      rect: intersect(
        rectsOverlap(before, unit.rect) ? before : (leaf?.square ?? before),
        unit.rect,
      ),
    }));
}

interface Floor {
  readonly outline: Outline;
  readonly units: readonly PlacedUnit[];
  readonly bulky: readonly PlacedFixture[];
}

function clearSpaceClashes(check: RoomCheck, floor: Floor): PlanClash[] {
  const { clear } = check;
  if (!clear) return [];
  if (clear.surface === 'table') return tableClash(check, floor);
  const low = [...floor.units, ...floor.bulky].filter(({ fromMm }) => fromMm < CLEAR_BELOW_MM);
  const size = { widthMm: clear.width.mm, depthMm: clear.depth.mm };
  if (!clear.place) {
    const taken = low.map(({ rect }) => rect);
    const before = floor.units.find(({ id }) => id === clear.unitId);
    if (before) return spaceBeforeClash(check, floor.outline, { before, low, size });
    // Before something that has no place in the plan nothing is known.
    if (clear.unitId !== null) return [];
    return findFreeFloor(floor.outline, taken, size)
      ? []
      : [
          {
            code: 'clear_space_missing',
            checkId: check.id,
            rect: largestFreeFloor(floor.outline, taken),
          },
        ];
  }
  const rect = rectAt(floor.outline, clear.place, size);
  if (!rect) return [];
  const hits = low
    .filter((solid) => rectsOverlap(solid.rect, rect))
    .map((solid): PlanClash => ({
      code: 'clear_space_taken',
      checkId: check.id,
      by: solid.id,
      rect: intersect(solid.rect, rect),
    }));
  return isInside(floor.outline, rect)
    ? hits
    : [...hits, { code: 'clear_space_taken', checkId: check.id, by: null, rect }];
}

/**
 * Floor straight before a unit, as long as one of both is over the other's width; moved along its front to
 * where it is free. Only at its ends, and where a wall or something beside it begins or ends, can it become free.
 */
function spaceBeforeClash(
  check: RoomCheck,
  outline: Outline,
  {
    before,
    low,
    size,
  }: { readonly before: PlacedUnit; readonly low: readonly Solid[]; readonly size: Footprint },
): PlanClash[] {
  const { wall, unit } = before;
  if (!unit.place) return [];
  const fromMm = unit.place.along.mm;
  const offMm = unit.place.off.mm + unit.depth.mm;
  const spareMm = unit.width.mm - size.widthMm;
  const [least, most] = [fromMm + Math.min(0, spareMm), fromMm + Math.max(0, spareMm)];
  const alongOf = ({ x, y }: Point) =>
    (x - wall.from.x) * wall.along.x + (y - wall.from.y) * wall.along.y;
  const edges = [
    ...outline.walls.map(({ from }) => alongOf(from)),
    ...low.flatMap(({ rect }) => [
      alongOf(rect),
      alongOf({ x: rect.x + rect.width, y: rect.y + rect.depth }),
    ]),
  ];
  const starts = [least, most, ...edges, ...edges.map((edge) => edge - size.widthMm)]
    .filter((along) => along >= least - 0.5 && along <= most + 0.5)
    .sort((a, b) => a - b);
  const spots = starts.map((alongMm) => rectOnWall(wall, { alongMm, offMm, ...size }));
  const inTheWay = (spot: Rect) =>
    low.filter((solid) => solid.id !== before.id && rectsOverlap(solid.rect, spot));
  if (spots.some((spot) => isInside(outline, spot) && inTheWay(spot).length === 0)) return [];
  const spot = spots[0] ?? before.rect;
  const by = inTheWay(spot)[0];
  return [
    {
      code: 'clear_space_taken',
      checkId: check.id,
      by: by?.id ?? null,
      rect: by ? intersect(by.rect, spot) : spot,
    },
  ];
}

/** The free part of a unit's top, less what stands on it, against what must stay clear there. */
function tableClash(check: RoomCheck, { units }: Floor): PlanClash[] {
  const { clear } = check;
  const table = units.find(({ id }) => id === clear?.unitId);
  if (!clear || !table) return [];
  const standing = units
    .filter(
      (other) =>
        other.id !== table.id &&
        other.fromMm >= table.toMm - 5 &&
        other.fromMm < table.toMm + 300 &&
        rectsOverlap(other.rect, table.rect),
    )
    .map(({ rect }) => intersect(rect, table.rect));
  const top = rectOutline(table.rect);
  const local = standing.map((rect) => ({
    ...rect,
    x: rect.x - table.rect.x,
    y: rect.y - table.rect.y,
  }));
  if (findFreeFloor(top, local, { widthMm: clear.width.mm, depthMm: clear.depth.mm })) return [];
  const free = largestFreeFloor(top, local);
  return [
    {
      code: 'table_too_small',
      checkId: check.id,
      rect: { ...free, x: free.x + table.rect.x, y: free.y + table.rect.y },
    },
  ];
}

/** A rectangle as an outline of its own, from its corner. */
function rectOutline({ width, depth }: Rect): Outline {
  const corners: Point[] = [
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: depth },
    { x: 0, y: depth },
  ];
  const alongs: Point[] = [
    { x: 1, y: 0 },
    { x: 0, y: 1 },
    { x: -1, y: 0 },
    { x: 0, y: -1 },
  ];
  const walls = corners.map((from, wallIndex): Wall => {
    const along = alongs[wallIndex] ?? { x: 1, y: 0 };
    return {
      wallIndex,
      from,
      to: corners[(wallIndex + 1) % 4] ?? from,
      lengthMm: along.x !== 0 ? width : depth,
      along,
      inward: { x: -along.y + 0, y: along.x + 0 },
    };
  });
  return { walls, widthMm: width, depthMm: depth, slackMm: 0 };
}

/** Everything round the room and in its bays, as high as any unit. */
function wallSolids(outline: Outline): Solid[] {
  const { widthMm, depthMm } = outline;
  const frame: Rect[] = [
    { x: -FRAME_MM, y: -FRAME_MM, width: FRAME_MM, depth: depthMm + 2 * FRAME_MM },
    { x: widthMm, y: -FRAME_MM, width: FRAME_MM, depth: depthMm + 2 * FRAME_MM },
    { x: 0, y: -FRAME_MM, width: widthMm, depth: FRAME_MM },
    { x: 0, y: depthMm, width: widthMm, depth: FRAME_MM },
  ];
  return [...frame, ...outsideRects(outline)].map((rect) => ({
    id: null,
    rect,
    fromMm: 0,
    toMm: Infinity,
  }));
}

function blockedCodeOf(kind: FixtureKind) {
  if (kind === 'door') return 'door_blocked';
  return kind === 'window' ? 'window_covered' : 'fixture_blocked';
}

/** What is to stay free before it. */
function freeBeforeMm(kind: FixtureKind): number {
  if (kind === 'door') return DOORWAY_MM;
  return kind === 'window' ? BEFORE_WINDOW_MM : (REACH_BEFORE_MM[kind] ?? 0);
}
