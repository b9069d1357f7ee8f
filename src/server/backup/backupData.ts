import 'server-only';

import { createHash, randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import {
  chmod,
  copyFile,
  mkdir,
  open,
  readdir,
  readFile,
  rename,
  rm,
  stat,
  writeFile,
} from 'node:fs/promises';
import path from 'node:path';
import Database from 'better-sqlite3';

import { databaseFile, picturesDir } from '@/data/db';
import { syncFolder } from '@/data/pictureFiles';
import { findDamage } from '@/data/startData';
import {
  BACKUP_PREFIX,
  backupManifestSchema,
  DATABASE_FILE,
  MANIFEST_FILE,
  PICTURES_FOLDER,
  type BackedUpPicture,
  type BackupManifest,
} from './backupManifest';

/** Why a backup is not one; in words for the console and the desk. */
export class BackupError extends Error {}

interface BackupInput {
  readonly dataDir: string;
  /** Where backups lie, one folder each. */
  readonly to: string;
  /** So many stay; older ones go once a new one is verified. */
  readonly keep: number;
  readonly now: Date;
}
interface BackupOutcome {
  readonly folder: string;
  readonly manifest: BackupManifest;
  readonly copiedCount: number;
  readonly removedCount: number;
}

/**
 * Backs a data folder up while it is in use: the database as it stands at one moment, then every
 * picture, by its checksum and once for all backups, so that the next one copies only what is new. The
 * copy is opened and every file of it read again before it counts; before that it lies under another
 * name. Other processes go on writing meanwhile.
 * @errors `BackupError`; what the disk says flies.
 */
export async function backUpData({ dataDir, to, keep, now }: BackupInput): Promise<BackupOutcome> {
  await mkdir(path.join(to, PICTURES_FOLDER), { recursive: true, mode: 0o700 });
  const folder = await freeName(to, now);
  const partial = `${folder}.part-${randomUUID()}`;
  await mkdir(partial, { mode: 0o700 });
  try {
    copyDatabase(dataDir, path.join(partial, DATABASE_FILE));
    const facts = readFacts(path.join(partial, DATABASE_FILE));
    const known = new Map(
      (await findLatest(to))?.pictures.map((picture) => [picture.name, picture]),
    );
    const { pictures, copiedCount } = await copyPictures(dataDir, { to, known });
    const names = new Set(pictures.map(({ name }) => name));
    const database = path.join(partial, DATABASE_FILE);
    const manifest: BackupManifest = {
      format: 'tin-box-backup',
      version: 1,
      madeAt: now.toISOString(),
      database: { bytes: (await stat(database)).size, sha256: await hashFile(database) },
      pictures,
      homeIds: facts.homeIds,
      decisionCount: facts.decisionCount,
      missing: facts.pictureIds.filter((id) => !names.has(`${id}.jpg`)),
    };
    await writeSynced(path.join(partial, MANIFEST_FILE), JSON.stringify(manifest, null, 1));
    await verifyBackup(partial, to);
    await rename(partial, folder);
    await syncFolder(to);
    return { folder, manifest, copiedCount, removedCount: await removeOld(to, keep) };
  } catch (error) {
    await rm(partial, { recursive: true, force: true });
    throw error;
  }
}

async function freeName(to: string, now: Date): Promise<string> {
  const stamp = now.toISOString().slice(0, 19).replace('T', '-').replaceAll(':', '');
  const taken = new Set(await readdir(to));
  for (let i = 1; ; i += 1) {
    const name = `${BACKUP_PREFIX}${stamp}${i === 1 ? '' : `-${i}`}`;
    if (!taken.has(name)) return path.join(to, name);
  }
}

/** One reading transaction: what is decided meanwhile is in the next backup, nothing is in it by half. */
function copyDatabase(dataDir: string, file: string): void {
  const db = new Database(databaseFile(dataDir), { timeout: 60_000, fileMustExist: true });
  try {
    db.prepare('VACUUM INTO ?').run(file);
  } finally {
    db.close();
  }
}

function readFacts(file: string): {
  readonly homeIds: string[];
  readonly decisionCount: number;
  readonly pictureIds: string[];
} {
  const db = new Database(file, { readonly: true });
  try {
    const ids = (sql: string) =>
      (db.prepare(sql).pluck().all() as (string | null)[]).filter((id) => id !== null);
    return {
      homeIds: ids('SELECT id FROM projects ORDER BY id'),
      decisionCount: db.prepare('SELECT count(*) FROM decision_events').pluck().get() as number,
      pictureIds: ids(
        'SELECT id FROM pictures UNION SELECT id FROM thing_pictures UNION SELECT picture_id FROM receipts',
      ),
    };
  } finally {
    db.close();
  }
}

/**
 * Copies what no backup has yet. A file that was neither written nor resized since the last one is
 * not read again.
 */
async function copyPictures(
  dataDir: string,
  { to, known }: { readonly to: string; readonly known: ReadonlyMap<string, BackedUpPicture> },
): Promise<{ readonly pictures: BackedUpPicture[]; readonly copiedCount: number }> {
  const pictures: BackedUpPicture[] = [];
  let copiedCount = 0;
  for (const name of (await readdir(picturesDir(dataDir))).sort()) {
    if (!name.endsWith('.jpg')) continue;
    const source = path.join(picturesDir(dataDir), name);
    // Forgotten or mended meanwhile: what is there now is what counts.
    const facts = await stat(source).catch(() => undefined);
    if (!facts) continue;
    const before = known.get(name);
    const isUnchanged = before?.bytes === facts.size && before.writtenMs === facts.mtimeMs;
    const sha256 = isUnchanged ? before.sha256 : await hashFile(source);
    const target = storedFile(to, sha256);
    if (!(await stat(target).catch(() => undefined))) {
      await copySynced(source, target);
      copiedCount += 1;
    }
    pictures.push({ name, bytes: facts.size, sha256, writtenMs: facts.mtimeMs });
  }
  return { pictures, copiedCount };
}

export const storedFile = (to: string, sha256: string): string =>
  path.join(to, PICTURES_FOLDER, `${sha256}.jpg`);

async function copySynced(source: string, target: string): Promise<void> {
  const partial = `${target}.part-${randomUUID()}`;
  await copyFile(source, partial);
  await chmod(partial, 0o600);
  await sync(partial);
  await rename(partial, target);
}

async function writeSynced(file: string, text: string): Promise<void> {
  await writeFile(file, text, { mode: 0o600 });
  await sync(file);
}

async function sync(file: string): Promise<void> {
  const handle = await open(file, 'r+');
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}

export async function hashFile(file: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(file) as AsyncIterable<Buffer>) hash.update(chunk);
  return hash.digest('hex');
}

