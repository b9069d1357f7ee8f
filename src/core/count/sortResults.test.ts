import fc from 'fast-check';

import { aDecision } from '@test/builders';
import { decisionEventSchema, foldDecisions, verdicts, type DecisionEvent } from '../sort';
import { reasons } from '../things';
import { sessionEvents, sortResultsOf } from '.';

const at = (minutes: number): string =>
  new Date(Date.parse('2026-11-06T09:00:00Z') + minutes * 60_000).toISOString();
const undo = (
  about: DecisionEvent,
  minutes: number,
  kind: 'undone' | 'restored' = 'undone',
): DecisionEvent =>
  decisionEventSchema.parse({
    kind,
    id: `${kind}-${about.id}`,
    thingId: about.thingId,
    aboutId: about.id,
    decidedAt: at(minutes),
    device: 'desk',
  });

const logArb = fc
  .array(
    fc.record({
      count: fc.integer({ min: 1, max: 30 }),
      verdict: fc.constantFrom(...verdicts),
      reasons: fc.subarray([...reasons], { maxLength: 3 }),
      minutes: fc.integer({ min: 0, max: 300 }),
      isUndone: fc.boolean(),
    }),
    { maxLength: 20 },
  )
  .map((list) =>
    list.flatMap(({ minutes, isUndone, ...facts }, i) => {
      const event = aDecision({ id: `d${i}`, thingId: `t${i}`, decidedAt: at(minutes), ...facts });
      return isUndone ? [event, undo(event, minutes + 1)] : [event];
    }),
  );

test('what is added up by verdict is all there is, and every decision lies in its stretch', () =>
  fc.assert(
    fc.property(logArb, (log) => {
      const things = foldDecisions(log);
      const results = sortResultsOf(things, log);
      expect(results.byVerdict.reduce((sum, { amount }) => sum + amount.count, 0)).toBe(
        results.all.count,
      );
      expect(results.stretches.reduce((sum, { count }) => sum + count, 0)).toBe(
        results.decisionCount,
      );
      expect(results.decisionCount).toBe(things.length);
      for (const { reason, amount } of results.byReason)
        expect(amount.count).toBe(
          things
            .filter((thing) => thing.reasons.includes(reason))
            .reduce((sum, thing) => sum + thing.count, 0),
        );
    }),
  ));

test('a session has what was decided in its room while it went on, with what was taken back later', () => {
  const before = aDecision({ id: 'before', thingId: 'a', decidedAt: at(0) });
  const inside = aDecision({ id: 'inside', thingId: 'b', decidedAt: at(20) });
  const back = aDecision({ id: 'back', thingId: 'c', decidedAt: at(25) });
  const elsewhere = aDecision({
    id: 'elsewhere',
    thingId: 'd',
    roomId: 'attic',
    decidedAt: at(21),
  });
  const events = sessionEvents(
    [before, inside, back, elsewhere, undo(back, 90), undo(before, 22)],
    { roomId: 'hall', startedAt: at(10), endedAt: at(60) },
  );
  expect(events.map(({ id }) => id)).toEqual(['inside', 'back', 'undone-back']);
  expect(sortResultsOf(foldDecisions(events), events)).toMatchObject({
    decisionCount: 1,
    all: { count: 1 },
  });
  expect(
    sortResultsOf([], [inside, undo(inside, 30), undo(inside, 31, 'restored')]).decisionCount,
  ).toBe(1);
});
