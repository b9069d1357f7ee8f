import 'server-only';

import type { PictureId } from '@/core/shared';
import { findPictureFile, hasPictureFiles } from '@/data/pictureFiles';
import type { HandedHome } from './handedHome';

const pictureIdsOn = (page: HandedHome): PictureId[] =>
  page.rooms.flatMap(({ pairs }) =>
    pairs.flatMap(({ before, after }) => [before, after].flatMap((picture) => picture?.id ?? [])),
  );

/**
 * The JPEG of every picture on a client's page that is on the disk; what lacks its file is left
 * out, to be named as a gap.
 */
export async function loadClientPictures(
  dataDir: string,
  page: HandedHome,
): Promise<ReadonlyMap<PictureId, Buffer>> {
  const pictures = new Map<PictureId, Buffer>();
  for (const id of pictureIdsOn(page)) {
    const bytes = await findPictureFile(dataDir, id, 'full');
    if (bytes) pictures.set(id, bytes);
  }
  return pictures;
}

/** Which pictures on a client's page can be shown. */
export async function findShownPictures(
  dataDir: string,
  page: HandedHome,
): Promise<ReadonlySet<PictureId>> {
  const shown = new Set<PictureId>();
  for (const id of pictureIdsOn(page)) if (await hasPictureFiles(dataDir, id)) shown.add(id);
  return shown;
}
