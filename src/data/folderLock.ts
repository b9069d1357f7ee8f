import 'server-only';

import { chmodSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';

import { DataError } from './db';

/** Who holds a data folder, for whoever would have it too. */
interface FolderHolder {
  readonly pid: number;
  /** What it is: the server, a restore. */
  readonly what: string;
  readonly port: string | null;
  readonly since: string;
}
export interface FolderLock {
  readonly release: () => void;
}

const lockFileOf = (dataDir: string): string =>
  path.join(/*turbopackIgnore: true*/ dataDir, 'in-use.sqlite');
const holderFileOf = (dataDir: string): string =>
  path.join(/*turbopackIgnore: true*/ dataDir, 'in-use.json');

/**
 * Takes a data folder for one process. The lock is SQLite's own on a file of its own: the system lets
 * it go when the process ends, however it ends, so that nothing is left behind to be cleared away.
 * @errors `data_held`: another process has it; the message says which.
 */
export function lockFolder(dataDir: string, holder: FolderHolder): FolderLock {
  const lock = new Database(lockFileOf(dataDir), { timeout: 0 });
  try {
    chmodSync(lockFileOf(dataDir), 0o600);
    lock.pragma('locking_mode = EXCLUSIVE');
    lock.exec('BEGIN EXCLUSIVE');
  } catch (cause) {
    lock.close();
    const held = readHolder(dataDir);
    throw new DataError('data_held', `another Tin Box holds the data folder${wordHolder(held)}`, {
      cause,
    });
  }
  writeFileSync(holderFileOf(dataDir), JSON.stringify(holder), { mode: 0o600 });
  return {
    release: () => {
      rmSync(holderFileOf(dataDir), { force: true });
      lock.close();
    },
  };
}

function readHolder(dataDir: string): FolderHolder | undefined {
  try {
    return JSON.parse(readFileSync(holderFileOf(dataDir), 'utf8')) as FolderHolder;
  } catch {
    return undefined;
  }
}

const wordHolder = (held: FolderHolder | undefined): string =>
  held
    ? `: ${held.what}, process ${held.pid}${held.port === null ? '' : `, on port ${held.port}`}, since ${held.since}`
    : '';
