import 'server-only';

import { roomProgressOf, type RoomProgress } from '@/core/desk';
import type { Project } from '@/core/agree';
import type { Room } from '@/core/look';
import { roomResultsOf, type RoomRecords } from '@/core/show';
import { listMaterialNeeds, listNeeds, listOtherNeeds } from '@/core/shop';
import type { RoomId } from '@/core/shared';
import type { Db } from '@/data/db';
import { getProjectRecords, listProjects, type ProjectRecords } from '@/data/projectRepo';
import { labelTextsOf } from '../shop/materials';

export interface RoomOnDesk {
  readonly room: Room;
  readonly progress: RoomProgress;
}
export interface ProjectOnDesk {
  readonly project: Project;
  readonly rooms: readonly RoomOnDesk[];
  readonly spentMinor: number;
  readonly leftCount: number;
}

/** Every project with what is next in each of its rooms. */
export async function loadDesk(db: Db): Promise<ProjectOnDesk[]> {
  const desk: ProjectOnDesk[] = [];
  for (const project of await listProjects(db)) {
    const records = await getProjectRecords(db, project.id);
    const results = records.rooms.map((room) => roomResultsOf(roomRecordsOf(records, room.id)));
    desk.push({
      project,
      rooms: roomsOnDesk(records),
      spentMinor: results.reduce((sum, result) => sum + result.spentMinor, 0),
      leftCount: results.reduce((sum, result) => sum + result.left.count, 0),
    });
  }
  return desk;
}

export const roomsOnDesk = (records: ProjectRecords): RoomOnDesk[] =>
  records.rooms.map((room) => ({ room, progress: roomProgress(records, room.id) }));

function roomProgress(records: ProjectRecords, roomId: RoomId): RoomProgress {
  const own = roomRecordsOf(records, roomId);
  const vantagePoints = records.vantagePoints.filter(
    (vantagePoint) => vantagePoint.roomId === roomId,
  );
  const priorities = new Map(
    records.priorities
      .filter((entry) => entry.roomId === roomId)
      .map((entry) => [entry.containerId, entry.priority]),
  );
  const materials = records.materials.find(({ id }) => id === roomId);
  // How many boards and rolls there are takes planning; that they are wanted is told on the list itself.
  const materialNeeds = materials
    ? listMaterialNeeds(materials, {
        cut: undefined,
        roll: undefined,
        labelTexts: labelTextsOf(records, roomId),
      })
    : [];
  return roomProgressOf({
    ...own,
    sections: records.sections.filter((section) => section.roomId === roomId),
    vantagePoints,
    pictures: records.pictures.filter((picture) =>
      vantagePoints.some(({ id }) => id === picture.vantagePointId),
    ),
    needs: [
      ...listNeeds({ ...own, priorities }),
      ...listOtherNeeds({
        handNeeds: records.handNeeds.filter((need) => need.roomId === roomId),
        materialNeeds,
        purchases: own.purchases,
      }),
    ],
  });
}

/** One room's share of a project's records. @throws where the room is not of the project. */
export function roomRecordsOf(records: ProjectRecords, roomId: RoomId): RoomRecords {
  const room = records.rooms.find(({ id }) => id === roomId);
  if (!room) throw new Error(`no room ${roomId} in project ${records.project.id}`);
  const units = records.units.filter((unit) => unit.roomId === roomId);
  const bayIds = new Set(units.flatMap((unit) => unit.bays.map(({ id }) => id)));
  return {
    room,
    units,
    groups: records.groups.filter((group) => group.roomId === roomId),
    things: records.things.filter((thing) => thing.roomId === roomId),
    fits: records.fits.filter((fit) => bayIds.has(fit.bayId)),
    containers: records.containers,
    purchases: records.purchases.filter((purchase) => purchase.roomId === roomId),
  };
}
