import fc from 'fast-check';

import { pickWishes, type Wish } from './pickWishes';

const wishArb = fc
  .record({
    steps: fc.array(fc.oneof(fc.integer({ min: 0, max: 900 }), fc.constant(Infinity)), {
      minLength: 1,
      maxLength: 4,
    }),
    weight: fc.oneof(fc.integer({ min: 1, max: 15 }), fc.double({ min: 0.1, max: 9, noNaN: true })),
  })
  .map(({ steps, weight }): Wish => ({ cost: [0, ...steps], most: steps.length, weight }));

/** What is worth most, by trying every choice. */
function tryAll([first, ...rest]: readonly Wish[], leftMinor: number): number {
  if (!first) return 0;
  let best = 0;
  for (let count = 0; count <= first.most; count += 1)
    if (first.cost[count]! <= leftMinor)
      best = Math.max(best, count * first.weight + tryAll(rest, leftMinor - first.cost[count]!));
  return best;
}

test('wishes within the money are worth as much as the best of all choices', () => {
  fc.assert(
    fc.property(
      fc.array(wishArb, { maxLength: 6 }),
      fc.integer({ min: 0, max: 3000 }),
      (wishes, spareMinor) => {
        const { counts, rate } = pickWishes(wishes, spareMinor);
        const paid = wishes.reduce((sum, { cost }, k) => sum + cost[counts[k]!]!, 0);
        expect(paid).toBeLessThanOrEqual(spareMinor);
        expect(rate).toBeGreaterThanOrEqual(0);
        const isWhole = wishes.every(({ weight }) => Number.isInteger(weight));
        const value = wishes.reduce((sum, { weight }, k) => sum + weight * counts[k]!, 0);
        const best = tryAll(wishes, spareMinor);
        expect(value).toBeLessThanOrEqual(best + 1e-9);
        // Values that are not whole are counted in steps of one: each wish may lose up to one.
        expect(value).toBeGreaterThanOrEqual(best - (isWhole ? 1e-9 : wishes.length));
      },
    ),
    { numRuns: 400 },
  );
});

test('where values add up to more than is counted, little is lost', () => {
  const wishes = Array.from({ length: 60 }, (_, k): Wish => {
    const price = 100 + ((k * 37) % 91);
    return { cost: [0, price, 2 * price, 3 * price - 9], most: 3, weight: 150 + ((k * 53) % 77) };
  });
  const spareMinor = 9000;
  const { counts, rate } = pickWishes(wishes, spareMinor);
  const value = wishes.reduce((sum, { weight }, k) => sum + weight * counts[k]!, 0);
  const bound = wishes.reduce(
    (sum, { cost, weight }) =>
      sum + Math.max(...[0, 1, 2, 3].map((n) => n * weight - rate * cost[n]!)),
    rate * spareMinor,
  );
  expect(value).toBeGreaterThan(bound * 0.99);
});
