import fc from 'fast-check';

import { aDecision } from '@test/builders';
import { decisionEventSchema, type DecisionEvent } from './model';
import { findLastStanding, findRestorable, foldDecisions } from './foldDecisions';

const after = (kind: 'undone' | 'restored', id: string, about: DecisionEvent): DecisionEvent =>
  decisionEventSchema.parse({
    kind,
    id,
    thingId: about.thingId,
    aboutId: about.id,
    decidedAt: about.decidedAt,
    device: 'desk',
  });

test('the last decision about a thing counts', () => {
  const log = [aDecision(), aDecision({ id: 'd2', verdict: 'donate' })];
  expect(foldDecisions(log)).toMatchObject([{ id: 't1', verdict: 'donate', decisionId: 'd2' }]);
});

test('undoing a correction brings the decision before it back', () => {
  const correction = aDecision({ id: 'd2', verdict: 'donate' });
  expect(foldDecisions([aDecision(), correction, after('undone', 'u1', correction)])).toMatchObject(
    [{ verdict: 'keep' }],
  );
});

test('an event that is sent twice counts once', () => {
  const log = [aDecision(), aDecision({ id: 'd2', thingId: 't2' })];
  expect(foldDecisions([...log, ...log])).toEqual(foldDecisions(log));
});

/** Random histories: decide, undo the last, do again, send something again. */
const historyArb = fc
  .array(fc.constantFrom('decide', 'correct', 'undo', 'redo', 'repeat'), { maxLength: 40 })
  .map((acts) => {
    const log: DecisionEvent[] = [];
    const standing: string[][] = [];
    acts.forEach((act, i) => {
      if (act === 'decide') log.push(aDecision({ id: `d${i}`, thingId: `t${i}`, count: i + 1 }));
      if (act === 'correct' && log[0])
        log.push(aDecision({ id: `d${i}`, thingId: log[0].thingId, count: i + 1 }));
      const finders = { undo: findLastStanding, redo: findRestorable } as const;
      const last = act === 'undo' || act === 'redo' ? finders[act](log) : undefined;
      if (last) log.push(after(act === 'undo' ? 'undone' : 'restored', `f${i}`, last));
      if (act === 'repeat' && log.length > 0) log.push(log[i % log.length] ?? aDecision());
      standing.push(foldDecisions(log).map((thing) => `${thing.id}:${thing.count}`));
    });
    return { log, standing };
  });

test('undo, then do again, changes nothing', () =>
  fc.assert(
    fc.property(historyArb, ({ log }) => {
      const last = findLastStanding(log);
      if (!last) return;
      const undone = [...log, after('undone', 'x', last)];
      expect(findRestorable(undone)?.id).toBe(last.id);
      expect(foldDecisions([...undone, after('restored', 'y', last)])).toEqual(foldDecisions(log));
    }),
  ));

test('undoing all the way leaves nothing', () =>
  fc.assert(
    fc.property(historyArb, ({ log }) => {
      const all = [...log];
      for (let last = findLastStanding(all); last; last = findLastStanding(all))
        all.push(after('undone', `z${all.length}`, last));
      expect(foldDecisions(all)).toEqual([]);
    }),
  ));
