import fc from 'fast-check';

import { aSection } from '@test/builders';
import { learnFactor, type Outcome } from '../shared';
import {
  estimateProject,
  estimateSection,
  planBackward,
  ROOM_PRIOR,
  UNCALIBRATED_HOURS as plain,
} from './estimate';
import { contentKinds } from './codes';
import { defaultTerms, termsSchema } from './model';
import { compareAgreements } from './compareAgreements';

const likely = (change: Parameters<typeof aSection>[0], litres = 500, terms = defaultTerms) =>
  estimateSection(
    { section: aSection(change), litres, method: undefined, isDone: false },
    terms,
    plain,
  ).likelyMinutes;

test('more litres, fuller places and slower kinds never take less; a second pair of hands never more', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 3000 }),
      fc.integer({ min: 0, max: 190 }),
      fc.constantFrom(...contentKinds),
      (litres, fullPercent, content) => {
        const here = likely({ fullPercent, content }, litres);
        expect(likely({ fullPercent, content }, litres + 100)).toBeGreaterThanOrEqual(here);
        expect(likely({ fullPercent: fullPercent + 10, content }, litres)).toBeGreaterThanOrEqual(
          here,
        );
        expect(
          likely({ fullPercent, content }, litres, { ...defaultTerms, crewCount: 2 }),
        ).toBeLessThan(here);
        expect(
          estimateSection(
            { section: aSection(), litres, method: 'quick-pass', isDone: false },
            defaultTerms,
            plain,
          ).likelyMinutes,
        ).toBeLessThanOrEqual(
          estimateSection(
            { section: aSection(), litres, method: 'empty-all', isDone: false },
            defaultTerms,
            plain,
          ).likelyMinutes,
        );
      },
    ),
  ));

test('a section worked out by hand', () =>
  // 500 l full of linen: 500 × 0.18 × 1.45 + 15 = 145.5 minutes.
  expect(likely({ content: 'linen' })).toBeCloseTo(145.5, 6));

test('finished rooms pull the rates towards what they took, more the more there are, and narrow the range where they agree', () => {
  const room: Outcome = { estimated: 100, actual: 200 };
  const asAssumed: Outcome = { estimated: 100, actual: 100 };
  const learn = (...rooms: readonly Outcome[]) => learnFactor(rooms, ROOM_PRIOR);
  expect(plain.all.factor).toBe(1);
  expect([plain.all.low, plain.all.high]).toEqual([expect.closeTo(0.7, 9), expect.closeTo(1.5, 9)]);
  expect(learn(room).factor).toBeCloseTo(2 ** (1 / 3), 9);
  expect(learn(room, room, room, room).factor).toBeCloseTo(2 ** (4 / 6), 9);
  expect(learn(asAssumed, asAssumed).high).toBeLessThan(plain.all.high);
  expect(learn({ ...room, estimated: 0 }).count).toBe(0);
});

test('a section goes by rooms of its own content where there are some, else by all', () => {
  const hours = {
    all: learnFactor([], ROOM_PRIOR),
    byContent: { linen: { ...plain.all, factor: 2 } },
  };
  const minutesOf = (content: 'linen' | 'toys') =>
    estimateSection(
      { section: aSection({ content }), litres: 100, method: undefined, isDone: false },
      defaultTerms,
      hours,
    ).likelyMinutes;
  expect(minutesOf('linen')).toBeCloseTo(2 * likely({ content: 'linen' }, 100), 6);
  expect(minutesOf('toys')).toBeCloseTo(likely({ content: 'toys' }, 100), 6);
});

test('a project adds up what is in scope, in visits that are begun and hours that are paid', () => {
  const terms = termsSchema.parse({ visitMinutes: 120, hourlyRateMinor: 6100 });
  const facts = [
    { section: aSection(), litres: 500, method: undefined, isDone: false },
    { section: aSection({ id: 'done' }), litres: 0, method: undefined, isDone: true },
    {
      section: aSection({ id: 'out', inScope: false }),
      litres: 9000,
      method: undefined,
      isDone: false,
    },
  ];
  const estimate = estimateProject(facts, terms);
  expect(estimate.likelyMinutes).toBeCloseTo(160.5, 6);
  expect([estimate.visits.likely, estimate.visitsLeft, estimate.feeMinor.likely]).toEqual([
    2, 2, 16_300,
  ]);
  expect(estimate.sections[0]?.isOneVisit).toBe(false);
  expect(estimateProject([], terms)).toMatchObject({
    likelyMinutes: 0,
    visits: { low: 0, likely: 0, high: 0 },
  });
});

test.each([
  [{ visits: 1, visitsPerWeek: 1 }, '2026-12-12', 18, true],
  [{ visits: 3, visitsPerWeek: 1 }, '2026-11-28', 4, true],
  [{ visits: 4, visitsPerWeek: 1 }, '2026-11-21', -3, false],
  [{ visits: 4, visitsPerWeek: 2 }, '2026-12-01', 7, true],
])('backward from the date, %j', (visits, latestStart, daysLeft, doesFit) =>
  expect(planBackward({ readyBy: '2026-12-12', today: '2026-11-24', ...visits })).toEqual({
    latestStart,
    daysLeft,
    doesFit,
  }),
);

test('two sheets differ line by line', () => {
  const line = (key: string, value: string) => ({ key, label: key.toUpperCase(), value });
  expect(
    compareAgreements(
      [line('a', '1'), line('b', '2'), line('c', '3')],
      [line('a', '1'), line('b', '5'), line('d', '4')],
    ),
  ).toEqual([
    { kind: 'changed', label: 'B', before: '2', after: '5' },
    { kind: 'added', label: 'D', after: '4' },
    { kind: 'removed', label: 'C', before: '3' },
  ]);
});
