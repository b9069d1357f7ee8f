import fc from 'fast-check';

import { aBay, aFixture, aPlan, aUnit, mm, onWall } from '@test/builders';
import { invariant } from '../shared';
import { findPlanClashes } from './findPlanClashes';
import { roomCheckSchema } from './model';
import { placeNear, rectAt, shiftPlace, tapeDistancesOf } from './placeInPlan';
import { traceWalls } from './traceWalls';

const traced = traceWalls(aPlan);
invariant(traced.ok, 'a plain room');
const outline = traced.value;

const cupboard = (
  id: string,
  wallIndex: number,
  alongMm: number,
  change: Parameters<typeof aUnit>[0] = {},
) =>
  aUnit({
    id,
    name: id,
    width: mm(800),
    depth: mm(400),
    height: mm(1800),
    floorGap: mm(0),
    bays: [aBay({ id: `${id}-bay`, unitId: id })],
    place: onWall(wallIndex, alongMm),
    ...change,
  });
const codesOf = (request: Partial<Parameters<typeof findPlanClashes>[0]>) =>
  findPlanClashes({ outline, units: [], fixtures: [], checks: [], ...request }).map(
    ({ code }) => code,
  );
const check = (clear: object) =>
  roomCheckSchema.parse({
    id: 'bed',
    text: 'the bed folds out',
    answer: null,
    clear: {
      surface: 'floor',
      width: mm(1400),
      depth: mm(2000),
      place: null,
      unitId: null,
      ...clear,
    },
  });

test('side by side is no clash, in the same place is, one over the other is not', () => {
  expect(codesOf({ units: [cupboard('a', 0, 0), cupboard('b', 0, 800)] })).toEqual([]);
  expect(codesOf({ units: [cupboard('a', 0, 0), cupboard('b', 0, 790)] })).toEqual([
    'units_overlap',
  ]);
  expect(
    codesOf({
      units: [
        cupboard('a', 0, 0, { height: mm(880) }),
        cupboard('b', 0, 0, { floorGap: mm(1400), height: mm(600) }),
      ],
    }),
  ).toEqual([]);
});

test('a unit past its wall stands outside', () =>
  expect(codesOf({ units: [cupboard('a', 0, 3500)] })).toEqual(['unit_outside']));

test('a leaf sweeps a quarter of a disc: its corner is free, its arc is not', () => {
  const door = aFixture({ place: onWall(0, 1000) });
  const standing = (alongMm: number, offMm: number) =>
    cupboard('a', 0, 0, { place: onWall(0, alongMm, offMm), width: mm(400), depth: mm(300) });
  // From the hinge to the corner: 763 mm, within the leaf's 800; then 806 mm, in the square and out of reach.
  expect(codesOf({ fixtures: [door], units: [standing(1400, 650)] })).toEqual(['door_blocked']);
  expect(codesOf({ fixtures: [door], units: [standing(1400, 700)] })).toEqual([]);
  expect(
    codesOf({
      fixtures: [aFixture({ place: onWall(0, 1000), swing: 'out' })],
      units: [cupboard('a', 0, 0, { place: onWall(0, 1000, 620) })],
    }),
  ).toEqual([]);
});

test.each([
  ['socket', 300, 390, 0, ['fixture_blocked']],
  ['valve', 2000, 2100, 0, []],
  ['window', 900, 2100, 0, ['window_covered']],
  ['meter', 900, 1500, 200, ['units_overlap', 'fixture_blocked']],
] as const)('a tall unit before a %s at %d to %d mm', (kind, bottom, top, depth, codes) =>
  expect(
    codesOf({
      units: [cupboard('a', 0, 1000)],
      fixtures: [
        aFixture({
          kind,
          swing: null,
          place: onWall(0, 1100),
          width: mm(300),
          depth: mm(depth),
          bottom: mm(bottom),
          top: mm(top),
        }),
      ],
    }),
  ).toEqual(codes),
);

test('a drawer hits what stands before it, a leaf hits the wall beside it', () => {
  const drawers = cupboard('d', 0, 0, {
    bays: [aBay({ unitId: 'd', pullOut: true, depthReadings: [mm(450)] })],
  });
  expect(codesOf({ units: [drawers, cupboard('x', 0, 0, { place: onWall(0, 0, 700) })] })).toEqual([
    'pull_out_hits',
  ]);
  expect(codesOf({ units: [drawers, cupboard('x', 0, 0, { place: onWall(0, 0, 860) })] })).toEqual(
    [],
  );
  // 800 wide doors in a passage of 700 mm: the leaf meets the wall opposite.
  const passage = traceWalls({
    walls: [4000, 1100, 4000, 1100].map((length) => ({
      length: mm(length),
      turn: 'right' as const,
    })),
  });
  invariant(passage.ok, 'a passage');
  expect(
    findPlanClashes({
      outline: passage.value,
      units: [cupboard('a', 0, 1000, { door: 'left' })],
      fixtures: [],
      checks: [],
    }),
  ).toMatchObject([{ code: 'leaf_hits', by: null }]);
  expect(codesOf({ units: [cupboard('a', 0, 0, { door: 'left' })] })).toEqual([]);
});

