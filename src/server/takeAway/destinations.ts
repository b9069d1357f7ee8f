import 'server-only';

import {
  formatMoneyInput,
  haulDestinationIdSchema,
  parseMoney,
  type HaulDestinationId,
} from '@/core/shared';
import {
  haulDestinationSchema,
  readExceptions,
  readHours,
  readRefuses,
  streams,
  writeExceptions,
  writeHours,
  writeRefuses,
  type HaulDestination,
} from '@/core/takeAway';
import { DataError, type Db } from '@/data/db';
import { haulDestinationRecord, putShared } from '@/data/records';
import { readCsvTable, writeCsvTable, type CsvFault } from '../exchange/csvTable';
import { createId } from '../means';
import { listDestinations } from './leaving';

export type DestinationInput = Omit<HaulDestination, 'id' | 'between'>;

/** Keeps a destination, new where `id` is undefined; it serves every home. @errors `not_found`. */
export async function saveDestination(
  db: Db,
  { id, ...input }: DestinationInput & { readonly id: HaulDestinationId | undefined },
): Promise<void> {
  const before = (await listDestinations(db)).find((each) => each.id === id);
  if (id !== undefined && !before) throw new DataError('not_found', 'no such destination');
  await putShared(db, haulDestinationRecord, {
    ...input,
    id: id ?? haulDestinationIdSchema.parse(createId()),
    between: before?.between ?? [],
  });
}

/** How long one drives from one to another, typed; undefined: as far as it can be worked out. @errors `not_found`. */
export async function saveBetween(
  db: Db,
  {
    fromId,
    toId,
    minutes,
  }: {
    readonly fromId: HaulDestinationId;
    readonly toId: HaulDestinationId;
    readonly minutes: number | undefined;
  },
): Promise<void> {
  const all = await listDestinations(db);
  const [from, to] = [all.find(({ id }) => id === fromId), all.find(({ id }) => id === toId)];
  if (!from || !to) throw new DataError('not_found', 'no such destination');
  await db.transaction(async (trx) => {
    for (const [one, other] of [
      [from, to],
      [to, from],
    ] as const)
      await putShared(trx, haulDestinationRecord, {
        ...one,
        between: [
          ...one.between.filter(({ id }) => id !== other.id),
          ...(minutes !== undefined && one === from ? [{ id: other.id, minutes }] : []),
        ],
      });
  });
}

/** Takes a destination off the list; what was handed over there keeps its name. */
export async function removeDestination(db: Db, id: HaulDestinationId): Promise<void> {
  const count = await db(haulDestinationRecord.table.name).where({ id }).delete();
  if (count === 0) throw new DataError('not_found', 'no such destination');
}

/** One line a destination; documented in docs/formats.md. */
export const destinationCsvColumns = [
  'name',
  'streams',
  'address',
  'latitude',
  'longitude',
  'minutes',
  'hours',
  'exceptions',
  'refuses',
  'bags_per_visit',
  'unload_minutes',
  'by_appointment',
  'collects',
  'gives_receipt',
  'fee',
  'note',
] as const;
type Column = (typeof destinationCsvColumns)[number];

const oneLine = (text: string): string => text.split('\n').join('; ');

export const writeDestinationsCsv = (destinations: readonly HaulDestination[]): string =>
  writeCsvTable(
    destinationCsvColumns,
    destinations.map((each) => ({
      name: each.name,
      streams: each.streams.join(' '),
      address: each.address,
      latitude: each.position ? String(each.position.latitude) : '',
      longitude: each.position ? String(each.position.longitude) : '',
      minutes: each.minutes === null ? '' : String(each.minutes),
      hours: oneLine(writeHours(each.hours)),
      exceptions: oneLine(writeExceptions(each.exceptions)),
      refuses: oneLine(writeRefuses(each.refuses)),
      bags_per_visit: each.bagsPerVisit === null ? '' : String(each.bagsPerVisit),
      unload_minutes: String(each.unloadMinutes),
      by_appointment: each.byAppointment ? 'yes' : '',
      collects: each.collects ? 'yes' : '',
      gives_receipt: each.givesReceipt ? 'yes' : '',
      fee: formatMoneyInput(each.feeMinor),
      note: each.note,
    })),
  );

/** What became of a table: what is wrong in it, and what was kept where something was. */
export interface DestinationsRead {
  readonly faults: readonly CsvFault[];
  readonly goodCount: number;
  readonly outcome?: { readonly addedCount: number; readonly replacedCount: number };
}

/**
 * Reads a table of destinations, all of it or nothing unless the good rows are wanted: a name that is known
 * is changed, a new one is added. Every cell that cannot be read is named.
 */
