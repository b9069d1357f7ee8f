/** What is used of it. */
declare module 'fontkit' {
  interface Glyph {
    readonly advanceWidth: number;
    readonly bbox: { readonly minY: number; readonly maxY: number };
    readonly path: {
      scale(x: number, y: number): { translate(x: number, y: number): { toSVG(): string } };
    };
  }
  interface Font {
    readonly unitsPerEm: number;
    glyphForCodePoint(codePoint: number): Glyph;
    hasGlyphForCodePoint(codePoint: number): boolean;
  }
  export function openSync(path: string): Font;
}
