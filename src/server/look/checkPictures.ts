import 'server-only';

import { rm } from 'node:fs/promises';
import path from 'node:path';

import { pictureIdSchema, type PictureId } from '@/core/shared';
import { picturesDir, type Db } from '@/data/db';
import { listRememberedPictures } from '@/data/forgetHome';
import { listPictureFolder } from '@/data/pictureFiles';
import { listPictureNames, recordKinds } from '@/data/records';

/** How records and files of pictures fit together. */
interface PictureCheck {
  readonly pictureCount: number;
  /** Pictures that have a record and lack a file, with the kind of record. */
  readonly missing: readonly { readonly id: PictureId; readonly kind: string }[];
  /** Names of files that no record and nothing that can be undone speaks of. */
  readonly orphans: readonly string[];
}

/** Looks whether every picture has its files and every file its picture. */
export async function checkPictures(db: Db, dataDir: string): Promise<PictureCheck> {
  const folder = await listPictureFolder(dataDir);
  const missing: { id: PictureId; kind: string }[] = [];
  const named = await listRememberedPictures(db);
  let pictureCount = 0;
  for (const kind of recordKinds) {
    for (const id of await listPictureNames(db, kind)) {
      named.add(id);
      pictureCount += 1;
      const sizes = folder.files.get(pictureIdSchema.parse(id));
      if (!sizes?.has('full') || !sizes.has('thumb'))
        missing.push({ id: pictureIdSchema.parse(id), kind: kind.name });
    }
  }
  const unnamed = [...folder.files].filter(([id]) => !named.has(id));
  const orphans = [
    ...folder.strays,
    ...unnamed.flatMap(([id, sizes]) =>
      [...sizes].map((size) => (size === 'full' ? `${id}.jpg` : `${id}.${size}.jpg`)),
    ),
  ];
  return { pictureCount, missing, orphans: orphans.sort() };
}

/**
 * Takes orphans off the disk. Requires: no server is at work on the folder, for it may be writing
 * one just now.
 */
export async function removeOrphans(dataDir: string, names: readonly string[]): Promise<void> {
  for (const name of names)
    await rm(path.join(/*turbopackIgnore: true*/ picturesDir(dataDir), path.basename(name)), {
      force: true,
    });
}
