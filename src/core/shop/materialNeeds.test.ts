import fc from 'fast-check';

import { HALL, mm } from '@test/builders';
import { createRandom } from '../shared';
import { cutFullest, type CutProblem } from './cutPatterns';
import {
  listMaterialNeeds,
  materialsSchema,
  toCutRequest,
  type CutAnswer,
  type MaterialsInput,
  type RollAnswer,
} from '.';

const cutAnswer: CutAnswer = {
  status: 'optimal',
  objective: 0,
  bound: 0,
  elapsedMs: 1,
  costMinor: 0,
  reasons: [],
  patterns: [
    { stockId: 'board-1', count: 2, pieces: [], wasteMm: 0 },
    { stockId: 'board-1', count: 1, pieces: [], wasteMm: 0 },
  ],
};
const rollAnswer: RollAnswer = {
  status: 'optimal',
  objective: 2,
  bound: 2,
  elapsedMs: 1,
  rolls: 2,
  usedLengthMm: 0,
  leastLengthMm: 0,
  placed: [],
  reasons: [],
};
const at = (shopId: string | null, priority: 'must' | 'nice' = 'must') => ({ shopId, priority });
const materials = (change: Partial<MaterialsInput>) =>
  materialsSchema.parse({
    id: HALL,
    boards: [
      { name: 'Short', length: mm(900), priceMinor: 300, available: null },
      { name: 'Long', length: mm(1800), priceMinor: 500, available: null },
    ],
    kerf: mm(3),
    carLength: null,
    cuts: [],
    roll: { width: mm(500), length: mm(2000), priceMinor: 650 },
    linedBayIds: [],
    fixings: {
      rows: [
        { name: 'Rail', things: 1, each: 4, wall: 'board' },
        { name: 'Shelf', things: 1, each: 2, wall: 'brick' },
      ],
      packs: [{ wall: 'board', packSize: 10, priceMinor: 420 }],
    },
    ...change,
  });
const needs = (change: Partial<MaterialsInput>) =>
  listMaterialNeeds(materials(change), {
    cut: cutAnswer,
    panel: undefined,
    roll: rollAnswer,
    labelTexts: ['Hats'],
  }).map(({ key, qty, shopId, priority, packSize }) => [key, qty, shopId, priority, packSize]);

test('what has no shop stays off the list', () => expect(needs({})).toEqual([]));

test('boards are counted over all patterns, rolls as planned, fixings where a pack has a price', () =>
  expect(needs({ buying: { boards: at('s'), roll: at('t', 'nice'), fixings: at('s') } })).toEqual([
    ['boards-1', 3, 's', 'must', 1],
    ['roll', 2, 't', 'nice', 1],
    ['fixings-board', 4, 's', 'must', 10],
  ]));

test('a board stays the same need where one before it is taken away, and two cannot have one id', () => {
  const [short, long] = materials({}).boards;
  expect([short?.id, long?.id]).toEqual(['0', '1']);
  const without = materials({ boards: long ? [long] : [], buying: { boards: at('s') } });
  expect(toCutRequest(without).stock.map(({ id }) => id)).toEqual(['board-1']);
  expect(
    listMaterialNeeds(without, {
      cut: cutAnswer,
      panel: undefined,
      roll: undefined,
      labelTexts: [],
    }).map(({ key, name }) => [key, name]),
  ).toEqual([['boards-1', 'Long']]);
  expect(
    materialsSchema
      .safeParse({ ...materials({}), boards: [short, { ...long, id: '0' }] })
      .error?.issues.map(({ path }) => path),
  ).toEqual([['boards']]);
});

test('paint and tape need something to paint and to label', () => {
  const paint = {
    surfaces: [{ name: 'Back', width: mm(1000), height: mm(1000), qty: 1 }],
    coats: 1,
    squareMetresPerLitre: 10,
    canLitres: 1,
    priceMinor: 900,
    dryHours: 1,
    cureDays: 0,
  };
  const labels = { letter: mm(9), cassette: mm(4000), priceMinor: 690, spareCount: 0 };
  expect(needs({ paint, labels, buying: { paint: at('s'), labels: at('s') } })).toEqual([
    ['paint', 1, 's', 'must', 1],
    ['labels', 1, 's', 'must', 1],
  ]);
  expect(
    listMaterialNeeds(
      materials({
        paint: { ...paint, surfaces: [] },
        labels,
        buying: { paint: at('s'), labels: at('s') },
      }),
      { cut: undefined, panel: undefined, roll: undefined, labelTexts: [] },
    ),
  ).toEqual([]);
});

test('boards filled by chance hold every piece once and no more than goes in, or run out of boards', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.record({ mm: fc.integer({ min: 100, max: 900 }), qty: fc.integer({ min: 0, max: 6 }) }),
        { minLength: 1, maxLength: 8 },
      ),
      fc.option(fc.integer({ min: 0, max: 4 })),
      fc.nat(1000),
      (pieces, available, seed) => {
        const problem: CutProblem = {
          pieceMm: Float64Array.from(pieces, ({ mm: length }) => length),
          quantities: Int32Array.from(pieces, ({ qty }) => qty),
          stockMm: Float64Array.of(1200, 2400),
          priceMinor: Float64Array.of(300, 500),
          available: Float64Array.of(available ?? Infinity, available ?? Infinity),
        };
        const patterns = cutFullest(problem, problem.quantities, new Float64Array(2), {
          random: createRandom(seed),
          isOver: () => false,
        });
        if (available === null) expect(patterns).toBeDefined();
        if (!patterns) return;
        const cut = pieces.map((_, i) =>
          patterns.reduce((sum, { counts }) => sum + (counts[i] ?? 0), 0),
        );
        expect(cut).toEqual(pieces.map(({ qty }) => qty));
        for (const { stock, counts } of patterns)
          expect(
            counts.reduce((sum, n, i) => sum + n * (problem.pieceMm[i] ?? 0), 0),
          ).toBeLessThanOrEqual((problem.stockMm[stock] ?? 0) + 1e-6);
        for (const stock of [0, 1])
          expect(patterns.filter((pattern) => pattern.stock === stock).length).toBeLessThanOrEqual(
            problem.available[stock] ?? 0,
          );
      },
    ),
    { numRuns: 120 },
  ));
