import Papa from 'papaparse';

/** What is wrong in one cell. `line` counts as a text editor does: the header is line 1. */
export interface CsvFault {
  readonly line: number;
  readonly column: string;
  readonly code:
    'missing_column' | 'unreadable' | 'unknown_room' | 'unknown_decision' | 'not_a_table';
  readonly found: string;
  readonly expected: string;
}

export interface CsvTable<C extends string> {
  readonly rows: readonly { readonly line: number; readonly row: Readonly<Record<C, string>> }[];
  readonly faults: readonly CsvFault[];
}

/**
 * Reads a CSV by the names in its header: columns may stand in any order, more than ours are passed
 * over, missing ones are empty unless `needed`. `,`, `;` and tab part cells. Empty lines are passed over.
 */
export function readCsvTable<C extends string>(
  text: string,
  columns: readonly C[],
  needed: readonly C[],
): CsvTable<C> {
  const body = text.replace(/^\uFEFF/, '');
  const table = Papa.parse<string[]>(body, { delimiter: delimiterOf(body), skipEmptyLines: false });
  const header = (table.data[0] ?? []).map((cell) => cell.trim().toLowerCase());
  const missing = needed.filter((column) => !header.includes(column));
  if (missing.length > 0)
    return {
      rows: [],
      faults: missing.map((column) => ({
        line: 1,
        column,
        code: 'missing_column',
        found: header.join(', '),
        expected: column,
      })),
    };
  const lines = linesOfRows(body, table.data.length);
  const faults = table.errors
    .filter((error) => error.type === 'Quotes')
    .map((error): CsvFault => ({
      line: lines[error.row ?? 0] ?? 1,
      column: '',
      code: 'not_a_table',
      found: error.message,
      expected: 'closed quotes',
    }));
  const rows = table.data.slice(1).flatMap((cells, i) => {
    if (cells.every((cell) => cell.trim() === '')) return [];
    const row = Object.fromEntries(
      columns.map((column) => [
        column,
        unguardFormula((cells[header.indexOf(column)] ?? '').trim()),
      ]),
    ) as Record<C, string>;
    return [{ line: lines[i + 1] ?? i + 2, row }];
  });
  return { rows, faults };
}

/** A cell that a spreadsheet would run as a formula gets an apostrophe, which reading takes off again. */
export const guardFormula = (cell: string): string =>
  /^['=+\-@\t\r]/.test(cell) ? `'${cell}` : cell;
const unguardFormula = (cell: string): string =>
  /^'['=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell;

/** The sign that parts the header's cells. Guessing from the rows goes wrong where cells hold semicolons. */
function delimiterOf(text: string): string {
  const header = text.split(/\r?\n/, 1)[0] ?? '';
  return [',', ';', '\t'].find((sign) => header.includes(sign)) ?? ',';
}

/** The editor line on which each row starts: quoted cells may hold line breaks. */
function linesOfRows(text: string, rowCount: number): number[] {
  const starts: number[] = [1];
  let line = 1;
  let isQuoted = false;
  for (let i = 0; i < text.length && starts.length < rowCount; i += 1) {
    if (text[i] === '"') isQuoted = !isQuoted;
    if (text[i] !== '\n') continue;
    line += 1;
    if (!isQuoted) starts.push(line);
  }
  return starts;
}
