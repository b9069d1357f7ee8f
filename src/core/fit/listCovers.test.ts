import fc from 'fast-check';

import { climbPrices } from './coverChoice';
import { CoverList, type Cover } from './listCovers';
import { fitRequestSchema, type FitContainer, type FitGroup, type FitRequest } from './model';

const sizeArb = fc.record({
  width: fc.integer({ min: 60, max: 200 }),
  litres: fc.integer({ min: 2, max: 9 }),
  priceMinor: fc.integer({ min: 0, max: 40 }),
  available: fc.option(fc.integer({ min: 0, max: 4 }), { nil: undefined }),
  maxLoadG: fc.option(fc.constantFrom(900, 4000), { nil: undefined }),
});
const requestArb = fc
  .record({
    pullOut: fc.boolean(),
    litres: fc.integer({ min: 2, max: 10 }),
    sizes: fc.array(sizeArb, { minLength: 2, maxLength: 4 }),
  })
  .map(({ pullOut, litres, sizes }): FitRequest =>
    fitRequestSchema.parse({
      bay: { id: 'b', width: 640, depth: 400, height: 240, pullOut },
      groups: [{ id: 'g', name: 'g', litres, massG: litres * 400 }],
      containers: sizes.map(
        ({ width, litres: innerLitres, priceMinor, available, maxLoadG }, i) => ({
          id: `c${i}`,
          name: `c${i}`,
          outer: { width, depth: 120, height: 100 },
          innerLitres,
          innerHeight: 95,
          material: 'plastic',
          priceMinor,
          ...(available !== undefined && { available }),
          ...(maxLoadG !== undefined && { maxLoadG }),
        }),
      ),
    }),
  );
/** What is free counts something too, so that there is an end to it. */
const weightOf = ({ priceMinor, outer }: FitContainer): number => priceMinor + outer.width / 20;
const floorRow = { most: 500_000, of: ({ outer }: FitContainer) => outer.width * outer.depth };

/** How often each container, in the order of the request. */
const countsOf = (request: FitRequest, { parts }: Cover): string =>
  request.containers
    .map((container) =>
      parts.reduce((sum, part) => (part.container === container ? sum + part.count : sum), 0),
    )
    .join(',');

/** Every cover within the limit, by trying all numbers of each container. */
function allCovers({ bay, groups: [group], containers }: FitRequest, limit: number): string[] {
  const found: string[] = [];
  if (!group) return found;
  const mayHoldMore =
    !(bay.pullOut ?? false) || containers.some(({ maxLoadG }) => maxLoadG !== undefined);
  const visit = (counts: readonly number[], litres: number, weight: number, area: number): void => {
    const next = containers[counts.length];
    if (next) {
      for (
        let n = 0;
        weight + n * weightOf(next) <= limit + 1e-9 &&
        n <= (next.available ?? Infinity) &&
        area + n * floorRow.of(next) <= floorRow.most;
        n += 1
      )
        visit(
          [...counts, n],
          litres + n * next.innerLitres,
          weight + n * weightOf(next),
          area + n * floorRow.of(next),
        );
      return;
    }
    const used = containers.filter((_, i) => (counts[i] ?? 0) > 0);
    const isNeeded = used.every(({ innerLitres }) => litres - innerLitres < group.litres);
    const isBorne = used.every(
      ({ innerLitres, maxLoadG }) =>
        ((group.massG ?? 0) * innerLitres) / litres <= (maxLoadG ?? Infinity) + 1e-9,
    );
    if (litres >= group.litres && (mayHoldMore || isNeeded) && isBorne)
      found.push(counts.join(','));
  };
  visit([], 0, 0, 0);
  return found;
}

test('the covers of a group are all that hold it within the limit, and within a lower one where they are too many', () => {
  let lowered = 0;
  fc.assert(
    fc.property(
      requestArb,
      fc.integer({ min: 20, max: 110 }),
      fc.constantFrom(1, 0.004),
      (request, limit, effort) => {
        const listed = new CoverList(request, [floorRow], weightOf, () => true, effort).of(
          request.groups[0] as FitGroup,
          { least: 0, limit },
        );
        if (!listed) return;
        expect(listed.limit).toBeLessThanOrEqual(limit);
        if (listed.limit < limit) lowered += 1;
        expect(listed.covers.map((cover) => countsOf(request, cover)).sort()).toEqual(
          allCovers(request, listed.limit).sort(),
        );
        for (const { parts, worth, shares } of listed.covers) {
          expect(worth).toBeCloseTo(
            parts.reduce((sum, { container, count }) => sum + weightOf(container) * count, 0),
            6,
          );
          expect(shares[0]).toBeCloseTo(
            parts.reduce((sum, { container, count }) => sum + floorRow.of(container) * count, 0) /
              floorRow.most,
            6,
          );
        }
      },
    ),
    { numRuns: 300 },
  );
  expect(lowered).toBeGreaterThan(20);
});

test('what is listed when the time is up is not taken for all', () => {
  const request = fitRequestSchema.parse({
    bay: { id: 'b', width: 640, depth: 400, height: 240 },
    groups: [{ id: 'g', name: 'g', litres: 3 }],
    containers: [
      {
        id: 'c',
        name: 'c',
        outer: { width: 100, depth: 100, height: 100 },
        innerLitres: 1,
        innerHeight: 90,
        material: 'plastic',
        priceMinor: 3,
      },
    ],
  });
  expect(
    new CoverList(request, [floorRow], weightOf, () => false).of(request.groups[0] as FitGroup, {
      least: 0,
      limit: 100,
    }),
  ).toBeUndefined();
});

test('no choice that keeps the rows counts less than what the prices say, and prices never say less than no prices', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.array(
          fc.record({
            worth: fc.integer({ min: 0, max: 40 }),
            shares: fc.tuple(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 9 })),
          }),
          { minLength: 1, maxLength: 5 },
        ),
        { minLength: 1, maxLength: 4 },
      ),
      (lists) => {
        const rows = [0, 1] as const;
        const leastAt = (prices: Float64Array) => {
          const best = lists.map((list) =>
            list
              .map(({ worth, shares }) => ({
                shares,
                sum:
                  worth +
                  rows.reduce<number>((sum, r) => sum + ((prices[r] ?? 0) * shares[r]) / 10, 0),
              }))
              .reduce((a, b) => (b.sum < a.sum ? b : a)),
          );
          return {
            sum: best.reduce((sum, each) => sum + each.sum, 0),
            used: Float64Array.from(rows, (r) =>
              best.reduce((sum, { shares }) => sum + shares[r] / 10, 0),
            ),
          };
        };
        let least = Infinity;
        const visit = (g: number, worth: number, used: readonly [number, number]): void => {
          if (used[0] > 10 || used[1] > 10) return;
          const list = lists[g];
          if (!list) least = Math.min(least, worth);
          else
            for (const next of list)
              visit(g + 1, worth + next.worth, [
                used[0] + next.shares[0],
                used[1] + next.shares[1],
              ]);
        };
        visit(0, 0, [0, 0]);
        const { bound, prices } = climbPrices(
          new Float64Array(2),
          80,
          Number.isFinite(least) ? least : 500,
          leastAt,
        );
        expect(bound).toBeLessThanOrEqual(least + 1e-6);
        expect(bound).toBeGreaterThanOrEqual(leastAt(new Float64Array(2)).sum - 1e-9);
        expect(Math.min(...prices)).toBeGreaterThanOrEqual(0);
      },
    ),
    { numRuns: 300 },
  ));