export async function readDestinationsCsv(
  db: Db,
  { text, acceptGoodRows }: { readonly text: string; readonly acceptGoodRows: boolean },
): Promise<DestinationsRead> {
  const table = readCsvTable(text, destinationCsvColumns, ['name', 'streams']);
  const known = await listDestinations(db);
  const rows = table.rows.map(({ line, row }) => ({ line, row, ...readRow(row) }));
  const faults: CsvFault[] = [
    ...table.faults,
    ...rows.flatMap(({ line, row, wrong }) =>
      wrong.map(({ column, expected }) => ({
        line,
        column,
        code: 'unreadable' as const,
        found: row[column],
        expected,
      })),
    ),
  ];
  const good = rows.flatMap(({ destination }) => destination ?? []);
  if ((faults.length > 0 && !acceptGoodRows) || good.length === 0)
    return { faults, goodCount: good.length };
  const beforeOf = (name: string) =>
    known.find((each) => each.name.toLowerCase() === name.toLowerCase());
  await db.transaction(async (trx) => {
    for (const destination of good)
      await putShared(trx, haulDestinationRecord, {
        ...destination,
        id: beforeOf(destination.name)?.id ?? haulDestinationIdSchema.parse(createId()),
        between: beforeOf(destination.name)?.between ?? [],
      });
  });
  const replacedCount = good.filter(({ name }) => beforeOf(name)).length;
  return {
    faults,
    goodCount: good.length,
    outcome: { addedCount: good.length - replacedCount, replacedCount },
  };
}

interface Wrong {
  readonly column: Column;
  readonly expected: string;
}
function readRow(row: Readonly<Record<Column, string>>): {
  readonly destination: DestinationInput | undefined;
  readonly wrong: readonly Wrong[];
} {
  const wrong: Wrong[] = [];
  const number = (column: Column, expected: string): number | null => {
    const text = row[column].trim();
    if (text === '') return null;
    const value = Number(text.replace(',', '.'));
    if (!Number.isFinite(value)) wrong.push({ column, expected });
    return value;
  };
  const yes = (column: Column): boolean => /^(?:yes|y|true|1)$/i.test(row[column].trim());
  const hours = readHours(row.hours);
  const exceptions = readExceptions(row.exceptions);
  const refuses = readRefuses(row.refuses);
  if (!hours.ok) wrong.push({ column: 'hours', expected: 'such as Mon-Fri 9:00-17:00' });
  if (!exceptions.ok) wrong.push({ column: 'exceptions', expected: 'such as 2026-12-24 closed' });
  if (!refuses.ok)
    wrong.push({ column: 'refuses', expected: 'such as mattresses; longer than 180 cm' });
  const latitude = number('latitude', 'degrees');
  const longitude = number('longitude', 'degrees');
  const fee = row.fee.trim() === '' ? { ok: true as const, value: 0 } : parseMoney(row.fee);
  if (!fee.ok) wrong.push({ column: 'fee', expected: 'an amount such as 4.50' });
  const parsed = haulDestinationSchema.omit({ id: true, between: true }).safeParse({
    name: row.name,
    streams: row.streams.split(/[\s,;]+/).filter((word) => word !== ''),
    address: row.address,
    position: latitude === null || longitude === null ? null : { latitude, longitude },
    minutes: number('minutes', 'whole minutes'),
    hours: hours.ok ? hours.value : [],
    exceptions: exceptions.ok ? exceptions.value : [],
    refuses: refuses.ok ? refuses.value : [],
    bagsPerVisit: number('bags_per_visit', 'a whole number'),
    unloadMinutes: number('unload_minutes', 'whole minutes') ?? 10,
    byAppointment: yes('by_appointment'),
    collects: yes('collects'),
    givesReceipt: yes('gives_receipt'),
    feeMinor: fee.ok ? fee.value : 0,
    note: row.note,
  });
  if (!parsed.success)
    wrong.push(
      ...parsed.error.issues.map(({ path, message }): Wrong => ({
        column: columnOf(path),
        expected: path[0] === 'streams' ? `of ${streams.join(' ')}` : message,
      })),
    );
  return { destination: parsed.success && wrong.length === 0 ? parsed.data : undefined, wrong };
}
const columnOf = ([field, part]: readonly PropertyKey[]): Column => {
  const snake = String(field).replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
  if (field === 'position') return part === 'longitude' ? 'longitude' : 'latitude';
  if (field === 'feeMinor') return 'fee';
  return destinationCsvColumns.find((column) => column === snake) ?? 'name';
};
