import 'server-only';

import ical, { ICalAlarmRelatesTo, ICalAlarmType } from 'ical-generator';

import { hasDay, laterBoxesOf } from '@/core/sort';
import type { Records } from '@/data/records';

/** Reminders ring at eight on the day itself. */
const RINGS_AFTER_MIDNIGHT_S = 8 * 3600;

/**
 * What was put off and has a day, as an iCalendar file (RFC 5545): one all-day entry for each thing, with the same
 * UID each time it is exported, so that a calendar replaces an entry instead of showing it twice.
 */
export function writeReminders(
  { project, rooms, things }: Records<'project' | 'rooms' | 'things'>,
  now: string,
): string {
  const calendar = ical({
    name: `Decide later, ${project.name}`,
    prodId: '//Tin Box//Decide later//EN',
  });
  const boxes = laterBoxesOf(things);
  for (const thing of things) {
    if (thing.verdict !== 'later' || !hasDay(thing)) continue;
    const entry = calendar.createEvent({
      id: `${thing.id}@tin-box`,
      stamp: new Date(now),
      start: new Date(`${thing.to}T00:00:00Z`),
      allDay: true,
      summary: `Decide on ${thing.count === 1 ? '' : `${thing.count} `}${thing.name}`,
      location: `${rooms.find(({ id }) => id === thing.roomId)?.name ?? ''}, later box ${boxes.get(thing.id) ?? 1}`,
      description: thing.reasons.join(', ') || null,
    });
    // Counted from the start: the package counts from the end of the day unless it is told so afterwards.
    entry
      .createAlarm({ type: ICalAlarmType.display, triggerAfter: RINGS_AFTER_MIDNIGHT_S })
      .relatesTo(ICalAlarmRelatesTo.start);
  }
  return calendar.toString();
}
