import 'server-only';

import ical, { ICalAlarmRelatesTo, ICalAlarmType, ICalEventRepeatingFreq } from 'ical-generator';

import { placesIn, planSeasons, type SeasonalSwap } from '@/core/place';
import { usableLitresOf } from '@/core/look';
import type { RoomId } from '@/core/shared';
import { keptLitresOf } from '@/core/sort';
import type { Records } from '@/data/records';
import { zonesOfRoom } from './zonesOfRoom';

/**
 * What changes with the seasons in a room, by the chosen arrangement; the same swap in both
 * directions through the year.
 */
export function seasonsOfRoom(
  records: Records<'fixtures' | 'groups' | 'people' | 'project' | 'rooms' | 'things' | 'units'>,
  roomId: RoomId,
): SeasonalSwap[] {
  const units = records.units.filter((unit) => unit.roomId === roomId);
  const groups = records.groups.filter((group) => group.roomId === roomId);
  const places = placesIn(groups, {
    arrangement: 'chosen',
    bayIds: new Set(records.units.flatMap((unit) => unit.bays.map(({ id }) => id))),
  });
  if (records.people.length === 0) return [];
  return planSeasons({
    bays: units.flatMap((unit) => unit.bays),
    groups,
    things: records.things,
    places,
    litresElsewhere: (bayId) => {
      const bay = records.units.flatMap((unit) => unit.bays).find(({ id }) => id === bayId);
      return bay
        ? usableLitresOf(bay) -
            records.groups
              .filter((group) => group.roomId !== roomId && group.bayId === bayId)
              .reduce((sum, group) => sum + keptLitresOf(group, records.things), 0)
        : 0;
    },
    requestOf: (month) => {
      const request = zonesOfRoom(records, roomId, {
        groups: records.groups,
        timeLimitMs: 0,
        month,
      });
      if (!request) throw new Error('invariant: a household with people has a request');
      return request;
    },
  });
}

const RINGS_AFTER_MIDNIGHT_S = 9 * 3600;

/**
 * A yearly all-day entry on the first of each month in which something changes, as an iCalendar
 * file (RFC 5545).
 */
export function writeSeasonReminders(
  records: Records<'groups' | 'project' | 'rooms' | 'units'>,
  {
    roomId,
    swaps,
    now,
  }: { readonly roomId: RoomId; readonly swaps: readonly SeasonalSwap[]; readonly now: string },
): string {
  const room = records.rooms.find(({ id }) => id === roomId)?.name ?? '';
  const calendar = ical({
    name: `Seasons, ${room}, ${records.project.name}`,
    prodId: '//Tin Box//Seasons//EN',
  });
  const groupName = (id: string) => records.groups.find((group) => group.id === id)?.name ?? '';
  const bayName = (id: string) =>
    records.units.flatMap((unit) => unit.bays).find((bay) => bay.id === id)?.name ?? '';
  for (const month of [...new Set(swaps.map((swap) => swap.month))]) {
    const lines = swaps
      .filter((swap) => swap.month === month)
      .map((swap) =>
        swap.kind === 'rows'
          ? `${bayName(swap.bayId)}: ${[
              ...swap.frontIds.map((id) => `${groupName(id)} to the front`),
              ...swap.backIds.map((id) => `${groupName(id)} behind`),
            ].join(', ')}`
          : `${groupName(swap.aId)} and ${groupName(swap.bId)} change places: ${bayName(swap.bBayId)} and ${bayName(swap.aBayId)}`,
      );
    const year = Number(now.slice(0, 4)) + (month <= Number(now.slice(5, 7)) ? 1 : 0);
    const entry = calendar.createEvent({
      id: `season-${roomId}-${month}@tin-box`,
      stamp: new Date(now),
      start: new Date(Date.UTC(year, month - 1, 1)),
      allDay: true,
      repeating: { freq: ICalEventRepeatingFreq.YEARLY },
      summary: `Change with the season: ${room}`,
      description: lines.join('\n'),
      location: records.project.name,
    });
    entry
      .createAlarm({ type: ICalAlarmType.display, triggerAfter: RINGS_AFTER_MIDNIGHT_S })
      .relatesTo(ICalAlarmRelatesTo.start);
  }
  return calendar.toString();
}
