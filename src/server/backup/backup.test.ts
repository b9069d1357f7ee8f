import {
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import sharp from 'sharp';

import { aDecision, HALL, HOME, insertHomeRows } from '@test/builders';
import { databaseFile, openDatabase, picturesDir, type Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { forgetHome, listForgottenHomes } from '@/data/forgetHome';
import { addPicture, addVantagePoint, removePicture } from '../look/pictures';
import { checkPictures, removeOrphans } from '../look/checkPictures';
import { backUpData, listBackups, verifyBackup } from './backupData';
import { isBackupDue } from './backupSchedule';
import { restoreData } from './restoreData';

let top: string;
let dataDir: string;
let to: string;
let db: Db;
beforeEach(async () => {
  top = mkdtempSync(path.join(os.tmpdir(), 'tin-box-backup-'));
  dataDir = path.join(top, 'data');
  to = path.join(top, 'backups');
  db = await openDatabase(dataDir);
  await insertHomeRows(db);
});
afterEach(async () => {
  await db.destroy();
  rmSync(top, { recursive: true, force: true });
});

let shade = 0;
async function takePicture() {
  const spot = await addVantagePoint(db, HOME, { roomId: HALL, name: 'from the door', inView: '' });
  const background = { r: (shade += 7) % 255, g: 90, b: 40 };
  const bytes = await sharp({ create: { width: 60, height: 40, channels: 3, background } })
    .jpeg()
    .toBuffer();
  const added = await addPicture(db, dataDir, {
    projectId: HOME,
    vantagePointId: spot,
    moment: 'before',
    bytes,
  });
  if (!added.ok) throw new Error(added.error.code);
  return added.value.id;
}
const day = (n: number) => new Date(Date.UTC(2026, 10, n, 9, 30));
const backUp = (n: number, keep = 5) => backUpData({ dataDir, to, keep, now: day(n) });
/** Every row of every table, and every picture. */
const contentOf = (folder: string) => {
  const opened = new Database(databaseFile(folder), { readonly: true });
  const tables = opened
    .prepare("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")
    .pluck()
    .all() as string[];
  const rows = tables.map((name) => [name, opened.prepare(`SELECT * FROM "${name}"`).all()]);
  opened.close();
  const files = readdirSync(picturesDir(folder)).sort();
  return {
    rows,
    files: files.map((name) => [
      name,
      readFileSync(path.join(picturesDir(folder), name)).toString('base64'),
    ]),
  };
};

test('a backup made amid a burst of decisions holds the state of one moment, and comes back equal to it', async () => {
  await takePicture();
  let isDone = false;
  let sent = 0;
  const burst = (async () => {
    while (!isDone) {
      // Others get their turn: reading and writing files among them.
      await new Promise((resolve) => setImmediate(resolve));
      await appendDecisions(
        db,
        HOME,
        Array.from({ length: 5 }, () => aDecision({ id: `d${(sent += 1)}`, thingId: `t${sent}` })),
      );
    }
  })();
  const made = await backUp(1).finally(() => {
    isDone = true;
  });
  await burst;
  expect(made.manifest.decisionCount % 5).toBe(0);
  const other = path.join(top, 'other');
  await restoreData({ folder: made.folder, dataDir: other, now: day(2).toISOString() });
  const back = new Database(databaseFile(other), { readonly: true });
  const ids = back.prepare('SELECT id FROM decision_events ORDER BY seq').pluck().all();
  expect(ids).toEqual(Array.from({ length: made.manifest.decisionCount }, (_, i) => `d${i + 1}`));
  expect(back.prepare('SELECT count(*) FROM things').pluck().get()).toBe(ids.length);
  back.close();
});

test('what is restored is what was backed up: every row, every picture', async () => {
  await takePicture();
  await appendDecisions(db, HOME, [aDecision()]);
  const { folder } = await backUp(1);
  const other = path.join(top, 'other');
  await restoreData({ folder, dataDir: other, now: day(2).toISOString() });
  expect(contentOf(other)).toEqual(contentOf(dataDir));
  expect((statSync(databaseFile(other)).mode & 0o777).toString(8)).toBe('600');
});

test('the next backup copies only what is new; the oldest go, and with them what only they held', async () => {
  await takePicture();
  const first = await backUp(1, 2);
  const removed = await takePicture();
  // One that was killed long ago goes too, one that somebody may be at does not.
  for (const name of ['old', 'new']) mkdirSync(path.join(to, `tin-box-1.part-${name}`));
  utimesSync(path.join(to, 'tin-box-1.part-old'), 0, 0);
  const second = await backUp(2, 2);
  expect(readdirSync(to).filter((name) => name.includes('.part-'))).toEqual(['tin-box-1.part-new']);
  expect([first.copiedCount, second.copiedCount]).toEqual([2, 2]);
  await removePicture(db, HOME, removed);
  await db('changes').delete();
  await removeOrphans(dataDir, (await checkPictures(db, dataDir)).orphans);
  const third = await backUp(3, 2);
  expect([third.copiedCount, third.removedCount]).toEqual([0, 1]);
  expect(readdirSync(path.join(to, 'pictures'))).toHaveLength(4);
  await backUp(4, 2);
  expect((await listBackups(to)).map((folder) => path.basename(folder))).toEqual([
    'tin-box-2026-11-04-093000',
    'tin-box-2026-11-03-093000',
  ]);
  expect(readdirSync(path.join(to, 'pictures'))).toHaveLength(2);
});

test.each([
  ['a picture that is damaged', (folder: string) => path.join(folder, '..', 'pictures')],
  ['a database that is damaged', (folder: string) => path.join(folder, 'tinbox.sqlite')],
])('%s in a backup is found, and nothing is restored from it', async (_, where) => {
  await takePicture();
  const { folder } = await backUp(1);
  const at = where(folder);
  const file = statSync(at).isDirectory() ? path.join(at, readdirSync(at)[0] ?? '') : at;
  const bytes = readFileSync(file);
  bytes[bytes.length >> 1] = (bytes[bytes.length >> 1] ?? 0) ^ 1;
  writeFileSync(file, bytes);
  await expect(verifyBackup(folder, to)).rejects.toThrow(/damaged|not what was backed up/);
  const other = path.join(top, 'other');
  await expect(restoreData({ folder, dataDir: other, now: '' })).rejects.toThrow();
  expect(() => readdirSync(other)).toThrow();
});

test('a restore never writes over data that is there', async () => {
  const { folder } = await backUp(1);
  await expect(restoreData({ folder, dataDir, now: '' })).rejects.toThrow('holds data already');
});

test('pictures without files and files without pictures are found; what can be undone belongs to something', async () => {
  const [lost, removed] = [await takePicture(), await takePicture()];
  await removePicture(db, HOME, removed);
  rmSync(path.join(picturesDir(dataDir), `${lost}.thumb.jpg`));
  writeFileSync(path.join(picturesDir(dataDir), 'half.part'), 'x');
  writeFileSync(path.join(picturesDir(dataDir), 'nobody.jpg'), 'x');
  const check = await checkPictures(db, dataDir);
  expect([check.pictureCount, check.missing, check.orphans]).toEqual([
    1,
    [{ id: lost, kind: 'pictures' }],
    ['half.part', 'nobody.jpg'],
  ]);
  await removeOrphans(dataDir, check.orphans);
  expect((await checkPictures(db, dataDir)).orphans).toEqual([]);
  expect((await backUp(1)).manifest.missing).toEqual([]);
});

test('a home that is forgotten leaves a line that says so, and nothing else anywhere in the folder', async () => {
  const secret = 'Ottersby heirloom clock';
  await appendDecisions(db, HOME, [aDecision({ name: secret })]);
  await removePicture(db, HOME, await takePicture());
  await takePicture();
  const home = await forgetHome(db, dataDir, { projectId: HOME, now: day(5).toISOString() });
  expect(home).toMatchObject({ begunOn: '2026-11-01', roomCount: 1, pictureCount: 2 });
  expect(await listForgottenHomes(db)).toEqual([home]);
  expect(readdirSync(picturesDir(dataDir))).toEqual([]);
  for (const table of ['projects', 'rooms', 'changes', 'decision_events', 'things', 'pictures'])
    expect([table, await db(table)]).toEqual([table, []]);
  for (const name of readdirSync(dataDir).filter((each) => each.startsWith('tinbox')))
    expect(readFileSync(path.join(dataDir, name)).includes(secret)).toBe(false);
  await expect(forgetHome(db, dataDir, { projectId: HOME, now: '' })).rejects.toMatchObject({
    code: 'not_found',
  });
});

test('the log of a home that is not being forgotten cannot be deleted', async () => {
  await appendDecisions(db, HOME, [aDecision()]);
  await expect(db('decision_events').delete()).rejects.toMatchObject({
    message: expect.stringContaining('append-only'),
  });
});

test.each([
  ['day', null, null, true],
  ['day', 23, null, false],
  ['day', 24, null, true],
  ['week', 24, null, false],
  ['week', 168, null, true],
  ['never', null, null, false],
  ['day', 48, 0.5, false],
  ['day', 48, 1, true],
] as const)(
  'every %s, the last one %p h ago, tried %p h ago: due is %p',
  (every, last, tried, due) => {
    const ago = (hours: number | null) =>
      hours === null ? null : new Date(day(9).getTime() - hours * 3_600_000).toISOString();
    expect(
      isBackupDue(
        { every, keep: 5, lastAt: ago(last), lastProblem: '' },
        { now: day(9).toISOString(), triedAt: ago(tried) },
      ),
    ).toBe(due);
  },
);
