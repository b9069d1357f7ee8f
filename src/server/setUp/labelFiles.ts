import 'server-only';

import path from 'node:path';
import { openSync } from 'fontkit';
import sharp from 'sharp';

import type { LabelMark, LabelPage } from '@/core/labels';
import { escapeHtml } from '../show/paper';

const PNG_DPI = 300;

let font: ReturnType<typeof openSync> | undefined;
/** The bold text face whose widths the core knows. */
const boldFont = () =>
  (font ??= openSync(
    path.join(
      /*turbopackIgnore: true*/ process.cwd(),
      'node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff',
    ),
  ));

/** A line as its letters' outlines, so that it is as wide on paper as it was worked out, on every machine. */
function outlineOf({ text, x, y, sizeMm }: Extract<LabelMark, { kind: 'text' }>): string {
  const face = boldFont();
  const scale = sizeMm / face.unitsPerEm;
  let at = x;
  return [...text]
    .map((letter) => {
      const glyph = face.glyphForCodePoint(letter.codePointAt(0) ?? 32);
      const d = glyph.path.scale(scale, -scale).translate(at, y).toSVG();
      at += glyph.advanceWidth * scale;
      return d;
    })
    .join('');
}

/** A stroke or a filled outline in page mm. */
interface Ink {
  readonly d: string;
  readonly fill: string;
  readonly stroke: string;
  readonly widthMm: number;
  /** Of the box of 24 that strokes are drawn in; undefined: mm as they are. */
  readonly box: { readonly x: number; readonly y: number; readonly scale: number } | undefined;
}
const BLACK = '#000000';

/** A page's strokes and outlines, in their order. */
export function inksOf(page: LabelPage): readonly Ink[] {
  return [
    ...page.cuts.map(({ x1, y1, x2, y2 }): Ink => ({
      d: `M${x1} ${y1}L${x2} ${y2}`,
      fill: 'none',
      stroke: '#888888',
      widthMm: 0.2,
      box: undefined,
    })),
    ...page.labels.flatMap(({ x, y, label }) =>
      label.marks.map((mark): Ink => {
        if (mark.kind === 'text')
          return {
            d: outlineOf({ ...mark, x: mark.x + x, y: mark.y + y }),
            fill: BLACK,
            stroke: 'none',
            widthMm: 0,
            box: undefined,
          };
        const box = { x: mark.x + x, y: mark.y + y, scale: mark.sizeMm / 24 };
        return mark.kind === 'shape'
          ? { d: mark.d, fill: mark.fill, stroke: BLACK, widthMm: 0.8, box }
          : { d: mark.d, fill: 'none', stroke: BLACK, widthMm: 1.5, box };
      }),
    ),
  ];
}

export const transformOf = ({ x, y, scale }: NonNullable<Ink['box']>): string =>
  `translate(${x} ${y}) scale(${scale})`;

/** A page as one SVG file to scale, letters as outlines; in dots where it becomes a picture. */
export function labelPageSvg(page: LabelPage, title: string, pxPerMm?: number): string {
  const size = (mm: number) => (pxPerMm === undefined ? `${mm}mm` : `${Math.round(mm * pxPerMm)}`);
  const inks = inksOf(page).map(
    ({ d, fill, stroke, widthMm, box }) =>
      `<path d="${d}" fill="${fill}" stroke="${stroke}" stroke-width="${widthMm}" stroke-linecap="round" ` +
      `stroke-linejoin="round"${box ? ` transform="${transformOf(box)}"` : ''}/>`,
  );
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${size(page.widthMm)}" height="${size(page.heightMm)}" ` +
    `viewBox="0 0 ${page.widthMm} ${page.heightMm}"><title>${escapeHtml(title)}</title>` +
    `<rect width="100%" height="100%" fill="#ffffff"/>${inks.join('')}</svg>`
  );
}

/** At 300 dots an inch; a strip of tape that would be too wide becomes coarser. */
export async function labelPagePng(page: LabelPage, title: string): Promise<Buffer> {
  const mostPx = 16_000;
  const dpi = Math.min(PNG_DPI, (mostPx * 25.4) / Math.max(page.widthMm, page.heightMm));
  return sharp(Buffer.from(labelPageSvg(page, title, dpi / 25.4)))
    .withMetadata({ density: dpi })
    .png()
    .toBuffer();
}
