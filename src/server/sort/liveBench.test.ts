import fc from 'fast-check';

import { aDatabase, aDecision, HALL, HOME } from '@test/builders';
import {
  addTallies,
  decisionEventSchema,
  foldDecisions,
  tallyByVerdict,
  type DecisionEvent,
} from '@/core/sort';
import { roomIdSchema, sessionIdSchema } from '@/core/shared';
import { moveChange } from '@/data/changes';
import {
  appendDecisions,
  lastSeqOf,
  listDecisions,
  listDecisionsAfter,
  listThings,
  type NumberedEvent,
} from '@/data/decisionLog';
import type { Db } from '@/data/db';
import { listCarries, listOwnMethods, listSessions } from '@/data/sessionRepo';
import { followDecisions } from './followDecisions';
import { homeCountsOf } from '@/core/count';
import { loadRecords } from '@/data/records';
import { loadBench } from './loadBench';
import {
  changeSteps,
  endStep,
  noteDebt,
  pauseSession,
  saveOwnMethod,
  settleDebt,
  startSession,
} from './sessions';
import { carryBox, sayGoingOut, takeBackCarry } from './goingOut';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
});
afterEach(() => db.destroy());

const at = (i: number) => new Date(Date.UTC(2026, 10, 6, 10, 0, i)).toISOString();
const undo = (i: number, about: number, thing: number): DecisionEvent =>
  decisionEventSchema.parse({
    kind: 'undone',
    id: `u${i}`,
    thingId: `t${thing}`,
    aboutId: `d${about}`,
    decidedAt: at(i),
    device: 'phone',
  });

test(
  'things that are kept in memory equal those that are read, after every batch, with new, changed, gone and returning ones',
  () =>
    fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(7), fc.boolean(), fc.nat(12)), { minLength: 1, maxLength: 24 }),
        fc.integer({ min: 1, max: 5 }),
        async (acts, batchSize) => {
          const own = await aDatabase();
          const events = acts.map(([thing, isUndo, about], i) =>
            isUndo
              ? undo(i, about, thing)
              : aDecision({ id: `d${i}`, thingId: `t${thing}`, count: i + 1, decidedAt: at(i) }),
          );
          for (let i = 0; i < events.length; i += batchSize) {
            await appendDecisions(own, HOME, events.slice(i, i + batchSize));
            const cached = await listThings(own, HOME);
            expect(cached).toEqual(await own.transaction((trx) => listThings(trx, HOME)));
            expect(await listThings(own, HOME)).toBe(cached);
          }
          await own.destroy();
        },
      ),
      { numRuns: 25 },
    ),
  60_000,
);

test('others hear of every event once and in order, from where they left off, also of what comes while they listen', async () => {
  const batch = (from: number, to: number) =>
    Array.from({ length: to - from }, (_, i) =>
      aDecision({ id: `d${from + i}`, thingId: `t${from + i}` }),
    );
  await appendDecisions(db, HOME, batch(0, 3));
  const after = (await listDecisionsAfter(db, HOME, 0, 10))[0]?.seq ?? 0;
  const heard: NumberedEvent[] = [];
  const abort = new AbortController();
  const following = followDecisions(db, { projectId: HOME, after }, abort.signal, (event) => {
    heard.push(event);
    if (heard.length === 8) abort.abort();
  });
  await appendDecisions(db, HOME, batch(3, 5));
  await Promise.all([
    appendDecisions(db, HOME, batch(5, 7)),
    appendDecisions(db, HOME, batch(7, 9)),
  ]);
  await following;
  expect(heard.map(({ event }) => event.id)).toEqual([
    'd1',
    'd2',
    'd3',
    'd4',
    'd5',
    'd6',
    'd7',
    'd8',
  ]);
  expect(heard.map(({ seq }) => seq)).toEqual(
    [...heard.map(({ seq }) => seq)].sort((a, b) => a - b),
  );
});

test('a batch that is refused is told to nobody', async () => {
  await appendDecisions(db, HOME, [aDecision()]);
  const before = await lastSeqOf(db, HOME);
  await expect(
    appendDecisions(db, HOME, [aDecision({ id: 'new', thingId: 'n' }), aDecision({ count: 9 })]),
  ).rejects.toMatchObject({ code: 'id_reused' });
  expect([await lastSeqOf(db, HOME), (await listThings(db, HOME)).length]).toEqual([before, 1]);
});

