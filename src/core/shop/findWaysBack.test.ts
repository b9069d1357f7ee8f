import { cpuClock as clock } from '@test/cpuClock';
import fc from 'fast-check';

import { loadSolver, type Solver } from '../shared';
import { findWaysBack, planShop, shopRequestSchema, type ShopRequest } from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});
const means = () => ({ solver, clock });

const requestArb = fc
  .record({
    prices: fc.array(fc.integer({ min: 10, max: 400 }), { minLength: 1, maxLength: 5 }),
    deliveryMinor: fc.constantFrom(0, 100),
    freeOverMinor: fc.constantFrom(300, 900),
    budgetMinor: fc.integer({ min: 0, max: 900 }),
  })
  .map(({ prices, budgetMinor, ...shop }) =>
    shopRequestSchema.parse({
      needs: prices.map((_, i) => ({
        id: `n${i}`,
        name: `n${i}`,
        qty: 1 + (i % 2),
        priority: i === 4 ? 'nice' : 'must',
      })),
      offers: prices.map((priceMinor, i) => ({
        id: `o${i}`,
        shopId: 's',
        needId: `n${i}`,
        packSize: 1 + (i % 3),
        priceMinor,
      })),
      shops: [{ id: 's', name: 's', ...shop }],
      budgetMinor,
      timeLimitMs: 10_000,
    }),
  );

/** The least for the musts without some of them, asked of the engine from scratch. */
const leastWithout = (request: ShopRequest, ids: readonly string[]): number => {
  const needs = request.needs.filter(
    ({ id, priority }) => priority === 'must' && !ids.includes(id),
  );
  const offers = request.offers.filter(({ needId }) => needs.some(({ id }) => id === needId));
  return planShop({ ...request, needs, offers, budgetMinor: 1_000_000 }, means()).payMinor;
};

test(
  'every way back costs what it says, saves what it says, and is enough where it says so',
  () =>
    fc.assert(
      fc.property(requestArb, (request) => {
        const ways = findWaysBack(request, means());
        const now = leastWithout(request, []);
        if (now <= request.budgetMinor) return expect(ways).toEqual([]);
        for (const way of ways) {
          expect(way.leastMinor).toBe(leastWithout(request, way.needIds));
          expect(way.savesMinor).toBe(now - way.leastMinor);
          expect(way.isEnough).toBe(way.leastMinor <= request.budgetMinor);
        }
        // Leaving everything out costs nothing, so that some way is always enough.
        expect(ways.some((way) => way.isEnough)).toBe(true);
      }),
      { numRuns: 12 },
    ),
  60_000,
);

test('the smallest sacrifice that is enough comes first', () => {
  const request = shopRequestSchema.parse({
    needs: ['a', 'b', 'c'].map((id) => ({ id, name: id, qty: 1, priority: 'must' })),
    shops: [{ id: 's', name: 's' }],
    budgetMinor: 560,
    offers: [
      ['a', 300],
      ['b', 200],
      ['c', 100],
    ].map(([id, priceMinor]) => ({
      id: `o${id}`,
      shopId: 's',
      needId: id,
      packSize: 1,
      priceMinor,
    })),
  });
  expect(
    findWaysBack(request, means()).map(({ needIds, savesMinor }) => [needIds, savesMinor]),
  ).toEqual([
    [['c'], 100],
    [['b'], 200],
    [['a'], 300],
  ]);
});

test('where no single line is enough, the shortest run of the largest savings is', () => {
  const request = shopRequestSchema.parse({
    needs: ['a', 'b', 'c'].map((id) => ({ id, name: id, qty: 1, priority: 'must' })),
    shops: [{ id: 's', name: 's' }],
    budgetMinor: 150,
    offers: ['a', 'b', 'c'].map((id, i) => ({
      id: `o${id}`,
      shopId: 's',
      needId: id,
      packSize: 1,
      priceMinor: 300 - i * 100,
    })),
  });
  expect(findWaysBack(request, means())[0]).toEqual({
    needIds: ['a', 'b'],
    leastMinor: 100,
    savesMinor: 500,
    isEnough: true,
  });
});
