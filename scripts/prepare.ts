/**
 * Makes the data folder ready before the server starts: folder, tables, sample catalogue, and, for
 * the demo, its projects. Prints one line and exits with 1 where that cannot be.
 */
import { dataDirOf, DataError, openDatabase } from '@/data/db';
import { insertStarterCatalogue } from '@/data/starterCatalogue';

import { seedDemo } from './demo/seedDemo';

async function main(): Promise<number> {
  const dataDir = dataDirOf(process.env);
  try {
    const db = await openDatabase(dataDir);
    await insertStarterCatalogue(db);
    if (process.argv.includes('--demo')) await seedDemo(db, dataDir);
    await db.destroy();
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
