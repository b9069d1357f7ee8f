import fc from 'fast-check';

import { cpuClock } from '@test/cpuClock';
import { bestLevels, rollFaults } from '@test/rollOracle';
import { planRoll, rollRequestSchema, type RollRequestInput } from '.';

const roll = (request: RollRequestInput) =>
  planRoll(rollRequestSchema.parse({ timeLimitMs: 150, ...request }), { clock: cpuClock });
const requestOf = (mostPieces: number): fc.Arbitrary<RollRequestInput> =>
  fc
    .record({
      lengthMm: fc.integer({ min: 900, max: 4000 }),
      pieces: fc.array(
        fc.record({
          widthMm: fc.integer({ min: 50, max: 500 }),
          depthMm: fc.integer({ min: 50, max: 900 }),
          qty: fc.integer({ min: 0, max: 2 }),
          turnable: fc.boolean(),
        }),
        { maxLength: mostPieces },
      ),
    })
    .map(({ lengthMm, pieces }) => ({
      roll: { widthMm: 500, lengthMm, priceMinor: 900 },
      pieces: pieces.map((piece, i) => ({ id: `p${i}`, ...piece })),
    }));

test('nothing overlaps, sticks out, is turned against its will or missing, and the bounds hold', () =>
  fc.assert(
    fc.property(requestOf(12), (request) => {
      const answer = roll(request);
      expect(rollFaults(request, answer)).toEqual([]);
      expect(answer.usedLengthMm).toBeGreaterThanOrEqual(answer.leastLengthMm - 1e-6);
      expect(answer.rolls).toBeGreaterThanOrEqual(answer.bound ?? NaN);
      expect(answer.status === 'optimal').toBe(answer.objective === answer.bound);
    }),
    { numRuns: 40 },
  ));

test('on one roll a few pieces need no more length than the best levels across it', () =>
  fc.assert(
    fc.property(requestOf(3), (request) => {
      const long = { ...request, roll: { ...request.roll, lengthMm: 20_000 } };
      expect(roll(long).usedLengthMm).toBeLessThanOrEqual(bestLevels(long) + 1e-6);
    }),
    { numRuns: 40 },
  ));

test('pieces that fill the roll leave nothing over', () =>
  expect(
    roll({
      roll: { widthMm: 600, lengthMm: 1000, priceMinor: 0 },
      pieces: [
        { id: 'a', widthMm: 200, depthMm: 500, qty: 4 },
        { id: 'b', widthMm: 100, depthMm: 400, qty: 5 },
      ],
    }),
  ).toMatchObject({ status: 'optimal', rolls: 1, usedLengthMm: 1000, leastLengthMm: 1000 }));

test('a piece that no roll takes is named with its measures', () => {
  const pieces = [
    { id: 'wide', widthMm: 700, depthMm: 650, qty: 1 },
    { id: 'long', widthMm: 300, depthMm: 1200, qty: 1, turnable: false },
    { id: 'none', widthMm: 9000, depthMm: 9000, qty: 0 },
  ];
  expect(roll({ roll: { widthMm: 600, lengthMm: 1000, priceMinor: 0 }, pieces }).reasons).toEqual([
    {
      code: 'wider_than_roll',
      subject: 'wide',
      widthMm: 700,
      depthMm: 650,
      mayTurn: true,
      rollMm: 600,
    },
    {
      code: 'longer_than_roll',
      subject: 'long',
      widthMm: 300,
      depthMm: 1200,
      mayTurn: false,
      rollMm: 1000,
    },
  ]);
});

test('nothing to lay needs no roll', () =>
  expect(roll({ roll: { widthMm: 600, lengthMm: 1000, priceMinor: 0 }, pieces: [] })).toMatchObject(
    { status: 'optimal', objective: 0, bound: 0, rolls: 0, placed: [] },
  ));

test.each([
  ['a width of nothing', { widthMm: 0 }, ['pieces', 0, 'widthMm']],
  ['half a piece', { qty: 1.5 }, ['pieces', 0, 'qty']],
  ['more than can be laid', { qty: 5001 }, ['pieces', 0, 'qty']],
])('%s is refused by its field', (_, change, path) => {
  const parsed = rollRequestSchema.safeParse({
    roll: { widthMm: 5, lengthMm: 5, priceMinor: 1 },
    pieces: [{ id: 'a', widthMm: 1, depthMm: 1, qty: 1, ...change }],
  });
  expect(parsed.error?.issues[0]?.path).toEqual(path);
});
