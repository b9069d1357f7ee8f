import fc from 'fast-check';

import { aBay, aFixture, aPlan, aUnit, mm, onWall } from '@test/builders';
import { invariant } from '../shared';
import { drawPlan } from './drawPlan';
import { drawFront, drawUnitPlan } from './drawUnits';
import { findPlanClashes } from './findPlanClashes';
import { roomCheckSchema, type Fixture, type Unit } from './model';
import { unitDoors } from './codes';
import { sweepPath, toSvg, type Mark, type Sketch } from './sketch';
import { traceWalls } from './traceWalls';

const traced = traceWalls(aPlan);
invariant(traced.ok, 'a plain room');
const outline = traced.value;
const unit = (change: Parameters<typeof aUnit>[0] = {}): Unit =>
  aUnit({ place: onWall(0, 500), ...change });
const draw = (
  units: readonly Unit[],
  fixtures: readonly Fixture[] = [],
  checks: Parameters<typeof drawPlan>[0]['checks'] = [],
) =>
  drawPlan({
    outline,
    units,
    fixtures,
    checks,
    clashes: findPlanClashes({ outline, units, fixtures, checks }),
    measureUnit: 'cm',
    penMm: 8,
  });
const rects = (sketch: Sketch, role: string) =>
  sketch.marks.flatMap((mark) => (mark.kind === 'rect' && mark.role === role ? [mark] : []));
const texts = (sketch: Sketch) =>
  sketch.marks.flatMap((mark) => (mark.kind === 'text' ? [mark.text] : []));

/** Every point that a mark touches, letters taken as their anchor. */
const pointsOf = (mark: Mark): readonly (readonly [number, number])[] => {
  if (mark.kind === 'rect')
    return [
      [mark.x, mark.y],
      [mark.x + mark.width, mark.y + mark.depth],
    ];
  if (mark.kind === 'line') return mark.points.map(({ x, y }) => [x, y] as const);
  if (mark.kind === 'sweep')
    return [mark.hinge, mark.shut, mark.open].map(({ x, y }) => [x, y] as const);
  return [[mark.x, mark.y]];
};
const isWithin = (sketch: Sketch) =>
  sketch.marks
    .flatMap(pointsOf)
    .every(
      ([x, y]) =>
        x >= sketch.x - 1 &&
        y >= sketch.y - 1 &&
        x <= sketch.x + sketch.width + 1 &&
        y <= sketch.y + sketch.depth + 1,
    );

test('a plan draws units where they stand, with their real size, and the length of every wall', () => {
  const sketch = draw([unit({ width: mm(860), depth: mm(340) })]);
  expect(rects(sketch, 'unit')).toMatchObject([
    { x: 500, y: 0, width: 860, depth: 340, title: 'Cupboard' },
  ]);
  expect(texts(sketch).filter((text) => text.endsWith(' cm'))).toEqual([
    '400 cm',
    '300 cm',
    '400 cm',
    '300 cm',
  ]);
  expect(texts(draw([unit({ place: null })]))).not.toContain('Cupboard');
});

test('a clash is marked where it is, however thin', () => {
  const sketch = draw([unit(), unit({ id: 'other', place: onWall(0, 1359) })]);
  expect(rects(sketch, 'clash')).toMatchObject([{ x: 1359, y: 0, width: 48, depth: 340 }]);
});

test('leaves are drawn from their hinge, on every wall, as long as the unit is wide', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(0, 1, 2, 3),
      fc.constantFrom(...unitDoors),
      fc.integer({ min: 0, max: 1900 }),
      (wallIndex, door, alongMm) => {
        const sketch = draw([unit({ door, place: onWall(wallIndex, alongMm) })]);
        const sweeps = sketch.marks.flatMap((mark) => (mark.kind === 'sweep' ? [mark] : []));
        const leafCounts: Readonly<Record<string, number>> = { pair: 2, left: 1, right: 1 };
        expect(sweeps).toHaveLength(leafCounts[door] ?? 0);
        const [body] = rects(sketch, 'unit');
        invariant(body, 'the unit is drawn');
        for (const { hinge, shut, open } of sweeps) {
          const [toShut, toOpen] = [shut, open].map((end) =>
            Math.hypot(end.x - hinge.x, end.y - hinge.y),
          );
          expect(toShut).toBeCloseTo(door === 'pair' ? 430 : 860, 3);
          expect(toOpen).toBeCloseTo(toShut ?? 0, 3);
          // Shut, it lies along the front: on the unit's edge. Open, it stands out from it.
          const isOnEdge = ({ x, y }: { x: number; y: number }) =>
            x >= body.x - 0.2 &&
            x <= body.x + body.width + 0.2 &&
            y >= body.y - 0.2 &&
            y <= body.y + body.depth + 0.2;
          expect([isOnEdge(hinge), isOnEdge(shut), isOnEdge(open)]).toEqual([true, true, false]);
        }
      },
    ),
    { numRuns: 80 },
  ));

