import fc from 'fast-check';

import { findBestPattern } from './cutPatterns';
import { tablePatterns } from './patternTable';

const problemArb = fc.record({
  kerfMm: fc.constantFrom(0, 3, 2.5),
  stock: fc.array(fc.integer({ min: 300, max: 1500 }), { minLength: 1, maxLength: 3 }),
  pieces: fc.array(
    fc.record({
      mm: fc.integer({ min: 60, max: 700 }),
      qty: fc.nat(5),
      worth: fc.integer({ min: 0, max: 400 }),
    }),
    { minLength: 1, maxLength: 7 },
  ),
});

test('a table tells the same worth of every board as a search through all patterns', () =>
  fc.assert(
    fc.property(problemArb, ({ kerfMm, stock, pieces }) => {
      const problem = {
        pieceMm: Float64Array.from(pieces, ({ mm }) => mm + kerfMm),
        quantities: Int32Array.from(pieces, ({ qty }) => qty),
        stockMm: Float64Array.from(stock, (mm) => mm + kerfMm),
        priceMinor: Float64Array.from(stock, () => 100),
        available: Float64Array.from(stock, () => Infinity),
      };
      const worth = Float64Array.from(pieces, (piece) => piece.worth);
      const table = tablePatterns(problem, worth)!;
      stock.forEach((_, s) => {
        const { counts, value } = table.best(s);
        expect(value).toBe(findBestPattern(problem, s, worth, 1e9).value);
        expect(counts.reduce((sum, n, i) => sum + n * worth[i]!, 0)).toBe(value);
        const usedMm = counts.reduce((sum, n, i) => sum + n * problem.pieceMm[i]!, 0);
        expect(usedMm).toBeLessThanOrEqual(problem.stockMm[s]! + 1e-6);
        counts.forEach((n, i) => expect(n).toBeLessThanOrEqual(problem.quantities[i]!));
      });
    }),
    { numRuns: 200 },
  ));

test('lengths finer than a tenth of a millimetre have no table', () => {
  const problem = {
    pieceMm: Float64Array.of(100.25),
    quantities: Int32Array.of(1),
    stockMm: Float64Array.of(500),
    priceMinor: Float64Array.of(100),
    available: Float64Array.of(Infinity),
  };
  expect(tablePatterns(problem, Float64Array.of(1))).toBeUndefined();
});
