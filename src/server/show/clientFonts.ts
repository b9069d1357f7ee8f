import 'server-only';

import { readFile } from 'node:fs/promises';
import path from 'node:path';

const FACES = [
  ['Atkinson Hyperlegible Next Variable', 'atkinson-hyperlegible-next', '200 800'],
  ['Bitter Variable', 'bitter', '100 900'],
] as const;

let loaded: Promise<string> | undefined;

/** The two faces of the client's page as `@font-face` rules with their bytes inside (latin, about 100 kB). */
export const loadClientFonts = (): Promise<string> => (loaded ??= readFaces());

async function readFaces(): Promise<string> {
  const rules = FACES.map(async ([family, folder, weights]) => {
    const file = path.join(
      /*turbopackIgnore: true*/ process.cwd(),
      'node_modules',
      '@fontsource-variable',
      folder,
      'files',
      `${folder}-latin-wght-normal.woff2`,
    );
    const bytes = await readFile(file);
    return (
      `@font-face{font-family:"${family}";font-weight:${weights};src:url(data:font/woff2;base64,` +
      `${bytes.toString('base64')}) format("woff2")}`
    );
  });
  return (await Promise.all(rules)).join('');
}
