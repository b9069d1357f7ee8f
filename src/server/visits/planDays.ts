import 'server-only';

import { addDays, visitIdSchema, type ProjectId } from '@/core/shared';
import {
  findClash,
  isSamePerson,
  LIVED_NOTHING,
  visitStateOf,
  type DaysQuestion,
  type OpenDay,
  type ProposedVisit,
  type Visit,
} from '@/core/visits';
import { atomic, recordChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { loadRecords, projectRecord, visitRecord, type Records } from '@/data/records';
import { loadEstimate, type EstimateName } from '../agree/loadEstimate';
import { createId, nowIso } from '../means';
import { listVisits } from './saveVisit';

/** So far ahead days are proposed; a home takes weeks, not years. */
const MOST_DAYS = 370;

export type DaysTerms = Records<'project'>['project']['terms']['days'];

/** When this home can be visited, and who comes. */
export const saveDaysTerms = atomic(
  async (db: Db, projectId: ProjectId, days: DaysTerms): Promise<void> => {
    const { project } = await loadRecords(db, projectId, 'project');
    await recordChange(
      db,
      { projectId, deed: { code: 'terms_changed' }, now: nowIso() },
      (writer) => writer.put(projectRecord, { ...project, terms: { ...project.terms, days } }),
    );
  },
);

/** Planned and not pinned: what a proposal may put elsewhere. */
export const isLoose = (visit: Visit, today: string): boolean =>
  visitStateOf(visit) === 'planned' && !visit.isPinned && visit.day >= today;

/**
 * Asks which days the open sections want: on the weekdays and hours of this home, not while the client
 * is away, nor while anybody who comes is in another home, travel between counted.
 */
export async function toDaysQuestion(
  db: Db,
  records: Records<EstimateName | 'visits'>,
  today: string,
): Promise<DaysQuestion> {
  const { project, visits } = records;
  const { days, visitMinutes, visitsPerWeek } = project.terms;
  const { estimate } = await loadEstimate(db, records, today);
  const kept = visits.filter((visit) => !isLoose(visit, today));
  const others = (await listVisits(db)).filter(
    ({ visit, projectId }) =>
      projectId !== project.id &&
      visit.people.some((name) => days.people.some((each) => isSamePerson(each, name))),
  );
  const planned = new Set(kept.filter((visit) => visit.day >= today).flatMap(openSectionsOf));
  return {
    today,
    sections: estimate.sections
      .filter(({ section, isDone }) => section.inScope && !isDone && !planned.has(section.id))
      .map(({ section, likelyMinutes, highMinutes }) => ({
        id: section.id,
        likelyMinutes,
        highMinutes,
      })),
    days: Array.from({ length: MOST_DAYS }, (_, i) => addDays(today, i + 1)).flatMap((day) => {
      const isOpen =
        days.weekdays.includes(weekdayOf(day)) &&
        !days.clientAway.includes(day) &&
        !kept.some((visit) => visit.day === day);
      const busy = others.filter(({ visit }) => visit.day === day).map(({ visit }) => visit);
      return isOpen
        ? openPartOf(day, {
            fromMinute: days.fromMinute,
            visitMinutes,
            busy,
            travel: days.travelMinutes,
          })
        : [];
    }),
    visitsPerWeek,
    keptDays: kept.map(({ day }) => day),
  };
}

/** What a visit that stays is going to do: it is not planned twice. */
const openSectionsOf = (visit: Visit): readonly string[] =>
  visitStateOf(visit) === 'planned' ? visit.sectionIds : [];

/** 1 is Monday, 7 is Sunday. */
const weekdayOf = (day: string): number => new Date(`${day}T00:00:00Z`).getUTCDay() || 7;

const LAST_MINUTE = 20 * 60;

/** The first stretch of a day as long as a visit beside what is busy and the way; none: no such day. */
function openPartOf(
  day: string,
  {
    fromMinute,
    visitMinutes,
    busy,
    travel,
  }: {
    readonly fromMinute: number;
    readonly visitMinutes: number;
    readonly busy: readonly Pick<Visit, 'fromMinute' | 'toMinute'>[];
    readonly travel: number;
  },
): OpenDay[] {
  const starts = [fromMinute, ...busy.map(({ toMinute }) => toMinute + travel)]
    .filter((start) => start >= fromMinute)
    .sort((a, b) => a - b);
  const start = starts.find(
    (at) =>
      // The hour that was set for this home counts, however late; what is moved ends in the evening.
      at + visitMinutes <= Math.max(LAST_MINUTE, Math.min(1440, fromMinute + visitMinutes)) &&
      busy.every(
        (other) => at >= other.toMinute + travel || at + visitMinutes + travel <= other.fromMinute,
      ),
  );
  return start === undefined ? [] : [{ day, fromMinute: start, toMinute: start + visitMinutes }];
}

/**
 * Puts proposed visits in the place of those that are planned and not pinned. Where somebody is in
 * another home by now, says where, and keeps nothing.
 */
export const takeDays = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { visits, today }: { readonly visits: readonly ProposedVisit[]; readonly today: string },
  ): Promise<
    { readonly person: string; readonly homeName: string; readonly day: string } | undefined
  > => {
    const records = await loadRecords(db, projectId, 'project', 'sections', 'visits');
    const { people } = records.project.terms.days;
    const loose = records.visits.filter((visit) => isLoose(visit, today));
    const others = (await listVisits(db)).filter(
      ({ visit }) => !loose.some(({ id }) => id === visit.id),
    );
    const planned = visits.map(({ sectionIds, ...times }): Visit => ({
      ...LIVED_NOTHING,
      ...times,
      id: visitIdSchema.parse(createId()),
      projectId,
      people: [...people],
      clientThere: true,
      sectionIds: records.sections.flatMap(({ id }) => (sectionIds.includes(id) ? [id] : [])),
      parking: '',
      prepare: '',
      isPinned: false,
    }));
    for (const visit of planned) {
      const clash = findClash(visit, others);
      if (clash) return { ...clash, day: visit.day };
    }
    const deed = { code: 'days_proposed', count: visits.length } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, async (writer) => {
      for (const { id } of loose) await writer.remove(visitRecord, id);
      for (const visit of planned) await writer.put(visitRecord, visit);
    });
    return undefined;
  },
);