/** Reads a backup's manifest. @errors `BackupError`. */
export async function readManifest(folder: string): Promise<BackupManifest> {
  const text = await readFile(path.join(folder, MANIFEST_FILE), 'utf8').catch(() => undefined);
  if (text === undefined) throw new BackupError(`${folder} holds no ${MANIFEST_FILE}`);
  try {
    return backupManifestSchema.parse(JSON.parse(text));
  } catch {
    throw new BackupError(`${path.join(folder, MANIFEST_FILE)} cannot be read`);
  }
}

/**
 * Opens a backup's database, looks through all of it, and reads every file again by its checksum.
 * @errors `BackupError` names what is wrong.
 */
export async function verifyBackup(folder: string, to: string): Promise<BackupManifest> {
  const manifest = await readManifest(folder);
  const database = path.join(folder, DATABASE_FILE);
  if ((await hashFile(database)) !== manifest.database.sha256)
    throw new BackupError(`${database} is not what was backed up`);
  const damage = findDamage(database, 'integrity');
  if (damage !== undefined) throw new BackupError(`${database} is damaged: ${damage}`);
  // Looking through it leaves files beside it that are no part of the backup.
  for (const suffix of ['-wal', '-shm']) await rm(`${database}${suffix}`, { force: true });
  for (const { name, sha256 } of manifest.pictures) {
    const actual = await hashFile(storedFile(to, sha256)).catch(() => undefined);
    if (actual !== sha256)
      throw new BackupError(
        `the picture ${name} is ${actual === undefined ? 'missing' : 'damaged'} in the backup`,
      );
  }
  return manifest;
}

/** Folders of whole backups, the newest first. */
export async function listBackups(to: string): Promise<string[]> {
  const names = await readdir(to).catch(() => []);
  return names
    .filter((name) => name.startsWith(BACKUP_PREFIX) && !name.includes('.part-'))
    .sort()
    .reverse()
    .map((name) => path.join(to, name));
}

async function findLatest(to: string): Promise<BackupManifest | undefined> {
  const [latest] = await listBackups(to);
  return latest === undefined ? undefined : readManifest(latest).catch(() => undefined);
}

/** A backup that was killed leaves its folder; after a day nobody is at it any more. */
async function removeBrokenOff(to: string): Promise<void> {
  for (const name of await readdir(to)) {
    if (!name.startsWith(BACKUP_PREFIX) || !name.includes('.part-')) continue;
    const folder = path.join(to, name);
    const { mtimeMs } = await stat(folder);
    if (Date.now() - mtimeMs > DAY_MS) await rm(folder, { recursive: true, force: true });
  }
}
const DAY_MS = 86_400_000;

/** Takes away backups beyond the newest ones, and files that no backup names any more. */
async function removeOld(to: string, keep: number): Promise<number> {
  await removeBrokenOff(to);
  const folders = await listBackups(to);
  const old = folders.slice(Math.max(1, keep));
  for (const folder of old) await rm(folder, { recursive: true, force: true });
  const named = new Set<string>();
  for (const folder of folders.slice(0, Math.max(1, keep))) {
    const manifest = await readManifest(folder).catch(() => undefined);
    // One that cannot be read may still be mended by hand: its files stay.
    if (!manifest) return old.length;
    for (const { sha256 } of manifest.pictures) named.add(`${sha256}.jpg`);
  }
  for (const name of await readdir(path.join(to, PICTURES_FOLDER)))
    if (!named.has(name)) await rm(path.join(to, PICTURES_FOLDER, name), { force: true });
  return old.length;
}
