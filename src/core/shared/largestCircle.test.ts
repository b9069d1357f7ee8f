import fc from 'fast-check';

import { largestCircleOf, type FloorRect } from './largestCircle';

const rectArb: fc.Arbitrary<FloorRect> = fc.record({
  x: fc.integer({ min: -50, max: 900 }),
  y: fc.integer({ min: -50, max: 500 }),
  width: fc.integer({ min: 1, max: 400 }),
  depth: fc.integer({ min: 1, max: 400 }),
});
const distance = (rect: FloorRect, x: number, y: number): number =>
  Math.hypot(
    Math.max(rect.x - x, 0, x - rect.x - rect.width),
    Math.max(rect.y - y, 0, y - rect.y - rect.depth),
  );

test('an empty floor holds a circle as wide as its shorter side', () => {
  expect(largestCircleOf({ width: 800, depth: 500 }, []).radiusMm).toBeCloseTo(250, 0);
  expect(largestCircleOf({ width: 0, depth: 500 }, []).radiusMm).toBe(0);
});

test('a pipe in the middle of a square leaves the corner circle', () => {
  // Between two walls and the pipe's corner at (450, 450): r + r√2 = 450√2.
  const expected = (450 * Math.SQRT2) / (1 + Math.SQRT2);
  expect(
    Math.abs(
      largestCircleOf({ width: 1000, depth: 1000 }, [{ x: 450, y: 450, width: 100, depth: 100 }])
        .radiusMm - expected,
    ),
  ).toBeLessThanOrEqual(0.5);
});

test('a floor taken whole holds none', () =>
  expect(
    largestCircleOf({ width: 300, depth: 300 }, [{ x: -1, y: -1, width: 302, depth: 302 }])
      .radiusMm,
  ).toBe(0));

test('the circle touches nothing, and no point of a grid does better', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 100, max: 1000 }),
      fc.integer({ min: 100, max: 600 }),
      fc.array(rectArb, { maxLength: 4 }),
      (width, depth, taken) => {
        const circle = largestCircleOf({ width, depth }, taken);
        const clearance = (x: number, y: number) =>
          Math.min(x, y, width - x, depth - y, ...taken.map((rect) => distance(rect, x, y)));
        if (circle.radiusMm > 0)
          expect(clearance(circle.x, circle.y)).toBeCloseTo(circle.radiusMm, 6);
        for (let x = 0; x <= width; x += 20)
          for (let y = 0; y <= depth; y += 20)
            expect(clearance(x, y)).toBeLessThanOrEqual(circle.radiusMm + 0.5 + 1e-9);
      },
    ),
    { numRuns: 40 },
  ));
