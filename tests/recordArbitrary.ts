import fc from 'fast-check';
import type { z } from 'zod';

import { recordChange, type ChangeWriter } from '@/data/changes';
import type { Db } from '@/data/db';
import { mapIds } from '@/data/idPaths';
import { listOwned, recordKinds, type AnyRecord, type RecordKind } from '@/data/records';
import { HOME } from './builders';

/** What of Zod's own description is read here. */
interface Def {
  readonly type: string;
  readonly format?: string;
  readonly checks?: readonly { readonly _zod: { readonly def: Check } }[];
  readonly shape?: Readonly<Record<string, Described>>;
  readonly element?: Described;
  readonly innerType?: Described;
  readonly in?: Described;
  readonly keyType?: Described;
  readonly valueType?: Described;
  readonly options?: readonly Described[];
  readonly entries?: Readonly<Record<string, string>>;
  readonly values?: readonly unknown[];
}
interface Described {
  readonly _zod: { readonly def: Def };
}
interface Check {
  readonly check: string;
  readonly format?: string;
  readonly pattern?: RegExp;
  readonly value?: number;
  readonly minimum?: number;
  readonly maximum?: number;
}

/** Records that a schema takes, made from nothing but the schema: a new field is tried without a word. */
export const recordArbitrary = <T>(schema: z.ZodType<T>): fc.Arbitrary<T> =>
  arbitraryOf(schema as unknown as Described)
    .map((value) => schema.safeParse(value))
    .filter(({ success }) => success)
    .map(({ data }) => data as T);

function arbitraryOf(schema: Described): fc.Arbitrary<unknown> {
  const { def } = schema._zod;
  const checks = (def.checks ?? []).map((each) => each._zod.def);
  switch (def.type) {
    case 'object':
      return fc.record(
        Object.fromEntries(
          Object.entries(def.shape ?? {}).map(([field, inner]) => [field, arbitraryOf(inner)]),
        ),
      );
    case 'array':
      return fc.array(arbitraryOf(need(def.element)), {
        minLength: limitOf(checks, 'min_length') ?? 0,
        maxLength: Math.max(2, limitOf(checks, 'min_length') ?? 0),
      });
    case 'record':
      return fc.dictionary(
        arbitraryOf(need(def.keyType)) as fc.Arbitrary<string>,
        arbitraryOf(need(def.valueType)),
        { maxKeys: 2 },
      );
    case 'string':
      return textOf(def, checks);
    case 'number':
      return numberOf(checks);
    case 'boolean':
      return fc.boolean();
    case 'enum':
      return fc.constantFrom(...Object.values(def.entries ?? {}));
    case 'literal':
      return fc.constantFrom(...(def.values ?? []));
    case 'union':
      return fc.oneof(...(def.options ?? []).map(arbitraryOf));
    case 'nullable':
      return fc.option(arbitraryOf(need(def.innerType)), { nil: null });
    case 'optional':
    case 'default':
      return arbitraryOf(need(def.innerType));
    case 'pipe':
      return arbitraryOf(need(def.in));
    default:
      throw new Error(`no arbitrary is known for a Zod ${def.type}`);
  }
}

const need = (inner: Described | undefined): Described => {
  if (!inner) throw new Error('the schema says nothing of what is inside');
  return inner;
};
const limitOf = (checks: readonly Check[], name: string): number | undefined => {
  const check = checks.find((each) => each.check === name);
  return check && (check.minimum ?? check.maximum ?? check.value);
};

function textOf(def: Def, checks: readonly Check[]): fc.Arbitrary<string> {
  if (def.format === 'date') return fc.constantFrom('2026-03-01', '2026-11-29');
  if (def.format === 'datetime') return fc.constantFrom('2026-03-01T08:00:00.000Z');
  const pattern = checks.find((each) => each.pattern)?.pattern;
  if (pattern) return fc.stringMatching(pattern, { maxLength: 12, size: 'small' });
  return fc.stringMatching(/^[a-zé"\\%_ -]*[a-z]$/u, { maxLength: 8 });
}

function numberOf(checks: readonly Check[]): fc.Arbitrary<number> {
  const min = limitOf(checks, 'greater_than') ?? -100;
  const max = Math.min(limitOf(checks, 'less_than') ?? 1000, min + 1000);
  const isWhole = checks.some((each) => each.format === 'safeint');
  return isWhole
    ? fc.integer({ min: Math.ceil(min), max: Math.floor(max) })
    : fc.integer({ min: 1, max: 99 }).map((share) => min + ((max - min) * share) / 100);
}

/** Records by kind, each kind with at least one, all of one home and naming each other. */
export type EveryRecord = ReadonlyMap<string, readonly AnyRecord[]>;

/** A home in which every kind of record stands, whatever kinds there are. */
export const everyRecord: fc.Arbitrary<EveryRecord> = fc
  .tuple(
    ...recordKinds.map(({ table, name }) =>
      fc.array(recordArbitrary(table.schema), {
        minLength: 1,
        maxLength: name === 'projects' ? 1 : 2,
      }),
    ),
  )
  .map((lists) => {
    const made = new Map<string, AnyRecord[]>();
    for (const [i, kind] of recordKinds.entries()) {
      // Where the id is another's or made of others there is one to each of those.
      const isKeyed = kind.composeId !== undefined || kind.parent?.field === 'id';
      const list = isKeyed ? lists[i]?.slice(0, 1) : lists[i];
      made.set(
        kind.name,
        (list ?? []).map((record, index) =>
          join(kind, { ...record, id: `${kind.name}-${index}` }, made),
        ),
      );
    }
    return made;
  });

/** Gives a record names that stand in the home: those made before it, and its own kind's first. */
export function join(kind: RecordKind, record: AnyRecord, made: EveryRecord): AnyRecord {
  const named = mapIds(record, kind.ids, (id, target) => {
    const names = target.split('|').filter((name) => name !== '?');
    if (names.some((name) => name.endsWith('~'))) return id;
    const known = names.flatMap((name) => made.get(name) ?? []);
    return known[id.length % Math.max(1, known.length)]?.id ?? `${names[0]}-0`;
  });
  const owned = kind.parent?.kind === 'projects' ? { ...named, [kind.parent.field]: HOME } : named;
  const its = kind.name === 'projects' ? { ...owned, id: HOME } : owned;
  return kind.composeId ? { ...its, id: kind.composeId(its) } : its;
}

/** Writes all of it as one change. */
export const insertEvery = (db: Db, every: EveryRecord): Promise<void> =>
  recordChange(
    db,
    { projectId: HOME, deed: { code: 'units_read' }, now: '2026-03-01T08:00:00.000Z' },
    async (writer) => {
      for (const kind of recordKinds)
        for (const record of every.get(kind.name) ?? []) await writer.put(kind, record);
    },
  );

/** Does something to a home as one change. */
export const change = (db: Db, work: (writer: ChangeWriter) => Promise<void>): Promise<void> =>
  recordChange(
    db,
    { projectId: HOME, deed: { code: 'unit_changed' }, now: '2026-03-01T08:00:00.000Z' },
    work,
  );

/** Everything that the home holds, by kind and id. */
export async function stateOf(db: Db): Promise<Record<string, AnyRecord>> {
  const state: Record<string, AnyRecord> = {};
  for (const kind of recordKinds)
    for (const record of await listOwned(db, kind, HOME))
      state[`${kind.name} ${record.id}`] = record;
  return state;
}
