import fc from 'fast-check';

import { aDecision } from '@test/builders';
import { createRandom } from '../shared';
import { boxesNow, carryCountOf, openDebts } from './carryOut';
import { boxKey, leavingStatesOf, openBoxesOf } from './leaving';
import { forecast, intervalsOf, paceOf } from './pace';
import { isHesitating, secondOpinionOf, type OpinionFacts } from './secondOpinion';
import { carrySchema, sessionSchema } from './sessionModel';
import { isPaused, methodNames, methods, readClock, timeSteps, workedMinutesOf } from './session';
import { sessionProgressOf } from './sessionProgress';
import { foldDecisions } from './foldDecisions';

const START = Date.UTC(2026, 10, 6, 10);
const at = (minutes: number) => new Date(START + minutes * 60_000).toISOString();
const events = (minutes: readonly number[], isLater = false) =>
  minutes.map((minute) => ({ at: at(minute), pieces: 1, isLater }));

test.each(methodNames)(
  '%s: its shares are the whole, and every step has its least time',
  (name) => {
    expect(methods[name].reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    for (const planned of [10, 20, 45, 60, 180, 400]) {
      const timed = timeSteps(methods[name], planned);
      expect(timed.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(planned);
      expect(timed.every(({ minutes }) => minutes >= 1)).toBe(true);
    }
    // With time enough none is below its least.
    for (const [i, step] of timeSteps(methods[name], 180).entries())
      expect(step.minutes).toBeGreaterThanOrEqual(methods[name][i]?.minutes ?? 0);
  },
);

test('what stood still does not count, neither for the step nor for the session', () => {
  const session = sessionSchema.parse({
    id: 's',
    roomId: 'hall',
    sectionId: null,
    method: 'quick-pass',
    steps: timeSteps(methods['quick-pass'], 60),
    present: [],
    plannedMinutes: 60,
    startedAt: at(0),
    stepStarts: [at(0), at(10)],
    endedAt: null,
    pauses: [
      { from: at(5), to: at(8) },
      { from: at(20), to: null },
    ],
  });
  expect(isPaused(session)).toBe(true);
  expect(readClock(session, at(30))).toMatchObject({ stepMinutes: 10, totalMinutes: 17 });
  expect(workedMinutesOf(session, at(0), at(6))).toBe(5);
});

test('the clock tells the step at hand, what is left of it, and stops when the session ends', () => {
  const session = sessionSchema.parse({
    id: 's',
    roomId: 'hall',
    sectionId: null,
    method: 'quick-pass',
    steps: timeSteps(methods['quick-pass'], 60),
    present: ['Nora'],
    plannedMinutes: 60,
    startedAt: at(0),
    stepStarts: [at(0), at(10)],
    endedAt: null,
  });
  expect(readClock(session, at(15))).toMatchObject({
    stepIndex: 1,
    step: { name: 'Strays' },
    stepMinutes: 5,
    stepLeftMinutes: 7,
    totalLeftMinutes: 45,
  });
  expect(readClock(session, at(30)).stepLeftMinutes).toBe(-8);
  expect(readClock({ ...session, endedAt: at(20) }, at(300))).toMatchObject({
    totalMinutes: 20,
    stepMinutes: 10,
  });
});

test('an interruption is no pace', () => {
  expect(intervalsOf(events([0, 2, 3, 40, 41]))).toEqual([2, 1, 1]);
  expect(paceOf(events([0, 2, 3, 40, 41])).decisionsPerMinute).toBeCloseTo(3 / 4, 9);
  expect(paceOf([])).toMatchObject({
    decisionsPerMinute: 0,
    nowPerMinute: undefined,
    breakBecause: undefined,
  });
});

test('a break is due when the pace halves, or when much is put off', () => {
  const brisk = Array.from({ length: 30 }, (_, i) => i * 0.5);
  const slow = Array.from({ length: 14 }, (_, i) => 15 + i * 2);
  expect(paceOf(events(brisk)).breakBecause).toBeUndefined();
  expect(paceOf(events([...brisk, ...slow])).breakBecause).toBe('slowing');
  expect(paceOf([...events(brisk), ...events([16, 17, 18, 19, 20], true)]).breakBecause).toBe(
    'putting_off',
  );
});

test('a forecast says nothing with too little to go on, and more takes longer', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.integer({ min: 1, max: 120 }).map((n) => n / 10),
        { maxLength: 30 },
      ),
      fc.oneof(fc.integer({ min: 0, max: 40 }), fc.constant(800)),
      fc.integer(),
      (intervals, decisionsLeft, seed) => {
        const of = (left: number) =>
          forecast({ decisionsLeft: left, intervals, earlier: [], random: createRandom(seed) });
        const ahead = of(decisionsLeft);
        expect(ahead === undefined).toBe(intervals.length < 8);
        if (!ahead) return;
        const [least, most] = [Math.min(...intervals), Math.max(...intervals)];
        expect(ahead.likelyMinutes).toBeGreaterThanOrEqual(decisionsLeft * least - 1e-6);
        expect(ahead.highMinutes).toBeLessThanOrEqual(decisionsLeft * most + 1e-6);
        expect(ahead.highMinutes).toBeGreaterThanOrEqual(ahead.likelyMinutes);
        expect(of(decisionsLeft)).toEqual(ahead);
      },
    ),
    { numRuns: 30 },
  ));

