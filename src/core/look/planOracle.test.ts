import fc from 'fast-check';

import { aBay, aFixture, aPlan, aUnit, mm, onWall } from '@test/builders';
import { invariant } from '../shared';
import { findPlanClashes, placeAll } from './findPlanClashes';
import { placeNear, rectAt, shiftPlace } from './placeInPlan';
import { isInside, traceWalls, type Point, type Rect } from './traceWalls';

const traced = traceWalls(aPlan);
invariant(traced.ok, 'a plain room');
const outline = traced.value;

/** Sizes and places on a grid, so that a finer grid of points decides what lies in what. */
const GRID_MM = 100;
const grid = (least: number, most: number) =>
  fc.integer({ min: least / GRID_MM, max: most / GRID_MM }).map((n) => n * GRID_MM);
const unitArb = fc
  .record({
    wall: fc.nat(3),
    along: grid(0, 3600),
    off: grid(0, 1500),
    width: grid(300, 1600),
    depth: grid(200, 900),
    gap: fc.constantFrom(0, 500, 1400),
    height: fc.constantFrom(400, 900, 2000),
    door: fc.constantFrom('none', 'left', 'right', 'pair'),
  })
  .map(
    ({ wall, along, off, width, depth, gap, height, door }) =>
      (id: string) =>
        aUnit({
          id,
          name: id,
          width: mm(width),
          depth: mm(depth),
          height: mm(height),
          floorGap: mm(gap),
          door,
          place: onWall(wall, along, off),
          bays: [aBay({ id: `${id}-bay`, unitId: id })],
        }),
  );
const unitsArb = fc
  .array(unitArb, { minLength: 1, maxLength: 5 })
  .map((makers) => makers.map((make, i) => make(`u${i}`)));

/** The middles of all fine squares that a rectangle covers. */
function pointsOf({ x, y, width, depth }: Rect, gridMm = GRID_MM): Point[] {
  const points: Point[] = [];
  for (let px = x + gridMm / 2; px < x + width; px += gridMm)
    for (let py = y + gridMm / 2; py < y + depth; py += gridMm) points.push({ x: px, y: py });
  return points;
}
const holds = (rect: Rect, { x, y }: Point, marginMm = 0): boolean =>
  x > rect.x - marginMm &&
  x < rect.x + rect.width + marginMm &&
  y > rect.y - marginMm &&
  y < rect.y + rect.depth + marginMm;
const footprint = (unit: ReturnType<typeof aUnit>): Rect => {
  const rect =
    unit.place && rectAt(outline, unit.place, { widthMm: unit.width.mm, depthMm: unit.depth.mm });
  invariant(rect, 'a place');
  return rect;
};
const isLevel = (a: ReturnType<typeof aUnit>, b: ReturnType<typeof aUnit>) =>
  [...Array(30).keys()]
    .map((i) => i * 100 + 50)
    .some((z) =>
      [a, b].every((unit) => z > unit.floorGap.mm && z < unit.floorGap.mm + unit.height.mm),
    );

test('units overlap, and stand outside, just where points of the floor say so', () =>
  fc.assert(
    fc.property(unitsArb, (units) => {
      const clashes = findPlanClashes({ outline, units, fixtures: [], checks: [] });
      const told = clashes.flatMap((clash) =>
        clash.code === 'units_overlap' ? [`${clash.unitId}-${clash.by}`] : [],
      );
      const seen = units.flatMap((a, i) =>
        units
          .slice(i + 1)
          .filter(
            (b) =>
              isLevel(a, b) && pointsOf(footprint(a)).some((point) => holds(footprint(b), point)),
          )
          .map((b) => `${a.id}-${b.id}`),
      );
      expect(told.sort()).toEqual(seen.sort());
      const outside = clashes.flatMap((clash) =>
        clash.code === 'unit_outside' ? [clash.unitId as string] : [],
      );
      expect(outside).toEqual(
        units
          .filter((unit) =>
            pointsOf(footprint(unit)).some(
              (point) => !holds({ x: 0, y: 0, width: 4000, depth: 3000 }, point),
            ),
          )
          .map(({ id }) => id),
      );
      for (const clash of clashes)
        if (clash.code === 'units_overlap')
          expect(clash.rect.width * clash.rect.depth).toBeGreaterThan(0);
    }),
    { numRuns: 150 },
  ));

