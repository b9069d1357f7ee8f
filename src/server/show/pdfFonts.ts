import 'server-only';

import path from 'node:path';
import { Font } from '@react-pdf/renderer';

const fontFile = (family: string, weight: number): string =>
  path.join(
    /*turbopackIgnore: true*/ process.cwd(),
    'node_modules',
    '@fontsource',
    family,
    'files',
    `${family}-latin-${weight}-normal.woff`,
  );

let hasFonts = false;
/** Makes the app's faces known to the PDF layout, once. */
export function registerPdfFonts(): void {
  if (hasFonts) return;
  for (const fontWeight of [400, 700] as const) {
    Font.register({
      family: 'Text',
      src: fontFile('atkinson-hyperlegible-next', fontWeight),
      fontWeight,
    });
    Font.register({ family: 'Head', src: fontFile('bitter', fontWeight), fontWeight });
  }
  // A word cut in two reads badly on a page for a client.
  Font.registerHyphenationCallback((word) => [word]);
  hasFonts = true;
}
