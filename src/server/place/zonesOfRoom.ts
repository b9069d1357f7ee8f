import 'server-only';

import {
  isFragileGroup,
  toHomeZonesRequest,
  toZonesRequest,
  type ArrangedScope,
  type PlacingSchools,
  type ZonesRequest,
} from '@/core/place';
import { schoolIn, type Room } from '@/core/look';
import { soughtIn } from '@/core/again';
import type { GroupId, RoomId } from '@/core/shared';
import type { Group } from '@/core/sort';
import type { Records } from '@/data/records';

/** What was seen of where things are looked for, where a page has it. */
export type LookedAt = Partial<Records<'putAwayTests' | 'reviews'>>;

interface ZonesOptions {
  /** Of the whole home, where the arrangement in question has them. */
  readonly groups: readonly Group[];
  readonly timeLimitMs: number;
  /** 1 to 12: as things are used in that month. */
  readonly month?: number;
}

/**
 * The request of a room to the `zones` engine, by the room's schools; undefined where nobody lives
 * in the household.
 */
export function zonesOfRoom(
  records: Records<'fixtures' | 'people' | 'project' | 'rooms' | 'things' | 'units'> & LookedAt,
  roomId: RoomId,
  { groups, timeLimitMs, month }: ZonesOptions,
): ZonesRequest | undefined {
  const room = records.rooms.find(({ id }) => id === roomId);
  return (
    room &&
    toZonesRequest(
      {
        ...furnished(records, room),
        ...household(records, groups),
        ...(month === undefined ? {} : { month }),
      },
      timeLimitMs,
    )
  );
}

/** The request of a room, or of the whole home, each room by its own schools. */
export function zonesOf(
  records: Records<'fixtures' | 'passages' | 'people' | 'project' | 'rooms' | 'things' | 'units'> &
    LookedAt,
  scope: ArrangedScope,
  options: ZonesOptions,
): ZonesRequest | undefined {
  if (scope !== null) return zonesOfRoom(records, scope, options);
  return toHomeZonesRequest(
    {
      rooms: records.rooms.map((room) => furnished(records, room)),
      passages: records.passages,
      ...household(records, options.groups),
    },
    options.timeLimitMs,
  );
}

const household = (
  { things, people, putAwayTests, reviews }: Records<'people' | 'things'> & LookedAt,
  groups: readonly Group[],
) => ({
  groups,
  things,
  people,
  ...(putAwayTests && reviews
    ? { sought: (groupId: GroupId) => soughtIn(groupId, { tests: putAwayTests, reviews }) }
    : {}),
});
const furnished = (records: Records<'fixtures' | 'project' | 'units'>, room: Room) => ({
  room,
  units: records.units.filter(({ roomId }) => roomId === room.id),
  fixtures: records.fixtures.filter(({ roomId }) => roomId === room.id),
  schools: placingSchoolsOf(records, room),
});

/** The schools of a room, or of the home where the room has none, that change where things live. */
export function placingSchoolsOf({ project }: Records<'project'>, room: Room): PlacingSchools {
  const [grouping, living, weight] = [
    schoolIn('grouping', room.schools, project.terms.schools)?.choice,
    schoolIn('living', room.schools, project.terms.schools)?.choice,
    schoolIn('weight', room.schools, project.terms.schools)?.choice,
  ];
  return {
    ...(grouping ? { grouping } : {}),
    ...(living ? { living } : {}),
    ...(weight ? { weight } : {}),
  };
}

export const fragileIdsOf = (groups: readonly Group[]): string[] =>
  groups.filter(isFragileGroup).map(({ id }) => id);
