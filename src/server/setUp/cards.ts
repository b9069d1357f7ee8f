import 'server-only';

import type { Jar, Kit, Routine } from '@/core/setUp';
import {
  jarIdSchema,
  kitIdSchema,
  routineIdSchema,
  type JarId,
  type KitId,
  type ProjectId,
  type RoutineId,
} from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { jarRecord, kitRecord, loadRecords, routineRecord } from '@/data/records';
import { createId, nowIso } from '../means';

type Typed<T extends { readonly id: unknown; readonly position: unknown }> = Omit<
  T,
  'id' | 'position'
>;

const nextPosition = (all: readonly { readonly position: number }[]): number =>
  Math.max(-1, ...all.map(({ position }) => position)) + 1;
function required<T extends { readonly id: string }>(all: readonly T[], id: string): T {
  const found = all.find((each) => each.id === id);
  if (!found) throw new DataError('not_found', `there is no ${id}`);
  return found;
}

/** Keeps a jar, new where `id` is undefined. @errors `not_found`. */
export const keepJar = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { id, jar }: { readonly id: JarId | undefined; readonly jar: Typed<Jar> },
  ): Promise<void> => {
    const { jars } = await loadRecords(db, projectId, 'jars');
    const record: Jar =
      id === undefined
        ? { ...jar, id: jarIdSchema.parse(createId()), position: nextPosition(jars) }
        : { ...required(jars, id), ...jar };
    const deed = { code: 'jar_kept', name: jar.product } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(jarRecord, record),
    );
  },
);

export const removeJar = atomic(async (db: Db, projectId: ProjectId, id: JarId): Promise<void> => {
  const { jars } = await loadRecords(db, projectId, 'jars');
  const deed = { code: 'jar_removed', name: required(jars, id).product } as const;
  await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
    writer.remove(jarRecord, id),
  );
});

/** Keeps a routine, new where `id` is undefined. @errors `not_found`. */
export const keepRoutine = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      id,
      routine,
    }: {
      readonly id: RoutineId | undefined;
      readonly routine: Pick<Routine, 'roomId' | 'name' | 'broke' | 'steps'>;
    },
  ): Promise<void> => {
    const { routines } = await loadRecords(db, projectId, 'routines');
    const record: Routine =
      id === undefined
        ? {
            ...routine,
            id: routineIdSchema.parse(createId()),
            hungOn: null,
            checks: [],
            position: nextPosition(routines),
          }
        : { ...required(routines, id), ...routine };
    const deed = { code: 'routine_kept', name: routine.name } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(routineRecord, record),
    );
  },
);

/** Its card hangs up since a day, or no longer; or it was looked at again, and holds or does not. */
export const noteRoutine = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      id,
      ...note
    }: { readonly id: RoutineId } & (
      { readonly hungOn: string | null } | { readonly check: Routine['checks'][number] }
    ),
  ): Promise<void> => {
    const { routines } = await loadRecords(db, projectId, 'routines');
    const before = required(routines, id);
    const deed = {
      code: 'hungOn' in note ? 'routine_hung' : 'routine_checked',
      name: before.name,
    } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(
        routineRecord,
        'hungOn' in note
          ? { ...before, hungOn: note.hungOn }
          : { ...before, checks: [...before.checks, note.check] },
      ),
    );
  },
);

export const removeRoutine = atomic(
  async (db: Db, projectId: ProjectId, id: RoutineId): Promise<void> => {
    const { routines } = await loadRecords(db, projectId, 'routines');
    const deed = { code: 'routine_removed', name: required(routines, id).name } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.remove(routineRecord, id),
    );
  },
);

/** Keeps a kit, new where `id` is undefined; what was packed of it stays packed. @errors `not_found`. */
export const keepKit = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      id,
      kit,
    }: {
      readonly id: KitId | undefined;
      readonly kit: Pick<Kit, 'name' | 'personId'> & { readonly items: readonly string[] };
    },
  ): Promise<void> => {
    const { kits } = await loadRecords(db, projectId, 'kits');
    const before = id === undefined ? undefined : required(kits, id);
    const packed = new Set(
      (before?.items ?? []).filter(({ isPacked }) => isPacked).map(({ name }) => name),
    );
    const record: Kit = {
      id: before?.id ?? kitIdSchema.parse(createId()),
      projectId,
      name: kit.name,
      personId: kit.personId,
      position: before?.position ?? nextPosition(kits),
      items: kit.items.map((name) => ({ name, isPacked: packed.has(name) })),
    };
    const deed = { code: 'kit_kept', name: kit.name } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(kitRecord, record),
    );
  },
);

/** An item is in the bag, or out of it; without an item the bag is emptied. */
export const packKit = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { id, item }: { readonly id: KitId; readonly item: string | undefined },
  ): Promise<void> => {
    const { kits } = await loadRecords(db, projectId, 'kits');
    const before = required(kits, id);
    const deed = { code: 'kit_packed', name: before.name } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(kitRecord, {
        ...before,
        items: before.items.map((each) => {
          if (item === undefined) return { ...each, isPacked: false };
          return each.name === item ? { ...each, isPacked: !each.isPacked } : each;
        }),
      }),
    );
  },
);

export const removeKit = atomic(async (db: Db, projectId: ProjectId, id: KitId): Promise<void> => {
  const { kits } = await loadRecords(db, projectId, 'kits');
  const deed = { code: 'kit_removed', name: required(kits, id).name } as const;
  await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
    writer.remove(kitRecord, id),
  );
});
