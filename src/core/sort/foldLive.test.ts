import fc from 'fast-check';

import { aDecision } from '@test/builders';
import { decisionIdSchema, invariant, thingIdSchema } from '../shared';
import { benchBaseOf, addTallies, orderReasons } from './benchBase';
import { findConflicts } from './findConflicts';
import { findLastStanding, findRestorable, foldDecisions, toStandingEvent } from './foldDecisions';
import { decisionEventSchema, type DecisionEvent, type Thing } from './model';
import { reasons } from '../things';
import { verdicts } from './verdicts';
import { actOf, correctThing, mergePiles, splitPile, type EventMeans } from './piles';
import { addUp, tallyByVerdict } from './tally';

const at = (minute: number) => new Date(Date.UTC(2026, 10, 6, 10, minute)).toISOString();
let made = 0;
const means = (minute: number, device = 'desk'): EventMeans => {
  made += 1;
  const act = `act${made}`;
  let things = 0;
  return {
    now: at(minute),
    device,
    actId: act,
    toDecisionId: (text) => decisionIdSchema.parse(text),
    createThingId: () => thingIdSchema.parse(`${act}t${(things += 1)}`),
  };
};
const undone = (
  aboutId: string,
  thingId: string,
  minute: number,
  kind: 'undone' | 'restored' = 'undone',
  device = 'desk',
): DecisionEvent =>
  decisionEventSchema.parse({
    kind,
    id: `${kind}-${aboutId}-${minute}`,
    thingId,
    aboutId,
    decidedAt: at(minute),
    device,
  });
const only = (things: readonly Thing[]): Thing => {
  const [thing] = things;
  invariant(thing && things.length === 1, 'one thing');
  return thing;
};

/** Random acts of two devices on a few piles: decide, correct, split, merge, undo, restore. */
const actArb = fc.record({
  act: fc.constantFrom(
    'decide' as const,
    'correct' as const,
    'split' as const,
    'merge' as const,
    'undo' as const,
    'redo' as const,
  ),
  which: fc.nat(5),
  other: fc.nat(5),
  device: fc.constantFrom('desk', 'phone'),
  count: fc.integer({ min: 1, max: 9 }),
});

function play(
  acts: readonly {
    readonly act: string;
    readonly which: number;
    readonly other: number;
    readonly device: string;
    readonly count: number;
  }[],
): DecisionEvent[] {
  let log: DecisionEvent[] = [];
  acts.forEach(({ act, which, other, device, count }, minute) => {
    const things = foldDecisions(log);
    const thing = things[which % Math.max(1, things.length)];
    const second = things[other % Math.max(1, things.length)];
    const with_ = means(minute, device);
    if (act === 'decide' || !thing)
      log = [
        ...log,
        aDecision({
          id: `${with_.actId}_p0`,
          thingId: `${with_.actId}t0`,
          count: count + 1,
          litres: count,
          decidedAt: at(minute),
          device,
        }),
      ];
    else if (act === 'correct')
      log = [...log, correctThing(thing, { count, verdict: verdicts[count % 9] ?? 'keep' }, with_)];
    else if (act === 'split' && thing.count > 1)
      log = [
        ...log,
        ...splitPile(
          thing,
          [
            { count: 1, verdict: 'donate', to: '' },
            { count: thing.count - 1, verdict: 'keep', to: '' },
          ],
          with_,
        ),
      ];
    else if (act === 'merge' && second && second.id !== thing.id)
      log = [...log, ...mergePiles(second, thing, with_)];
    else {
      const about = act === 'undo' ? findLastStanding(log, device) : findRestorable(log, device);
      if (about)
        log = [
          ...log,
          ...actOf(about, log).map((event) =>
            undone(event.id, event.thingId, minute, act === 'undo' ? 'undone' : 'restored', device),
          ),
        ];
    }
  });
  return log;
}
const byId = (things: readonly Thing[]) => [...things].sort((a, b) => a.id.localeCompare(b.id));

test('whatever order events of different instants arrive in, however often, the things are the same', () =>
  fc.assert(
    fc.property(
      fc.array(actArb, { maxLength: 25 }),
      fc.infiniteStream(fc.nat()),
      (acts, stream) => {
        const log = play(acts);
        const late = [...log, ...log.slice(0, 3)]
          .map((event) => ({ event, key: stream.next().value ?? 0 }))
          .sort((a, b) => a.key - b.key)
          .map(({ event }) => event);
        // Events of one act share their instant; within a thing there is one of them, so their
        // order does not matter.
        expect(byId(foldDecisions(late))).toEqual(byId(foldDecisions(log)));
      },
    ),
    { numRuns: 150 },
  ));

test('closed things as sums and open ones one by one give the same totals as all of them', () =>
  fc.assert(
    fc.property(
      fc.array(actArb, { maxLength: 25 }),
      fc.integer({ min: 0, max: 10 }),
      (acts, openCount) => {
        const things = foldDecisions(play(acts));
        const [closed, open] = [things.slice(openCount), things.slice(0, openCount)];
        const sums = addTallies(benchBaseOf(closed).tally, tallyByVerdict(open));
        for (const verdict of verdicts) {
          const whole = tallyByVerdict(things)[verdict];
          expect([sums[verdict].count, Math.round(sums[verdict].litres * 1e6)]).toEqual([
            whole.count,
            Math.round(whole.litres * 1e6),
          ]);
        }
      },
    ),
    { numRuns: 80 },
  ));

