/** Where a label is printed: on which sheet, in which cell, both from 0; cells run along the rows. */
export interface CellPlace {
  readonly sheet: number;
  readonly cell: number;
}
export interface FilledSheets {
  readonly places: readonly CellPlace[];
  /** Sheets that were not begun before. */
  readonly newSheets: number;
  /** Sheets that go through the printer. */
  readonly sheets: number;
}

/**
 * Puts labels onto sheets that are begun, and new ones: first as few new sheets as can be, then as few sheets
 * in all, each filled from its first free cell. `begun` holds the used cells of each begun sheet; new sheets
 * are numbered after them. Requires: cellCount >= 1. Each label takes one cell, so that the sheets with
 * the most free cells are the fewest.
 */
export function fillSheets(
  labelCount: number,
  cellCount: number,
  begun: readonly (readonly number[])[],
): FilledSheets {
  const free = begun.map((used, sheet) => ({
    sheet,
    cells: Array.from({ length: cellCount }, (_, cell) => cell).filter(
      (cell) => !used.includes(cell),
    ),
  }));
  const freeSum = free.reduce((sum, { cells }) => sum + cells.length, 0);
  const newSheets = Math.max(0, Math.ceil((labelCount - freeSum) / cellCount));
  let left = labelCount - newSheets * cellCount;
  const chosen = new Set<number>();
  for (const { sheet, cells } of [...free].sort((a, b) => b.cells.length - a.cells.length)) {
    if (left <= 0) break;
    if (cells.length === 0) continue;
    chosen.add(sheet);
    left -= cells.length;
  }
  const order = [
    ...free.filter(({ sheet }) => chosen.has(sheet)),
    ...Array.from({ length: newSheets }, (_, i) => ({
      sheet: begun.length + i,
      cells: Array.from({ length: cellCount }, (__, cell) => cell),
    })),
  ];
  const places = order
    .flatMap(({ sheet, cells }) => cells.map((cell) => ({ sheet, cell })))
    .slice(0, labelCount);
  return { places, newSheets, sheets: new Set(places.map(({ sheet }) => sheet)).size };
}

/** What a tape printer runs out before the first and behind the last letter of one go, in mm. */
const LEADER_MM = 25;
/** Between two labels of one go, where the cut mark stands. */
export const CUT_GAP_MM = 4;

/** Length of tape in mm that labels take: in one go with cut marks between, and each by itself. */
export function tapeLengthMm(lengthsMm: readonly number[]): {
  readonly togetherMm: number;
  readonly singlyMm: number;
  readonly savedMm: number;
} {
  const sum = lengthsMm.reduce((total, length) => total + length, 0);
  const count = lengthsMm.length;
  if (count === 0) return { togetherMm: 0, singlyMm: 0, savedMm: 0 };
  const togetherMm = sum + LEADER_MM + (count - 1) * CUT_GAP_MM;
  const singlyMm = sum + LEADER_MM * count;
  return { togetherMm, singlyMm, savedMm: singlyMm - togetherMm };
}
