import 'server-only';

import ical, { ICalAlarmRelatesTo, ICalAlarmType } from 'ical-generator';

import { dayOf, waitsForDay, laterBoxesOf, openDebts } from '@/core/sort';
import type { Records } from '@/data/records';
import { reasonWords } from '@/ui/sort/sortWords';

/** Reminders ring at eight on the day itself. */
const RINGS_AFTER_MIDNIGHT_S = 8 * 3600;

/**
 * What was put off or carried out unsorted and has a day, as an iCalendar file (RFC 5545): one all-day entry for each
 * thing, with the same
 * UID each time it is exported, so that a calendar replaces an entry instead of showing it twice.
 */
export function writeReminders(
  { project, rooms, things, carries }: Records<'carries' | 'project' | 'rooms' | 'things'>,
  now: string,
): string {
  const calendar = ical({
    name: `Decide later, ${project.name}`,
    prodId: '//Tin Box//Decide later//EN',
  });
  const boxes = laterBoxesOf(things);
  for (const thing of things) {
    const day = dayOf(thing);
    if (!waitsForDay(thing) || day === undefined) continue;
    const entry = calendar.createEvent({
      id: `${thing.id}@tin-box`,
      stamp: new Date(now),
      start: new Date(`${day}T00:00:00Z`),
      allDay: true,
      summary: `Decide on ${thing.count === 1 ? '' : `${thing.count} `}${thing.name}`,
      location: `${rooms.find(({ id }) => id === thing.roomId)?.name ?? ''}, later box ${boxes.get(thing.id) ?? 1}`,
      description: thing.reasons.map((reason) => reasonWords[reason]).join(', ') || null,
    });
    // Counted from the start: the package counts from the end of the day unless it is told so afterwards.
    entry
      .createAlarm({ type: ICalAlarmType.display, triggerAfter: RINGS_AFTER_MIDNIGHT_S })
      .relatesTo(ICalAlarmRelatesTo.start);
  }
  for (const debt of openDebts(carries)) {
    if (debt.dueOn === null) continue;
    const entry = calendar.createEvent({
      id: `${debt.id}@tin-box`,
      stamp: new Date(now),
      start: new Date(`${debt.dueOn}T00:00:00Z`),
      allDay: true,
      summary: `Go through what went out unsorted: ${debt.note}`,
      location: rooms.find(({ id }) => id === debt.roomId)?.name ?? '',
    });
    entry
      .createAlarm({ type: ICalAlarmType.display, triggerAfter: RINGS_AFTER_MIDNIGHT_S })
      .relatesTo(ICalAlarmRelatesTo.start);
  }
  return calendar.toString();
}
