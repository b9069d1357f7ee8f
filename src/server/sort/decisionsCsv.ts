import type { z } from 'zod';

import type { Room } from '@/core/look';
import {
  decisionEventSchema,
  factsOf,
  verdicts,
  type DecidedEvent,
  type DecisionEvent,
  type Group,
  type ParsedThing,
} from '@/core/sort';
import { cautionCodes, figureSources, goesToCodes, reasons } from '@/core/things';
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
  'unit',
  'known_as',
  'litres_low',
  'litres_high',
  'litres_from',
  'mass_low_g',
  'mass_high_g',
  'mass_from',
  'upright_mm',
  'longest_mm',
  'cautions',
  'goes_to',
  'must_ask',
  'agreed_by',
  'picture',
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
      ...knownCells(event),
    };
  });
  return writeCsvTable(decisionCsvColumns, rows);
}

const figure = (value: number | undefined): string => (value === undefined ? '' : String(value));

/** What is known of a thing beyond what was decided of it. */
const knownCells = (event: DecidedEvent) => ({
  unit: event.unit ?? '',
  known_as: event.kindId ?? '',
  litres_low: figure(event.ranges?.litres.low),
  litres_high: figure(event.ranges?.litres.high),
  litres_from: event.ranges?.litres.from ?? '',
  mass_low_g: figure(event.ranges?.massG.low),
  mass_high_g: figure(event.ranges?.massG.high),
  mass_from: event.ranges?.massG.from ?? '',
  upright_mm: figure(event.uprightMm),
  longest_mm: figure(event.longestMm),
  // Told apart from "never looked at": nothing calls for care.
  cautions: event.cautions?.length === 0 ? NONE : (event.cautions ?? []).join('; '),
  goes_to: event.goesTo?.length === 0 ? NONE : (event.goesTo ?? []).join('; '),
  must_ask: event.mustAsk ?? '',
  agreed_by: event.agreedBy ?? '',
  picture: event.pictureId ?? '',
});
const NONE = 'none';

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

type ParseContext = CsvContext & {
  readonly createId: () => string;
  readonly now: string;
  /** Reads a line as at the bench, for what a new row leaves empty. */
  readonly readThing: (typed: string) => ParsedThing | undefined;
};

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
      ? decidedFacts(row, {
          roomId: room?.id ?? 'unknown',
          groupId: group?.id ?? null,
          readThing: context.readThing,
        })
      : { kind: row.kind, [row.kind === 'merged' ? 'intoId' : 'aboutId']: row.about_id }),
  });
  if (!parsed.success) return { faults: [...faults, ...fieldFaults(parsed.error, row, line)] };
  return faults.length > 0 ? { faults } : { line, event: parsed.data, newGroupName };
}

interface RowPlace {
  readonly roomId: string;
  readonly groupId: string | null;
  readonly readThing: ParseContext['readThing'];
}

const decidedFacts = (row: CsvRow, { roomId, groupId, readThing }: RowPlace) => {
  const count = row.count === '' ? 1 : Number(row.count);
  return {
    litres: 0,
    massG: 0,
    ...(row.decision_id === '' ? readFacts(row, readThing(`${count} ${row.thing}`)) : {}),
    kind: 'decided',
    roomId,
    name: row.thing,
    verdict: row.verdict,
    count,
    reasons: codesIn(row.reasons),
    groupId,
    to: row.to,
    ...(row.litres === '' ? {} : { litres: Number(row.litres) }),
    ...(row.mass_g === '' ? {} : { massG: Number(row.mass_g) }),
    ...(row.expires_on === '' ? {} : { expiresOn: row.expires_on }),
    ...knownFacts(row),
  };
};

const codesIn = (cell: string): string[] =>
  cell
    .split(';')
    .map((code) => code.trim())
    .filter((code) => code !== '' && code !== NONE);

/** A new row's facts as the bench would have read them; a figure that is written down is typed. */
function readFacts(row: CsvRow, read: ParsedThing | undefined) {
  if (!read) return {};
  const facts = factsOf(read);
  const said = (cell: string) => ({ low: Number(cell), high: Number(cell), from: 'typed' });
  return {
    ...facts,
    litres: read.litres,
    massG: read.massG,
    ranges: {
      litres: row.litres === '' ? facts.ranges.litres : said(row.litres),
      massG: row.mass_g === '' ? facts.ranges.massG : said(row.mass_g),
    },
  };
}

/** What a row says itself beyond what was decided; an empty cell says nothing. */
function knownFacts(row: CsvRow): Readonly<Record<string, unknown>> {
  const number = (cell: string) => (cell === '' ? undefined : Number(cell));
  const range = (low: string, high: string, from: string) => ({
    low: Number(low),
    high: Number(high),
    from,
  });
  const facts = {
    unit: row.unit || undefined,
    kindId: row.known_as || undefined,
    ranges:
      row.litres_from === ''
        ? undefined
        : {
            litres: range(row.litres_low, row.litres_high, row.litres_from),
            massG: range(row.mass_low_g, row.mass_high_g, row.mass_from),
          },
    uprightMm: number(row.upright_mm),
    longestMm: number(row.longest_mm),
    cautions: row.cautions === '' ? undefined : codesIn(row.cautions),
    goesTo: row.goes_to === '' ? undefined : codesIn(row.goes_to),
    mustAsk: row.must_ask || undefined,
    agreedBy: row.agreed_by || undefined,
    pictureId: row.picture || undefined,
  };
  return Object.fromEntries(Object.entries(facts).filter(([, value]) => value !== undefined));
}

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
    const column =
      COLUMN_OF_FIELD[issue.path.join('.')] ??
      COLUMN_OF_FIELD[String(issue.path[0])] ??
      String(issue.path[0]);
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
  unit: 'unit',
  kindId: 'known_as',
  'ranges.litres.low': 'litres_low',
  'ranges.litres.high': 'litres_high',
  'ranges.litres.from': 'litres_from',
  'ranges.massG.low': 'mass_low_g',
  'ranges.massG.high': 'mass_high_g',
  'ranges.massG.from': 'mass_from',
  uprightMm: 'upright_mm',
  longestMm: 'longest_mm',
  cautions: 'cautions',
  goesTo: 'goes_to',
  mustAsk: 'must_ask',
  agreedBy: 'agreed_by',
  pictureId: 'picture',
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
  litres_low: 'a number from 0',
  litres_high: 'a number from 0',
  litres_from: figureSources.join(', '),
  mass_low_g: 'grams, a number from 0',
  mass_high_g: 'grams, a number from 0',
  mass_from: figureSources.join(', '),
  upright_mm: 'millimetres',
  longest_mm: 'millimetres',
  cautions: cautionCodes.join('; '),
  goes_to: goesToCodes.join('; '),
};
