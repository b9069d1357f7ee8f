/**
 * Makes the data folder ready before the server starts: folder, tables and, for the demo (or where
 * TINBOX_SAMPLES=on), the sample catalogue; for the demo its projects. Prints one line and exits with 1 where that cannot be.
 */
import { listCatalogue } from '@/data/catalogueRepo';
import { dataDirOf, DataError } from '@/data/db';
import { startData } from '@/data/startData';
import { insertStarterCatalogue } from '@/data/starterCatalogue';

import { checkPictures } from '@/server/look/checkPictures';

import { seedDemo } from './demo/seedDemo';

async function main(): Promise<number> {
  const dataDir = dataDirOf(process.env);
  try {
    const { db, lock, notes } = await startData(dataDir, {
      what: 'a start',
      port: process.env.TINBOX_PORT ?? null,
      now: new Date().toISOString(),
    });
    for (const note of notes) process.stdout.write(`${note}\n`);
    const isDemo = process.argv.includes('--demo');
    const wantsSamples = isDemo || process.env.TINBOX_SAMPLES === 'on';
    // What was taken out stays out.
    if (wantsSamples && (await listCatalogue(db)).length === 0) await insertStarterCatalogue(db);
    if (isDemo) await seedDemo(db, dataDir);
    const { missing, orphans } = await checkPictures(db, dataDir);
    if (missing.length + orphans.length > 0)
      process.stdout.write(
        `${missing.length} pictures lack their files, ${orphans.length} files belong to no picture; npm run check-data lists them.\n`,
      );
    await db.destroy();
    lock.release();
    return 0;
  } catch (error) {
    if (error instanceof DataError)
      process.stderr.write(`Tin Box cannot start: ${error.message}.\n`);
    else
      process.stderr.write(
        `Tin Box cannot start: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`,
      );
    return 1;
  }
}

void main().then((code) => {
  process.exitCode = code;
});
