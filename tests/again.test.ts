import { aBay, aDatabase, aDecision, aGroup, aUnit, HALL, HOME, insertGroup } from './builders';

import { personSchema } from '@/core/agree';
import { putAwayTestSchema, walkLineSchema } from '@/core/again';
import { bayIdSchema } from '@/core/shared';
import { moveChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import {
  bayRecord,
  groupRecord,
  insertRecord,
  loadRecords,
  personRecord,
  unitRecord,
} from '@/data/records';
import {
  endLook,
  keepTest,
  lookNames,
  looksOf,
  moveLook,
  noteWalkLine,
} from '@/server/again/looks';
import { writeLooksCalendar } from '@/server/again/looksFile';
import { findingsToMend, mendNames, takeMending } from '@/server/again/mend';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
  const { bays, ...unit } = aUnit({
    bays: [aBay(), aBay({ id: 'shelf-2', rowIndex: 1, name: 'Top' })],
  });
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  for (const bay of bays) await db(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
  await insertGroup(db, aGroup({ bayId: 'shelf', lid: 'required' }));
  await appendDecisions(db, HOME, [aDecision({ groupId: 'hats', count: 30, litres: 60 })]);
});
afterEach(() => db.destroy());

const at = { roomId: HALL, kind: 'own' as const, plannedOn: '2026-11-30' };
const line = (change: object = {}) =>
  walkLineSchema.parse({
    bayId: 'shelf',
    marks: ['overfull'],
    litresFound: null,
    strays: [],
    ranOut: '',
    ...change,
  });
const reviews = async () => (await loadRecords(db, HOME, 'reviews')).reviews;
const found = async () => findingsToMend(db, await loadRecords(db, HOME, ...mendNames));

test('a place is noted once, the last note counts, and nothing noted is nothing kept', async () => {
  await noteWalkLine(db, HOME, { at, line: line() });
  await noteWalkLine(db, HOME, { at, line: line({ marks: ['as_meant'] }) });
  expect((await reviews()).map(({ lines }) => lines.map(({ marks }) => marks))).toEqual([
    [['as_meant']],
  ]);
  await noteWalkLine(db, HOME, { at, line: line({ marks: [] }) });
  expect((await reviews())[0]?.lines).toEqual([]);
  await moveChange(db, HOME, 'undo');
  expect((await reviews())[0]?.lines).toHaveLength(1);
});

test('a look that was moved or made stays so under the id that the plan knows', async () => {
  await moveLook(db, HOME, { at, dueOn: '2026-12-24' });
  await endLook(db, HOME, { at, note: 'fine', doneOn: '2026-12-25' });
  const records = await loadRecords(db, HOME, ...lookNames);
  expect(looksOf(records)).toMatchObject([
    { id: 'hall_own_2026-11-30', dueOn: '2026-12-24', doneOn: '2026-12-25', roomName: 'Hall' },
  ]);
  await endLook(db, HOME, { at, note: '', doneOn: null });
  const calendar = writeLooksCalendar(
    { homeName: 'Home', looks: looksOf(await loadRecords(db, HOME, ...lookNames)) },
    '2026-11-30T10:00:00.000Z',
  );
  expect(calendar).toContain('UID:hall_own_2026-11-30@tin-box');
  expect(calendar).toContain('DTSTART;VALUE=DATE:20261224');
});

