import Papa from 'papaparse';

import type { Room } from '@/core/look';
import { decisionEventSchema, reasons, verdicts, type DecisionEvent, type Group } from '@/core/sort';

/** The columns of the open format, in their order; documented in docs/formats.md. */
export const decisionCsvColumns = [
  'decision_id', 'thing_id', 'kind', 'about_id', 'room', 'group', 'thing', 'count', 'verdict',
  'reasons', 'to', 'litres', 'mass_g', 'decided_at', 'device',
] as const;
type Column = (typeof decisionCsvColumns)[number];
type CsvRow = Readonly<Record<Column, string>>;

/** What is wrong in one cell. `line` counts as a text editor does: the header is line 1. */
export interface CsvFault {
  readonly line: number;
  readonly column: string;
  readonly code: 'missing_column' | 'unreadable' | 'unknown_room' | 'unknown_decision' | 'not_a_table';
  readonly found: string;
  readonly expected: string;
}

interface CsvContext {
  readonly rooms: readonly Pick<Room, 'id' | 'name'>[];
  readonly groups: readonly Pick<Group, 'id' | 'name' | 'roomId'>[];
}

/** Writes log lines as CSV (RFC 4180, UTF-8, one line a decision). */
export function writeDecisionsCsv(events: readonly DecisionEvent[], { rooms, groups }: CsvContext): string {
  const roomNames = new Map(rooms.map((room) => [room.id, room.name]));
  const groupNames = new Map(groups.map((group) => [group.id, group.name]));
  const rows = events.map((event): CsvRow => {
    const head = {
      decision_id: event.id, thing_id: event.thingId, kind: event.kind,
      decided_at: event.decidedAt, device: guardFormula(event.device),
    };
    if (event.kind !== 'decided') return { ...emptyRow, ...head, about_id: event.aboutId };
    return {
      ...emptyRow,
      ...head,
      room: guardFormula(roomNames.get(event.roomId) ?? ''),
      group: guardFormula(event.groupId === null ? '' : (groupNames.get(event.groupId) ?? '')),
      thing: guardFormula(event.name),
      count: String(event.count),
      verdict: event.verdict,
      reasons: event.reasons.join('; '),
      to: guardFormula(event.to),
      litres: String(event.litres),
      mass_g: String(event.massG),
    };
  });
  return `${Papa.unparse({ fields: [...decisionCsvColumns], data: rows }, { newline: '\r\n' })}\r\n`;
}

const emptyRow = Object.fromEntries(decisionCsvColumns.map((column) => [column, ''])) as Record<Column, string>;

