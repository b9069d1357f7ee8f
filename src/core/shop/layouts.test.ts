import fc from 'fast-check';

import { rollFaults } from '@test/rollOracle';
import { cutLongestFirst, findBestPattern, type CutProblem } from './cutPatterns';
import { EITHER_WAY, layBestFit, leastLengthOf, type RollProblem } from './rollLayout';

const cutProblemArb = fc.record({
  pieces: fc.array(
    fc.record({
      mm: fc.integer({ min: 40, max: 500 }),
      quantity: fc.integer({ min: 0, max: 4 }),
      worth: fc.integer({ min: 0, max: 90 }),
    }),
    { minLength: 1, maxLength: 4 },
  ),
  boardMm: fc.integer({ min: 200, max: 1200 }),
});
const toProblem = ({
  pieces,
  boardMm,
}: {
  pieces: readonly { mm: number; quantity: number }[];
  boardMm: number;
}): CutProblem => ({
  pieceMm: Float64Array.from(pieces, ({ mm }) => mm),
  quantities: Int32Array.from(pieces, ({ quantity }) => quantity),
  stockMm: Float64Array.of(boardMm),
  priceMinor: Float64Array.of(100),
  available: Float64Array.of(Infinity),
});

test('the pattern that is worth most is that of trying all', () =>
  fc.assert(
    fc.property(cutProblemArb, ({ pieces, boardMm }) => {
      const most = (i: number, room: number): number => {
        const piece = pieces[i];
        if (!piece) return 0;
        let best = 0;
        for (let n = 0; n <= piece.quantity && n * piece.mm <= room; n += 1)
          best = Math.max(best, n * piece.worth + most(i + 1, room - n * piece.mm));
        return best;
      };
      const found = findBestPattern(
        toProblem({ pieces, boardMm }),
        0,
        Float64Array.from(pieces, ({ worth }) => worth),
      );
      expect([found.value, found.most]).toEqual([most(0, boardMm), most(0, boardMm)]);
      expect(
        found.counts.reduce((sum, n, i) => sum + n * (pieces[i]?.mm ?? 0), 0),
      ).toBeLessThanOrEqual(boardMm);
    }),
  ));

test('longest first cuts every piece once, and gives up only where a piece fits no board', () =>
  fc.assert(
    fc.property(cutProblemArb, ({ pieces, boardMm }) => {
      const problem = toProblem({ pieces, boardMm });
      const patterns = cutLongestFirst(problem, problem.quantities, new Float64Array(1));
      if (!patterns)
        return expect(pieces.some(({ mm, quantity }) => quantity > 0 && mm > boardMm)).toBe(true);
      pieces.forEach(({ quantity }, i) =>
        expect(patterns.reduce((sum, { counts }) => sum + (counts[i] ?? 0), 0)).toBe(quantity),
      );
    }),
  ));

const rollArb = fc.record({
  pieces: fc.array(
    fc.record({
      across: fc.integer({ min: 20, max: 400 }),
      along: fc.integer({ min: 20, max: 400 }),
      turnable: fc.boolean(),
      favour: fc.double({ min: 0.05, max: 20, noNaN: true }),
      way: fc.nat(2),
    }),
    { minLength: 1, maxLength: 14 },
  ),
  lengthMm: fc.integer({ min: 400, max: 2000 }),
});

test('whatever is favoured, and whichever way round, the layout keeps every rule and the length its bound', () =>
  fc.assert(
    fc.property(rollArb, ({ pieces, lengthMm }) => {
      const problem: RollProblem = {
        widthMm: 400,
        lengthMm,
        across: Float64Array.from(pieces, ({ across }) => across),
        along: Float64Array.from(pieces, ({ along }) => along),
        turnable: Uint8Array.from(pieces, ({ turnable }) => Number(turnable)),
      };
      const taste = {
        favour: Float64Array.from(pieces, ({ favour }) => favour),
        way: Uint8Array.from(pieces, ({ turnable, way }) => (turnable ? way : 0)),
      };
      const layout = layBestFit(problem, taste);
      const placed = pieces.map((_, i) => ({
        id: `p${i}`,
        roll: layout.roll[i] ?? 0,
        x: layout.x[i] ?? 0,
        y: layout.y[i] ?? 0,
        turned: layout.turned[i] === 1,
      }));
      expect(
        rollFaults(
          {
            roll: { widthMm: 400, lengthMm, priceMinor: 1 },
            pieces: pieces.map(({ across, along, turnable }, i) => ({
              id: `p${i}`,
              widthMm: across,
              depthMm: along,
              qty: 1,
              turnable,
            })),
          },
          { placed, ...layout },
        ),
      ).toEqual([]);
      expect(layout.usedLengthMm).toBeGreaterThanOrEqual(leastLengthOf(problem) - 1e-6);
      pieces.forEach(({ turnable, way }, i) => {
        if (!turnable || way !== EITHER_WAY) expect(layout.turned[i]).toBe(turnable ? way : 0);
      });
    }),
    { numRuns: 200 },
  ));
