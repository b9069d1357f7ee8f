import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

import { databaseFile, openDatabase } from './db';
import { migrationNames } from './migrations';
import { insertStarterCatalogue } from './starterCatalogue';
import { listCatalogue, listOffers, listShops } from './catalogueRepo';

let dataDir: string;
beforeEach(() => {
  dataDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-db-'));
});
afterEach(() => rmSync(dataDir, { recursive: true, force: true }));

test('opens with the write-ahead log, foreign keys, a busy timeout and full synchronisation', async () => {
  const db = await openDatabase(dataDir);
  const pragma = async (name: string) =>
    Object.values((await db.raw(`PRAGMA ${name}`))[0] as object)[0];
  expect([
    await pragma('journal_mode'),
    await pragma('foreign_keys'),
    await pragma('busy_timeout'),
    await pragma('synchronous'),
  ]).toEqual(['wal', 1, 5000, 2]);
  await db.destroy();
});

test('opening again finds everything migrated and changes nothing', async () => {
  await (await openDatabase(dataDir)).destroy();
  const db = await openDatabase(dataDir);
  expect(await db('knex_migrations').select('name')).toEqual(
    migrationNames.map((name) => ({ name })),
  );
  await db.destroy();
});

test('a database from a newer version is refused and not touched', async () => {
  const db = await openDatabase(dataDir);
  await db('knex_migrations').insert({
    name: '9999_future',
    batch: 9,
    migration_time: '2030-01-01',
  });
  await db.destroy();
  const before = statSync(databaseFile(dataDir)).size;
  await expect(openDatabase(dataDir)).rejects.toMatchObject({
    code: 'database_newer',
    message: expect.stringContaining('9999_future'),
  });
  expect(statSync(databaseFile(dataDir)).size).toBe(before);
});

test('a data folder that cannot be one is said in one line', async () => {
  const file = path.join(dataDir, 'a-file');
  writeFileSync(file, '');
  await expect(openDatabase(file)).rejects.toMatchObject({ code: 'data_not_writable' });
});

test('the sample catalogue comes once, and every offer has its shop and container', async () => {
  const db = await openDatabase(dataDir);
  expect(await insertStarterCatalogue(db)).toBe(true);
  expect(await insertStarterCatalogue(db)).toBe(false);
  const [containers, offers, shops] = [
    await listCatalogue(db),
    await listOffers(db),
    await listShops(db),
  ];
  expect(
    offers.every(
      (offer) =>
        containers.some(({ id }) => id === offer.containerId) &&
        shops.some(({ id }) => id === offer.shopId),
    ),
  ).toBe(true);
  for (const { name, width, depth, height, innerLitres } of containers) {
    // The inside can never be larger than the outside; a slip in the table would be.
    expect([name, innerLitres <= (width.mm * depth.mm * height.mm) / 1e6]).toEqual([name, true]);
  }
  await db.destroy();
});
