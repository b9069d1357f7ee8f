import {
  aBay,
  aDatabase,
  aDecision,
  aGroup,
  aRoom,
  aUnit,
  HALL,
  HOME,
  insertGroup,
  loadAll,
} from '@test/builders';
import type { ArrangedScope, ArrangementRef } from '@/core/place';
import { bayIdSchema, groupIdSchema } from '@/core/shared';
import { moveChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { bayRecord, roomRecord, unitRecord } from '@/data/records';
import { drawingSvg, gatherDrawing } from '../look/drawings';
import { removeUnit } from '../look/saveUnit';
import { draftHistory } from './draftHistory';
import {
  addDraft,
  arrange,
  chooseDraft,
  groupsIn,
  removeDraft,
  renameDraft,
  resolveArrangement,
} from './drafts';
import { makeMoveList, noteDeviation, tickMove } from './moveList';
import { takeIn } from './takeIn';

const [shelf, second] = [bayIdSchema.parse('shelf'), bayIdSchema.parse('second')];
const [hats, bags] = [groupIdSchema.parse('hats'), groupIdSchema.parse('bags')];
const unit = aUnit({ bays: [aBay(), aBay({ id: 'second', name: 'Second', rowIndex: 1 })] });
let db: Db;
beforeEach(async () => {
  db = await aDatabase();
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  for (const bay of unit.bays) await db(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
  await insertGroup(db, aGroup({ bayId: 'shelf', standsBayId: 'second' }));
  await insertGroup(
    db,
    aGroup({ id: 'bags', name: 'Bags', bayId: 'second', standsBayId: 'shelf', position: 1 }),
  );
});
afterEach(() => db.destroy());

const records = () => loadAll(db, HOME);
const placesOf = async (ref: ArrangementRef) => {
  const all = await records();
  return groupsIn(all, HALL, resolveArrangement(all, HALL, ref)).map(({ bayId }) => bayId);
};
const put = (ref: ArrangementRef, groupId: typeof hats, bayId: typeof shelf | null) =>
  arrange(db, HOME, { roomId: HALL, ref, assignment: [{ groupId, bayId }] });

test('today, the chosen arrangement and a draft are changed apart from each other', async () => {
  const draft = await addDraft(db, HOME, { roomId: HALL, name: 'By person', from: 'today' });
  expect(await placesOf(draft)).toEqual(['second', 'shelf']);
  await put(draft, hats, null);
  await put('today', bags, second);
  await put('chosen', bags, shelf);
  expect([await placesOf(draft), await placesOf('today'), await placesOf('chosen')]).toEqual([
    [null, 'shelf'],
    ['second', 'second'],
    ['shelf', 'shelf'],
  ]);
  for (let i = 0; i < 3; i += 1) await moveChange(db, HOME, 'undo');
  expect([await placesOf(draft), await placesOf('today'), await placesOf('chosen')]).toEqual([
    ['second', 'shelf'],
    ['second', 'shelf'],
    ['shelf', 'second'],
  ]);
});

test('choosing a draft keeps what was chosen before as a draft, and can be chosen back', async () => {
  const draft = await addDraft(db, HOME, { roomId: HALL, name: 'Other', from: 'today' });
  await chooseDraft(db, HOME, { roomId: HALL, draftId: draft });
  const { drafts } = await records();
  expect(drafts.map(({ name, places }) => [name, places === null])).toEqual([
    ['First draft', false],
    ['Other', true],
  ]);
  expect(await placesOf('chosen')).toEqual(['second', 'shelf']);
  await chooseDraft(db, HOME, { roomId: HALL, draftId: drafts[0]?.id ?? draft });
  expect(await placesOf('chosen')).toEqual(['shelf', 'second']);
  expect(await placesOf(draft)).toEqual(['second', 'shelf']);
});

test('the chosen draft is not taken away; others are, and come back by undo', async () => {
  const draft = await addDraft(db, HOME, { roomId: HALL, name: 'Other', from: 'chosen' });
  await renameDraft(db, HOME, { roomId: HALL, draftId: draft, name: 'Calm' });
  const chosen = (await records()).drafts.find(({ places }) => places === null);
  if (chosen) await removeDraft(db, HOME, { roomId: HALL, draftId: chosen.id });
  await removeDraft(db, HOME, { roomId: HALL, draftId: draft });
  expect((await records()).drafts.map(({ name }) => name)).toEqual(['First draft']);
  await moveChange(db, HOME, 'undo');
  expect((await records()).drafts.map(({ name }) => name)).toEqual(['First draft', 'Calm']);
});

test.each<ArrangementRef>(['chosen', 'today'])(
  'the history of %s holds every state that it was in, so that one can go back to it',
  async (ref) => {
    const states = [await placesOf(ref)];
    for (const [groupId, bayId] of [
      [hats, null],
      [bags, null],
      [hats, second],
      [bags, second],
    ] as const) {
      await put(ref, groupId, bayId);
      states.push(await placesOf(ref));
    }
    const history = await draftHistory(db, await records(), { roomId: HALL, ref });
    expect(history.map(({ places }) => places.map(({ bayId }) => bayId))).toEqual(
      [...states.slice(1)].reverse(),
    );
    await arrange(db, HOME, { roomId: HALL, ref, assignment: history[2]?.places ?? [] });
    expect(await placesOf(ref)).toEqual(states[2]);
  },
);

test('a draft’s history begins where it was copied', async () => {
  const draft = await addDraft(db, HOME, { roomId: HALL, name: 'Other', from: 'today' });
  await put(draft, hats, shelf);
  expect(
    (await draftHistory(db, await records(), { roomId: HALL, ref: draft })).map(({ deed }) => deed),
  ).toEqual([
    { code: 'group_put', name: 'Hats', place: 'Shelf', draft: 'Other' },
    { code: 'draft_copied', name: 'Other' },
  ]);
});

test('a place that is taken away is nowhere in every arrangement, and undo brings all of it back', async () => {
  const draft = await addDraft(db, HOME, { roomId: HALL, name: 'Other', from: 'today' });
  await removeUnit(db, HOME, unit.id);
  expect([await placesOf(draft), await placesOf('today'), await placesOf('chosen')]).toEqual([
    [null, null],
    [null, null],
    [null, null],
  ]);
  await moveChange(db, HOME, 'undo');
  expect([await placesOf(draft), await placesOf('today'), await placesOf('chosen')]).toEqual([
    ['second', 'shelf'],
    ['second', 'shelf'],
    ['shelf', 'second'],
  ]);
});

test('a draft of the whole home holds every room, apart from theirs, and moves groups when chosen', async () => {
  await db(roomRecord.table.name).insert(
    roomRecord.table.toRow(aRoom({ id: 'attic', name: 'Attic', position: 1 })),
  );
  await insertGroup(db, aGroup({ id: 'tent', name: 'Tent', roomId: 'attic', bayId: null }));
  const ofHall = await addDraft(db, HOME, { roomId: HALL, name: 'By person', from: 'today' });
  const ofHome = await addDraft(db, HOME, { roomId: null, name: 'All of it', from: 'chosen' });
  const placesAt = async (scope: ArrangedScope, ref: ArrangementRef) =>
    Object.fromEntries(
      groupsIn(await records(), scope, resolveArrangement(await records(), scope, ref)).map(
        ({ id, bayId }) => [id, bayId],
      ),
    );
  await arrange(db, HOME, {
    roomId: null,
    ref: ofHome,
    assignment: [
      { groupId: groupIdSchema.parse('tent'), bayId: shelf },
      { groupId: hats, bayId: null },
    ],
  });
  expect([
    await placesAt(null, ofHome),
    await placesAt(HALL, ofHall),
    await placesAt(HALL, 'chosen'),
  ]).toEqual([
    { hats: null, bags: 'second', tent: 'shelf' },
    { hats: 'second', bags: 'shelf', tent: null },
    { hats: 'shelf', bags: 'second', tent: null },
  ]);
  expect(
    (await draftHistory(db, await records(), { roomId: null, ref: ofHome })).map(
      ({ deed }) => deed,
    ),
  ).toEqual([
    { code: 'groups_arranged', count: 2, draft: 'All of it' },
    { code: 'draft_copied', name: 'All of it' },
  ]);
  const drawing = gatherDrawing(await records(), {
    roomId: HALL,
    kind: 'places',
    unitId: undefined,
    scale: 10,
    draft: ofHome,
  });
  expect([drawing?.title, drawing && drawingSvg(drawing, 10).includes('>Tent</text>')]).toEqual([
    'Hall, All of it',
    true,
  ]);
  await chooseDraft(db, HOME, { roomId: null, draftId: ofHome });
  expect(await placesAt(HALL, 'chosen')).toEqual({ hats: null, bags: 'second', tent: 'shelf' });
  expect(
    (await records()).drafts
      .filter(({ roomId }) => roomId === null)
      .map(({ name, places }) => [name, places === null]),
  ).toEqual([
    ['First draft', false],
    ['All of it', true],
  ]);
  await moveChange(db, HOME, 'undo');
  expect(await placesAt(HALL, 'chosen')).toEqual({ hats: 'shelf', bags: 'second', tent: null });
});

test('a bay or draft that is not there moves nothing', async () => {
  await expect(put('chosen', hats, bayIdSchema.parse('gone'))).rejects.toMatchObject({
    code: 'not_found',
  });
  await expect(put('nowhere' as ArrangementRef, hats, shelf)).rejects.toMatchObject({
    code: 'not_found',
  });
});

const listOf = async () => (await records()).moveLists[0];
const make = () =>
  makeMoveList(db, HOME, {
    roomId: HALL,
    cleaning: 'wipe',
    cleanedBayIds: [],
    basketsStand: 'on the landing',
  });
/** Each group fills its bay so far that the other cannot come in before it has gone. */
const fill = () =>
  appendDecisions(db, HOME, [
    aDecision({ groupId: 'hats', litres: 60 }),
    aDecision({ id: 'd2', thingId: 't2', groupId: 'bags', litres: 50 }),
  ]);

test('ticking the list off moves what stands today, line by line, and opening a line takes it back', async () => {
  await fill();
  expect(await make()).toEqual({ ok: true, value: undefined });
  const list = await listOf();
  expect(list?.items.map((item) => item.kind === 'move' && [item.groupId, item.to])).toEqual([
    ['bags', 'basket'],
    ['hats', 'shelf'],
    ['bags', 'second'],
  ]);
  expect(list).toMatchObject({
    stagedLitres: 50,
    leastStagedLitres: 50,
    baskets: 2,
    basketsStand: 'on the landing',
  });
  await tickMove(db, HOME, {
    roomId: HALL,
    madeAt: (await listOf())?.madeAt ?? '',
    index: 0,
    isDone: true,
  });
  expect(await placesOf('today')).toEqual(['second', null]);
  await tickMove(db, HOME, {
    roomId: HALL,
    madeAt: (await listOf())?.madeAt ?? '',
    index: 1,
    isDone: true,
  });
  await tickMove(db, HOME, {
    roomId: HALL,
    madeAt: (await listOf())?.madeAt ?? '',
    index: 1,
    isDone: false,
  });
  expect(await placesOf('today')).toEqual(['second', null]);
  for (const index of [1, 2])
    await tickMove(db, HOME, {
      roomId: HALL,
      madeAt: (await listOf())?.madeAt ?? '',
      index,
      isDone: true,
    });
  expect(await placesOf('today')).toEqual(await placesOf('chosen'));
});

test('what stands elsewhere than the list says is noted, and the rest is worked out anew', async () => {
  await fill();
  await make();
  await tickMove(db, HOME, {
    roomId: HALL,
    madeAt: (await listOf())?.madeAt ?? '',
    index: 0,
    isDone: true,
  });
  // Somebody put the hats in a basket too: now nothing stands in the way of the bags.
  await noteDeviation(db, HOME, { roomId: HALL, groupId: hats, bayId: null });
  const list = await listOf();
  // Both wait in baskets now, 110 l together.
  expect(list).toMatchObject({ baskets: 3, stagedLitres: 110, leastStagedLitres: null });
  expect(
    list?.items.map(
      (item) => item.kind === 'move' && [item.groupId, item.from, item.to, item.doneAt !== null],
    ),
  ).toEqual([
    ['bags', 'shelf', 'basket', true],
    ['hats', 'basket', 'shelf', false],
    ['bags', 'basket', 'second', false],
  ]);
});

test('a plan that cannot be is refused with the bay’s litres, and an older list stays', async () => {
  await make();
  await appendDecisions(db, HOME, [aDecision({ groupId: 'hats', litres: 9000 })]);
  expect(await make()).toMatchObject({
    ok: false,
    error: [{ code: 'bay_too_small', subject: 'shelf' }],
  });
  expect(await listOf()).toBeDefined();
});

test('what waits elsewhere is taken in as a group of its own, kept from now on', async () => {
  await db(roomRecord.table.name).insert(
    roomRecord.table.toRow(aRoom({ id: 'attic', name: 'Attic', position: 1 })),
  );
  await appendDecisions(db, HOME, [
    aDecision({
      id: 'd9',
      thingId: 't9',
      name: 'bike lights',
      verdict: 'elsewhere',
      roomId: 'attic',
      to: 'Hall',
      litres: 2,
    }),
  ]);
  const group = await takeIn(db, HOME, {
    roomId: HALL,
    thingId: aDecision({ thingId: 't9' }).thingId,
  });
  const { things } = await records();
  expect(group.name).toBe('Bike lights');
  expect(things.find(({ id }) => id === 't9')).toMatchObject({
    verdict: 'keep',
    groupId: group.id,
    roomId: HALL,
    litres: 2,
  });
  await expect(
    takeIn(db, HOME, { roomId: HALL, thingId: aDecision({ thingId: 't9' }).thingId }),
  ).rejects.toMatchObject({ code: 'not_found' });
});
