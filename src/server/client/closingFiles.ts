import 'server-only';

import type { HandedHome } from '../show/handedHome';
import { loadClientFonts } from '../show/clientFonts';
import { fileNameOf } from '../show/clientWords';
import { renderClientHtml } from '../show/renderClientHtml';
import { renderClientPdf } from '../show/renderClientPdf';
import { pagePictures, zipPictures } from './closingReport';

export const closingKinds = ['file', 'pdf', 'pictures'] as const;
export type ClosingKind = (typeof closingKinds)[number];
export interface ClosingFile {
  readonly name: string;
  readonly type: string;
  readonly bytes: Buffer;
}

/** A report as one file of a kind: a page that opens anywhere, paper, or its pictures alone. */
export async function makeClosingFile(
  dataDir: string,
  page: HandedHome,
  kind: ClosingKind,
): Promise<ClosingFile> {
  const name = fileNameOf(page);
  if (kind === 'pictures')
    return {
      name: `${name}-pictures.zip`,
      type: 'application/zip',
      bytes: await zipPictures(dataDir, page),
    };
  const pictures = await pagePictures(dataDir, page);
  if (kind === 'pdf')
    return {
      name: `${name}.pdf`,
      type: 'application/pdf',
      bytes: await renderClientPdf(page, pictures),
    };
  const html = renderClientHtml(page, {
    fontCss: await loadClientFonts(),
    pictureSrc: (id) => {
      const bytes = pictures.get(id);
      return bytes && `data:image/jpeg;base64,${bytes.toString('base64')}`;
    },
  });
  return { name: `${name}.html`, type: 'text/html; charset=utf-8', bytes: Buffer.from(html) };
}
