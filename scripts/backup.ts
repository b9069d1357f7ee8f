/**
 * Backs the data folder up while the app runs, or while it does not.
 *
 *   npm run backup [-- --to FOLDER] [--keep 14]
 *
 * TINBOX_DATA names the data folder, TINBOX_BACKUPS where backups go (beside it where nothing is said).
 */
import { connectDatabase, dataDirOf, type Db } from '@/data/db';
import { changeBackupSettings, getBackupSettings } from '@/data/settingsRepo';
import { backUpData } from '@/server/backup/backupData';
import { backupsDirOf } from '@/server/backup/backupSchedule';

import { readOption, runScript } from './scriptArguments';

async function main(): Promise<void> {
  const dataDir = dataDirOf(process.env);
  const to = readOption('--to') ?? backupsDirOf(process.env, dataDir) ?? `${dataDir}-backups`;
  const db = connectDatabase(dataDir);
  try {
    const keep = Number(readOption('--keep') ?? (await getBackupSettings(db)).keep);
    const now = new Date();
    const made = await backUpData({ dataDir, to, keep, now });
    await changeBackupSettings(db, { lastAt: now.toISOString(), lastProblem: '' });
    const { decisionCount, homeIds, pictures, missing } = made.manifest;
    process.stdout.write(
      `Backed up and read again: ${homeIds.length} homes, ${decisionCount} decisions, ` +
        `${pictures.length} picture files (${made.copiedCount} new) in ${made.folder}\n`,
    );
    if (missing.length > 0)
      process.stdout.write(`${missing.length} pictures had no file; see npm run check-data\n`);
  } catch (error) {
    await note(db, error);
    throw error;
  } finally {
    await db.destroy();
  }
}

/** The desk says what went wrong, where it can be noted at all. */
async function note(db: Db, error: unknown): Promise<void> {
  const words = error instanceof Error ? error.message : String(error);
  await changeBackupSettings(db, { lastProblem: words.slice(0, 500) }).catch(() => undefined);
}

runScript(main, 'No backup was made');
