import 'server-only';

import type { z } from 'zod';

import { defineTable, type Column, type Table } from '../columns';

/** A record as every kind has it: keyed by its id, its fields known to its table. */
export type AnyRecord = Readonly<Record<string, unknown>> & { readonly id: string };

/**
 * What a record is, said once. Loading, the guard between homes, removal with children, undo, the
 * file of a home out and in with fresh ids, what is forgotten with a home, and the list in docs
 * follow from it.
 */
export interface RecordKind<T = AnyRecord, N extends string = string> {
  /** In the field's plural; by it a home's file and `loadRecords` know it. */
  readonly name: N;
  readonly table: Table<T>;
  /** The record that it belongs to and goes with; none for a project. */
  readonly parent: { readonly kind: string; readonly field: string } | undefined;
  /** The parent's id is among them. */
  readonly ids: Readonly<Record<string, string>>;
  readonly composeId: ((record: T) => string) | undefined;
  readonly fileField: string | undefined;
  readonly shared: 'always' | 'without_parent' | undefined;
  readonly order: readonly { readonly column: string; readonly order: 'asc' | 'desc' }[];
}

interface Definition<N extends string, S extends z.ZodType<{ readonly id: string }>> {
  readonly name: N;
  /** Its table, and where each field lies in it; the key column is called `id`. */
  readonly table: string;
  readonly schema: S;
  readonly columns: Readonly<Record<keyof z.infer<S> & string, Column>>;
  readonly parent?: readonly [field: keyof z.infer<S> & string, kind: string];
  /**
   * The ids it names, by path (`idPaths.ts`), and of which kinds they may be, parted by `|`; `?` where
   * the text may also be something that is no id; `~` where the id ends a longer text.
   */
  readonly ids?: Readonly<Record<string, string>>;
  /** Makes the id where it is made of others: a room's line has one yes. */
  readonly composeId?: (record: z.infer<S>) => string;
  /** The field that names a picture's files; none where it has no picture. */
  readonly fileField?: keyof z.infer<S> & string;
  /** The organizer's own for every home: always, or where it has no parent. */
  readonly shared?: 'always' | 'without_parent';
  /** Fields by which a list of them is ordered, `-` for the greatest first; else as they came. */
  readonly order?: readonly string[];
}

/** Says what a kind of record is; it counts once it stands in `records/index.ts`. */
export function defineRecord<const N extends string, S extends z.ZodType<{ readonly id: string }>>(
  definition: Definition<N, S>,
): RecordKind<z.infer<S>, N> {
  const { parent, ids = {}, order = [] } = definition;
  const table = defineTable(definition.table, definition.schema, definition.columns);
  return {
    name: definition.name,
    table,
    parent: parent && { field: parent[0], kind: parent[1] },
    ids: parent ? { [parent[0]]: parent[1], ...ids } : ids,
    composeId: definition.composeId,
    fileField: definition.fileField,
    shared: definition.shared,
    order: order.map((field) =>
      field.startsWith('-')
        ? { column: table.columnOf(field.slice(1)), order: 'desc' }
        : { column: table.columnOf(field), order: 'asc' },
    ),
  };
}
