import { aDatabase, aDecision, aGroup, HOME, insertGroup } from '@test/builders';
import type { Db } from './db';
import { appendDecisions, listDecisions, listThings } from './decisionLog';
import {
  acceptImport,
  addImportRows,
  beginImport,
  finishImport,
  settleImports,
} from './importRepo';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
  await insertGroup(db, aGroup());
});
afterEach(() => db.destroy());

const events = Array.from({ length: 730 }, (_, i) =>
  aDecision({ id: `d${i}`, thingId: `t${i}`, groupId: 'hats' }),
);
const writeDown = async (id: string) => {
  await beginImport(db, { id, projectId: HOME, now: '2026-11-06T10:00:00.000Z' });
  await addImportRows(db, id, events);
};
const left = async () => [await db('imports'), await db('import_rows')];

test('what was not accepted when the server ended has left nothing', async () => {
  await writeDown('i');
  expect(await settleImports(db)).toBe(0);
  expect([await listDecisions(db, HOME), await left()]).toEqual([[], [[], []]]);
});

test('what was accepted is finished at the next start, each decision once', async () => {
  await writeDown('i');
  await acceptImport(db, 'i', events.length);
  // Killed after two slices.
  let slices = 0;
  await expect(
    finishImport(db, 'i', () => {
      slices += 1;
      if (slices === 2) throw new Error('killed');
    }),
  ).rejects.toThrow('killed');
  const half = (await listDecisions(db, HOME)).length;
  expect(half).toBeGreaterThan(0);
  expect(half).toBeLessThan(events.length);
  expect(await settleImports(db)).toBe(1);
  expect((await listDecisions(db, HOME)).map(({ id }) => id)).toEqual(events.map(({ id }) => id));
  expect((await listThings(db, HOME)).length).toBe(events.length);
  expect(await left()).toEqual([[], []]);
});

test('rows that are in the log already count once; progress ends with all of them', async () => {
  await appendDecisions(db, HOME, events.slice(0, 30));
  await writeDown('i');
  await acceptImport(db, 'i', events.length);
  const told: [number, number][] = [];
  expect(await finishImport(db, 'i', (done, of) => told.push([done, of]))).toEqual({
    addedCount: 700,
    repeatedCount: 30,
  });
  expect(told.at(-1)).toEqual([730, 730]);
});

test('a file that was not accepted cannot be finished', async () => {
  await writeDown('i');
  await expect(finishImport(db, 'i')).rejects.toMatchObject({ code: 'not_found' });
});
