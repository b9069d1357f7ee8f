import 'server-only';

import { spawn } from 'node:child_process';
import path from 'node:path';

import type { Db } from '@/data/db';
import { getBackupSettings, hasRealWork, type BackupSettings } from '@/data/settingsRepo';
import { nowIso } from '../means';

const EVERY_MS: Readonly<Record<Exclude<BackupSettings['every'], 'never'>, number>> = {
  day: 86_400_000,
  week: 7 * 86_400_000,
};
/** How often it is looked whether one is due. */
const LOOK_MS = 10 * 60_000;
/** A try that failed is made again after so long. */
const RETRY_MS = 60 * 60_000;

/** Whether a backup is due; `triedAt` is when one was last tried by this server. */
export function isBackupDue(
  { every, lastAt }: BackupSettings,
  { now, triedAt }: { readonly now: string; readonly triedAt: string | null },
): boolean {
  if (every === 'never') return false;
  const nowMs = Date.parse(now);
  if (triedAt !== null && nowMs - Date.parse(triedAt) < RETRY_MS) return false;
  return lastAt === null || nowMs - Date.parse(lastAt) >= EVERY_MS[every];
}

/**
 * Where backups go: what TINBOX_BACKUPS names, or beside the data folder. Undefined: none are made
 * by themselves.
 */
export function backupsDirOf(
  env: Readonly<Record<string, string | undefined>>,
  dataDir: string,
): string | undefined {
  if (env.TINBOX_BACKUPS === 'off') return undefined;
  return path.resolve(/*turbopackIgnore: true*/ env.TINBOX_BACKUPS ?? `${dataDir}-backups`);
}

const globalRun = globalThis as typeof globalThis & { tinboxBackup?: Promise<string> };

/**
 * Makes a backup in a process of its own, so that the server goes on answering. One at a time. Returns
 * why it failed, in a sentence; empty where it did not.
 */
export function runBackup(): Promise<string> {
  globalRun.tinboxBackup ??= new Promise<string>((resolve) => {
    const script = path.join('scripts', 'backup.ts');
    const args = ['--conditions=react-server', '--import', 'tsx', script];
    const child = spawn(process.execPath, args, { stdio: ['ignore', 'ignore', 'pipe'] });
    let words = '';
    child.stderr.on('data', (chunk: Buffer) => (words += String(chunk)));
    child.once('error', (error) => resolve(error.message));
    child.once('exit', (code) =>
      resolve(code === 0 ? '' : words.trim() || 'it ended without a word'),
    );
  }).finally(() => delete globalRun.tinboxBackup);
  return globalRun.tinboxBackup;
}

/** Looks from time to time whether a backup is due, once there is something to lose. */
export function startBackupSchedule(db: Db): void {
  if (process.env.TINBOX_BACKUPS === 'off') return;
  let triedAt: string | null = null;
  const look = async () => {
    const settings = await getBackupSettings(db);
    if (!isBackupDue(settings, { now: nowIso(), triedAt }) || !(await hasRealWork(db))) return;
    triedAt = nowIso();
    await runBackup();
  };
  setInterval(() => void look().catch(() => undefined), LOOK_MS).unref();
}
