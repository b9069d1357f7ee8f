import 'server-only';

import { z } from 'zod';

import {
  layOutUnit,
  unitDoorSchema,
  unitKindSchema,
  type Bay,
  type BayAccess,
  type Room,
  type Unit,
} from '@/core/look';
import {
  bayIdSchema,
  formatLength,
  parseLength,
  roomIdSchema,
  unitIdSchema,
  type Length,
  type LengthUnit,
  type ProjectId,
} from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { loadRecords, type Records, roomRecord } from '@/data/records';
import { createId, nowIso } from '../means';
import { createRoom } from '../agree/saveProject';
import { readCsvTable, writeCsvTable, type CsvFault } from '../exchange/csvTable';
import { putUnit } from './saveUnit';

/** The columns of the open format, one line a bay; documented in docs/formats.md. */
const measuresCsvColumns = [
  'room',
  'unit',
  'kind',
  'unit_width',
  'unit_depth',
  'unit_height',
  'floor_gap',
  'door',
  'hole_pitch',
  'bay',
  'column',
  'row',
  'widths',
  'depths',
  'heights',
  'opening_width',
  'opening_height',
  'opening_left',
  'opening_bottom',
  'door_takes',
  'lip',
  'shelf_thickness',
  'false_floor',
  'door_swing',
  'door_load_kg',
  'max_load_kg',
  'traits',
  'obstacles',
] as const;
/** How one gets at a place: its fields and their columns. */
const ACCESS_COLUMNS = [
  ['openingLeft', 'opening_left'],
  ['openingBottom', 'opening_bottom'],
  ['doorTakes', 'door_takes'],
  ['lip', 'lip'],
  ['shelfThickness', 'shelf_thickness'],
  ['falseFloor', 'false_floor'],
  ['doorSwing', 'door_swing'],
] as const;
type AccessColumn = (typeof ACCESS_COLUMNS)[number][1] | 'door_load_kg';

const writeAccess = (access: BayAccess): Record<AccessColumn, string> => ({
  ...(Object.fromEntries(
    ACCESS_COLUMNS.map(([field, column]) => {
      const length = access[field];
      return [column, length ? written(length) : ''];
    }),
  ) as Record<(typeof ACCESS_COLUMNS)[number][1], string>),
  door_load_kg: access.doorLoadG === undefined ? '' : String(access.doorLoadG / 1000),
});

type Column = (typeof measuresCsvColumns)[number];
type CsvRow = Readonly<Record<Column, string>>;

const TRAITS = ['pullOut', 'moist', 'warm', 'light', 'lockable', 'outOfScope'] as const;
const TRAIT_WORDS: Readonly<Record<(typeof TRAITS)[number], string>> = {
  pullOut: 'pulls out',
  moist: 'damp',
  warm: 'warm',
  light: 'light',
  lockable: 'lockable',
  outOfScope: 'out of scope',
};

/** Writes every bay of a project's rooms; lengths as they were typed. */
export function writeMeasuresCsv({ rooms, units }: Records<'rooms' | 'units'>): string {
  const rows = units.flatMap((unit) =>
    unit.bays.map((bay): CsvRow => ({
      room: rooms.find(({ id }) => id === unit.roomId)?.name ?? '',
      unit: unit.name,
      kind: unit.kind,
      unit_width: written(unit.width),
      unit_depth: written(unit.depth),
      unit_height: written(unit.height),
      floor_gap: written(unit.floorGap),
      door: unit.door,
      hole_pitch: unit.holePitch ? written(unit.holePitch) : '',
      bay: bay.name,
      column: String(bay.columnIndex + 1),
      row: String(bay.rowIndex + 1),
      widths: bay.widthReadings.map(written).join('; '),
      depths: bay.depthReadings.map(written).join('; '),
      heights: bay.heightReadings.map(written).join('; '),
      opening_width: bay.openingWidth ? written(bay.openingWidth) : '',
      opening_height: bay.openingHeight ? written(bay.openingHeight) : '',
      ...writeAccess(bay.access),
      max_load_kg: bay.maxLoadG === null ? '' : String(bay.maxLoadG / 1000),
      traits: TRAITS.filter((trait) => bay[trait])
        .map((trait) => TRAIT_WORDS[trait])
        .join('; '),
      obstacles: bay.obstacles
        .map(
          ({ label, x, y, z, width, depth, height }) =>
            `${label} ${[x, y, z, width, depth, height].join(' ')}`,
        )
        .join('; '),
    })),
  );
  return writeCsvTable(measuresCsvColumns, rows);
}

