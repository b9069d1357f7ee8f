import fc from 'fast-check';

import { aDatabase, aDecision, HOME } from '@test/builders';
import { decisionIdSchema } from '@/core/shared';
import {
  correctThing,
  decisionEventSchema,
  destinationOf,
  foldDecisions,
  openListsOf,
  type DecisionEvent,
  type Thing,
} from '@/core/sort';
import type { Db } from './db';
import { appendDecisions, listDecisions, listThings } from './decisionLog';
import { insertRecord, loadRecords, roomRecord } from './records';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
});
afterEach(() => db.destroy());

test('the same decision sent twice counts once', async () => {
  expect(await appendDecisions(db, HOME, [aDecision()])).toEqual({
    addedCount: 1,
    repeatedCount: 0,
  });
  expect(
    await appendDecisions(db, HOME, [aDecision(), aDecision({ id: 'd2', thingId: 't2' })]),
  ).toEqual({ addedCount: 1, repeatedCount: 1 });
  expect(await listThings(db, HOME)).toHaveLength(2);
});

test('an id that comes again with other content keeps nothing of its batch', async () => {
  await appendDecisions(db, HOME, [aDecision()]);
  const batch = [aDecision({ id: 'new', thingId: 'new' }), aDecision({ verdict: 'discard' })];
  await expect(appendDecisions(db, HOME, batch)).rejects.toMatchObject({ code: 'id_reused' });
  expect(await listDecisions(db, HOME)).toHaveLength(1);
});

test.each(['UPDATE decision_events SET thing_id = 1', 'DELETE FROM decision_events'])(
  'the log refuses: %s',
  async (sql) => {
    await appendDecisions(db, HOME, [aDecision()]);
    await expect(Promise.resolve(db.raw(sql))).rejects.toMatchObject({
      message: expect.stringContaining('append-only'),
    });
  },
);

const historyArb = fc.array(
  fc.record({
    thing: fc.nat(4),
    count: fc.integer({ min: 1, max: 9 }),
    act: fc.constantFrom(
      'decided' as const,
      'decided' as const,
      'undone' as const,
      'restored' as const,
    ),
    about: fc.nat(20),
  }),
  { minLength: 1, maxLength: 30 },
);

test(
  'today’s things as stored equal those folded from the log, in batches and with repeats',
  () =>
    fc.assert(
      fc.asyncProperty(historyArb, fc.integer({ min: 1, max: 7 }), async (acts, batchSize) => {
        const own = await aDatabase();
        const events = acts.map(({ thing, count, act, about }, i): DecisionEvent =>
          act === 'decided'
            ? aDecision({ id: `d${i}`, thingId: `t${thing}`, count })
            : // About any decision of the same thing, there or not.
              decisionEventSchema.parse({
                kind: act,
                id: `f${i}`,
                thingId: `t${thing}`,
                aboutId: `d${about}`,
                decidedAt: '2026-11-06T10:42:00.000Z',
                device: 'phone',
              }),
        );
        for (let i = 0; i < events.length; i += batchSize)
          await appendDecisions(own, HOME, [
            ...events.slice(Math.max(0, i - 2), i),
            ...events.slice(i, i + batchSize),
          ]);
        // Undoing reaches only decisions about the same thing, which is how the log is folded per thing.
        const byThing = [...new Set(events.map((event) => event.thingId))].flatMap((id) =>
          foldDecisions(events.filter((event) => event.thingId === id)),
        );
        const sorted = <T extends { id: string }>(list: readonly T[]) =>
          [...list].sort((a, b) => a.id.localeCompare(b.id));
        expect(sorted(await listThings(own, HOME))).toEqual(sorted(byThing));
        await own.destroy();
      }),
      { numRuns: 15 },
    ),
  30_000,
);

test('words of older versions are read as codes and stay as they were written', async () => {
  await db('decision_events').insert({
    project_id: HOME,
    id: 'old',
    thing_id: 'old',
    event_json: JSON.stringify({
      ...aDecision({ id: 'old', thingId: 'old', verdict: 'recycle', to: 'special disposal' }),
      reasons: ['worn out', 'does not do its job'],
    }),
  });
  const [event] = await listDecisions(db, HOME);
  expect(event).toMatchObject({ reasons: ['worn_out', 'fails_its_job'], to: 'special disposal' });
  const [thing] = event ? foldDecisions([event]) : [];
  expect(thing && destinationOf(thing, [])).toEqual({ kind: 'way_out', way: 'special_disposal' });
  const kept: readonly { event_json: string }[] = await db('decision_events').select('event_json');
  expect(kept[0]?.event_json).toContain('worn out');
});

test('a thing that belongs in another room is still waited for when that room has a new name', async () => {
  const { rooms } = await loadRecords(db, HOME, 'rooms');
  const attic = roomRecord.table.schema.parse({ ...rooms[0], id: 'attic', name: 'Attic' });
  await insertRecord(db, roomRecord, attic);
  await appendDecisions(db, HOME, [aDecision({ id: 'a', verdict: 'elsewhere', to: 'attic' })]);
  const [thing] = await listThings(db, HOME);
  expect(thing?.destination).toEqual({ kind: 'room', roomId: 'attic' });
  expect(
    openListsOf([thing as Thing], { rooms: [{ ...attic, name: 'Loft' }] }).comingIn,
  ).toHaveLength(1);
});

test('what is decided anew goes where it is said to go now', async () => {
  const { rooms } = await loadRecords(db, HOME, 'rooms');
  for (const name of ['Attic', 'Cellar'])
    await insertRecord(
      db,
      roomRecord,
      roomRecord.table.schema.parse({ ...rooms[0], id: name.toLowerCase(), name }),
    );
  await appendDecisions(db, HOME, [aDecision({ id: 'a', verdict: 'elsewhere', to: 'Attic' })]);
  let step = 0;
  const change = async (to: Parameters<typeof correctThing>[1]) => {
    const [thing] = await listThings(db, HOME);
    if (!thing) throw new Error('there is no thing');
    step += 1;
    const means = {
      actId: `again${step}`,
      now: `2026-12-0${step}T10:00:00.000Z`,
      device: 'desk',
      toDecisionId: (id: string) => decisionIdSchema.parse(id),
      createThingId: () => thing.id,
    };
    await appendDecisions(db, HOME, [correctThing(thing, to, means)]);
    return (await listThings(db, HOME))[0]?.destination;
  };
  expect(await change({ to: 'Cellar' })).toEqual({ kind: 'room', roomId: 'cellar' });
  expect(await change({ count: 2 })).toEqual({ kind: 'room', roomId: 'cellar' });
  expect(await change({ verdict: 'give', to: 'Ida' })).toEqual({ kind: 'person', name: 'Ida' });
  expect(await change({ verdict: 'keep', to: '' })).toBeUndefined();
});