test('half of the outcomes are done by the first time, four fifths by the second: as many as a normal sum would have', () => {
  const intervals = [1, 2, 3, 4, 5, 6, 7, 8, 9];
  const ahead = forecast({ decisionsLeft: 100, intervals, earlier: [], random: createRandom(4) });
  // Mean 5, standard deviation √(20/3); a sum of 100: 500 and 500 + 0.84 × 25.8.
  expect(Math.abs((ahead?.likelyMinutes ?? 0) - 500)).toBeLessThan(6);
  expect(Math.abs((ahead?.highMinutes ?? 0) - 521.7)).toBeLessThan(8);
});

test('a session in the middle: what is left by its litres, and what to leave for another visit', () => {
  const log = Array.from({ length: 10 }, (_, i) =>
    aDecision({ id: `d${i}`, thingId: `t${i}`, litres: 4, decidedAt: at(i * 2) }),
  );
  const of = (minutesLeft: number, sectionLitres = 120) =>
    sessionProgressOf({
      session: { startedAt: at(0), stepStarts: [at(0), at(10)], endedAt: null },
      log,
      sectionLitres,
      earlierIntervals: [],
      minutesLeft,
      random: createRandom(1),
    });
  // 40 of 120 l in 10 decisions of 4 l: 20 to go, every 2 minutes.
  expect(of(60)).toMatchObject({
    decisionCount: 10,
    decisionsLeft: 20,
    skipCount: 0,
    stepPerMinute: 0.5,
  });
  expect(of(60).forecast?.likelyMinutes).toBeCloseTo(40, 6);
  expect(of(10).skipCount).toBe(15);
  expect(of(60, 0)).toMatchObject({ decisionsLeft: undefined, forecast: undefined, skipCount: 0 });
  expect(of(60, 30).decisionsLeft).toBe(0);
});

