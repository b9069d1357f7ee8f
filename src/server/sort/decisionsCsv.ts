import type { z } from 'zod';

import type { Room } from '@/core/look';
import { decisionEventSchema, verdicts, type DecisionEvent, type Group } from '@/core/sort';
import { reasons } from '@/core/things';
import { readLongCsvTable, writeCsvTable, type CsvFault } from '../exchange/csvTable';

/** The columns of the open format, in their order; documented in docs/formats.md. */
const decisionCsvColumns = [
  'decision_id',
  'thing_id',
  'kind',
  'about_id',
  'room',
  'group',
  'thing',
  'count',
  'verdict',
  'reasons',
  'to',
  'litres',
  'mass_g',
  'decided_at',
  'device',
  'expires_on',
] as const;
type Column = (typeof decisionCsvColumns)[number];
type CsvRow = Readonly<Record<Column, string>>;

interface CsvContext {
  readonly rooms: readonly Pick<Room, 'id' | 'name'>[];
  readonly groups: readonly Pick<Group, 'id' | 'name' | 'roomId'>[];
}

/** Writes log lines as CSV (RFC 4180, UTF-8, one line a decision). */
export function writeDecisionsCsv(
  events: readonly DecisionEvent[],
  { rooms, groups }: CsvContext,
): string {
  const roomNames = new Map(rooms.map((room) => [room.id, room.name]));
  const groupNames = new Map(groups.map((group) => [group.id, group.name]));
  const rows = events.map((event): CsvRow => {
    const head = {
      decision_id: event.id,
      thing_id: event.thingId,
      kind: event.kind,
      decided_at: event.decidedAt,
      device: event.device,
    };
    if (event.kind === 'merged') return { ...emptyRow, ...head, about_id: event.intoId };
    if (event.kind !== 'decided') return { ...emptyRow, ...head, about_id: event.aboutId };
    return {
      ...emptyRow,
      ...head,
      room: roomNames.get(event.roomId) ?? '',
      group: event.groupId === null ? '' : (groupNames.get(event.groupId) ?? ''),
      thing: event.name,
      count: String(event.count),
      verdict: event.verdict,
      reasons: event.reasons.join('; '),
      to: event.to,
      litres: String(event.litres),
      mass_g: String(event.massG),
      expires_on: event.expiresOn ?? '',
    };
  });
  return writeCsvTable(decisionCsvColumns, rows);
}

const emptyRow = Object.fromEntries(decisionCsvColumns.map((column) => [column, ''])) as Record<
  Column,
  string
>;

/** A good row. A group that the project lacks is named in `newGroupName`; `event.groupId` is then null. */
export interface ParsedDecisionRow {
  readonly line: number;
  readonly event: DecisionEvent;
  readonly newGroupName: string | undefined;
}
interface ParsedDecisionsCsv {
  readonly rows: readonly ParsedDecisionRow[];
  readonly faults: readonly CsvFault[];
}

type ParseContext = CsvContext & { readonly createId: () => string; readonly now: string };

/**
 * Reads decisions from CSV: every good row, and every fault by line and column. Columns may stand
 * in any order; more columns than ours are passed over. Rows without ids get them from `createId`;
 * rows without a date get `now`. A long file is read with pauses; `onProgress` may end it by throwing.
 */
export async function readDecisionsCsv(
  text: string,
  context: ParseContext,
  onProgress: (doneRatio: number) => void = () => undefined,
): Promise<ParsedDecisionsCsv> {
  const rows: ParsedDecisionRow[] = [];
  const faults: CsvFault[] = [];
  const found = await readLongCsvTable(
    text,
    { columns: decisionCsvColumns, needed: ['room', 'thing', 'verdict'] },
    (some, doneRatio) => {
      for (const { line, row } of some) {
        const parsed = parseRow(row, line, context);
        if ('faults' in parsed) faults.push(...parsed.faults);
        else rows.push(parsed);
      }
      onProgress(doneRatio);
    },
  );
  return withoutDangling(rows, [...found, ...faults]);
}

const isFollowing = ({ event }: ParsedDecisionRow): boolean =>
  event.kind === 'undone' || event.kind === 'restored';

/** Undoing what the file does not hold would silently do nothing; it is a fault of that line. */
function withoutDangling(
  rows: readonly ParsedDecisionRow[],
  faults: readonly CsvFault[],
): ParsedDecisionsCsv {
  const following = rows.filter(isFollowing);
  if (following.length === 0 && faults.length === 0) return { rows, faults };
  const decidedIds = new Set<string>();
  for (const { event } of rows)
    if (event.kind === 'decided' || event.kind === 'merged') decidedIds.add(event.id);
  const isDangling = (row: ParsedDecisionRow) =>
    isFollowing(row) && 'aboutId' in row.event && !decidedIds.has(row.event.aboutId);
  const dangling = rows.filter(isDangling).map(({ event, line }) => ({
    line,
    column: 'about_id',
    code: 'unknown_decision' as const,
    found: 'aboutId' in event ? event.aboutId : '',
    expected: 'a decision_id of this file',
  }));
  return {
    rows: rows.filter((row) => !isDangling(row)),
    faults: [...faults, ...dangling].sort((a, b) => a.line - b.line),
  };
}

