/** Mean advance of a letter of the text face, as a share of its size. */
const LETTER_RATIO = 0.54;

/**
 * Shortens a label to a width in px, so that no text touches the edge of its shape; empty where not
 * even three letters fit.
 */
export function fitLabel(text: string, widthPx: number, fontPx: number): string {
  const most = Math.floor(widthPx / (fontPx * LETTER_RATIO));
  if (text.length <= most) return text;
  return most < 4 ? '' : `${text.slice(0, most - 1).trimEnd()}…`;
}
