import fc from 'fast-check';

import { coverByOne, coverGroup, type Coverer } from './coverGroup';
import type { FitContainer, FitGroup } from './model';

const containerOf = (i: number, innerLitres: number, maxLoadG?: number): FitContainer => ({
  id: `c${i}`,
  name: `c${i}`,
  outer: { width: 100, depth: 100, height: 100 },
  innerLitres,
  innerHeight: 95,
  material: 'plastic',
  priceMinor: 1,
  ...(maxLoadG !== undefined && { maxLoadG }),
});
const groupOf = (litres: number, massG?: number): FitGroup => ({
  id: 'g',
  name: 'g',
  litres,
  ...(massG !== undefined && { massG }),
});
const litresOf = (
  parts: readonly { readonly container: FitContainer; readonly count: number }[],
): number => parts.reduce((sum, { container, count }) => sum + container.innerLitres * count, 0);

/** Containers of whole tenths of a litre, some of which there are few. */
const coverersArb = fc
  .array(
    fc.record({
      tenths: fc.integer({ min: 5, max: 60 }),
      weight: fc.integer({ min: 1, max: 90 }),
      available: fc.oneof(fc.constant(Infinity), fc.integer({ min: 0, max: 3 })),
    }),
    { minLength: 1, maxLength: 4 },
  )
  .map((all): Coverer[] =>
    all.map(({ tenths, weight, available }, i) => ({
      container: containerOf(i, tenths / 10),
      weight,
      available,
    })),
  );

/** The least weight that holds so many tenths, by trying every number of each. */
function leastWeight(tenths: number, coverers: readonly Coverer[]): number {
  const [first, ...rest] = coverers;
  if (tenths <= 0) return 0;
  if (!first) return Infinity;
  let least = Infinity;
  const each = Math.round(first.container.innerLitres * 10);
  for (let count = 0; count <= Math.min(first.available, Math.ceil(tenths / each)); count += 1)
    least = Math.min(least, count * first.weight + leastWeight(tenths - count * each, rest));
  return least;
}

test('a group is covered at the least weight, with no more of each than there are', () => {
  let covered = 0;
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 200 }), coverersArb, (tenths, coverers) => {
      const parts = coverGroup(groupOf(tenths / 10), coverers);
      const least = leastWeight(tenths, coverers);
      if (!parts) return expect(least).toBe(Infinity);
      covered += 1;
      expect(litresOf(parts)).toBeGreaterThanOrEqual(tenths / 10 - 1e-9);
      const weightOf = ({ container, count }: (typeof parts)[number]): number =>
        count * (coverers.find((coverer) => coverer.container === container)?.weight ?? NaN);
      expect(parts.reduce((sum, part) => sum + weightOf(part), 0)).toBe(least);
      for (const { container, count } of parts)
        expect(count).toBeLessThanOrEqual(
          coverers.find((coverer) => coverer.container === container)?.available ?? 0,
        );
    }),
    { numRuns: 400 },
  );
  expect(covered).toBeGreaterThan(200);
});

test('litres that are no tenths, and many of them, are held all the same', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 900, noNaN: true }),
      fc.array(fc.double({ min: 0.3, max: 60, noNaN: true }), { minLength: 1, maxLength: 5 }),
      (litres, inner) => {
        const parts =
          coverGroup(
            groupOf(litres),
            inner.map((innerLitres, i) => ({
              container: containerOf(i, innerLitres),
              weight: 1 + i,
              available: Infinity,
            })),
          ) ?? [];
        // Each holds at least as many steps of a three-hundredth as it is counted for; one smaller
        // than a step is of no use.
        const isOfUse = inner.some((innerLitres) => innerLitres >= litres / 300);
        if (isOfUse) expect(litresOf(parts)).toBeGreaterThanOrEqual(litres - 1e-6);
        else expect(parts).toEqual([]);
      },
    ),
  ));

test('of one container so many are taken that they hold the litres and bear the mass, or none', () => {
  const weak = { container: containerOf(0, 4, 1000), weight: 1, available: Infinity };
  expect(coverByOne(groupOf(8, 5000), weak)).toEqual([{ container: weak.container, count: 5 }]);
  expect(coverByOne(groupOf(8, 500), weak)).toEqual([{ container: weak.container, count: 2 }]);
  expect(coverByOne(groupOf(8, 5000), { ...weak, available: 4 })).toBeUndefined();
});
