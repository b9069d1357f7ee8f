import 'server-only';

import { chmod, copyFile, mkdir, readdir, rename, stat } from 'node:fs/promises';
import path from 'node:path';

import { databaseFile, picturesDir } from '@/data/db';
import { lockFolder } from '@/data/folderLock';
import { BackupError, hashFile, storedFile, verifyBackup } from './backupData';
import { DATABASE_FILE, type BackupManifest } from './backupManifest';

/**
 * Brings a backup back into a folder that holds no data yet, and compares every file of it. The
 * database comes last: a restore that breaks off leaves nothing that could be taken for whole.
 * @errors `BackupError`: the backup is not sound, or there is data in the folder already ·
 * `data_held`: a server has the folder.
 */
export async function restoreData({
  folder,
  dataDir,
  now,
}: {
  readonly folder: string;
  readonly dataDir: string;
  readonly now: string;
}): Promise<BackupManifest> {
  const store = path.dirname(path.resolve(folder));
  const manifest = await verifyBackup(folder, store);
  await refuseFilled(dataDir);
  await mkdir(picturesDir(dataDir), { recursive: true, mode: 0o700 });
  const lock = lockFolder(dataDir, { pid: process.pid, what: 'a restore', port: null, since: now });
  try {
    for (const { name, sha256 } of manifest.pictures) {
      const target = path.join(picturesDir(dataDir), name);
      await copyFile(storedFile(store, sha256), target);
      await chmod(target, 0o600);
      if ((await hashFile(target)) !== sha256)
        throw new BackupError(`the picture ${name} did not come back whole; is the disk full?`);
    }
    const partial = `${databaseFile(dataDir)}.part`;
    await copyFile(path.join(folder, DATABASE_FILE), partial);
    await chmod(partial, 0o600);
    if ((await hashFile(partial)) !== manifest.database.sha256)
      throw new BackupError('the database did not come back whole; is the disk full?');
    await rename(partial, databaseFile(dataDir));
    return manifest;
  } finally {
    lock.release();
  }
}

/** What is there is never written over. */
async function refuseFilled(dataDir: string): Promise<void> {
  const isThere = await stat(databaseFile(dataDir)).then(
    () => true,
    () => false,
  );
  if (isThere)
    throw new BackupError(
      `${dataDir} holds data already. Move that folder away, or name an empty one with --to`,
    );
  const pictures = await readdir(picturesDir(dataDir)).catch(() => []);
  if (pictures.length > 0)
    throw new BackupError(`${picturesDir(dataDir)} holds pictures already; name an empty folder`);
}
