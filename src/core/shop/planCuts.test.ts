import fc from 'fast-check';

import { bestCut, cutFaults } from '@test/cutOracle';
import { plantedCutsOf } from '@test/plantedCuts';
import { cpuClock as clock } from '@test/cpuClock';
import { loadSolver, type Solver } from '../shared';
import { cutRequestSchema, planCuts, type CutRequestInput } from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});
const cut = (request: CutRequestInput) =>
  planCuts(cutRequestSchema.parse({ timeLimitMs: 60_000, ...request }), {
    solver,
    clock,
  });

const smallArb: fc.Arbitrary<CutRequestInput> = fc
  .record({
    stock: fc.array(
      fc.record({
        lengthMm: fc.integer({ min: 300, max: 1200 }),
        priceMinor: fc.integer({ min: 0, max: 900 }),
        available: fc.option(fc.integer({ min: 0, max: 3 }), { nil: undefined }),
      }),
      { minLength: 1, maxLength: 2 },
    ),
    kerfMm: fc.constantFrom(0, 3, 3.2),
    pieces: fc.array(
      fc.record({
        lengthMm: fc.integer({ min: 90, max: 700 }),
        qty: fc.integer({ min: 0, max: 3 }),
      }),
      { minLength: 1, maxLength: 3 },
    ),
  })
  .map(({ stock, kerfMm, pieces }) => ({
    stock: stock.map(({ available, ...board }, i) => ({
      id: `s${i}`,
      ...board,
      ...(available === undefined ? {} : { available }),
    })),
    kerfMm,
    pieces: pieces.map((piece, i) => ({ id: `p${i}`, ...piece })),
  }));

test('small requests cost the least of all ways there are, proven; what cannot be cut is refused', () =>
  fc.assert(
    fc.property(smallArb, (request) => {
      const answer = cut(request);
      const best = bestCut(request);
      if (best === undefined)
        return expect(answer).toMatchObject({ status: 'infeasible', objective: null, bound: null });
      expect(cutFaults(request, answer)).toEqual([]);
      expect(answer).toMatchObject({
        status: 'optimal',
        objective: best,
        bound: best,
        costMinor: best,
      });
    }),
    { numRuns: 150 },
  ));

const largeArb = fc
  .record({ seed: fc.nat(1000), kinds: fc.integer({ min: 5, max: 25 }) })
  .map(({ seed, kinds }): CutRequestInput => ({
    stock: [{ id: 'board', lengthMm: 2400, priceMinor: 700 }],
    kerfMm: 3,
    pieces: Array.from({ length: kinds }, (_, i) => ({
      id: `p${i}`,
      lengthMm: 150 + ((seed * 7919 + i * 104_729) % 1100),
      qty: 1 + ((seed + i * 31) % 12),
    })),
  }));
test('large requests keep every rule, and are within one board of the bound', () =>
  fc.assert(
    fc.property(largeArb, (request) => {
      const answer = cut(request);
      expect(cutFaults(request, answer)).toEqual([]);
      expect((answer.objective ?? NaN) - (answer.bound ?? NaN)).toBeLessThanOrEqual(700);
    }),
    { numRuns: 12 },
  ));

test('the order of the pieces changes nothing in the cost', () =>
  fc.assert(
    fc.property(smallArb, (request) =>
      expect(cut({ ...request, pieces: [...request.pieces].reverse() }).costMinor).toBe(
        cut(request).costMinor,
      ),
    ),
    { numRuns: 40 },
  ));

test('the last piece needs no kerf behind it, and an offcut that costs nothing is used', () => {
  const answer = cut({
    stock: [
      { id: 'new', lengthMm: 1000, priceMinor: 500 },
      { id: 'offcut', lengthMm: 203, priceMinor: 0, available: 1 },
    ],
    kerfMm: 3,
    pieces: [
      { id: 'a', lengthMm: 331, qty: 3 },
      { id: 'b', lengthMm: 200, qty: 1 },
    ],
  });
  expect(answer.costMinor).toBe(500);
  expect([...answer.patterns].sort((a, b) => a.stockId.localeCompare(b.stockId))).toEqual([
    { stockId: 'new', count: 1, pieces: [{ id: 'a', n: 3 }], wasteMm: 1 },
    { stockId: 'offcut', count: 1, pieces: [{ id: 'b', n: 1 }], wasteMm: 3 },
  ]);
});