/** A leaf at every degree, as points every 25 mm from its hinge: whether any lies in a rectangle. */
function leafMeets(
  hinge: Point,
  square: Rect,
  radiusMm: number,
  rect: Rect,
  marginMm: number,
): boolean {
  const toX = Math.abs(square.x - hinge.x) < 1 ? 1 : -1;
  const toY = Math.abs(square.y - hinge.y) < 1 ? 1 : -1;
  for (let degrees = 0; degrees <= 90; degrees += 1) {
    const turn = (degrees * Math.PI) / 180;
    for (let along = 0; along <= radiusMm; along += 25)
      if (
        holds(
          rect,
          { x: hinge.x + toX * along * Math.cos(turn), y: hinge.y + toY * along * Math.sin(turn) },
          marginMm,
        )
      )
        return true;
  }
  return false;
}

/** Something small that stands about where the leaf passes, on a grid of 20 mm. */
const nearLeafArb = fc.record({
  along: fc.integer({ min: -20, max: 50 }),
  off: fc.integer({ min: 30, max: 50 }),
  gap: fc.constantFrom(0, 0, 2000),
});

test('a door is blocked by what its leaf meets at some angle, and by nothing that it misses', () =>
  fc.assert(
    fc.property(
      nearLeafArb,
      fc.nat(3),
      grid(500, 1700),
      fc.constantFrom('in-start', 'in-end'),
      (near, wall, along, swing) => {
        const unit = aUnit({
          id: 'u0',
          width: mm(300),
          depth: mm(200),
          height: mm(400),
          floorGap: mm(near.gap),
          place: onWall(wall, along + near.along * 20, near.off * 20),
        });
        const door = aFixture({ place: onWall(wall, along), swing });
        const {
          fixtures: [placed],
        } = placeAll(outline, [], [door]);
        invariant(placed?.leaf, 'a leaf');
        const {
          leaf: { hinge, square, radiusMm },
          before,
        } = placed;
        const rect = footprint(unit);
        const isLow = near.gap < door.top.mm;
        const inDoorway = pointsOf(before, 20).some((point) => holds(rect, point));
        const meets = (marginMm: number) => leafMeets(hinge, square, radiusMm, rect, marginMm);
        const isTold = findPlanClashes({
          outline,
          units: [unit],
          fixtures: [door],
          checks: [],
        }).some(({ code }) => code === 'door_blocked');
        // Points can miss a sliver: what they meet well inside must be told, what they miss by far must not.
        if (isLow && (inDoorway || meets(-15))) expect(isTold).toBe(true);
        if (!isLow || (!inDoorway && !meets(15))) expect(isTold).toBe(false);
      },
    ),
    { numRuns: 200 },
  ));

test('what is dropped anywhere in the room stands inside it, back to a wall; moving it there and back changes nothing', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 4000 }),
      fc.integer({ min: 0, max: 3000 }),
      grid(300, 2900),
      grid(200, 900),
      fc.integer({ min: -3, max: 3 }),
      (x, y, width, depth, walls) => {
        const size = { widthMm: width, depthMm: depth };
        const place = placeNear({ x, y }, { outline, size, others: [], unit: 'mm' });
        const rect = rectAt(outline, place, size);
        invariant(rect, 'a rectangle');
        const wall = outline.walls[place.wallIndex];
        expect(place.along.mm).toBeGreaterThanOrEqual(0);
        expect(place.along.mm + width).toBeLessThanOrEqual((wall?.lengthMm ?? 0) + 0.1);
        // In the middle of a narrow room it may reach past the far wall; then it is told.
        const isTold = findPlanClashes({
          outline,
          units: [aUnit({ width: mm(width), depth: mm(depth), place })],
          fixtures: [],
          checks: [],
        }).some(({ code }) => code === 'unit_outside');
        expect(isTold).toBe(!isInside(outline, rect));
        const means = { outline, size, unit: 'mm' as const };
        const turned = shiftPlace(shiftPlace(place, { walls }, means), { walls: -walls }, means);
        expect(turned.wallIndex).toBe(place.wallIndex);
        expect(turned.off.mm).toBe(place.off.mm);
        expect(turned.along.mm).toBeLessThanOrEqual(place.along.mm);
      },
    ),
    { numRuns: 150 },
  ));
