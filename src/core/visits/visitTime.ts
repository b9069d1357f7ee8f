import type { RoomId, SectionId } from '../shared';
import { visitStateOf } from './visitState';
import type { Visit } from './model';

const MS_A_MINUTE = 60_000;
const minutesBetween = (from: string, to: string): number =>
  Math.max(0, Date.parse(to) - Date.parse(from)) / MS_A_MINUTE;

/** Minutes of breaks, one that lasts counted until `now`. */
export const breakMinutesOf = ({ breaks, leftAt }: Visit, now: string): number =>
  breaks.reduce((sum, { from, to }) => sum + minutesBetween(from, to ?? leftAt ?? now), 0);

/**
 * Minutes at work on a visit: what was corrected, else from arriving to leaving less breaks; while it
 * lasts until `now`. Undefined before anybody arrived. Instants, not clock times: an hour that a day
 * gains or loses is counted as it was.
 */
export function visitMinutesOf(visit: Visit, now: string): number | undefined {
  if (visit.correctedMinutes !== null) return visit.correctedMinutes;
  if (visit.arrivedAt === null) return undefined;
  const until = visit.leftAt ?? now;
  return Math.max(0, minutesBetween(visit.arrivedAt, until) - breakMinutesOf(visit, now));
}

export interface RoomHours {
  readonly minutes: number;
  /** `typed` corrects what the visits say. */
  readonly from: 'typed' | 'visits';
}
interface HomeHours {
  readonly byRoom: ReadonlyMap<RoomId, RoomHours>;
  /** Of visits without a section: they belong to no room. */
  readonly restMinutes: number;
  readonly allMinutes: number;
}

/**
 * Hours worked, room by room: each visit that is over goes to the rooms of its sections in equal parts
 * by section; what was typed for a room counts instead.
 */
export function addUpHours(
  rooms: readonly { readonly id: RoomId; readonly workedMinutes: number | null }[],
  sections: readonly { readonly id: SectionId; readonly roomId: RoomId }[],
  visits: readonly Visit[],
): HomeHours {
  const fromVisits = new Map<RoomId, number>();
  let restMinutes = 0;
  for (const visit of visits) {
    if (visitStateOf(visit) !== 'lived') continue;
    const minutes = visitMinutesOf(visit, visit.leftAt ?? '') ?? 0;
    const roomIds = visit.sectionIds.flatMap((sectionId) => {
      const section = sections.find(({ id }) => id === sectionId);
      return section ? [section.roomId] : [];
    });
    if (roomIds.length === 0) restMinutes += minutes;
    for (const roomId of roomIds)
      fromVisits.set(roomId, (fromVisits.get(roomId) ?? 0) + minutes / roomIds.length);
  }
  const byRoom = new Map(
    rooms.flatMap(({ id, workedMinutes }): [RoomId, RoomHours][] => {
      if (workedMinutes !== null) return [[id, { minutes: workedMinutes, from: 'typed' }]];
      const minutes = fromVisits.get(id);
      return minutes === undefined ? [] : [[id, { minutes, from: 'visits' }]];
    }),
  );
  const allMinutes = [...byRoom.values()].reduce((sum, { minutes }) => sum + minutes, restMinutes);
  return { byRoom, restMinutes, allMinutes };
}

/** A visit with the home that it is to. */
export interface VisitOfHome {
  readonly visit: Pick<Visit, 'id' | 'day' | 'fromMinute' | 'toMinute' | 'people'>;
  readonly homeName: string;
}

/** Who is elsewhere, where, and from when until when. */
export interface Clash {
  readonly person: string;
  readonly homeName: string;
  readonly fromMinute: number;
  readonly toMinute: number;
}

/** Another visit on which somebody would be at the same time; nobody is in two homes at once. */
export function findClash(
  visit: VisitOfHome['visit'],
  others: readonly VisitOfHome[],
): Clash | undefined {
  for (const { visit: other, homeName } of others) {
    if (other.id === visit.id || other.day !== visit.day) continue;
    if (other.fromMinute >= visit.toMinute || visit.fromMinute >= other.toMinute) continue;
    const person = visit.people.find((name) =>
      other.people.some((each) => isSamePerson(each, name)),
    );
    if (person !== undefined)
      return { person, homeName, fromMinute: other.fromMinute, toMinute: other.toMinute };
  }
  return undefined;
}

/** Names as people type them: neither capitals nor spaces around make another person. */
export const isSamePerson = (a: string, b: string): boolean =>
  a.trim().toLowerCase() === b.trim().toLowerCase();

/** From one home to the next on a day, for somebody who is in both. */
export interface DayWay {
  readonly homeName: string;
  readonly wayMinutes: number;
  /** Between the end of the one visit and the beginning of the other. */
  readonly freeMinutes: number;
}

/** The ways between the visits of one day, in time; none within a home. */
export function findDayWays(
  visits: readonly (VisitOfHome & { readonly travelMinutes: number })[],
): DayWay[] {
  const inTime = [...visits].sort((a, b) => a.visit.fromMinute - b.visit.fromMinute);
  return inTime.flatMap(({ visit, travelMinutes, homeName }, i): DayWay[] => {
    const before = inTime
      .slice(0, i)
      .findLast((other) =>
        other.visit.people.some((name) => visit.people.some((each) => isSamePerson(each, name))),
      );
    if (!before || before.homeName === homeName) return [];
    return [
      {
        homeName,
        wayMinutes: Math.max(travelMinutes, before.travelMinutes),
        freeMinutes: visit.fromMinute - before.visit.toMinute,
      },
    ];
  });
}