/** A cell that a spreadsheet would run as a formula gets an apostrophe, which reading takes off again. */
const guardFormula = (cell: string): string => (/^['=+\-@\t\r]/.test(cell) ? `'${cell}` : cell);
const unguardFormula = (cell: string): string => (/^'['=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

/** A good row. A group that the project lacks is named in `newGroupName`; `event.groupId` is then null. */
export interface ParsedDecisionRow {
  readonly line: number;
  readonly event: DecisionEvent;
  readonly newGroupName: string | undefined;
}
export interface ParsedDecisionsCsv {
  readonly rows: readonly ParsedDecisionRow[];
  readonly faults: readonly CsvFault[];
}

/**
 * Reads decisions from CSV: every good row, and every fault by line and column. Columns may stand
 * in any order; more columns than ours are passed over. Rows without ids get them from `createId`;
 * rows without a date get `now`.
 */
export function parseDecisionsCsv(
  text: string,
  context: CsvContext & { readonly createId: () => string; readonly now: string },
): ParsedDecisionsCsv {
  const table = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { delimiter: delimiterOf(text), skipEmptyLines: false });
  const header = (table.data[0] ?? []).map((cell) => cell.trim().toLowerCase());
  const missing = (['room', 'thing', 'verdict'] as const).filter((column) => !header.includes(column));
  if (missing.length > 0) {
    return {
      rows: [],
      faults: missing.map((column) => ({
        line: 1, column, code: 'missing_column' as const, found: header.join(', '), expected: column,
      })),
    };
  }
  const lines = linesOfRows(text.replace(/^\uFEFF/, ''), table.data.length);
  const rows: ParsedDecisionRow[] = [];
  const faults: CsvFault[] = table.errors
    .filter((error) => error.type === 'Quotes')
    .map((error) => ({ line: lines[error.row ?? 0] ?? 1, column: '', code: 'not_a_table' as const, found: error.message, expected: 'closed quotes' }));
  table.data.slice(1).forEach((cells, i) => {
    if (cells.every((cell) => cell.trim() === '')) return;
    const line = lines[i + 1] ?? i + 2;
    const row = Object.fromEntries(
      decisionCsvColumns.map((column) => [column, unguardFormula((cells[header.indexOf(column)] ?? '').trim())]),
    ) as CsvRow;
    const parsed = parseRow(row, line, context);
    if ('faults' in parsed) faults.push(...parsed.faults);
    else rows.push(parsed);
  });
  return withoutDangling(rows, faults);
}

/** The sign that parts the header's cells. Guessing from the rows goes wrong where reasons hold semicolons. */
function delimiterOf(text: string): string {
  const header = text.split(/\r?\n/, 1)[0] ?? '';
  return [',', ';', '\t'].find((sign) => header.includes(sign)) ?? ',';
}

/** Undoing what the file does not hold would silently do nothing; it is a fault of that line. */
function withoutDangling(rows: readonly ParsedDecisionRow[], faults: readonly CsvFault[]): ParsedDecisionsCsv {
  const decidedIds = new Set(rows.filter(({ event }) => event.kind === 'decided').map(({ event }) => event.id));
  const isDangling = ({ event }: ParsedDecisionRow) => event.kind !== 'decided' && !decidedIds.has(event.aboutId);
  const dangling = rows.filter(isDangling).map(({ event, line }) => ({
    line, column: 'about_id', code: 'unknown_decision' as const,
    found: event.kind === 'decided' ? '' : event.aboutId, expected: 'a decision_id of this file',
  }));
  return {
    rows: rows.filter((row) => !isDangling(row)),
    faults: [...faults, ...dangling].sort((a, b) => a.line - b.line),
  };
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

function parseRow(
  row: CsvRow,
  line: number,
  context: Parameters<typeof parseDecisionsCsv>[1],
): ParsedDecisionRow | { faults: CsvFault[] } {
  const kind = row.kind === '' ? 'decided' : row.kind;
  const head = {
    id: row.decision_id || context.createId(),
    thingId: row.thing_id || context.createId(),
    decidedAt: row.decided_at || context.now,
    device: row.device || 'file',
  };
  const room = context.rooms.find((candidate) => sameName(candidate.name, row.room));
  const group = context.groups.find((candidate) => candidate.roomId === room?.id && sameName(candidate.name, row.group));
  const candidate =
    kind === 'decided'
      ? {
          ...head, kind, roomId: room?.id ?? 'unknown', name: row.thing, verdict: row.verdict,
          count: row.count === '' ? 1 : Number(row.count),
          reasons: row.reasons.split(';').map((reason) => reason.trim()).filter(Boolean),
          groupId: group?.id ?? null, to: row.to,
          litres: row.litres === '' ? 0 : Number(row.litres), massG: row.mass_g === '' ? 0 : Number(row.mass_g),
        }
      : { ...head, kind, aboutId: row.about_id };
  const faults: CsvFault[] = [];
  if (kind === 'decided' && !room) {
    faults.push({ line, column: 'room', code: 'unknown_room', found: row.room, expected: context.rooms.map(({ name }) => name).join(', ') });
  }
  const parsed = decisionEventSchema.safeParse(candidate);
  if (!parsed.success) {
    for (const issue of parsed.error.issues) {
      const column = COLUMN_OF_FIELD[String(issue.path[0])] ?? String(issue.path[0]);
      faults.push({ line, column, code: 'unreadable', found: row[column as Column] ?? '', expected: EXPECTED[column] ?? issue.message });
    }
    return { faults };
  }
  if (faults.length > 0) return { faults };
  return { line, event: parsed.data, newGroupName: row.group !== '' && !group ? row.group : undefined };
}

const sameName = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

const COLUMN_OF_FIELD: Readonly<Record<string, Column>> = {
  id: 'decision_id', thingId: 'thing_id', aboutId: 'about_id', roomId: 'room', groupId: 'group', name: 'thing',
  massG: 'mass_g', decidedAt: 'decided_at', count: 'count', verdict: 'verdict', reasons: 'reasons', to: 'to',
  litres: 'litres', device: 'device', kind: 'kind',
};
const EXPECTED: Readonly<Record<string, string>> = {
  verdict: verdicts.join(', '),
  reasons: reasons.join('; '),
  count: 'a whole number from 1',
  litres: 'a number from 0',
  mass_g: 'grams, a number from 0',
  decided_at: 'a date and time such as 2026-11-06T10:42:00Z',
  kind: 'decided, undone or restored',
  thing: '1 to 120 letters',
};
