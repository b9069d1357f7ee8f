import { bayInsideOf } from './layOutUnit';
import type { Fixture, RoomPlan, Unit } from './model';
import { traceWalls } from './traceWalls';

/** A surface to paint, as wide as it would be at its height without what is not painted. */
export interface PlanSurface {
  /** From 1, in the order of the plan; undefined: the ceiling. */
  readonly wallNumber: number | undefined;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Doors and windows that were taken off. */
  readonly openingNames: readonly string[];
}

/**
 * Walls and ceiling of a plan, less the doors and windows of each wall as they were measured: what of an
 * opening lies above the room's height does not count. Empty where the walls do not close.
 * Requires: `roomHeightMm` > 0. Ensures: width × height of a wall is its area less its openings, not
 * below 0; the ceiling's is the area of the floor. O(walls × fixtures).
 */
export function surfacesOfPlan(
  plan: RoomPlan,
  fixtures: readonly Fixture[],
  roomHeightMm: number,
): PlanSurface[] {
  const outline = traceWalls(plan);
  if (!outline.ok) return [];
  const walls = outline.value.walls.map(({ lengthMm }, i): PlanSurface => {
    const openings = fixtures.filter(
      ({ kind, place }) => (kind === 'door' || kind === 'window') && place.wallIndex === i,
    );
    const openMm2 = openings.reduce((sum, { width, bottom, top }) => {
      const high = Math.min(top.mm, roomHeightMm) - bottom.mm;
      return sum + width.mm * Math.max(0, high);
    }, 0);
    return {
      wallNumber: i + 1,
      widthMm: Math.max(0, lengthMm - openMm2 / roomHeightMm),
      heightMm: roomHeightMm,
      openingNames: openings.map(({ name }) => name),
    };
  });
  const { widthMm } = outline.value;
  const corners = outline.value.walls.map(({ from }) => from);
  const floorMm2 = Math.abs(
    corners.reduce((sum, { x, y }, i) => {
      const next = corners[(i + 1) % corners.length] ?? corners[0];
      return next ? sum + (x * next.y - next.x * y) / 2 : sum;
    }, 0),
  );
  return [
    ...walls.filter((wall) => wall.widthMm > 0),
    { wallNumber: undefined, widthMm, heightMm: floorMm2 / widthMm, openingNames: [] },
  ];
}

/** The upper sides of shelves that are alike. */
export interface ShelfSurface {
  readonly unitName: string;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly count: number;
}

/**
 * The upper sides of the shelves of units, alike ones counted together: the floors of places in scope,
 * as they were measured inside. What pulls out is no shelf. In the order of the units.
 */
export function shelvesOfUnits(units: readonly Unit[]): ShelfSurface[] {
  return units.flatMap((unit) => {
    const alike = new Map<string, ShelfSurface>();
    for (const bay of unit.bays) {
      if (bay.pullOut || bay.outOfScope) continue;
      const { widthMm, depthMm } = bayInsideOf(bay);
      const key = `${widthMm} ${depthMm}`;
      const count = (alike.get(key)?.count ?? 0) + 1;
      alike.set(key, { unitName: unit.name, widthMm, depthMm, count });
    }
    return [...alike.values()];
  });
}
