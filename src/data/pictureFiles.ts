import 'server-only';

import { randomUUID } from 'node:crypto';
import { mkdir, open, readFile, readdir, rename, rm, stat } from 'node:fs/promises';
import path from 'node:path';

import { pictureIdSchema, type PictureId } from '@/core/shared';
import { DataError, picturesDir } from './db';

/** The original, as taken by any phone; what pages show; what lists show. */
export const pictureSizes = ['original', 'full', 'thumb'] as const;
export type PictureSize = (typeof pictureSizes)[number];

/** The bytes of a picture; without an `original` where it is no larger than `full`. */
export interface PictureBytes {
  readonly original: Uint8Array | undefined;
  readonly full: Uint8Array;
  readonly thumb: Uint8Array;
}

const SUFFIXES: Readonly<Record<PictureSize, string>> = {
  original: '.original.jpg',
  full: '.jpg',
  thumb: '.thumb.jpg',
};
/** Ends what is being written and belongs to no picture yet. */
const PART = '.part';

/** The file of a picture. Its name is made of a parsed id and nothing that a request says. */
export const pictureFileOf = (dataDir: string, id: PictureId, size: PictureSize): string =>
  path.join(/*turbopackIgnore: true*/ picturesDir(dataDir), `${id}${SUFFIXES[size]}`);

/** A picture's files that are written and belong to no record yet. */
export interface StagedPicture {
  /** Moves them to a picture's names. */
  readonly place: (dataDir: string, id: PictureId) => Promise<void>;
  /** Takes away what was written here, wherever it lies now. */
  readonly discard: () => Promise<void>;
}

/** Writes and syncs a picture's files under names of their own. */
export async function stagePictureFiles(
  folder: string,
  bytes: PictureBytes,
): Promise<StagedPicture> {
  /** Where each file of ours lies now. */
  const ours = new Map<PictureSize, string>();
  const discard = async () => {
    for (const file of ours.values()) await rm(file, { force: true });
  };
  try {
    for (const size of pictureSizes) {
      const written = bytes[size];
      if (!written) continue;
      const file = path.join(/*turbopackIgnore: true*/ folder, `${randomUUID()}${PART}`);
      ours.set(size, file);
      await writeSynced(file, written);
    }
  } catch (error) {
    await discard();
    throw error;
  }
  return {
    discard,
    place: async (dataDir, id) => {
      for (const [size, file] of ours) {
        const target = pictureFileOf(dataDir, id, size);
        await rename(file, target);
        ours.set(size, target);
      }
      await syncFolder(picturesDir(dataDir));
    },
  };
}

/**
 * Keeps the files of a picture together with its record: `work` keeps the record and calls `place`
 * as its last act before the record counts. Where `work` fails, only what was written here is
 * removed: files that somebody else wrote under the same id are never touched.
 */
export async function keepPictureFiles<T>(
  dataDir: string,
  { id, bytes }: { readonly id: PictureId; readonly bytes: PictureBytes },
  work: (place: () => Promise<void>) => Promise<T>,
): Promise<T> {
  const folder = picturesDir(dataDir);
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const staged = await stagePictureFiles(folder, bytes);
  try {
    return await work(() => staged.place(dataDir, id));
  } catch (error) {
    await staged.discard();
    throw error;
  }
}

async function writeSynced(file: string, bytes: Uint8Array): Promise<void> {
  const handle = await open(file, 'wx', 0o600);
  try {
    await handle.writeFile(bytes);
    await handle.sync();
  } finally {
    await handle.close();
  }
}

/** A name that was moved is on the disk once its folder is. */
export async function syncFolder(folder: string): Promise<void> {
  const handle = await open(folder, 'r');
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}

/**
 * A picture's file; of one that has no larger original, the full one is the original. @errors
 * `picture_missing`.
 */
export async function readPictureFile(
  dataDir: string,
  id: PictureId,
  size: PictureSize,
): Promise<Buffer> {
  return readFile(pictureFileOf(dataDir, id, size)).catch((cause: unknown) => {
    if (size === 'original') return readPictureFile(dataDir, id, 'full');
    throw new DataError('picture_missing', `the picture ${id} is not on the disk`, { cause });
  });
}

/** As `readPictureFile`, undefined where it is missing: a gap is named, it stops nothing. */
export const findPictureFile = (
  dataDir: string,
  id: PictureId,
  size: PictureSize,
): Promise<Buffer | undefined> =>
  readPictureFile(dataDir, id, size).catch((error: unknown) => {
    if (error instanceof DataError && error.code === 'picture_missing') return undefined;
    throw error;
  });

/** Whether a picture can be shown: both of the files that every picture has are there and hold something. */
export async function hasPictureFiles(dataDir: string, id: PictureId): Promise<boolean> {
  for (const size of ['full', 'thumb'] as const) {
    const holds = await stat(pictureFileOf(dataDir, id, size)).then(
      (facts) => facts.size > 0,
      () => false,
    );
    if (!holds) return false;
  }
  return true;
}

/** Takes all files of a picture off the disk, for good. */
export async function removePictureFiles(dataDir: string, id: PictureId): Promise<void> {
  for (const size of pictureSizes) await rm(pictureFileOf(dataDir, id, size), { force: true });
}

/** What lies in the folder of pictures: files by picture, and what belongs to none. */
interface PictureFolder {
  readonly files: ReadonlyMap<PictureId, ReadonlySet<PictureSize>>;
  /** Names of what was never finished, or is no picture of ours. */
  readonly strays: readonly string[];
}

export async function listPictureFolder(dataDir: string): Promise<PictureFolder> {
  const files = new Map<PictureId, Set<PictureSize>>();
  const strays: string[] = [];
  for (const name of await readdir(picturesDir(dataDir)).catch(() => [])) {
    const read = readPictureName(name);
    if (!read) strays.push(name);
    else files.set(read.id, (files.get(read.id) ?? new Set()).add(read.size));
  }
  return { files, strays };
}

/** Which picture and size a file's name says; undefined where it is none of ours. */
function readPictureName(
  name: string,
): { readonly id: PictureId; readonly size: PictureSize } | undefined {
  for (const size of ['original', 'thumb', 'full'] as const) {
    if (!name.endsWith(SUFFIXES[size])) continue;
    const id = pictureIdSchema.safeParse(name.slice(0, -SUFFIXES[size].length));
    return id.success ? { id: id.data, size } : undefined;
  }
  return undefined;
}