test('what is too much is told in litres and pieces; without lids changes what groups wish', async () => {
  await noteWalkLine(db, HOME, {
    at,
    line: line({ marks: ['overfull', 'lid_off'], litresFound: 100 }),
  });
  const [overfull, lid] = (await found()).open;
  // 800 by 300 by 350 mm hold 84 l; what is kept takes 2 l a piece.
  expect(overfull?.ways.find(({ mending }) => mending === 'enough')?.effect).toMatchObject({
    code: 'too_much',
    overLitres: expect.closeTo(16, 0),
    pile: { name: 'hat', count: 30, pieces: 8 },
  });
  expect(overfull?.ways.find(({ mending }) => mending === 'refit')?.effect).toEqual({
    code: 'refit',
    foundLitres: 100,
    countedLitres: 60,
  });
  expect(lid?.ways[0]?.effect).toEqual({ code: 'lidless', groupCount: 1 });
  await takeMending(db, HOME, { key: 'lid_off shelf', mending: 'lidless' });
  expect((await loadRecords(db, HOME, 'groups')).groups[0]?.lid).toBe('forbidden');
  await moveChange(db, HOME, 'undo');
  expect((await loadRecords(db, HOME, 'groups')).groups[0]?.lid).toBe('required');
  await expect(takeMending(db, HOME, { key: 'overfull top', mending: 'enough' })).rejects.toThrow();
});

const aTest = (id: string) =>
  putAwayTestSchema.parse({
    id,
    projectId: HOME,
    personId: 'nobody-of-this-home',
    personName: 'Ida',
    at: '2026-11-30T10:00:00.000Z',
    byPictures: false,
    items: [
      {
        groupId: 'hats',
        name: 'hat',
        meantBayId: 'shelf',
        taps: [{ bayId: 'shelf-2', seconds: 4 }],
        isFound: false,
      },
    ],
  });

const aPerson = (id: string, mmHigh: number) =>
  personSchema.parse({
    ...{ id, projectId: HOME, name: id, isChild: false, noStep: false, position: 0 },
    height: { mm: mmHigh, text: `${mmHigh} mm` },
  });

test('where it is sought becomes a draft, and the chosen arrangement stays as it is', async () => {
  await keepTest(db, HOME, aTest('t1'));
  await keepTest(db, HOME, aTest('t1'));
  await keepTest(db, HOME, aTest('t2'));
  const { putAwayTests } = await loadRecords(db, HOME, 'putAwayTests');
  expect(putAwayTests.map(({ id, personId }) => [id, personId])).toEqual([
    ['t1', null],
    ['t2', null],
  ]);
  const placeWay = async () =>
    (await found()).open[0]?.ways.find(({ mending }) => mending === 'place')?.effect;
  // Nobody lives here: nobody walks or reaches.
  expect(await placeWay()).toEqual({ code: 'no_household' });
  await insertRecord(db, personRecord, aPerson('nora', 1700));
  await insertGroup(db, aGroup({ id: 'scarves', name: 'Scarves', bayId: 'shelf-2' }));
  const use = async (usesPerWeek: number) =>
    db(groupRecord.table.name)
      .where({ id: 'hats' })
      .update(
        groupRecord.table.toRow(
          aGroup({ bayId: 'shelf', lid: 'required', placing: { usesPerWeek } }),
        ),
      );
  await use(20);
  // In the same cupboard: a label first, another place after it.
  expect((await found()).open[0]?.ways.map(({ mending }) => mending)).toEqual(['label', 'place']);
  expect(await placeWay()).toMatchObject({
    code: 'moves',
    places: [{ groupId: 'hats', bayId: 'shelf-2' }],
    isProven: true,
  });
  const draftId = await takeMending(db, HOME, { key: 'looked_elsewhere hats', mending: 'place' });
  const { drafts, groups } = await loadRecords(db, HOME, 'drafts', 'groups');
  expect(groups.find(({ id }) => id === 'hats')?.bayId).toBe('shelf');
  expect(drafts.find(({ id }) => id === draftId)?.places).toContainEqual({
    groupId: 'hats',
    bayId: bayIdSchema.parse('shelf-2'),
  });
  expect((await found()).open[0]?.mended).toMatchObject({ change: 'place', holds: undefined });
  // Of something that is hardly used, looking costs less than anybody feels.
  await use(0.1);
  expect(await placeWay()).toMatchObject({ code: 'stays' });
  await expect(
    takeMending(db, HOME, { key: 'looked_elsewhere hats', mending: 'place' }),
  ).rejects.toMatchObject({ code: 'not_found' });
});
