/**
 * Looks whether the data folder is sound: the database, and that every picture has its files and every
 * file its picture.
 *
 *   npm run check-data [-- --remove-orphans]      removing wants the app to be stopped
 *
 * Ends with 0 where nothing is wrong, with 1 where something is.
 */
import { connectDatabase, databaseFile, dataDirOf, listPendingMigrations } from '@/data/db';
import { lockFolder } from '@/data/folderLock';
import { findDamage } from '@/data/startData';
import { checkPictures, removeOrphans } from '@/server/look/checkPictures';

import { runScript, SayError } from './scriptArguments';

async function main(): Promise<void> {
  const dataDir = dataDirOf(process.env);
  const say = (line: string) => process.stdout.write(`${line}\n`);
  const damage = findDamage(databaseFile(dataDir), 'integrity');
  if (damage !== undefined) throw new SayError(`the database is damaged: ${damage}`);
  say('The database is sound.');
  const db = connectDatabase(dataDir);
  try {
    const { names } = await listPendingMigrations(db);
    if (names.length > 0)
      throw new SayError('the database is of an older version; start Tin Box once');
    const { pictureCount, missing, orphans } = await checkPictures(db, dataDir);
    say(`${pictureCount} pictures, ${missing.length} of them without their files.`);
    for (const { id, kind } of missing) say(`  missing: ${id} (${kind})`);
    say(`${orphans.length} files belong to no picture.`);
    for (const name of orphans) say(`  orphan: ${name}`);
    const isRemoving = process.argv.includes('--remove-orphans');
    if (isRemoving && orphans.length > 0) {
      const now = new Date().toISOString();
      const lock = lockFolder(dataDir, {
        pid: process.pid,
        what: 'a check',
        port: null,
        since: now,
      });
      await removeOrphans(dataDir, orphans);
      lock.release();
      say(`${orphans.length} files were removed.`);
    }
    if (missing.length > 0 || (orphans.length > 0 && !isRemoving)) process.exitCode = 1;
  } finally {
    await db.destroy();
  }
}

runScript(main, 'The data folder is not sound');