test('clear floor: where it was put, or anywhere either way round', () => {
  expect(
    codesOf({ units: [cupboard('a', 0, 0)], checks: [check({ place: onWall(0, 500) })] }),
  ).toEqual(['clear_space_taken']);
  expect(
    codesOf({ units: [cupboard('a', 0, 0)], checks: [check({ place: onWall(0, 900) })] }),
  ).toEqual([]);
  expect(codesOf({ checks: [check({ width: mm(2900), depth: mm(3900) })] })).toEqual([]);
  expect(
    findPlanClashes({
      outline,
      units: [cupboard('a', 0, 1600), cupboard('b', 2, 1600, { depth: mm(2000) })],
      fixtures: [],
      checks: [check({ width: mm(2500), depth: mm(2600) })],
    }),
  ).toMatchObject([{ code: 'clear_space_missing' }]);
});

test('floor before a unit is free where moving along its front finds it free, and floor elsewhere does not help', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 62 }),
      fc.integer({ min: 0, max: 40 }),
      fc.integer({ min: 4, max: 30 }),
      fc.integer({ min: 4, max: 50 }),
      (atFifties, offFifties, widthFifties, depthFifties) => {
        // In 50 mm: the cupboard stands at 0.4 m, something beside it, or before it, anywhere.
        const [along, off] = [atFifties * 50, offFifties * 50];
        const [width, depth] = [widthFifties * 50, depthFifties * 50];
        const shelf = cupboard('a', 0, 400);
        const other = cupboard('b', 0, along, { width: mm(300), depth: mm(350) });
        const blocker = { ...other, place: { ...onWall(0, along), off: mm(off) } };
        const isTaken = codesOf({
          units: [shelf, blocker],
          checks: [check({ width: mm(width), depth: mm(depth), unitId: 'a' })],
        }).includes('clear_space_taken');
        const front = shelf.depth.mm;
        const spare = shelf.width.mm - width;
        let isFree = false;
        for (let x = 400 + Math.min(0, spare); x <= 400 + Math.max(0, spare); x += 10) {
          const hits =
            x < along + 300 && along < x + width && front < off + 350 && off < front + depth;
          isFree ||= !hits && x >= 0 && x + width <= 4000 && front + depth <= 3000;
        }
        expect(isTaken).toBe(!isFree);
      },
    ),
    { numRuns: 300 },
  ));

test('a table is what is left of its top beside what stands on it', () => {
  const bench = cupboard('bench', 0, 0, { width: mm(1400), depth: mm(600), height: mm(880) });
  const onTop = cupboard('shelf', 0, 0, {
    width: mm(500),
    depth: mm(300),
    floorGap: mm(880),
    height: mm(400),
  });
  const table = check({ surface: 'table', width: mm(1000), depth: mm(500), unitId: 'bench' });
  expect(codesOf({ units: [bench], checks: [table] })).toEqual([]);
  expect(
    findPlanClashes({ outline, units: [bench, onTop], fixtures: [], checks: [table] }),
  ).toEqual([
    { code: 'table_too_small', checkId: 'bed', rect: { x: 500, y: 0, width: 900, depth: 600 } },
  ]);
});

test('a place is what a tape says, on every wall; dropped near, it snaps to wall, corner and neighbour', () => {
  const size = { widthMm: 800, depthMm: 400 };
  expect(
    [0, 1, 2, 3].map((wallIndex) => rectAt(outline, onWall(wallIndex, 100, 50), size)),
  ).toEqual([
    { x: 100, y: 50, width: 800, depth: 400 },
    { x: 3550, y: 100, width: 400, depth: 800 },
    { x: 3100, y: 2550, width: 800, depth: 400 },
    { x: 50, y: 2100, width: 400, depth: 800 },
  ]);
  const near = (
    x: number,
    y: number,
    others: readonly { x: number; y: number; width: number; depth: number }[] = [],
  ) => {
    const place = placeNear({ x, y }, { outline, size, others, unit: 'mm' });
    return [place.wallIndex, place.along.mm, place.off.mm];
  };
  expect(near(430, 230)).toEqual([0, 0, 0]);
  expect(near(1243, 230)).toEqual([0, 840, 0]);
  expect(near(1260, 230, [{ x: 0, y: 0, width: 800, depth: 400 }])).toEqual([0, 800, 0]);
  expect(near(3830, 1500)).toEqual([1, 1100, 0]);
  expect(near(2000, 900)).toEqual([0, 1600, 700]);
  const wall = outline.walls[0];
  invariant(wall, 'a wall');
  expect(tapeDistancesOf(wall, onWall(0, 1000), size)).toEqual({
    fromStartMm: 1000,
    toEndMm: 2200,
    offMm: 0,
  });
  expect(shiftPlace(onWall(0, 3195), { alongMm: 10 }, { outline, size, unit: 'mm' }).along.mm).toBe(
    3200,
  );
  expect(shiftPlace(onWall(0, 0), { walls: -1 }, { outline, size, unit: 'mm' }).wallIndex).toBe(3);
});
