import 'server-only';

import {
  listMaterialNeeds,
  materialsSchema,
  toCutRequest,
  toPanelRequest,
  toRollRequest,
  type MaterialNeed,
  type Materials,
} from '@/core/shop';
import type { ProjectId, RoomId } from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { loadRecords, materialsRecord, type Records } from '@/data/records';
import { nowIso } from '../means';
import { runEngine } from '../engines/runEngine';

const mm = (value: number) => ({ mm: value, text: `${value} mm` });
/** What a saw takes where nobody has said, and how long a board goes into a usual car with a seat down. */
const USUAL = { kerfMm: 3, carMm: 2000 } as const;

/** A room's boards and liners; nothing yet where none were written down, with every place to be lined. */
export function materialsOf(records: Records<'materials' | 'units'>, roomId: RoomId): Materials {
  const bays = records.units.filter((unit) => unit.roomId === roomId).flatMap((unit) => unit.bays);
  const empty = () =>
    materialsSchema.parse({
      id: roomId,
      boards: [],
      kerf: mm(USUAL.kerfMm),
      carLength: mm(USUAL.carMm),
      cuts: [],
      roll: null,
      linedBayIds: bays.filter(({ outOfScope }) => !outOfScope).map(({ id }) => id),
    });
  return records.materials.find(({ id }) => id === roomId) ?? empty();
}

/** @errors `not_found`: no such room. */
export const saveMaterials = atomic(
  async (db: Db, projectId: ProjectId, materials: Materials): Promise<void> => {
    const { rooms } = await loadRecords(db, projectId, 'rooms');
    const room = rooms.find(({ id }) => id === materials.id);
    if (!room) throw new DataError('not_found', `there is no room ${materials.id}`);
    await recordChange(
      db,
      { projectId, deed: { code: 'materials_changed', name: room.name }, now: nowIso() },
      (writer) => writer.put(materialsRecord, materials),
    );
  },
);

/** Only how many boards and rolls there are is asked here, not the last millimetre of how they are cut. */
const COUNT_MS = 400;

/** What a label says: every container of the room's taken fits bears the name of its group. */
export function labelTextsOf(
  { fits, units, groups }: Records<'fits' | 'groups' | 'units'>,
  roomId: RoomId,
): string[] {
  const bayIds = new Set(
    units.filter((unit) => unit.roomId === roomId).flatMap((unit) => unit.bays.map(({ id }) => id)),
  );
  return fits
    .filter(({ bayId }) => bayIds.has(bayId))
    .flatMap(({ answer }) => answer.placements)
    .flatMap(({ groupId }) => groups.find(({ id }) => id === groupId)?.name ?? []);
}

/**
 * As `materialNeedsOf`, without planning: how many boards and rolls there are takes that; that they are
 * wanted is told on the list itself.
 */
export function countedMaterialNeedsOf(
  records: Records<'fits' | 'groups' | 'materials' | 'units'>,
  roomId: RoomId,
): MaterialNeed[] {
  const materials = records.materials.find(({ id }) => id === roomId);
  return materials
    ? listMaterialNeeds(materials, {
        cut: undefined,
        panel: undefined,
        roll: undefined,
        labelTexts: labelTextsOf(records, roomId),
      })
    : [];
}

/** What a room's materials put on its list; boards and rolls are planned for their number. */
export async function materialNeedsOf(
  records: Records<'fits' | 'groups' | 'materials' | 'units'>,
  roomId: RoomId,
): Promise<MaterialNeed[]> {
  const materials = records.materials.find(({ id }) => id === roomId);
  if (!materials) return [];
  const units = records.units.filter((unit) => unit.roomId === roomId);
  const cutRequest = { ...toCutRequest(materials), timeLimitMs: COUNT_MS };
  const rollRequest = toRollRequest(materials, units);
  const cut =
    materials.buying.boards.shopId !== null && cutRequest.pieces.length > 0
      ? await runEngine('cuts', cutRequest)
      : undefined;
  const roll =
    materials.buying.roll.shopId !== null && rollRequest
      ? await runEngine('roll', { ...rollRequest, timeLimitMs: COUNT_MS })
      : undefined;
  const panelRequest = toPanelRequest(materials, units);
  const panel =
    materials.buying.panel.shopId !== null && panelRequest
      ? await runEngine('roll', { ...panelRequest, timeLimitMs: COUNT_MS })
      : undefined;
  const labelTexts = labelTextsOf(records, roomId);
  return listMaterialNeeds(materials, { cut, panel, roll, labelTexts });
}
