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

interface CsvTable<C extends string> {
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
  const header = readHeader(table.data[0] ?? [], { columns, needed });
  if (header.missing.length > 0) return { rows: [], faults: missingFaults(header) };
  const lines = linesOfRows(table.data);
  return {
    rows: readRows(table.data.slice(1), lines.slice(1), header),
    faults: quoteFaults(table.errors, lines),
  };
}

/**
 * Writes a table (RFC 4180): UTF-8 with its mark, by which spreadsheet programs know it, and every cell
 * guarded, so that none is run as a formula.
 */
export function writeCsvTable<C extends string>(
  columns: readonly C[],
  rows: readonly Readonly<Record<C, string>>[],
): string {
  const data = rows.map((row) => columns.map((column) => guardFormula(row[column])));
  return `\uFEFF${Papa.unparse([[...columns], ...data], { newline: '\r\n' })}\r\n`;
}

/** A cell that a spreadsheet would run as a formula gets an apostrophe, which reading takes off again. */
const guardFormula = (cell: string): string => (/^['=+\-@\t\r]/.test(cell) ? `'${cell}` : cell);
const unguardFormula = (cell: string): string =>
  /^'['=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell;

/** The sign that parts the header's cells. Guessing from the rows goes wrong where cells hold semicolons. */
function delimiterOf(text: string): string {
  const header = text.split(/\r?\n/, 1)[0] ?? '';
  return [',', ';', '\t'].find((sign) => header.includes(sign)) ?? ',';
}

/** The editor line on which each row starts, from 1: quoted cells may hold line breaks. */
function linesOfRows(rows: readonly (readonly string[])[]): number[] {
  let line = 1;
  return rows.map((cells) => {
    const start = line;
    line += linesIn(cells);
    return start;
  });
}

/** How many lines of the file a row takes. */
const linesIn = (cells: readonly string[]): number =>
  cells.reduce((sum, cell) => sum + (cell.match(/\r\n|\r|\n/g)?.length ?? 0), 1);

/** So many letters are read before others get their turn. */
const LETTERS_AT_ONCE = 20_000;

/**
 * As `readCsvTable`, for tables of a hundred thousand rows: handed on some hundred at a time, with a
 * pause for others between. Ends with the faults of the table itself.
 */
export async function readLongCsvTable<C extends string>(
  text: string,
  { columns, needed }: { readonly columns: readonly C[]; readonly needed: readonly C[] },
  onRows: (rows: CsvTable<C>['rows'], doneRatio: number) => void | Promise<void>,
): Promise<readonly CsvFault[]> {
  const body = text.replace(/^\uFEFF/, '');
  const faults: CsvFault[] = [];
  let header: Header<C> | undefined;
  let line = 1;
  await new Promise<void>((resolve, reject) => {
    Papa.parse<string[]>(body, {
      delimiter: delimiterOf(body),
      skipEmptyLines: false,
      chunkSize: LETTERS_AT_ONCE,
      chunk: ({ data, errors, meta }: Papa.ParseResult<string[]>, parser: Papa.Parser) => {
        parser.pause();
        const lines = data.map((cells: readonly string[]) => {
          const start = line;
          line += linesIn(cells);
          return start;
        });
        faults.push(...quoteFaults(errors, lines));
        let rows = data;
        if (!header) {
          header = readHeader(data[0] ?? [], { columns, needed });
          rows = data.slice(1);
          lines.shift();
        }
        if (header.missing.length > 0) return parser.abort();
        const read = readRows(rows, lines, header);
        void Promise.resolve(onRows(read, meta.cursor / Math.max(1, body.length))).then(
          // Others first: a page, a decision.
          () => setImmediate(() => parser.resume()),
          (error: unknown) => {
            parser.abort();
            reject(error instanceof Error ? error : new Error(String(error)));
          },
        );
      },
      complete: () => resolve(),
      error: (error: Error) => reject(error),
    });
  });
  return header && header.missing.length > 0 ? missingFaults(header) : faults;
}

interface Header<C extends string> {
  readonly columns: readonly C[];
  readonly found: readonly string[];
  readonly missing: readonly C[];
}

function readHeader<C extends string>(
  cells: readonly string[],
  { columns, needed }: { readonly columns: readonly C[]; readonly needed: readonly C[] },
): Header<C> {
  const found = cells.map((cell) => cell.trim().toLowerCase());
  return { columns, found, missing: needed.filter((column) => !found.includes(column)) };
}

const missingFaults = <C extends string>({ missing, found }: Header<C>): CsvFault[] =>
  missing.map((column) => ({
    line: 1,
    column,
    code: 'missing_column',
    found: found.join(', '),
    expected: column,
  }));

const quoteFaults = (errors: readonly Papa.ParseError[], lines: readonly number[]): CsvFault[] =>
  errors
    .filter((error) => error.type === 'Quotes')
    .map((error) => ({
      line: lines[error.row ?? 0] ?? 1,
      column: '',
      code: 'not_a_table',
      found: error.message,
      expected: 'closed quotes',
    }));

/** Rows by the header's columns; empty ones are passed over. */
function readRows<C extends string>(
  data: readonly (readonly string[])[],
  lines: readonly number[],
  { columns, found }: Header<C>,
): CsvTable<C>['rows'] {
  const at = columns.map((column) => found.indexOf(column));
  return data.flatMap((cells, i) => {
    if (cells.every((cell) => unguardFormula(cell).trim() === '')) return [];
    const row = Object.fromEntries(
      columns.map((column, c) => [column, unguardFormula(cells[at[c] ?? -1] ?? '').trim()]),
    ) as Record<C, string>;
    return [{ line: lines[i] ?? i + 2, row }];
  });
}
