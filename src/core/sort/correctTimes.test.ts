import fc from 'fast-check';

import { aDecision } from '@test/builders';
import { correctTimes } from './correctTimes';

const NOW = Date.parse('2026-11-06T12:00:00.000Z');
const iso = (ms: number) => new Date(ms).toISOString();
const YEAR = 365 * 86_400_000;

/** Decided so long ago, on a device whose clock is off by so much; it heard of our time before that. */
interface Case {
  readonly agoMs: number;
  readonly offMs: number;
  readonly heardBeforeMs: number | undefined;
}
const caseArb: fc.Arbitrary<Case> = fc.record({
  agoMs: fc.integer({ min: 0, max: 7 * 86_400_000 }),
  offMs: fc.integer({ min: -2 * YEAR, max: 2 * YEAR }),
  heardBeforeMs: fc.option(fc.integer({ min: 0, max: 86_400_000 }), { nil: undefined }),
});
const sendAll = (cases: readonly Case[]) => {
  const events = cases.map(({ agoMs, offMs }, i) =>
    aDecision({ id: `d${i}`, decidedAt: iso(NOW - agoMs + offMs) }),
  );
  return cases.map(
    ({ agoMs, offMs, heardBeforeMs }, i) =>
      correctTimes(events.slice(i, i + 1), {
        now: iso(NOW),
        clock: {
          sentAt: iso(NOW + offMs),
          events: [
            {
              deviceAt: iso(NOW - agoMs + offMs),
              knownAt: heardBeforeMs === undefined ? null : iso(NOW - agoMs - heardBeforeMs),
            },
          ],
        },
      })[0],
  );
};

test('whatever a device’s clock says, its decisions stand where they were made', () =>
  fc.assert(
    fc.property(fc.array(caseArb, { minLength: 1, maxLength: 6 }), (cases) => {
      for (const [i, event] of sendAll(cases).entries()) {
        const truth = NOW - (cases[i]?.agoMs ?? 0);
        expect(Math.abs(Date.parse(event?.decidedAt ?? '') - truth)).toBeLessThan(1500);
      }
    }),
  ));

test('a clock that was set while nothing was heard is held between the last known time and the arrival', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: -YEAR, max: YEAR }),
      fc.integer({ min: -YEAR, max: YEAR }),
      (decidedOff, sentOff) => {
        const [event] = correctTimes([aDecision({ decidedAt: iso(NOW + decidedOff) })], {
          now: iso(NOW),
          clock: {
            sentAt: iso(NOW + sentOff),
            events: [{ deviceAt: iso(NOW + decidedOff), knownAt: iso(NOW - 60_000) }],
          },
        });
        const at = Date.parse(event?.decidedAt ?? '');
        expect(at).toBeLessThanOrEqual(NOW + 1500);
        expect(at).toBeGreaterThanOrEqual(NOW - 61_500);
      },
    ),
  ));

test('a clock that is right is left alone; a corrected one keeps what it said', () => {
  const right = aDecision({ decidedAt: iso(NOW - 400) });
  const clockOf = (offMs: number) => ({
    sentAt: iso(NOW + offMs),
    events: [{ deviceAt: iso(NOW - 400 + offMs), knownAt: null }],
  });
  expect(correctTimes([right], { now: iso(NOW), clock: clockOf(0) })[0]).toBe(right);
  const ahead = aDecision({ decidedAt: iso(NOW - 400 + YEAR) });
  expect(correctTimes([ahead], { now: iso(NOW), clock: clockOf(YEAR) })[0]).toMatchObject({
    decidedAt: iso(NOW - 400),
    deviceAt: iso(NOW - 400 + YEAR),
  });
});

test('of a device that says nothing of its clock, nothing is taken for later than now', () => {
  const events = [aDecision({ decidedAt: iso(NOW + YEAR) }), aDecision({ decidedAt: iso(0) })];
  const corrected = correctTimes(events, { now: iso(NOW), clock: undefined });
  expect(corrected.map(({ decidedAt }) => decidedAt)).toEqual([iso(NOW), iso(0)]);
});
