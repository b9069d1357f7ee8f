import 'server-only';

import { layOutUnit, type Bay, type LayOutUnitError, type Unit } from '@/core/look';
import {
  bayIdSchema,
  err,
  ok,
  unitIdSchema,
  type ProjectId,
  type Result,
  type RoomId,
  type UnitId,
} from '@/core/shared';
import { atomic, recordChange, type ChangeWriter } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import {
  bayRecord,
  groupRecord,
  loadRecords,
  type Records,
  sectionRecord,
  unitRecord,
} from '@/data/records';
import { createId, nowIso } from '../means';

/** A bay as the form gives it; without an id it is new. */
type BayInput = Omit<Bay, 'id' | 'unitId'> & { readonly id: string | undefined };
export type UnitInput = Omit<Unit, 'id' | 'roomId' | 'position' | 'place' | 'bays'> & {
  /** A new one has its own where it was given one, or none. */
  readonly id: string | undefined;
  readonly roomId: RoomId;
  readonly bays: readonly BayInput[];
};

/**
 * Keeps a unit with its measures. Bays that are gone lose their fit, and their groups become
 * unplaced; where only measures changed, a fit that was taken stays and is checked where it is shown.
 * @errors what `layOutUnit` finds, with nothing kept.
 */
export const saveUnit = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: UnitInput,
  ): Promise<Result<UnitId, readonly LayOutUnitError[]>> => {
    const records = await loadRecords(db, projectId, 'groups', 'rooms', 'sections', 'units');
    if (records.rooms.every(({ id }) => id !== input.roomId))
      throw new DataError('not_found', `there is no room ${input.roomId}`);
    const before = records.units.find(({ id }) => id === input.id);
    const { bays: bayInputs, ...facts } = input;
    const unitId = unitIdSchema.parse(input.id ?? createId());
    const bays = bayInputs.map((bay): Bay => {
      const known = before?.bays.find(({ id }) => id === bay.id);
      return { ...bay, id: bayIdSchema.parse(known?.id ?? createId()), unitId };
    });
    const layout = layOutUnit({ ...input, bays });
    if (!layout.ok) return err(layout.error);
    const position =
      before?.position ?? records.units.filter(({ roomId }) => roomId === input.roomId).length;
    const deed = { code: before ? 'unit_changed' : 'unit_added', name: input.name } as const;
    const unit: Unit = { ...facts, id: unitId, position, place: before?.place ?? null, bays };
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      putUnit(writer, records, { before, unit }),
    );
    return ok(unitId);
  },
);

/**
 * Writes a unit with its bays over what was there before. A fit that was taken stays, whatever a reading
 * says now: it is checked again where it is shown.
 */
export async function putUnit(
  writer: ChangeWriter,
  records: Records<'groups' | 'sections'>,
  { before, unit }: { readonly before: Unit | undefined; readonly unit: Unit },
): Promise<void> {
  const { bays, ...facts } = unit;
  await writer.put(unitRecord, facts);
  for (const bay of before?.bays ?? []) {
    const after = bays.find(({ id }) => id === bay.id);
    if (!after)
      await removeBay(writer, records, {
        bay,
        gone: new Set(
          before?.bays.filter(({ id }) => bays.every((kept) => kept.id !== id)).map(({ id }) => id),
        ),
      });
  }
  for (const bay of bays) await writer.put(bayRecord, bay);
}

/** Removes a unit; its groups are without a place then. */
export const removeUnit = atomic(
  async (db: Db, projectId: ProjectId, unitId: UnitId): Promise<void> => {
    const records = await loadRecords(db, projectId, 'groups', 'sections', 'units');
    const unit = records.units.find(({ id }) => id === unitId);
    if (!unit) throw new DataError('not_found', 'there is no such unit in this home');
    await recordChange(
      db,
      { projectId, deed: { code: 'unit_removed', name: unit.name }, now: nowIso() },
      async (writer) => {
        const gone = new Set(unit.bays.map(({ id }) => id));
        for (const bay of unit.bays) await removeBay(writer, records, { bay, gone });
        await writer.remove(unitRecord, unitId);
      },
    );
  },
);

/** Takes a bay away with what rests on it; `gone` are all that go in this change. */
async function removeBay(
  writer: ChangeWriter,
  { groups, sections }: Records<'groups' | 'sections'>,
  { bay, gone }: { readonly bay: Bay; readonly gone: ReadonlySet<string> },
): Promise<void> {
  const unlessGone = (bayId: Bay['id'] | null) =>
    bayId !== null && gone.has(bayId) ? null : bayId;
  for (const section of sections.filter(({ bayIds }) => bayIds.includes(bay.id)))
    await writer.put(sectionRecord, {
      ...section,
      bayIds: section.bayIds.filter((id) => id !== bay.id),
    });
  for (const group of groups.filter(
    ({ bayId, standsBayId }) => bayId === bay.id || standsBayId === bay.id,
  ))
    await writer.put(groupRecord, {
      ...group,
      bayId: unlessGone(group.bayId),
      standsBayId: unlessGone(group.standsBayId),
    });
  await writer.remove(bayRecord, bay.id);
}