test('a standing decision stands for the history that is not at hand', () =>
  fc.assert(
    fc.property(fc.array(actArb, { maxLength: 20 }), (acts) => {
      const things = foldDecisions(play(acts));
      expect(byId(foldDecisions(things.map(toStandingEvent)))).toEqual(byId(things));
    }),
    { numRuns: 60 },
  ));

test('splitting and merging neither lose nor make pieces, litres or grams beyond rounding', () =>
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 2, maxLength: 6 }),
      (parts) => {
        const count = parts.reduce((a, b) => a + b, 0);
        const pile = only(
          foldDecisions([aDecision({ count, litres: count * 1.37, massG: count * 113 })]),
        );
        const pieces = foldDecisions(
          splitPile(
            pile,
            parts.map((part, i) => ({ count: part, verdict: verdicts[i] ?? 'keep', to: '' })),
            means(1),
          ),
        );
        expect(addUp(pieces).count).toBe(count);
        expect(Math.abs(addUp(pieces).litres - pile.litres)).toBeLessThanOrEqual(
          parts.length * 0.005 + 1e-9,
        );
        const [first, second] = pieces;
        invariant(first && second, 'two parts');
        const together = foldDecisions([
          ...pieces.map(toStandingEvent),
          ...mergePiles(first, second, means(2)),
        ]);
        expect(together.map(({ id }) => id)).not.toContain(second.id);
        expect(addUp(together).count).toBe(count);
      },
    ),
    { numRuns: 60 },
  ));

test('an act is taken back and brought back as a whole, and nobody undoes for another', () => {
  const pile = only(foldDecisions([aDecision({ count: 12, device: 'desk', decidedAt: at(0) })]));
  const log = [
    aDecision({ count: 12, decidedAt: at(0) }),
    ...splitPile(
      pile,
      [
        { count: 3, verdict: 'keep', to: '' },
        { count: 9, verdict: 'donate', to: '' },
      ],
      means(1),
    ),
    aDecision({ id: 'p1', thingId: 'other', device: 'phone', decidedAt: at(2) }),
  ];
  const last = findLastStanding(log, 'desk');
  invariant(last, 'the split');
  const taken = actOf(last, log);
  expect(taken).toHaveLength(2);
  const after = [...log, ...taken.map((event) => undone(event.id, event.thingId, 3))];
  expect(foldDecisions(after).map(({ id, count, verdict }) => [id, count, verdict])).toEqual([
    [pile.id, 12, 'keep'],
    ['other', 1, 'keep'],
  ]);
  const back = findRestorable(after, 'desk');
  invariant(back, 'the split can be brought back');
  expect(
    foldDecisions([
      ...after,
      ...actOf(back, after).map((event) => undone(event.id, event.thingId, 4, 'restored')),
    ]).map(({ count }) => count),
  ).toEqual([3, 9, 1]);
  // Ids that only look alike, as a file may bring them, are no act.
  expect(
    actOf(decisionEventSchema.parse(aDecision({ id: 'row_1' })) as Parameters<typeof actOf>[0], [
      aDecision({ id: 'row_1' }),
      aDecision({ id: 'row_2' }),
    ]),
  ).toHaveLength(1);
});

test('two devices that disagree are told; the later one counts, also when it arrives first', () => {
  const [desk, phone] = [
    aDecision({ id: 'a', verdict: 'keep', device: 'desk', decidedAt: at(5) }),
    aDecision({ id: 'b', verdict: 'donate', device: 'phone', decidedAt: at(7) }),
  ];
  for (const log of [
    [desk, phone],
    [phone, desk],
  ]) {
    expect(only(foldDecisions(log)).verdict).toBe('donate');
    expect(findConflicts(log, at(0))).toEqual([{ earlier: desk, later: phone }]);
  }
  expect(findConflicts([desk, phone], at(6))).toEqual([]);
  expect(findConflicts([desk, { ...phone, verdict: 'keep' }], at(0))).toEqual([]);
  expect(findConflicts([desk, phone, undone('a', desk.thingId, 8)], at(0))).toEqual([]);
});

test('names of a group stay few, the latest last; reasons learn their order', () => {
  const things = Array.from({ length: 60 }, (_, i) =>
    only(
      foldDecisions([
        aDecision({
          id: `n${i}`,
          thingId: `n${i}`,
          name: `hat ${i % 40}`,
          groupId: 'hats',
          reasons: i % 3 === 0 ? ['broken'] : ['worn_out'],
        }),
      ]),
    ),
  );
  const base = benchBaseOf(things);
  expect(base.names).toHaveLength(24);
  expect(base.names.at(-1)?.name).toBe('hat 19');
  expect(base.keptLitres).toEqual({ hats: expect.closeTo(60 * 1.2, 6) });
  expect(orderReasons(reasons, base.reasonCounts).slice(0, 3)).toEqual([
    'worn_out',
    'broken',
    'in_use',
  ]);
});
