import type { Bay } from './model';

/**
 * The shelves that part a bay from the one below and the one above it in its column, where those
 * are among `bays`.
 */
export function findShelvesBeside(
  bays: readonly Bay[],
  bay: Pick<Bay, 'id' | 'columnIndex'>,
): { readonly lower: Bay; readonly upper: Bay }[] {
  const column = bays
    .filter(({ columnIndex }) => columnIndex === bay.columnIndex)
    .sort((a, b) => a.rowIndex - b.rowIndex);
  return column.flatMap((lower, i) => {
    const upper = column[i + 1];
    return upper &&
      upper.rowIndex === lower.rowIndex + 1 &&
      (lower.id === bay.id || upper.id === bay.id)
      ? [{ lower, upper }]
      : [];
  });
}