test('what is in a wall is named outside it, what stands in the room inside; nothing is drawn off the sheet', () => {
  const clear = roomCheckSchema.parse({
    id: 'bed',
    text: 'the bed folds out',
    answer: null,
    clear: {
      surface: 'floor',
      width: mm(900),
      depth: mm(600),
      place: onWall(2, 1000),
      unitId: null,
    },
  });
  for (const wallIndex of [0, 1, 2, 3]) {
    const fixtures = [
      aFixture({ place: onWall(wallIndex, 200) }),
      aFixture({
        id: 'w',
        kind: 'window',
        name: 'Window',
        swing: null,
        place: onWall(wallIndex, 1500),
      }),
      aFixture({
        id: 's',
        kind: 'station',
        name: 'Bed',
        swing: null,
        depth: mm(700),
        place: onWall(wallIndex, 1100),
        width: mm(900),
      }),
    ];
    const sketch = draw([], fixtures, [clear]);
    expect(texts(sketch)).toEqual(expect.arrayContaining(['Door', 'Window', 'Bed', '90 × 60 cm']));
    const inRoom = (text: string) =>
      sketch.marks.some(
        (mark) =>
          mark.kind === 'text' &&
          mark.text === text &&
          mark.x > 0 &&
          mark.x < 4000 &&
          mark.y > 0 &&
          mark.y < 3000,
      );
    expect([inRoom('Door'), inRoom('Window'), inRoom('Bed')]).toEqual([false, false, true]);
    expect(isWithin(sketch)).toBe(true);
  }
});

test('a unit from above: its inside, what stands in it, and the way of its drawers', () => {
  const sketch = drawUnitPlan(
    aUnit({
      depth: mm(400),
      bays: [
        aBay({
          pullOut: true,
          depthReadings: [mm(360)],
          obstacles: [{ label: 'trap', x: 100, y: 50, z: 0, width: 200, depth: 80, height: 90 }],
        }),
      ],
    }),
    { measureUnit: 'cm', penMm: 5 },
  );
  const [inside] = rects(sketch, 'bay');
  invariant(inside, 'the inside is drawn');
  expect([inside.width, inside.depth, inside.y]).toEqual([800, 360, 20]);
  // 50 mm from the front of the inside, which lies at y = 380.
  expect(rects(sketch, 'obstacle')).toMatchObject([
    { x: inside.x + 100, y: 250, width: 200, depth: 80, title: 'trap' },
  ]);
  expect(rects(sketch, 'path')).toMatchObject([{ x: 0, y: 400, width: 860, depth: 360 }]);
  expect(isWithin(sketch)).toBe(true);
});

test('fronts: what is guessed is marked, and letters that do not fit are shortened, not let over the edge', () => {
  const sketch = drawFront(
    [aUnit({ bays: [aBay({ isUsual: true, name: 'A shelf with a very long name indeed' })] })],
    { measureUnit: 'cm', penMm: 6 },
  );
  expect(rects(sketch, 'bay-usual')).toHaveLength(1);
  expect(texts(sketch)).toContain('not measured yet');
  for (const mark of sketch.marks)
    if (mark.kind === 'text' && mark.role === 'name')
      expect(mark.text.length * mark.pens * 6 * 0.54).toBeLessThanOrEqual(860);
});

test('an SVG file has its real size divided by the scale, and nothing typed becomes markup', () => {
  const svg = toSvg(draw([unit({ name: '<script>"&' })]), { scale: 20, title: 'Hall & <stairs>' });
  // 4000 mm and 58 pens of 8 mm on both sides.
  expect(svg).toMatch(/width="246.4mm" height="196.4mm" viewBox="-464 -464 4928 3928"/);
  expect(svg).toContain('&#60;script&#62;');
  expect(svg).not.toContain('<script');
  expect(svg).toContain('<title>Hall &#38; &#60;stairs&#62;, 1:20</title>');
});

test('an arc turns the way the leaf does', () => {
  const sweep = (shut: [number, number], open: [number, number]) =>
    sweepPath({
      kind: 'sweep',
      role: 'door',
      hinge: { x: 0, y: 0 },
      shut: { x: shut[0], y: shut[1] },
      open: { x: open[0], y: open[1] },
    });
  expect(sweep([10, 0], [0, 10])).toBe('M0 0L0 10A10 10 0 0 0 10 0');
  expect(sweep([0, 10], [10, 0])).toBe('M0 0L10 0A10 10 0 0 1 0 10');
});
