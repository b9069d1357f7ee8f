import 'server-only';

import { DataError } from '@/data/db';
import { getStartedData } from '@/data/startData';
import { startBackupSchedule } from './backup/backupSchedule';

/**
 * Takes the data folder and sees that it is sound before anybody is answered. Where that cannot be, the
 * server says why and ends: one that answers without its data would only seem to keep things.
 */
export async function startServer(): Promise<void> {
  try {
    const { db, notes } = await getStartedData();
    for (const note of notes) process.stdout.write(`${note}\n`);
    startBackupSchedule(db);
  } catch (error) {
    const words = error instanceof DataError ? error.message : String(error);
    process.stderr.write(`Tin Box cannot start: ${words}.\n`);
    process.exit(1);
  }
}
