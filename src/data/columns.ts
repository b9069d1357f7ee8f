import type { z } from 'zod';

/** How one field of a record lies in its column. */
export interface Column {
  readonly name: string;
  readonly write: (value: unknown) => unknown;
  readonly read: (stored: unknown) => unknown;
}
const same = (value: unknown): unknown => value;

/** Text and numbers lie as they are. */
export const plain = (name: string): Column => ({ name, write: same, read: same });
/** SQLite has no booleans: 0 or 1. */
export const flag = (name: string): Column => ({
  name,
  write: (value) => (value === true ? 1 : 0),
  read: (stored) => stored === 1,
});
/** Small values that are only read whole: lengths with their text, lists of readings. */
export const json = (name: string): Column => ({
  name,
  write: (value) => JSON.stringify(value),
  read: (stored) => JSON.parse(String(stored)) as unknown,
});

export type Row = Readonly<Record<string, unknown>>;

/** A table whose rows are records of one schema; every row read is parsed. */
export interface Table<T> {
  readonly name: string;
  /** The column of a field. */
  readonly columnOf: (field: string) => string;
  /** Of what comes from outside. */
  readonly schema: z.ZodType<T>;
  readonly toRow: (record: T) => Row;
  readonly fromRow: (row: Row) => T;
}

/** Requires: `columns` names every field of the schema; the key column is called `id`. */
export function defineTable<S extends z.ZodType<object>>(
  name: string,
  schema: S,
  columns: Readonly<Record<keyof z.infer<S> & string, Column>>,
): Table<z.infer<S>> {
  const entries = Object.entries<Column>(columns);
  return {
    name,
    columnOf: (field) => {
      const column = entries.find(([known]) => known === field)?.[1];
      if (!column) throw new Error(`${name} has no field ${field}`);
      return column.name;
    },
    schema: schema as unknown as z.ZodType<z.infer<S>>,
    toRow: (record) =>
      Object.fromEntries(
        entries.map(([field, column]) => [column.name, column.write((record as Row)[field])]),
      ),
    fromRow: (row) =>
      schema.parse(
        Object.fromEntries(
          entries.map(([field, column]) => [field, column.read(row[column.name])]),
        ),
      ),
  };
}

/** Runs a query and parses every row. */
export async function readAll<T>(
  table: Table<T>,
  query: PromiseLike<readonly Row[]>,
): Promise<T[]> {
  return (await query).map(table.fromRow);
}
