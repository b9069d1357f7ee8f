import fc from 'fast-check';

import { shopRequestSchema } from '@/core/shop';

/**
 * Tiny requests with everything that a bill can have: packs, deliveries, cards, what is owned,
 * budgets that are too small.
 */
export const shopRequestArb = fc
  .record({
    needs: fc.array(
      fc.record({
        qty: fc.integer({ min: 0, max: 4 }),
        priority: fc.constantFrom('must', 'should', 'nice'),
        value: fc.constantFrom(1, 2),
      }),
      { minLength: 1, maxLength: 3 },
    ),
    offers: fc.array(
      fc.record({
        need: fc.nat(2),
        also: fc.option(fc.nat(2)),
        shop: fc.nat(1),
        packSize: fc.integer({ min: 1, max: 3 }),
        priceMinor: fc.integer({ min: 1, max: 60 }),
        maxPacks: fc.option(fc.integer({ min: 0, max: 2 })),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    shops: fc.tuple(
      ...[0, 1].map(() =>
        fc.record({
          deliveryMinor: fc.constantFrom(0, 10, 25),
          freeOverMinor: fc.option(fc.integer({ min: 20, max: 90 })),
          card: fc.constantFrom(0, 0, 15),
        }),
      ),
    ),
    owned: fc.option(fc.integer({ min: 0, max: 3 })),
    budgetMinor: fc.integer({ min: 0, max: 300 }),
  })
  .map(({ needs, offers, shops, owned, budgetMinor }) =>
    shopRequestSchema.parse({
      needs: needs.map((need, i) => ({ ...need, id: `n${i}`, name: `need ${i}` })),
      offers: offers.map(({ need, also, shop, maxPacks, ...offer }, i) => {
        const ids = [...new Set([need, also ?? need].map((n) => `n${n % needs.length}`))];
        return {
          ...offer,
          id: `o${i}`,
          shopId: `s${shop}`,
          ...(maxPacks === null ? {} : { maxPacks }),
          ...(ids.length > 1 ? { needIds: ids } : { needId: ids[0] }),
        };
      }),
      shops: shops.map(({ freeOverMinor, deliveryMinor }, i) => ({
        id: `s${i}`,
        name: `shop ${i}`,
        deliveryMinor,
        ...(freeOverMinor === null ? {} : { freeOverMinor }),
      })),
      credits: shops.flatMap(({ card }, i) =>
        card > 0 ? [{ shopId: `s${i}`, amountMinor: card }] : [],
      ),
      owned: owned === null ? [] : [{ needId: 'n0', qty: owned }],
      budgetMinor,
      timeLimitMs: 20_000,
    }),
  );
