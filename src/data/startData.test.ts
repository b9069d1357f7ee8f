import {
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import os from 'node:os';
import path from 'node:path';

import { aDecision, HALL, HOME, insertHomeRows } from '@test/builders';
import { connectDatabase, databaseFile, migrateDatabase } from './db';
import { appendDecisions, listDecisions } from './decisionLog';
import { acceptImport, addImportRows, beginImport } from './importRepo';
import { migrationNames, migrationSource } from './migrations';
import { startData, type StartedData } from './startData';

let dataDir: string;
let running: StartedData[] = [];
beforeEach(() => {
  dataDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-start-'));
});
afterEach(async () => {
  for (const started of running) await stop(started);
  running = [];
  rmSync(dataDir, { recursive: true, force: true });
});
const start = async () => {
  const now = '2026-11-06T10:00:00.000Z';
  const started = await startData(dataDir, { what: 'a server', port: '4310', now });
  running.push(started);
  return started;
};
const stop = async (started: StartedData) => {
  running = running.filter((other) => other !== started);
  await started.db.destroy();
  started.lock.release();
};

test('the second server on a folder does not start, and says who holds it; afterwards it does', async () => {
  const first = await start();
  await expect(start()).rejects.toMatchObject({
    code: 'data_held',
    message: expect.stringContaining(
      `a server, process ${process.pid}, on port 4310, since 2026-11-06T10:00:00.000Z`,
    ),
  });
  await stop(first);
  await start();
});

test('the lock ends with its process, though what it wrote down stays', async () => {
  writeFileSync(path.join(dataDir, 'in-use.json'), JSON.stringify({ pid: 1, what: 'a server' }));
  await start();
});

test('a damaged database is named before anything is written to it', async () => {
  const first = await start();
  await insertHomeRows(first.db);
  const events = Array.from({ length: 400 }, (_, i) =>
    aDecision({ id: `d${i}`, thingId: `t${i}` }),
  );
  await appendDecisions(first.db, HOME, events);
  await first.db.raw('PRAGMA wal_checkpoint(TRUNCATE)');
  await stop(first);
  const bytes = readFileSync(databaseFile(dataDir));
  // The heads of some pages in the middle.
  for (let page = 8; page < 40; page += 3) bytes.fill(0x5a, page * 4096, page * 4096 + 64);
  writeFileSync(databaseFile(dataDir), bytes);
  await expect(start()).rejects.toMatchObject({
    code: 'database_damaged',
    message: expect.stringContaining('npm run restore'),
  });
  expect(readFileSync(databaseFile(dataDir)).equals(bytes)).toBe(true);
});

test('what is no database at all is named too', async () => {
  writeFileSync(databaseFile(dataDir), 'hello, this is a letter and no database. '.repeat(50));
  await expect(start()).rejects.toMatchObject({ code: 'database_damaged' });
});

/** A folder as an earlier version left it, its last update broken off. */
async function leaveOldFolder(): Promise<void> {
  const db = connectDatabase(dataDir);
  const upTo = {
    ...migrationSource,
    getMigrations: async () => (await migrationSource.getMigrations([])).slice(0, -1),
  };
  await db.migrate.latest({ migrationSource: upTo });
  await db('projects').insert({
    id: HOME,
    name: 'Home',
    units: 'cm',
    currency: 'GBP',
    budget_minor: 5,
    status: 'active',
    created_at: '2026-11-01T09:00:00.000Z',
  });
  await db('knex_migrations_lock').update({ is_locked: 1 });
  await db.destroy();
}
const copies = () => readdirSync(dataDir).filter((name) => name.startsWith('tinbox.before-'));

test('before an update the database is copied; the copy goes when the next start succeeded; a lock that was left is released', async () => {
  await leaveOldFolder();
  const first = await start();
  const copy = `tinbox.before-${migrationNames.at(-1)}.sqlite`;
  expect(copies()).toEqual([copy]);
  expect(first.notes).toEqual([
    expect.stringContaining(copy),
    expect.stringContaining('broken off'),
  ]);
  const old = connectDatabase(dataDir);
  expect(await old('projects').pluck('archived_at')).toEqual([null]);
  await old.destroy();
  await stop(first);
  const next = await start();
  expect([copies(), next.notes]).toEqual([[], []]);
});

test('an update that fails leaves the copy, and the lock is not held on to', async () => {
  await leaveOldFolder();
  const db = connectDatabase(dataDir);
  // Whatever the newest migration does, it cannot be noted as done.
  await db.raw(
    "create trigger stop before insert on knex_migrations begin select raise(abort, 'no'); end",
  );
  await db.destroy();
  await expect(start()).rejects.toMatchObject({ code: 'SQLITE_CONSTRAINT_TRIGGER' });
  await expect(start()).rejects.toMatchObject({ code: 'SQLITE_CONSTRAINT_TRIGGER' });
  expect(copies()).toHaveLength(1);
});

test('files that were being taken in are finished, and what waits there is swept out', async () => {
  const first = await start();
  await insertHomeRows(first.db);
  await beginImport(first.db, { id: 'i', projectId: HOME, now: '2026-11-06T10:00:00.000Z' });
  await addImportRows(first.db, 'i', [aDecision({ roomId: HALL })]);
  await acceptImport(first.db, 'i', 1);
  await stop(first);
  const next = await start();
  expect((await listDecisions(next.db, HOME)).map(({ id }) => id)).toEqual(['d1']);
  expect(next.notes).toEqual(['A file that was being taken in is kept now.']);
});

test('folder, database and pictures are their owner’s alone', async () => {
  const { db } = await start();
  await insertHomeRows(db);
  const modeOf = (name: string) => (statSync(path.join(dataDir, name)).mode & 0o777).toString(8);
  expect(['.', 'pictures'].map(modeOf)).toEqual(['700', '700']);
  for (const name of readdirSync(dataDir).filter((each) => /sqlite|json/.test(each)))
    expect([name, modeOf(name)]).toEqual([name, '600']);
});

test('a full disk and a damaged page refuse what comes, and say so by their code; room made is enough to go on', async () => {
  const { db } = await start();
  await insertHomeRows(db);
  const [{ page_count: pages }] = (await db.raw('PRAGMA page_count')) as [{ page_count: number }];
  await db.raw(`PRAGMA max_page_count = ${pages}`);
  const many = Array.from({ length: 300 }, (_, i) => aDecision({ id: `d${i}`, thingId: `t${i}` }));
  await expect(appendDecisions(db, HOME, many)).rejects.toMatchObject({ code: 'SQLITE_FULL' });
  expect(await listDecisions(db, HOME)).toEqual([]);
  await db.raw('PRAGMA max_page_count = 1000000');
  expect(await appendDecisions(db, HOME, many)).toMatchObject({ addedCount: 300 });
});

test('errors name the statement and none of the values in it', async () => {
  const { db } = await start();
  const error: unknown = await db('projects')
    .insert({ id: 'x', name: 'Mrs Ottersby’s flat' })
    .catch((thrown: unknown) => thrown);
  expect(String(error)).toContain('insert into');
  expect(String(error)).not.toContain('Ottersby');
});

test('an update is taken up where nothing is to be done', async () => {
  const { db } = await start();
  expect(await migrateDatabase(db)).toBe(false);
  expect(existsSync(databaseFile(dataDir))).toBe(true);
});
