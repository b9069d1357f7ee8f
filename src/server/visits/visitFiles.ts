import 'server-only';

import ical from 'ical-generator';

import { breakMinutesOf, visitMinutesOf, visitStateOf, type Visit } from '@/core/visits';
import type { Records } from '@/data/records';
import type { DueThing } from '@/core/desk';
import { dueWords } from '@/ui/desk/dueWords';
import { writeCsvTable } from '../exchange/csvTable';

type VisitRecords = Records<'project' | 'rooms' | 'sections' | 'visits'>;

/**
 * The visits of a home as an iCalendar file (RFC 5545), in the local time of whoever reads it, with the
 * same UID each time, so that a calendar replaces an entry instead of showing it twice.
 */
export function writeVisitsCalendar(
  { project, sections, visits }: VisitRecords,
  now: string,
): string {
  const calendar = ical({ name: `Visits, ${project.name}`, prodId: '//Tin Box//Visits//EN' });
  for (const visit of visits)
    calendar.createEvent({
      ...toEvent(visit, now),
      summary: `${project.name}: ${sectionNames(visit, sections).join(', ') || 'visit'}`,
    });
  return calendar.toString();
}

/** A day that a home has to keep, or has something due on. */
interface CalendarHome {
  readonly project: Records<'project'>['project'];
  readonly due: readonly DueThing[];
}

/** The visits of all homes on the desk, and what is due from today on: a home to be ready, a return, a debt. */
export function writeDeskCalendar(
  {
    homes,
    visits,
    today,
  }: {
    readonly homes: readonly CalendarHome[];
    readonly visits: readonly { readonly visit: Visit; readonly homeName: string }[];
    readonly today: string;
  },
  now: string,
): string {
  const calendar = ical({ name: 'Tin Box', prodId: '//Tin Box//Days//EN' });
  for (const { visit, homeName } of visits)
    calendar.createEvent({ ...toEvent(visit, now), summary: homeName });
  for (const { project, due } of homes) {
    const days = [
      ...(project.readyBy === null || project.status === 'finished'
        ? []
        : [{ day: project.readyBy, words: 'has to be ready' }]),
      ...due.map((each) => ({ day: each.day, words: dueWords(each) })),
    ];
    days.forEach(({ day, words }, i) => {
      if (day < today) return;
      calendar.createEvent({
        id: `${project.id}-${day}-${i}@tin-box`,
        stamp: new Date(now),
        start: atMinute(day, 0),
        allDay: true,
        summary: `${project.name}: ${words}`,
      });
    });
  }
  return calendar.toString();
}

/** What a visit's entry says, but for its heading. */
const toEvent = (visit: Visit, now: string) => ({
  id: `${visit.id}@tin-box`,
  stamp: new Date(now),
  // Without a zone: nine o'clock is nine o'clock, also on the day a clock is changed.
  floating: true,
  start: atMinute(visit.day, visit.fromMinute),
  end: atMinute(visit.day, visit.toMinute),
  description:
    [
      visit.people.length > 0 ? `Who comes: ${visit.people.join(', ')}` : '',
      visit.clientThere ? '' : 'Without the client',
      visit.parking === '' ? '' : `Park: ${visit.parking}`,
      visit.prepare === '' ? '' : `The client prepares: ${visit.prepare}`,
    ]
      .filter(Boolean)
      .join('\n') || null,
});

const atMinute = (day: string, minute: number): Date =>
  new Date(Date.parse(`${day}T00:00:00Z`) + minute * 60_000);

const sectionNames = (visit: Visit, sections: VisitRecords['sections']): string[] =>
  visit.sectionIds.flatMap((id) => sections.find((section) => section.id === id)?.name ?? []);

/** The columns of the open format, in their order; documented in docs/formats.md. */
const columns = [
  'day',
  'person',
  'arrived',
  'left',
  'break_minutes',
  'minutes',
  'from',
  'sections',
  'visit_id',
] as const;

/** Lived visits as a time sheet, a line for each visit and person; times are UTC. */
export const writeTimeSheet = ({ sections, visits }: VisitRecords): string =>
  writeCsvTable(
    columns,
    visits
      .filter((visit) => visitStateOf(visit) === 'lived')
      .flatMap((visit) =>
        (visit.people.length > 0 ? visit.people : ['']).map((person) => ({
          day: visit.day,
          person,
          arrived: visit.arrivedAt ?? '',
          left: visit.leftAt ?? '',
          break_minutes: String(Math.round(breakMinutesOf(visit, visit.leftAt ?? ''))),
          minutes: String(Math.round(visitMinutesOf(visit, visit.leftAt ?? '') ?? 0)),
          from: visit.correctedMinutes === null ? 'clock' : 'corrected',
          sections: sectionNames(visit, sections).join('; '),
          visit_id: visit.id,
        })),
      ),
  );