/** As typed, with its unit; a bare number means nothing outside its household. */
const written = ({ mm, text }: Length): string =>
  /[a-z"'′″]/i.test(text) ? text : formatLength(mm, 'mm');

type UnitFacts = Omit<Unit, 'id' | 'roomId' | 'position' | 'place' | 'bays'>;
type BayFacts = Omit<Bay, 'id' | 'unitId'>;
interface MeasuredUnit {
  readonly roomName: string;
  readonly facts: UnitFacts;
  readonly bays: readonly BayFacts[];
  readonly line: number;
}
interface ParsedMeasures {
  readonly units: readonly MeasuredUnit[];
  readonly faults: readonly CsvFault[];
}

/**
 * Reads bays line by line; lines of the same room and unit are one unit. Every fault is told by
 * line and column.
 */
export function parseMeasuresCsv(text: string, defaultUnit: LengthUnit): ParsedMeasures {
  const table = readCsvTable(text, measuresCsvColumns, [
    'room',
    'unit',
    'unit_width',
    'unit_depth',
    'unit_height',
    'bay',
    'widths',
    'depths',
    'heights',
  ]);
  const faults: CsvFault[] = [...table.faults];
  const units: (Omit<MeasuredUnit, 'bays'> & { bays: BayFacts[] })[] = [];
  const badUnits = new Set<string>();
  for (const { line, row } of table.rows) {
    const read = readRow(row, line, defaultUnit);
    const key = `${row.room.toLowerCase()}\n${row.unit.toLowerCase()}`;
    if (read.faults.length > 0) {
      faults.push(...read.faults);
      badUnits.add(key);
      continue;
    }
    const known = units.find(
      ({ roomName, facts }) => `${roomName.toLowerCase()}\n${facts.name.toLowerCase()}` === key,
    );
    if (known) known.bays.push(read.bay);
    else units.push({ roomName: row.room, facts: read.facts, bays: [read.bay], line });
  }
  const sound = units.filter((unit) => {
    if (badUnits.has(`${unit.roomName.toLowerCase()}\n${unit.facts.name.toLowerCase()}`))
      return false;
    const layout = layOutUnit({
      ...unit.facts,
      bays: unit.bays.map((bay, i) => ({ ...bay, id: bayIdSchema.parse(`b${i}`) })),
    });
    if (!layout.ok)
      faults.push(
        ...layout.error.map((error): CsvFault => ({
          line: unit.line,
          column: 'unit',
          code: 'unreadable',
          found: unit.facts.name,
          expected: LAYOUT_EXPECTED[error.code],
        })),
      );
    return layout.ok;
  });
  return { units: sound, faults: faults.sort((a, b) => a.line - b.line) };
}

const LAYOUT_EXPECTED = {
  bays_wider_than_unit: 'columns that fit its width',
  bays_taller_than_unit: 'places that fit its height',
  bay_deeper_than_unit: 'places no deeper than it is',
  two_bays_in_one_place: 'a column and row of its own for each place',
  opening_larger: 'openings no larger than the inside',
  obstacle_outside: 'obstacles inside their place',
} as const;

function readRow(
  row: CsvRow,
  line: number,
  unit: LengthUnit,
): { readonly facts: UnitFacts; readonly bay: BayFacts; readonly faults: readonly CsvFault[] } {
  const faults: CsvFault[] = [];
  const fault = (column: Column, expected: string) =>
    faults.push({ line, column, code: 'unreadable', found: row[column], expected });
  const length = (column: Column, text: string, isPositive = true): Length => {
    const read = parseLength(text, unit);
    if (read.ok && (!isPositive || read.value.mm > 0)) return read.value;
    fault(column, 'a length such as 36.5 cm');
    return { mm: 0, text: '' };
  };
  const optional = (column: Column): Length | null =>
    row[column] === '' ? null : length(column, row[column]);
  const optionalAs = (
    field: keyof BayAccess,
    column: Column,
  ): Readonly<Partial<Record<keyof BayAccess, Length>>> => {
    const read = optional(column);
    return read ? { [field]: read } : {};
  };
  const readings = (column: Column): Length[] => {
    const parts = row[column]
      .split(';')
      .map((part) => part.trim())
      .filter(Boolean);
    if (parts.length < 1 || parts.length > 5) fault(column, 'one to five lengths, parted by ;');
    return parts.map((part) => length(column, part));
  };
  const whole = (column: Column, most: number): number => {
    const value = row[column] === '' ? 1 : Number(row[column]);
    if (!Number.isInteger(value) || value < 1 || value > most)
      fault(column, `a whole number from 1 to ${most}`);
    return value - 1;
  };
  const choice = <T extends string>(column: Column, schema: z.ZodType<T>, fallback: T): T => {
    const parsed = schema.safeParse(row[column] === '' ? fallback : row[column]);
    if (!parsed.success) fault(column, 'one of the words in the documentation');
    return parsed.success ? parsed.data : fallback;
  };
  for (const column of ['room', 'unit', 'bay'] as const)
    if (row[column] === '' || row[column].length > 60) fault(column, '1 to 60 letters');
  const traits = row.traits
    .split(';')
    .map((word) => word.trim().toLowerCase())
    .filter(Boolean);
  if (traits.some((word) => !Object.values(TRAIT_WORDS).includes(word)))
    fault('traits', Object.values(TRAIT_WORDS).join('; '));
  const kilograms = (column: 'max_load_kg' | 'door_load_kg'): number | null => {
    if (row[column] === '') return null;
    const read = Number(row[column].replace(',', '.'));
    if (!(read > 0 && read <= 100_000)) fault(column, 'kilograms above 0');
    return read;
  };
  const [kg, doorKg] = [kilograms('max_load_kg'), kilograms('door_load_kg')];
  const has = (trait: (typeof TRAITS)[number]) => traits.includes(TRAIT_WORDS[trait]);
  return {
    faults,
    facts: {
      name: row.unit,
      kind: choice('kind', unitKindSchema, 'other'),
      width: length('unit_width', row.unit_width),
      depth: length('unit_depth', row.unit_depth),
      height: length('unit_height', row.unit_height),
      floorGap:
        row.floor_gap === '' ? { mm: 0, text: '0' } : length('floor_gap', row.floor_gap, false),
      door: choice('door', unitDoorSchema, 'none'),
      holePitch: optional('hole_pitch'),
    },
    bay: {
      name: row.bay,
      columnIndex: whole('column', 12),
      rowIndex: whole('row', 20),
      widthReadings: readings('widths'),
      depthReadings: readings('depths'),
      heightReadings: readings('heights'),
      openingWidth: optional('opening_width'),
      openingHeight: optional('opening_height'),
      access: {
        ...(Object.assign(
          {},
          ...ACCESS_COLUMNS.map(([field, column]) => optionalAs(field, column)),
        ) as BayAccess),
        ...(doorKg === null ? {} : { doorLoadG: Math.round(doorKg * 1000) }),
      },
      maxLoadG: kg === null ? null : Math.round(kg * 1000),
      pullOut: has('pullOut'),
      moist: has('moist'),
      warm: has('warm'),
      light: has('light'),
      lockable: has('lockable'),
      outOfScope: has('outOfScope'),
      isUsual: false,
      obstacles: readObstacles(row.obstacles, () =>
        fault('obstacles', 'label x y z width depth height, in mm, parted by ;'),
      ),
    },
  };
}

function readObstacles(text: string, onFault: () => void): Bay['obstacles'] {
  return text
    .split(';')
    .map((part) => part.trim())
    .filter(Boolean)
    .flatMap((part) => {
      const match = /^(.{1,60}?)((?:\s+\d+(?:\.\d+)?){6})$/.exec(part);
      const [x = NaN, y = NaN, z = NaN, width = NaN, depth = NaN, height = NaN] = (match?.[2] ?? '')
        .trim()
        .split(/\s+/)
        .map(Number);
      if (match?.[1] !== undefined && width > 0 && depth > 0 && height > 0)
        return [{ label: match[1], x, y, z, width, depth, height }];
      onFault();
      return [];
    });
}

interface MeasuresOutcome {
  readonly faults: readonly CsvFault[];
  readonly goodCount: number;
  readonly outcome?: { readonly addedCount: number; readonly replacedCount: number };
}

/** The same as JSON: a list of bays, each with the columns of the CSV. */
const measuresJsonSchema = z.strictObject({
  format: z.literal('tin-box-measures'),
  version: z.literal(1),
  bays: z.array(z.partialRecord(z.enum(measuresCsvColumns), z.string())).max(20_000),
});

/** Writes the measures as JSON: the records of the CSV under the same names. */
export function writeMeasuresJson(records: Records<'rooms' | 'units'>): string {
  const table = readCsvTable(writeMeasuresCsv(records), measuresCsvColumns, []);
  return JSON.stringify(
    { format: 'tin-box-measures', version: 1, bays: table.rows.map(({ row }) => row) },
    null,
    1,
  );
}

/**
 * JSON becomes the CSV it stands for, so that both are read by one set of rules; faults then count
 * bays from line 2.
 */
export function measuresJsonToCsv(
  text: string,
): { readonly csv: string } | { readonly message: string } {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return { message: error instanceof Error ? error.message : 'this is no JSON' };
  }
  const parsed = measuresJsonSchema.safeParse(value);
  if (!parsed.success)
    return {
      message: parsed.error.issues
        .map((issue) => `${issue.path.join('.')}: ${issue.message}`)
        .slice(0, 5)
        .join('; '),
    };
  return {
    csv: writeCsvTable(
      measuresCsvColumns,
      parsed.data.bays.map(
        (bay) =>
          Object.fromEntries(
            measuresCsvColumns.map((column) => [column, bay[column] ?? '']),
          ) as CsvRow,
      ),
    ),
  };
}

