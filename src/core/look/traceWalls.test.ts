import fc from 'fast-check';

import { mm } from '@test/builders';
import { invariant } from '../shared';
import { findFreeFloor, largestFreeFloor } from './freeFloor';
import type { RoomPlan } from './model';
import { isInside, outsideRects, rectsOverlap, traceWalls } from './traceWalls';

const planOf = (...walls: readonly (readonly [number, 'right' | 'left'])[]): RoomPlan => ({
  walls: walls.map(([length, turn]) => ({ length: mm(length), turn })),
});
const rectangle = (length: number, width: number) =>
  planOf([length, 'right'], [width, 'right'], [length, 'right'], [width, 'right']);
/** An alcove in the lower left corner. */
const withAlcove = planOf(
  [4200, 'right'],
  [3600, 'right'],
  [3000, 'right'],
  [900, 'left'],
  [1200, 'right'],
  [2700, 'right'],
);
const traced = (plan: RoomPlan) => {
  const outline = traceWalls(plan);
  invariant(outline.ok, 'a sound plan');
  return outline.value;
};

test('four walls close to a rectangle with the room on the right hand', () => {
  const outline = traced(rectangle(4000, 3000));
  expect([outline.widthMm, outline.depthMm, outline.slackMm]).toEqual([4000, 3000, 0]);
  expect(outline.walls.map(({ from, inward }) => [from.x, from.y, inward.x, inward.y])).toEqual([
    [0, 0, 0, 1],
    [4000, 0, -1, 0],
    [4000, 3000, 0, -1],
    [0, 3000, 1, 0],
  ]);
});

test('a left turn makes an alcove, and what is cut off is not room', () => {
  const outline = traced(withAlcove);
  expect([outline.widthMm, outline.depthMm]).toEqual([4200, 3600]);
  expect(outsideRects(outline)).toEqual([{ x: 0, y: 2700, width: 1200, depth: 900 }]);
  expect(isInside(outline, { x: 1200, y: 2700, width: 500, depth: 900 })).toBe(true);
  expect(isInside(outline, { x: 1000, y: 2600, width: 500, depth: 500 })).toBe(false);
  expect(isInside(outline, { x: 100, y: 2800, width: 500, depth: 500 })).toBe(false);
});

test('what a tape is off by is shared out over the walls; the room closes', () => {
  const outline = traced(
    planOf([4000, 'right'], [3010, 'right'], [4020, 'right'], [3000, 'right']),
  );
  expect(outline.slackMm).toBe(20);
  const last = outline.walls.at(-1);
  expect([last?.to.x, last?.to.y].map((value) => Math.round((value ?? NaN) * 1000))).toEqual(
    [0, 0].map((start) => start + Math.round((outline.walls[0]?.from.x ?? 0) * 1000)),
  );
});

test.each([
  [
    'a wall read wrongly',
    planOf([4000, 'right'], [3000, 'right'], [3500, 'right'], [3000, 'right']),
    { code: 'walls_do_not_meet', acrossMm: 500, downMm: 0 },
  ],
  [
    'a turn forgotten',
    planOf([4000, 'right'], [3000, 'left'], [4000, 'right'], [3000, 'right']),
    { code: 'walls_turn_wrong', rightTurns: 3, leftTurns: 1 },
  ],
  [
    'a notch as deep as the room',
    planOf(
      [4000, 'right'],
      [3000, 'right'],
      [1000, 'right'],
      [3000, 'left'],
      [2000, 'left'],
      [3000, 'right'],
      [1000, 'right'],
      [3000, 'right'],
    ),
    expect.objectContaining({ code: 'walls_cross' }),
  ],
] as const)('%s is said, not drawn', (_, plan, error) =>
  expect(traceWalls(plan)).toEqual({ ok: false, error }),
);

const rectArb = fc
  .record({
    x: fc.integer({ min: 0, max: 8 }),
    y: fc.integer({ min: 0, max: 8 }),
    width: fc.integer({ min: 1, max: 5 }),
    depth: fc.integer({ min: 1, max: 5 }),
  })
  .map((rect) => ({
    x: rect.x * 300,
    y: rect.y * 300,
    width: rect.width * 300,
    depth: rect.depth * 300,
  }));

test('a free rectangle is found exactly where one exists, by trying every step of the grid', () =>
  fc.assert(
    fc.property(
      fc.array(rectArb, { maxLength: 6 }),
      fc.integer({ min: 1, max: 8 }),
      fc.integer({ min: 1, max: 8 }),
      (taken, w, d) => {
        const outline = traced(withAlcove);
        const size = { widthMm: w * 300, depthMm: d * 300 };
        const found = findFreeFloor(outline, taken, size);
        const isFree = (rect: { x: number; y: number; width: number; depth: number }) =>
          isInside(outline, rect) && !taken.some((other) => rectsOverlap(rect, other));
        const steps = Array.from({ length: 15 }, (_, i) => i * 300);
        const exists = [
          [size.widthMm, size.depthMm],
          [size.depthMm, size.widthMm],
        ].some(([width = 0, depth = 0]) =>
          steps.some((x) => steps.some((y) => isFree({ x, y, width, depth }))),
        );
        expect(found !== undefined).toBe(exists);
        if (found) expect(isFree(found)).toBe(true);
        const largest = largestFreeFloor(outline, taken);
        if (found)
          expect(largest.width * largest.depth).toBeGreaterThanOrEqual(found.width * found.depth);
      },
    ),
    { numRuns: 150 },
  ));
