import { aDatabase } from '@test/builders';
import { createParser, ownKindsOf } from '@/core/sort';
import { listKindSizes } from '@/data/countRepo';
import type { Db } from '@/data/db';
import { importKinds, keepKind, weighKind, writeKindsCsv } from './kinds';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
});
afterEach(() => db.destroy());

const read = async (text: string) => createParser({}, ownKindsOf(await listKindSizes(db)))(text);

test('kinds of one’s own go out and come in again, and the bench reads by them', async () => {
  await keepKind(db, 'jelly mould', { litres: 1.5, massG: 400, words: ['aspic mould'] });
  await weighKind(db, 'mug', { count: 4, massG: 1400 });
  const csv = writeKindsCsv(await listKindSizes(db));
  const other = await aDatabase();
  try {
    await importKinds(other, { text: csv, acceptGood: false });
    expect(await listKindSizes(other)).toEqual(await listKindSizes(db));
  } finally {
    await other.destroy();
  }
  expect(await read('an aspic mould')).toMatchObject({
    litres: 1.5,
    ranges: { litres: { from: 'own' } },
  });
  expect((await read('2 mugs'))?.massG).toBe(700);
});

test('a faulty row keeps the whole table out, named by line and column, unless the good ones are asked for', async () => {
  const text = 'kind,litres,mass_g\nspurtle,"0,2",60\nquern,plenty,9000\n';
  const refused = await importKinds(db, { text, acceptGood: false });
  expect(refused).toMatchObject({
    goodCount: 1,
    faults: [{ line: 3, column: 'litres', found: 'plenty' }],
  });
  expect(refused.outcome).toBeUndefined();
  expect(await listKindSizes(db)).toEqual([]);
  const kept = await importKinds(db, { text, acceptGood: true });
  expect(kept.outcome).toEqual({ addedCount: 1, replacedCount: 0 });
  expect(await importKinds(db, { text, acceptGood: true })).toMatchObject({
    outcome: { replacedCount: 1 },
  });
  expect(await read('spurtle')).toMatchObject({ litres: 0.2, massG: 60 });
});
