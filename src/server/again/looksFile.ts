import 'server-only';

import ical from 'ical-generator';

import type { Look } from '@/core/again';
import { lookWords } from '@/ui/again/againWords';

/**
 * The looks that lie ahead as an iCalendar file (RFC 5545), all-day entries with the same UID each time, so that a
 * calendar replaces one that was moved.
 */
export function writeLooksCalendar(
  { homeName, looks }: { readonly homeName: string; readonly looks: readonly Look[] },
  now: string,
): string {
  const calendar = ical({ name: `Look again, ${homeName}`, prodId: '//Tin Box//Look again//EN' });
  for (const look of looks)
    if (look.doneOn === null)
      calendar.createEvent({
        id: `${look.id}@tin-box`,
        stamp: new Date(now),
        start: new Date(`${look.dueOn}T00:00:00Z`),
        allDay: true,
        summary: `${homeName}: ${lookWords(look)}`,
      });
  return calendar.toString();
}
