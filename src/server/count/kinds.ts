import 'server-only';

import {
  addWeighing,
  findShippedKind,
  kindSizeSchema,
  noKindSize,
  type KindSize,
} from '@/core/sort';
import { listKindSizes, putKindSize } from '@/data/countRepo';
import type { Db } from '@/data/db';
import { readCsvTable, writeCsvTable, type CsvFault } from '../exchange/csvTable';

/** What is known of a kind, under its first phrase, whichever of its phrases it is called by. */
async function knownSize(db: Db, name: string): Promise<KindSize> {
  const id = findShippedKind(name)?.id ?? name.trim().toLowerCase();
  return (await listKindSizes(db)).find((size) => size.id === id) ?? noKindSize(id);
}

type Told = {
  readonly [K in keyof Omit<KindSize, 'id' | 'weighedCount' | 'weighedG'>]?:
    KindSize[K] | undefined;
};

/** Keeps what is told of a kind; the rest of it stays. Makes one of the organizer's own where none is so called. */
export async function keepKind(db: Db, name: string, told: Told): Promise<void> {
  const known = await knownSize(db, name);
  const said = Object.fromEntries(Object.entries(told).filter(([, value]) => value !== undefined));
  await putKindSize(db, kindSizeSchema.parse({ ...known, ...said }));
}

export async function weighKind(
  db: Db,
  name: string,
  weighing: { readonly count: number; readonly massG: number },
): Promise<void> {
  await putKindSize(db, addWeighing(await knownSize(db, name), weighing));
}

/** The columns of the open format, in their order; documented in docs/formats.md. */
const columns = [
  'kind',
  'words',
  'litres',
  'mass_g',
  'upright_mm',
  'longest_mm',
  'weighed_count',
  'weighed_g',
] as const;

export function writeKindsCsv(sizes: readonly KindSize[]): string {
  const figure = (value: number | null) => (value === null ? '' : String(value));
  return writeCsvTable(
    columns,
    sizes.map((size) => ({
      kind: size.id,
      words: size.words.join('; '),
      litres: figure(size.litres),
      mass_g: figure(size.massG),
      upright_mm: figure(size.uprightMm),
      longest_mm: figure(size.longestMm),
      weighed_count: size.weighedCount === 0 ? '' : String(size.weighedCount),
      weighed_g: size.weighedG === 0 ? '' : String(size.weighedG),
    })),
  );
}

interface ReadKinds {
  readonly sizes: readonly KindSize[];
  readonly faults: readonly CsvFault[];
}

/** Reads every good row, and every fault by line and column. */
export function readKindsCsv(text: string): ReadKinds {
  const table = readCsvTable(text, columns, ['kind']);
  const sizes: KindSize[] = [];
  const faults: CsvFault[] = [...table.faults];
  for (const { line, row } of table.rows) {
    const figure = (cell: string) => (cell.trim() === '' ? null : Number(cell.replace(',', '.')));
    const parsed = kindSizeSchema.safeParse({
      id: findShippedKind(row.kind)?.id ?? row.kind.trim().toLowerCase(),
      words: row.words
        .split(';')
        .map((word) => word.trim().toLowerCase())
        .filter((word) => word !== ''),
      litres: figure(row.litres),
      massG: figure(row.mass_g),
      uprightMm: figure(row.upright_mm),
      longestMm: figure(row.longest_mm),
      weighedCount: figure(row.weighed_count) ?? 0,
      weighedG: figure(row.weighed_g) ?? 0,
    });
    if (parsed.success) sizes.push(parsed.data);
    else for (const issue of parsed.error.issues) faults.push(toFault(issue, line, row));
  }
  return { sizes, faults };
}

const COLUMN_OF: Readonly<Record<string, (typeof columns)[number]>> = {
  id: 'kind',
  words: 'words',
  litres: 'litres',
  massG: 'mass_g',
  uprightMm: 'upright_mm',
  longestMm: 'longest_mm',
  weighedCount: 'weighed_count',
  weighedG: 'weighed_g',
};
function toFault(
  issue: { readonly path: readonly PropertyKey[]; readonly message: string },
  line: number,
  row: Readonly<Record<(typeof columns)[number], string>>,
): CsvFault {
  const column = COLUMN_OF[String(issue.path[0])] ?? 'kind';
  return { line, column, code: 'unreadable', found: row[column], expected: issue.message };
}

interface KindsOutcome {
  readonly faults: readonly CsvFault[];
  readonly goodCount: number;
  readonly outcome?: { readonly addedCount: number; readonly replacedCount: number };
}

/** Takes a table of kinds over: where a row has a fault nothing, or the good rows where that was asked. */
export async function importKinds(
  db: Db,
  { text, acceptGood }: { readonly text: string; readonly acceptGood: boolean },
): Promise<KindsOutcome> {
  const { sizes, faults } = readKindsCsv(text);
  if (faults.length > 0 && !acceptGood) return { faults, goodCount: sizes.length };
  const known = new Set((await listKindSizes(db)).map(({ id }) => id));
  await db.transaction(async (trx) => {
    for (const size of sizes) await putKindSize(trx, size);
  });
  const replacedCount = sizes.filter(({ id }) => known.has(id)).length;
  return { faults, goodCount: sizes.length, outcome: { addedCount: sizes.length, replacedCount } };
}
