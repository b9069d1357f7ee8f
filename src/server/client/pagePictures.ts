import 'server-only';

import sharp from 'sharp';

import type { PictureId } from '@/core/shared';
import { findPictureFile } from '@/data/pictureFiles';

/** Large enough for a phone and a screen, small enough to be sent. */
const WIDEST_PX = 1280;

/** A picture for a client's page, without metadata; undefined where its file is gone. */
export async function clientPicture(dataDir: string, id: PictureId): Promise<Buffer | undefined> {
  const bytes = await findPictureFile(dataDir, id, 'full');
  return (
    bytes &&
    sharp(bytes)
      .resize({ width: WIDEST_PX, height: WIDEST_PX, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 74 })
      .toBuffer()
  );
}