test('a piece longer than every board is named with both lengths', () =>
  expect(
    cut({
      stock: [{ id: 's', lengthMm: 1000, priceMinor: 5 }],
      kerfMm: 3,
      pieces: [{ id: 'rail', lengthMm: 1200.5, qty: 1 }],
    }).reasons,
  ).toEqual([
    {
      code: 'piece_longer_than_stock',
      subject: 'rail',
      lengthMm: 1200.5,
      longestMm: 1000,
    },
  ]));

test('nothing to cut costs nothing', () =>
  expect(cut({ stock: [], kerfMm: 0, pieces: [{ id: 'a', lengthMm: 5, qty: 0 }] })).toMatchObject({
    status: 'optimal',
    objective: 0,
    bound: 0,
    patterns: [],
  }));

test.each([
  [
    'a length of nothing',
    { pieces: [{ id: 'a', lengthMm: 0, qty: 1 }] },
    ['pieces', 0, 'lengthMm'],
  ],
  ['half a piece', { pieces: [{ id: 'a', lengthMm: 5, qty: 0.5 }] }, ['pieces', 0, 'qty']],
  [
    'an id twice',
    {
      stock: [
        { id: 's', lengthMm: 5, priceMinor: 1 },
        { id: 's', lengthMm: 6, priceMinor: 1 },
      ],
    },
    ['stock', 1, 'id'],
  ],
  [
    'half a penny',
    { stock: [{ id: 's', lengthMm: 5, priceMinor: 0.5 }] },
    ['stock', 0, 'priceMinor'],
  ],
])('%s is refused by its field', (_, change, path) => {
  const parsed = cutRequestSchema.safeParse({ stock: [], kerfMm: 0, pieces: [], ...change });
  expect(parsed.error?.issues.map((issue) => issue.path)).toContainEqual(path);
});

test('many different lengths fill boards that are just long enough together: proven', () =>
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 150, max: 1100 }), { minLength: 60, maxLength: 120 }),
      fc.integer({ min: 1, max: 3 }),
      (lengths, kinds) => {
        const request: CutRequestInput = {
          stock: [2400, 1800, 3000]
            .slice(0, kinds)
            .map((lengthMm, i) => ({ id: `s${i}`, lengthMm, priceMinor: [1200, 950, 1470][i]! })),
          kerfMm: 3,
          pieces: lengths.map((lengthMm, i) => ({ id: `p${i}`, lengthMm, qty: 2 })),
        };
        const answer = cut(request);
        expect(cutFaults(request, answer)).toEqual([]);
        expect(answer.status).toBe('optimal');
        const needMm = lengths.reduce((sum, mm) => sum + 2 * (mm + 3), 0);
        const leastMinor = Math.min(
          ...request.stock.map(({ lengthMm, priceMinor }) => priceMinor / (lengthMm + 3)),
        );
        expect(answer.costMinor).toBeGreaterThanOrEqual(needMm * leastMinor - 1e-6);
      },
    ),
    { numRuns: 8 },
  ));

test('boards that are cut without a rest, and none to spare: a way is found', () => {
  const request = plantedCutsOf(4, 21, 30_000);
  const answer = planCuts(request, { solver, clock });
  expect(cutFaults(request, answer)).toEqual([]);
  expect(answer).toMatchObject({ status: 'optimal', costMinor: 21 * 900 });
});

test('where the time ends before any way is found, that is what is said', () => {
  let ms = 0;
  const answer = planCuts(plantedCutsOf(5, 30, 20), { solver, clock: () => (ms += 4) });
  expect(answer).toMatchObject({ status: 'unknown', objective: null, patterns: [] });
  expect(answer.reasons).toEqual([{ code: 'time_ran_out', subject: '' }]);
});
