/** Paper for labels: cells of one size in rows and columns. Lengths in mm. */
export interface SheetGrid {
  readonly id: string;
  readonly paper: 'A4' | 'Letter';
  readonly columns: number;
  readonly rows: number;
  readonly cellMm: { readonly width: number; readonly height: number };
  /** Of the first cell's corner from the sheet's. */
  readonly marginMm: { readonly left: number; readonly top: number };
  /** From one cell's corner to the next one's. */
  readonly pitchMm: { readonly x: number; readonly y: number };
}

export const PAPERS = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
} as const;

const grid = (
  paper: SheetGrid['paper'],
  [columns, rows]: readonly [number, number],
  [width, height]: readonly [number, number],
  gapX = 0,
): SheetGrid => ({
  id: `${paper}-${columns}x${rows}`,
  paper,
  columns,
  rows,
  cellMm: { width, height },
  pitchMm: { x: width + gapX, y: height },
  // Cells stand in the middle of the sheet.
  marginMm: {
    left: (PAPERS[paper].width - columns * width - (columns - 1) * gapX) / 2,
    top: (PAPERS[paper].height - rows * height) / 2,
  },
});

/** Common grids, by their cells; where a maker's margins differ, the sheet is moved in the print dialog. */
export const SHEET_GRIDS: readonly SheetGrid[] = [
  grid('A4', [3, 7], [63.5, 38.1], 2.5),
  grid('A4', [2, 7], [99.1, 38.1], 2.5),
  grid('A4', [3, 8], [70, 36]),
  grid('A4', [2, 4], [99.1, 67.7], 2.5),
  grid('A4', [5, 13], [38.1, 21.2], 2.5),
  grid('Letter', [3, 10], [66.7, 25.4], 3.1),
  grid('Letter', [2, 5], [101.6, 50.8], 4.1),
  grid('Letter', [4, 15], [44.5, 16.9], 7.6),
];
export const TAPE_WIDTHS_MM = [9, 12, 18, 24] as const;
/** Tags to tie on, four to a row of card. */
export const TAG_MM = { width: 48, height: 80 } as const;

/** What labels are made on. */
export const labelMedia = ['sheet', 'tape', 'tags', 'hand'] as const;
export type LabelMedium = (typeof labelMedia)[number];