test('a bench starts from sums and the latest histories: together they are the whole room, and no other', async () => {
  const attic = roomIdSchema.parse('attic');
  await db('rooms').insert({
    id: attic,
    project_id: HOME,
    name: 'Attic',
    purpose: '',
    budget_minor: 0,
    position: 1,
  });
  const events = Array.from({ length: 900 }, (_, i) =>
    aDecision({
      id: `d${i}`,
      thingId: `t${i % 700}`,
      roomId: i % 3 === 0 ? attic : HALL,
      verdict: (['keep', 'donate', 'later'] as const)[i % 3] ?? 'keep',
      groupId: null,
      count: 1 + (i % 4),
      decidedAt: at(i),
    }),
  );
  await appendDecisions(db, HOME, events);
  const records = await loadRecords(db, HOME, 'people', 'project', 'things');
  const { things } = records;
  const bench = await loadBench(db, { ...records, roomId: HALL });
  const open = foldDecisions(bench.log).filter((thing) => thing.roomId === HALL);
  const rounded = (tally: ReturnType<typeof tallyByVerdict>) =>
    Object.entries(tally).map(([verdict, { count, litres, massG }]) => [
      verdict,
      count,
      Math.round(litres * 1e6),
      massG,
    ]);
  expect(rounded(addTallies(bench.base.tally, tallyByVerdict(open)))).toEqual(
    rounded(tallyByVerdict(things.filter(({ roomId }) => roomId === HALL))),
  );
  expect(bench.base.thingCount + open.length).toBe(
    things.filter(({ roomId }) => roomId === HALL).length,
  );
  expect(bench.log.length).toBeLessThan(700);
  // What the home keeps: closed sums with the open things are all of it, by rule and by likeness.
  const openIds = new Set(open.map(({ id }) => id));
  const closed = homeCountsOf(
    things.filter(({ id }) => !openIds.has(id)),
    bench.enough.rules,
  );
  expect(bench.home).toEqual(closed);
  expect(
    (closed.byRule.Hats ?? 0) + (homeCountsOf(open, bench.enough.rules).byRule.Hats ?? 0),
  ).toBe(homeCountsOf(things, bench.enough.rules).byRule.Hats);
  // What is open has its whole history, so that undoing it finds what stood before.
  const whole = await listDecisions(db, HOME);
  for (const id of new Set(bench.log.map(({ thingId }) => thingId)))
    expect(bench.log.filter(({ thingId }) => thingId === id)).toEqual(
      whole.filter(({ thingId }) => thingId === id),
    );
});

test('a session goes step by step to its end; starting another ends it', async () => {
  const start = (method: string) =>
    startSession(db, HOME, {
      roomId: HALL,
      sectionId: null,
      method,
      plannedMinutes: 60,
      present: ['Nora'],
    });
  const first = await start('quick-pass');
  const over = (sessionId: typeof first, from: number, isEnd = false) =>
    endStep(db, HOME, { roomId: HALL, sessionId, from, isEnd, at: new Date().toISOString() });
  await over(first, 1);
  // By a second device, which had not heard of it: one step further, not two.
  await over(first, 1);
  expect(
    (await listSessions(db, HALL)).map(({ stepStarts, endedAt }) => [stepStarts.length, endedAt]),
  ).toEqual([[2, null]]);
  await moveChange(db, HOME, 'undo');
  expect((await listSessions(db, HALL))[0]?.stepStarts).toHaveLength(1);
  for (let from = 1; from <= 6; from += 1) await over(first, from);
  expect(
    (await listSessions(db, HALL)).map(({ stepStarts, endedAt }) => [
      stepStarts.length,
      endedAt !== null,
    ]),
  ).toEqual([[4, true]]);
  const second = await start('empty-all');
  const third = await start('by-category');
  await over(third, 1, true);
  expect((await listSessions(db, HALL)).map(({ endedAt }) => endedAt !== null)).toEqual([
    true,
    true,
    true,
  ]);
  expect([second, third].every((id) => sessionIdSchema.safeParse(id).success)).toBe(true);
  await expect(start('somehow')).rejects.toMatchObject({ code: 'not_found' });
});

