import 'server-only';

import { chmodSync, existsSync, readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';

import {
  connectDatabase,
  dataDirOf,
  databaseFile,
  DataError,
  listPendingMigrations,
  makeDataFolder,
  migrateDatabase,
  type Db,
} from './db';
import { lockFolder, type FolderLock } from './folderLock';
import { finishForgetting } from './forgetHome';
import { settleImports } from './importRepo';

export interface StartedData {
  readonly db: Db;
  readonly lock: FolderLock;
  /** What was found and put right on the way, a sentence each. */
  readonly notes: readonly string[];
}

/**
 * Makes a data folder ready for one server: takes it for this process, looks whether the database is
 * sound, copies it before it is brought up to date, and finishes what was going on when the last server
 * ended. Nothing is written to a damaged or a newer database.
 * @errors `data_not_writable` · `data_held` · `database_damaged` · `database_newer`.
 */
export async function startData(
  dataDir: string,
  holder: { readonly what: string; readonly port: string | null; readonly now: string },
): Promise<StartedData> {
  makeDataFolder(dataDir);
  const { now: since, ...facts } = holder;
  const lock = lockFolder(dataDir, { ...facts, pid: process.pid, since });
  try {
    checkDatabase(dataDir);
    const db = connectDatabase(dataDir);
    try {
      const notes = await bringUpToDate(dataDir, db);
      closeToOthers(dataDir);
      return { db, lock, notes };
    } catch (error) {
      await db.destroy();
      throw error;
    }
  } catch (error) {
    lock.release();
    throw error;
  }
}

/**
 * Looks through the pages of the database before anything is written to it. A flipped byte within a
 * text is not found so: only what SQLite's own structure tells.
 * @errors `database_damaged`.
 */
function checkDatabase(dataDir: string): void {
  const file = databaseFile(dataDir);
  if (!existsSync(file)) return;
  const found = findDamage(file);
  if (found === undefined) return;
  throw new DataError(
    'database_damaged',
    `the database ${path.basename(file)} is damaged (${found}). Nothing was changed. Put this ` +
      'folder aside and bring a backup back with “npm run restore”; docs/reliability.md says how',
  );
}

/** What SQLite finds wrong with a database file, in its words; undefined where it is sound. */
export function findDamage(
  file: string,
  check: 'quick' | 'integrity' = 'quick',
): string | undefined {
  let db: Database.Database | undefined;
  try {
    db = new Database(file, { timeout: 5000 });
    const rows = db.pragma(`${check}_check(3)`) as Record<string, string>[];
    const words = rows.flatMap((row) => Object.values(row));
    return words.length === 1 && words[0] === 'ok' ? undefined : words.join('; ').slice(0, 300);
  } catch (error) {
    return error instanceof Object && 'message' in error ? String(error.message) : String(error);
  } finally {
    db?.close();
  }
}

async function bringUpToDate(dataDir: string, db: Db): Promise<string[]> {
  const notes: string[] = [];
  const pending = await listPendingMigrations(db);
  const isNew = pending.isNew;
  const copies = listCopies(dataDir);
  const [first] = pending.names;
  if (first === undefined) {
    // It has started with what the last update made of it: the copy from before has done its work.
    for (const name of copies) rmSync(path.join(dataDir, name), { force: true });
  } else if (!isNew) {
    const copy = `${COPY_PREFIX}${first}.sqlite`;
    rmSync(path.join(dataDir, copy), { force: true });
    await db.raw('VACUUM INTO ?', [path.join(dataDir, copy)]);
    chmodSync(path.join(dataDir, copy), 0o600);
    notes.push(`The database was copied to ${copy} before it was brought up to date.`);
  }
  if (await migrateDatabase(db)) notes.push('An update that was broken off was taken up again.');
  const finished = await settleImports(db);
  if (finished > 0)
    notes.push(
      `${finished === 1 ? 'A file' : `${finished} files`} that was being taken in is kept now.`,
    );
  if (await finishForgetting(db, dataDir))
    notes.push('A home that was being forgotten is forgotten now.');
  rmSync(path.join(dataDir, 'incoming'), { recursive: true, force: true });
  return notes;
}

const COPY_PREFIX = 'tinbox.before-';
const listCopies = (dataDir: string): string[] =>
  readdirSync(dataDir).filter((name) => name.startsWith(COPY_PREFIX));

/** The database is its owner's alone, as the pictures are. */
function closeToOthers(dataDir: string): void {
  chmodSync(dataDir, 0o700);
  for (const suffix of ['', '-wal', '-shm']) {
    const file = `${databaseFile(dataDir)}${suffix}`;
    if (existsSync(/*turbopackIgnore: true*/ file)) chmodSync(file, 0o600);
  }
}

/** One handle a process, whichever bundle asks, kept across hot reloads. */
const globalHandle = globalThis as typeof globalThis & { tinboxData?: Promise<StartedData> };

/** The data of this process; opened at its start, and again where that failed. */
export function getStartedData(): Promise<StartedData> {
  globalHandle.tinboxData ??= startData(dataDirOf(process.env), {
    what: 'a server',
    port: process.env.TINBOX_PORT ?? process.env.PORT ?? null,
    now: new Date().toISOString(),
  }).catch((error: unknown) => {
    // A failed opening must not be remembered: the folder may be mended without a restart.
    delete globalHandle.tinboxData;
    throw error;
  });
  return globalHandle.tinboxData;
}

export const getDatabase = async (): Promise<Db> => (await getStartedData()).db;