function parseRow(
  row: CsvRow,
  line: number,
  context: ParseContext,
): ParsedDecisionRow | { faults: CsvFault[] } {
  const isDecided = row.kind === '' || row.kind === 'decided';
  const room = context.rooms.find((candidate) => sameName(candidate.name, row.room));
  const group = context.groups.find(
    (candidate) => candidate.roomId === room?.id && sameName(candidate.name, row.group),
  );
  const newGroupName = row.group !== '' && !group ? row.group : undefined;
  const faults = isDecided ? namesFaults(row, line, { room, newGroupName, context }) : [];
  const parsed = decisionEventSchema.safeParse({
    id: row.decision_id || context.createId(),
    thingId: row.thing_id || context.createId(),
    decidedAt: row.decided_at || context.now,
    device: row.device || 'file',
    ...(isDecided
      ? decidedFacts(row, room?.id ?? 'unknown', group?.id ?? null)
      : { kind: row.kind, [row.kind === 'merged' ? 'intoId' : 'aboutId']: row.about_id }),
  });
  if (!parsed.success) return { faults: [...faults, ...fieldFaults(parsed.error, row, line)] };
  return faults.length > 0 ? { faults } : { line, event: parsed.data, newGroupName };
}

const decidedFacts = (row: CsvRow, roomId: string, groupId: string | null) => ({
  kind: 'decided',
  roomId,
  name: row.thing,
  verdict: row.verdict,
  count: row.count === '' ? 1 : Number(row.count),
  reasons: row.reasons
    .split(';')
    .map((reason) => reason.trim())
    .filter(Boolean),
  groupId,
  to: row.to,
  litres: row.litres === '' ? 0 : Number(row.litres),
  massG: row.mass_g === '' ? 0 : Number(row.mass_g),
  ...(row.expires_on === '' ? {} : { expiresOn: row.expires_on }),
});

/** A room that is not there, and a name that is too long for a new group. */
function namesFaults(
  row: CsvRow,
  line: number,
  {
    room,
    newGroupName = '',
    context,
  }: {
    readonly room: ParseContext['rooms'][number] | undefined;
    readonly newGroupName: string | undefined;
    readonly context: ParseContext;
  },
): CsvFault[] {
  const faults: CsvFault[] = [];
  if (!room)
    faults.push({
      line,
      column: 'room',
      code: 'unknown_room',
      found: row.room,
      expected: context.rooms.map(({ name }) => name).join(', '),
    });
  if (newGroupName.length > MAX_GROUP_LETTERS)
    faults.push({
      line,
      column: 'group',
      code: 'unreadable',
      found: row.group,
      expected: `at most ${MAX_GROUP_LETTERS} letters`,
    });
  return faults;
}

const fieldFaults = (error: z.ZodError, row: CsvRow, line: number): CsvFault[] =>
  error.issues.map((issue) => {
    const column = COLUMN_OF_FIELD[String(issue.path[0])] ?? String(issue.path[0]);
    return {
      line,
      column,
      code: 'unreadable',
      found: row[column as Column],
      expected: EXPECTED[column] ?? issue.message,
    };
  });

/** As the group's own schema has it; longer ones are cut by nobody. */
const MAX_GROUP_LETTERS = 60;

const sameName = (a: string, b: string): boolean =>
  a.trim().toLowerCase() === b.trim().toLowerCase();

const COLUMN_OF_FIELD: Readonly<Record<string, Column>> = {
  id: 'decision_id',
  thingId: 'thing_id',
  aboutId: 'about_id',
  intoId: 'about_id',
  roomId: 'room',
  groupId: 'group',
  name: 'thing',
  massG: 'mass_g',
  decidedAt: 'decided_at',
  count: 'count',
  verdict: 'verdict',
  reasons: 'reasons',
  to: 'to',
  litres: 'litres',
  device: 'device',
  kind: 'kind',
  expiresOn: 'expires_on',
};
const EXPECTED: Readonly<Record<string, string>> = {
  verdict: verdicts.join(', '),
  reasons: reasons.join('; '),
  count: 'a whole number from 1',
  litres: 'a number from 0',
  mass_g: 'grams, a number from 0',
  decided_at: 'a date and time such as 2026-11-06T10:42:00Z',
  expires_on: 'a day such as 2027-01-31',
  kind: 'decided, undone, restored or merged',
  thing: '1 to 120 letters',
};
