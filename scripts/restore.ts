/**
 * Brings a backup back into an empty data folder, or into the one that `--to` names.
 *
 *   npm run restore -- FOLDER [--to DATA]
 */
import { dataDirOf } from '@/data/db';
import { restoreData } from '@/server/backup/restoreData';

import { readOption, runScript, SayError } from './scriptArguments';

async function main(): Promise<void> {
  const folder = process.argv[2];
  if (folder === undefined || folder.startsWith('--'))
    throw new SayError('name the backup to bring back: npm run restore -- FOLDER');
  const dataDir = readOption('--to') ?? dataDirOf(process.env);
  const manifest = await restoreData({ folder, dataDir, now: new Date().toISOString() });
  process.stdout.write(
    `Brought back into ${dataDir}, as it stood at ${manifest.madeAt}: ${manifest.homeIds.length} ` +
      `homes, ${manifest.decisionCount} decisions, ${manifest.pictures.length} picture files\n`,
  );
}

runScript(main, 'Nothing was brought back');
