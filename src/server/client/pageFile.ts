import 'server-only';

import { createHash } from 'node:crypto';

import type { ClientPage } from '@/core/client';
import type { PictureId } from '@/core/shared';
import type { Db } from '@/data/db';
import { nowIso, today } from '../means';
import { loadClientFonts } from '../show/clientFonts';
import { gatherContents, picturesOn, type ClientContents } from './pageContents';
import { clientPicture } from './pagePictures';
import { pageScript } from './pageScript';
import { renderClientSpace, renderEndedPage } from './renderClientSpace';

const scriptHash = createHash('sha256').update(pageScript).digest('base64');

/** The page as one file with its pictures and faces inside; it asks nobody for anything. */
export async function renderPageFile(db: Db, dataDir: string, page: ClientPage): Promise<string> {
  const contents = await gatherContents(db, page, today());
  const pictures = new Map<PictureId, Buffer>();
  for (const id of picturesOn(contents)) {
    const bytes = await clientPicture(dataDir, id);
    if (bytes) pictures.set(id, bytes);
  }
  return renderClientSpace(contents, {
    pictureSrc: (id) => {
      const bytes = pictures.get(id);
      return bytes && `data:image/jpeg;base64,${bytes.toString('base64')}`;
    },
    fontCss: await loadClientFonts(),
    nonce: undefined,
    scriptHash,
    madeOn: nowIso(),
  });
}

/** The page as a link serves it; its pictures have addresses below the link's own. */
export const renderLinkedPage = async (
  contents: ClientContents,
  { base, nonce }: { readonly base: string; readonly nonce: string },
): Promise<string> =>
  renderClientSpace(contents, {
    pictureSrc: (id) => `${base}/pictures/${id}`,
    fontCss: await loadClientFonts(),
    nonce,
    scriptHash,
    madeOn: nowIso(),
  });

export const renderEnded = async (pageId: string, nonce: string): Promise<string> =>
  renderEndedPage(
    { pageId },
    { fontCss: await loadClientFonts(), nonce, scriptHash, madeOn: nowIso() },
  );

/** A name for the file, of plain letters. */
export const pageFileName = ({ name }: Pick<ClientPage, 'name'>): string =>
  `for-${
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'you'
  }.html`;
