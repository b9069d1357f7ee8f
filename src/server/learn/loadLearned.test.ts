import { aBay, aDatabase, aSection, aUnit, HALL, HOME } from '@test/builders';
import { putAwayTestSchema } from '@/core/again';
import { pictureSchema, vantagePointSchema } from '@/core/look';
import { setUpSchema } from '@/core/setUp';
import type { Db } from '@/data/db';
import {
  bayRecord,
  insertRecord,
  pictureRecord,
  projectRecord,
  sectionRecord,
  setUpRecord,
  unitRecord,
  vantagePointRecord,
  findProject,
} from '@/data/records';
import { getLearning, leaveAside } from '@/data/settingsRepo';
import { keepTest } from '../again/looks';
import { noteRoom } from '../look/savePlan';
import { loadLearned, loadOutcomes } from './loadLearned';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
  const { bays, ...unit } = aUnit({ bays: [aBay({ id: 'shelf' }), aBay({ id: 'shelf-2' })] });
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  for (const bay of bays) await insertRecord(db, bayRecord, bay);
  await insertRecord(db, sectionRecord, aSection());
  await insertRecord(
    db,
    vantagePointRecord,
    vantagePointSchema.parse({ id: 'spot', roomId: HALL, name: 'door', position: 0 }),
  );
  await insertRecord(
    db,
    pictureRecord,
    pictureSchema.parse({
      ...{ id: 'after', vantagePointId: 'spot', moment: 'after', widthPx: 4, heightPx: 3 },
      takenAt: '2026-10-05T12:00:00.000Z',
    }),
  );
});
afterEach(() => db.destroy());

const noteHours = (workedMinutes: number) =>
  noteRoom(db, HOME, { roomId: HALL, deed: { code: 'hours_noted' }, change: { workedMinutes } });
const hours = async () => (await loadLearned(db)).learned.hours.all;

test('a home is gone through once until something of it changes, and then again', async () => {
  await noteHours(600);
  const first = await hours();
  expect(first).toMatchObject({ count: 1 });
  const [kept] = (await db('known_answers').where({ about: 'outcomes' })) as { basis: string }[];
  await loadOutcomes(db);
  expect(await db('known_answers').where({ about: 'outcomes' })).toMatchObject([kept]);
  // What is kept is what is told: a false one shows.
  const [row] = (await db('known_answers').where({ about: 'outcomes' })) as {
    answer_json: string;
  }[];
  await db('known_answers').update({ answer_json: row!.answer_json.replace('600', '60') });
  expect((await hours()).factor).toBeLessThan(first.factor);
  // A page of the home itself does not wait for all of it to be gone through.
  await noteHours(900);
  const known = await loadLearned(db, { asKept: HOME });
  expect(known.learned.hours.all.factor).toBeLessThan(first.factor);
  await noteHours(601);
  expect((await hours()).factor).toBeGreaterThanOrEqual(first.factor);
});

test('a test of putting away, which is no change, is learnt from too', async () => {
  expect((await loadLearned(db)).learned.found.unlabelled.count).toBe(0);
  await keepTest(
    db,
    HOME,
    putAwayTestSchema.parse({
      ...{ id: 'test', projectId: HOME, personId: null, personName: 'Ida', byPictures: false },
      at: '2026-11-06T10:00:00.000Z',
      items: [
        {
          ...{ groupId: 'hats', name: 'hats', meantBayId: 'shelf', isFound: true },
          taps: [{ bayId: 'shelf', seconds: 3 }],
        },
      ],
    }),
  );
  expect((await loadLearned(db)).learned.found.unlabelled).toMatchObject({ hits: 1, count: 1 });
});

test('a home that was put away counts on, and leaving aside is by topic', async () => {
  await noteHours(600);
  const project = await findProject(db, HOME);
  const archivedAt = '2026-11-01T09:00:00.000Z';
  await db(projectRecord.table.name)
    .where({ id: HOME })
    .update(projectRecord.table.toRow({ ...project!, archivedAt }));
  expect((await hours()).count).toBe(1);
  await leaveAside(db, 'hours', '2026-10-05');
  await leaveAside(db, 'litres', '2026-10-01');
  expect(await getLearning(db)).toEqual({
    leftAsideTo: { hours: '2026-10-05', litres: '2026-10-01' },
  });
  expect((await hours()).count).toBe(0);
  await leaveAside(db, 'hours', '2026-10-04');
  expect((await hours()).count).toBe(1);
  await leaveAside(db, 'hours', undefined);
  expect(await getLearning(db)).toEqual({ leftAsideTo: { litres: '2026-10-01' } });
});

test('what was timed in one room counts in the others, and is left out in its own', async () => {
  await insertRecord(
    db,
    setUpRecord,
    setUpSchema.parse({
      ...{ id: HALL, airCelsius: null, isDamp: false },
      done: [
        {
          ...{ kind: 'wipe', of: 'unit', doneAt: '2026-10-05T12:00:00.000Z' },
          ...{ tookMinutes: 40, listedMinutes: 20 },
        },
      ],
    }),
  );
  expect((await loadLearned(db)).learned.tasks.wipe).toMatchObject({ count: 1 });
  const { learned } = await loadLearned(db, { withoutTasksOf: HALL });
  expect(learned.tasks.wipe).toBeUndefined();
});
