import fc from 'fast-check';

import { zonesRequestOf } from '@test/zonesArbitrary';
import { zoneFaults, zoneSums } from '@test/zonesOracle';
import { bentRulesOf, compareArrangements, judgeArrangement, zonesRequestSchema } from '.';

const requestArb = fc
  .record({
    seed: fc.nat(10_000),
    groups: fc.integer({ min: 1, max: 7 }),
    bays: fc.integer({ min: 1, max: 5 }),
  })
  .map(({ seed, groups, bays }) =>
    zonesRequestSchema.parse(zonesRequestOf(seed, { groups, bays, pairs: 2, fillRatio: 0.8 })),
  );
const placedArb = requestArb.chain((request) =>
  fc
    .array(fc.nat(request.bays.length - 1), {
      minLength: request.groups.length,
      maxLength: request.groups.length,
    })
    .map((at) => ({
      request,
      places: Object.fromEntries(
        request.groups.map(({ id }, g) => [id, request.bays[at[g] ?? 0]?.id ?? null]),
      ),
    })),
);
const toAssignment = (places: Readonly<Record<string, string | null>>) =>
  Object.entries(places).map(([groupId, bayId]) => ({ groupId, bayId: bayId ?? '' }));

test('an arrangement bends a rule exactly where the separate checker finds one broken', () =>
  fc.assert(
    fc.property(placedArb, ({ request, places }) => {
      const { bent } = judgeArrangement(request, { places });
      expect(bent.length === 0).toBe(zoneFaults(request, toAssignment(places)).length === 0);
    }),
    { numRuns: 300 },
  ));

test('seconds, metres, bends and stretches are those of the separate sums', () =>
  fc.assert(
    fc.property(placedArb, ({ request, places }) => {
      const judged = judgeArrangement(request, { places });
      const sums = zoneSums(request, toAssignment(places));
      expect(judged.secondsPerWeek).toBeCloseTo(sums.seconds, 6);
      expect(judged.secondsPerWeek + judged.pairSecondsPerWeek).toBeCloseTo(sums.objective, 6);
      expect(
        [judged.metresPerWeek, judged.bendsPerWeek, judged.stretchesPerWeek].map((value) =>
          value.toFixed(6),
        ),
      ).toEqual([sums.metres, sums.bends, sums.stretches].map((value) => value.toFixed(6)));
    }),
    { numRuns: 150 },
  ));

test('the changes between two arrangements add up to the difference of their seconds', () =>
  fc.assert(
    fc.property(placedArb, fc.nat(1000), ({ request, places }, turn) => {
      const to = Object.fromEntries(
        request.groups.map(({ id }, g) => [
          id,
          request.bays[(g + turn) % request.bays.length]?.id ?? null,
        ]),
      );
      const changes = compareArrangements(request, { from: places, to });
      expect(changes.every(({ fromBayId, toBayId }) => fromBayId !== toBayId)).toBe(true);
      const sum = changes.reduce((all, { secondsPerWeek }) => all + (secondsPerWeek ?? NaN), 0);
      expect(sum).toBeCloseTo(
        judgeArrangement(request, { places: to }).secondsPerWeek -
          judgeArrangement(request, { places }).secondsPerWeek,
        6,
      );
    }),
    { numRuns: 100 },
  ));

const request = zonesRequestSchema.parse({
  bays: [
    { id: 'low', litres: 40, x: 0, y: 0, z: 300 },
    { id: 'high', litres: 40, x: 0, y: 0, z: 2200 },
  ],
  stations: [{ id: 's', name: 'Sink', x: 1200, y: 0 }],
  people: [
    { id: 'ida', heightMm: 1200 },
    { id: 'tom', heightMm: 1800 },
  ],
  groups: [
    {
      id: 'vases',
      name: 'Vases',
      litres: 10,
      usesPerWeek: 1,
      stationId: 's',
      userIds: ['ida', 'tom'],
    },
    {
      id: 'bleach',
      name: 'Bleach',
      litres: 35,
      usesPerWeek: 2,
      stationId: 's',
      userIds: ['tom'],
      hazard: 'chemical',
    },
  ],
});

test('who needs a step is named, what breaks does not go high, a place is full with what stands there', () => {
  const judged = judgeArrangement(request, {
    places: { vases: 'high', bleach: 'high' },
    fragileIds: new Set(['vases']),
  });
  expect(judged.outOfReach).toEqual([{ groupId: 'vases', personId: 'ida' }]);
  expect(judged.bent.map(({ code }) => code)).toEqual(['litres', 'fragile_high', 'litres']);
  expect([judged.overfull, judged.fullBayIds, judged.halfEmptyBayIds]).toEqual([
    [{ bayId: 'high', overLitres: 5 }],
    ['high'],
    ['low'],
  ]);
});

test('nowhere counts nothing, another room counts its assumed way', () => {
  const judged = judgeArrangement(request, { places: { vases: null, bleach: 'attic-shelf' } });
  expect(judged).toMatchObject({
    unplacedIds: ['vases'],
    elsewhereIds: ['bleach'],
    metresPerWeek: 32,
    bendsPerWeek: 0,
  });
  expect(bentRulesOf(request, { groupId: 'bleach', bayId: 'attic-shelf', places: {} })).toEqual([]);
});