describe('carrying out', () => {
  const carry = (change: object) =>
    carrySchema.parse({
      id: 'c',
      roomId: 'hall',
      verdict: 'donate',
      litres: 0,
      massG: 0,
      carriedAt: at(0),
      note: '',
      dueOn: null,
      settledAt: null,
      ...change,
    });
  const things = foldDecisions([
    aDecision({ verdict: 'donate', litres: 60, massG: 4000 }),
    aDecision({ id: 'b', thingId: 'b', verdict: 'discard', litres: 5, massG: 14_000 }),
    aDecision({ id: 'k', thingId: 'k', verdict: 'keep', litres: 900, massG: 1 }),
    aDecision({ id: 'p', thingId: 'p', verdict: 'recycle', to: 'pharmacy', litres: 1 }),
    aDecision({ id: 'q', thingId: 'q', verdict: 'recycle', to: 'hazardous', litres: 9 }),
  ]);
  const boxesAfter = (carries: Parameters<typeof leavingStatesOf>[1]) => [
    ...openBoxesOf(things, leavingStatesOf(things, carries)).values(),
  ];

  test('ways out have a box each, and a box is called for by litres or by weight', () => {
    expect(boxesAfter([]).map((box) => [boxKey(box), box.litres])).toEqual([
      ['donate|', 60],
      ['discard|', 5],
      ['recycle|pharmacy', 1],
      ['recycle|hazardous', 9],
    ]);
    const due = (limitG: number) =>
      boxesNow(boxesAfter([]), limitG)
        .filter(({ isDue }) => isDue)
        .map(({ verdict }) => verdict);
    expect(due(15_000)).toEqual(['donate', 'discard']);
    expect(due(20_000)).toEqual(['donate']);
    expect([
      carryCountOf({ litres: 60, massG: 4000 }, 15_000),
      carryCountOf({ litres: 5, massG: 31_000 }, 15_000),
      carryCountOf({ litres: 0, massG: 0 }, 15_000),
    ]).toEqual([2, 3, 1]);
  });

  test('what is by the door is no longer in its box, until it is taken back', () => {
    const [first] = things;
    const byTheDoor = carry({ verdict: 'donate', thingIds: first ? [first.id] : [] });
    expect(boxesAfter([byTheDoor]).map(({ verdict }) => verdict)).not.toContain('donate');
    expect(leavingStatesOf(things, [byTheDoor]).get(first!.id)).toBe('by_the_door');
    const gone = { ...byTheDoor, goneAt: at(9) };
    expect(leavingStatesOf(things, [gone]).get(first!.id)).toBe('gone');
  });

  test('what went out unsorted is owed until it is settled, the most pressing first', () => {
    const debts = openDebts([
      carry({ id: 'a', verdict: null, note: 'late', dueOn: '2026-12-01' }),
      carry({ id: 'b', verdict: null, note: 'done', settledAt: at(9) }),
      carry({ id: 'c', verdict: null, note: 'soon', dueOn: '2026-11-10' }),
      carry({ id: 'd' }),
    ]);
    expect(debts.map(({ note }) => note)).toEqual(['soon', 'late']);
  });
});

describe('a second opinion', () => {
  const facts: OpinionFacts = {
    name: 'hats',
    count: 4,
    reasons: [],
    cautions: [],
    keptCount: 10,
    enoughCount: undefined,
    fittingCount: undefined,
    sentimentalSchool: undefined,
    elsewhere: [],
  };
  const rules = (change: Partial<OpinionFacts>) =>
    secondOpinionOf({ ...facts, ...change }).opinions.map(({ rule, leans }) => [rule, leans]);

  test('speaks where a rule speaks, with what it rests on, and never twice of the same', () => {
    expect(rules({})).toEqual([]);
    expect(rules({ reasons: ['out_of_date', 'sentimental'] })).toEqual([
      ['out_of_date', 'let_go'],
      ['sentimental', 'ask'],
    ]);
    expect(rules({ enoughCount: 12 })).toEqual([['more_than_enough', 'let_go']]);
    expect(rules({ enoughCount: 14 })).toEqual([]);
    expect(rules({ enoughCount: 12, reasons: ['more_than_enough'] })).toEqual([
      ['more_than_enough', 'let_go'],
    ]);
    expect(rules({ fittingCount: 3 })).toEqual([['does_not_fit', 'let_go']]);
    expect(rules({ fittingCount: 4, elsewhere: [{ roomName: 'Loft', count: 3 }] })).toEqual([
      ['fits', 'keep'],
      ['elsewhere_too', 'let_go'],
    ]);
    expect(rules({ name: 'old violin' })).toEqual([['costs_to_replace', 'keep']]);
    expect(rules({ name: 'tea towels' })).toEqual([['cheap_to_replace', 'let_go']]);
    expect(secondOpinionOf({ ...facts, cautions: ['chemical', 'heavy'] }).cautions).toEqual([
      'chemical',
      'heavy',
    ]);
  });

  test('hesitation is measured against the usual, and never called at once', () => {
    expect(isHesitating(61, [])).toBe(true);
    expect(isHesitating(24, [0.05, 0.05, 0.05, 0.05, 0.05])).toBe(false);
    expect(isHesitating(61, [0.3, 0.3, 0.3, 0.3, 0.3])).toBe(true);
    expect(isHesitating(50, [0.3, 0.3, 0.3, 0.3, 0.3])).toBe(false);
  });
});
