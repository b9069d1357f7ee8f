import 'server-only';

import type { Materials } from '@/core/shop';
import type { ProjectId, RoomId } from '@/core/shared';
import { recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { getProjectRecords, type ProjectRecords } from '@/data/projectRepo';
import { materialsTable } from '@/data/tables';
import { nowIso } from '../means';

const mm = (value: number) => ({ mm: value, text: `${value} mm` });
/** What a saw takes where nobody has said, and how long a board goes into a usual car with a seat down. */
const USUAL = { kerfMm: 3, carMm: 2000 } as const;

/** A room's boards and liners; nothing yet where none were written down, with every place to be lined. */
export function materialsOf(records: Pick<ProjectRecords, 'materials' | 'units'>, roomId: RoomId): Materials {
  const bays = records.units.filter((unit) => unit.roomId === roomId).flatMap((unit) => unit.bays);
  const empty: Materials = { id: roomId, boards: [], kerf: mm(USUAL.kerfMm), carLength: mm(USUAL.carMm), cuts: [], roll: null, linedBayIds: bays.filter(({ outOfScope }) => !outOfScope).map(({ id }) => id) };
  return records.materials.find(({ id }) => id === roomId) ?? empty;
}

/** @errors `not_found`: no such room. */
export async function saveMaterials(db: Db, projectId: ProjectId, materials: Materials): Promise<void> {
  const { rooms } = await getProjectRecords(db, projectId);
  const room = rooms.find(({ id }) => id === materials.id);
  if (!room) throw new DataError('not_found', `there is no room ${materials.id}`);
  await recordChange(db, { projectId, label: `changed the boards and liners of ${room.name}`, now: nowIso() }, (writer) => writer.put(materialsTable, materials));
}