test('a session stands still and goes on; steps at hand and before stay, the others are put in anew', async () => {
  const sessionId = await startSession(db, HOME, {
    roomId: HALL,
    sectionId: null,
    method: 'empty-all',
    plannedMinutes: 45,
    present: [],
  });
  const place = { roomId: HALL, sessionId };
  const now = async () => (await listSessions(db, HALL))[0];
  const before = (await now())?.steps ?? [];
  expect(before.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(45);
  await pauseSession(db, HOME, { ...place, isPaused: true, at: new Date().toISOString() });
  expect((await now())?.pauses).toMatchObject([{ to: null }]);
  await endStep(db, HOME, {
    ...place,
    from: 1,
    isEnd: false,
    at: new Date().toISOString(),
  });
  expect((await now())?.pauses).toMatchObject([{ to: expect.any(String) }]);
  const tea = { name: 'Tea', guidance: '', minutes: 5, share: 0.1 };
  await changeSteps(db, HOME, { ...place, steps: [tea, tea, tea] });
  expect((await now())?.steps).toEqual([...before.slice(0, 2), tea]);
  await moveChange(db, HOME, 'undo');
  expect((await now())?.steps).toEqual(before);
});

test('a thing decided long ago is opened on the bench where it is asked for', async () => {
  await appendDecisions(
    db,
    HOME,
    Array.from({ length: 420 }, (_, i) =>
      aDecision({ id: `d${i}`, thingId: `t${i}`, decidedAt: at(i) }),
    ),
  );
  const records = await loadRecords(db, HOME, 'things', 'people', 'project');
  const open = async (openThingId?: string) =>
    (await loadBench(db, { ...records, roomId: HALL, openThingId })).log.some(
      ({ thingId }) => thingId === 't0',
    );
  expect([await open(), await open('t0')]).toEqual([false, true]);
});

test('steps of one’s own are kept by their name, and a session runs by them', async () => {
  const steps = [
    { name: 'Tea', guidance: 'first', minutes: 5, share: 0.1 },
    { name: 'Sort', guidance: '', minutes: 20, share: 0.9 },
  ];
  const id = await saveOwnMethod(db, HOME, { name: 'Tuesday way', steps });
  expect(await saveOwnMethod(db, HOME, { name: 'tuesday way', steps: steps.slice(1) })).toBe(id);
  expect(
    (await listOwnMethods(db, HOME)).map(({ name, steps: kept }) => [name, kept.length]),
  ).toEqual([['tuesday way', 1]]);
  await startSession(db, HOME, {
    roomId: HALL,
    sectionId: null,
    method: id,
    plannedMinutes: 100,
    present: [],
  });
  expect((await listSessions(db, HALL))[0]).toMatchObject({
    method: 'tuesday way',
    steps: [{ name: 'Sort', minutes: 100 }],
  });
});

test('a box goes to the door with what is in it, leaves, is corrected, and comes back', async () => {
  await appendDecisions(db, HOME, [
    aDecision({ verdict: 'recycle', to: 'pharmacy', litres: 1, massG: 40 }),
    aDecision({ id: 'd2', thingId: 't2', verdict: 'recycle', to: 'hazardous', litres: 9 }),
  ]);
  const box = { verdict: 'recycle', toward: 'pharmacy' } as const;
  const carryId = await carryBox(db, HOME, { roomId: HALL, box });
  await expect(carryBox(db, HOME, { roomId: HALL, box })).rejects.toMatchObject({
    code: 'not_found',
  });
  const place = { roomId: HALL, carryId };
  const said = { goneAt: '2026-11-07T10:00:00.000Z', goneBy: 'the client', note: '' };
  await sayGoingOut(db, HOME, { ...place, said });
  expect(await listCarries(db, HALL)).toMatchObject([
    { thingIds: ['t1'], litres: 1, toward: 'pharmacy', ...said },
  ]);
  await takeBackCarry(db, HOME, place);
  expect(await listCarries(db, HALL)).toEqual([]);
  await moveChange(db, HOME, 'undo');
  expect(await listCarries(db, HALL)).toMatchObject([said]);
});

test('what goes out unsorted is a debt until it is settled, and both can be undone', async () => {
  const debt = await noteDebt(db, HOME, {
    roomId: HALL,
    note: 'two baskets in the hall',
    dueOn: '2026-12-01',
  });
  await settleDebt(db, HOME, { roomId: HALL, carryId: debt });
  expect(await listCarries(db, HALL)).toMatchObject([{ verdict: null, dueOn: '2026-12-01' }]);
  await moveChange(db, HOME, 'undo');
  expect((await listCarries(db, HALL)).map(({ settledAt }) => settledAt)).toEqual([null]);
  await moveChange(db, HOME, 'undo');
  expect(await listCarries(db, HALL)).toEqual([]);
});

test('a session’s own decisions are all open, so that undo reaches back to its first', async () => {
  await appendDecisions(
    db,
    HOME,
    Array.from({ length: 1000 }, (_, i) =>
      aDecision({ id: `d${i}`, thingId: `t${i}`, decidedAt: at(i) }),
    ),
  );
  const records = await loadRecords(db, HOME, 'people', 'project', 'things');
  const openIds = async (openSince?: string) =>
    (await loadBench(db, { ...records, roomId: HALL, openSince })).log.map(({ id }) => id);
  expect(await openIds()).toHaveLength(300);
  expect(await openIds(at(100))).toEqual(expect.arrayContaining(['d100', 'd999']));
  expect(await openIds(at(990))).toHaveLength(300);
});
