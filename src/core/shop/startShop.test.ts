import fc from 'fast-check';

import { loadSolver } from '../shared';
import { shopRequestArb } from '@test/shopArbitrary';
import { billFor, shopFaults, solveByTrying } from '@test/shopOracle';
import { tightShopOf } from '@test/tightShop';
import { lackingUnitsOf } from './infeasible';
import type { ShopRequest } from './model';
import { planShop } from './planShop';
import { startShop } from './startShop';

const start = (request: ShopRequest) => startShop(request, lackingUnitsOf(request), () => false);

test('what it begins with can be bought: packs, money, musts and pieces are counted again', () =>
  fc.assert(
    fc.property(shopRequestArb, (request) => {
      const found = start(request);
      if (!found) return;
      const lacking = lackingUnitsOf(request);
      expect(billFor(request, found.packs).pay).toBe(found.payMinor);
      expect(found.payMinor).toBeLessThanOrEqual(request.budgetMinor);
      request.offers.forEach(({ maxPacks, packSize, needIds }, i) => {
        expect(found.packs[i]).toBeLessThanOrEqual(maxPacks ?? Infinity);
        const given = [...found.given[i]!.values()].reduce((a, b) => a + b, 0);
        if (needIds) expect(given).toBeLessThanOrEqual(found.packs[i]! * packSize);
      });
      request.needs.forEach(({ id, priority }, n) => {
        const own = request.offers.reduce(
          (sum, offer, i) => (offer.needId === id ? sum + found.packs[i]! * offer.packSize : sum),
          0,
        );
        const shared = found.given.reduce((sum, given) => sum + (given.get(n) ?? 0), 0);
        expect(own + shared).toBeGreaterThanOrEqual(found.met[n]!);
        expect(found.met[n]).toBeLessThanOrEqual(lacking.get(id)!);
        if (priority === 'must') expect(found.met[n]).toBe(lacking.get(id));
      });
      // Never worth more than the best there is.
      expect(found.value).toBeLessThanOrEqual(
        -(solveByTrying(request, 6).score?.[0] ?? NaN) + 1e-9,
      );
    }),
    { numRuns: 150, endOnFailure: true },
  ));

test.each([1, 2, 3])(
  'with hardly any time the musts of a long list are bought, list %i',
  async (seed) => {
    const solver = await loadSolver();
    const free = tightShopOf(seed, { needs: 40, offers: 400, shops: 8 });
    const request = { ...free, budgetMinor: 40_000, timeLimitMs: 60 };
    // A clock by which every look takes a moment, so that a slow machine finds the same.
    let ms = 0;
    const answer = planShop(request, { solver, clock: () => (ms += 0.4) });
    expect(answer.status).toBe('feasible');
    expect(shopFaults(request, answer)).toEqual([]);
    expect(answer.met.filter(({ short }) => short > 0).length).toBeLessThan(40);
  },
);
