import 'server-only';

import { isFragileGroup, toZonesRequest, type ZonesRequest } from '@/core/place';
import { schoolIn } from '@/core/look';
import type { RoomId } from '@/core/shared';
import type { Group } from '@/core/sort';
import type { ProjectRecords } from '@/data/projectRepo';

interface ZonesOptions {
  /** Of the whole home, where the arrangement in question has them. */
  readonly groups: readonly Group[];
  readonly timeLimitMs: number;
  /** 1 to 12: as things are used in that month. */
  readonly month?: number;
}

/** The request of a room to the `zones` engine, by the room's schools; undefined where nobody lives in the household. */
export function zonesOfRoom(records: ProjectRecords, roomId: RoomId, { groups, timeLimitMs, month }: ZonesOptions): ZonesRequest | undefined {
  const room = records.rooms.find(({ id }) => id === roomId);
  if (!room) return undefined;
  const [grouping, living] = [schoolIn('grouping', room.schools, records.project.terms.schools)?.choice, schoolIn('living', room.schools, records.project.terms.schools)?.choice];
  return toZonesRequest(
    {
      room, units: records.units.filter((unit) => unit.roomId === roomId), fixtures: records.fixtures.filter((fixture) => fixture.roomId === roomId), groups, things: records.things, people: records.people,
      schools: { ...(grouping ? { grouping } : {}), ...(living ? { living } : {}) }, ...(month === undefined ? {} : { month }),
    },
    timeLimitMs,
  );
}

export const fragileIdsOf = (groups: readonly Group[]): string[] => groups.filter(isFragileGroup).map(({ id }) => id);