/**
 * Brings measures in: rooms that are missing are made, a unit of the same name in the same room is replaced,
 * its bays kept by name. Nothing is kept unless every line is good, or the good units are asked for.
 */
export const importMeasures = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { csv, acceptGood }: { readonly csv: string; readonly acceptGood: boolean },
  ): Promise<MeasuresOutcome> => {
    const records = await loadRecords(
      db,
      projectId,
      'groups',
      'project',
      'rooms',
      'sections',
      'units',
    );
    const parsed = parseMeasuresCsv(csv, records.project.units);
    const head = { faults: parsed.faults, goodCount: parsed.units.length };
    if (parsed.units.length === 0 || (parsed.faults.length > 0 && !acceptGood)) return head;
    let replacedCount = 0;
    await recordChange(
      db,
      { projectId, deed: { code: 'units_read', count: parsed.units.length }, now: nowIso() },
      async (writer) => {
        const rooms: Room[] = [...records.rooms];
        const positions = new Map<string, number>();
        for (const { roomName, facts, bays } of parsed.units) {
          let room = rooms.find(({ name }) => name.toLowerCase() === roomName.toLowerCase());
          if (!room) {
            room = createRoom({
              id: roomIdSchema.parse(createId()),
              projectId,
              name: roomName,
              purpose: '',
              budgetMinor: 0,
              position: rooms.length,
            });
            rooms.push(room);
            await writer.insert(roomRecord, room);
          }
          const roomId = room.id;
          const before = records.units.find(
            (unit) =>
              unit.roomId === roomId && unit.name.toLowerCase() === facts.name.toLowerCase(),
          );
          if (before) replacedCount += 1;
          const unitId = before?.id ?? unitIdSchema.parse(createId());
          const nextPosition =
            positions.get(roomId) ?? records.units.filter((unit) => unit.roomId === roomId).length;
          if (!before) positions.set(roomId, nextPosition + 1);
          const withIds = bays.map((bay): Bay => ({
            ...bay,
            unitId,
            id:
              before?.bays.find(({ name }) => name.toLowerCase() === bay.name.toLowerCase())?.id ??
              bayIdSchema.parse(createId()),
          }));
          await putUnit(writer, records, {
            before,
            unit: {
              ...facts,
              id: unitId,
              roomId,
              position: before?.position ?? nextPosition,
              place: before?.place ?? null,
              bays: withIds,
            },
          });
        }
      },
    );
    return { ...head, outcome: { addedCount: parsed.units.length - replacedCount, replacedCount } };
  },
);
