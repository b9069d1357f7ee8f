import 'server-only';

import { handsShareOf, type ProjectEstimate } from '@/core/agree';
import { addDays, visitIdSchema, type ProjectId } from '@/core/shared';
import { paintNeedOf } from '@/core/shop';
import {
  findClash,
  isLoose,
  jobsOfHome,
  LIVED_NOTHING,
  visitStateOf,
  type Clash,
  type HomesQuestion,
  type PlannedHome,
  type ProposedVisit,
  type RoomWait,
  type Visit,
  type WorkJob,
} from '@/core/visits';
import { atomic, recordChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { listDeskProjects } from '@/data/projectRepo';
import { loadRecords, projectRecord, visitRecord, type Records } from '@/data/records';
import { listWorkers } from '@/data/settingsRepo';
import { estimateNames, loadEstimate } from '../agree/loadEstimate';
import { createId, nowIso } from '../means';
import { listVisits } from './saveVisit';

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

type JobRecords = Records<'materials' | 'moveLists' | 'project' | 'purchases' | 'rooms'>;
const jobNames = [...estimateNames, 'materials', 'moveLists', 'purchases'] as const;

/**
 * What is left to do in a home, less what `visits` of it hold: what is not done, what was worked on it,
 * and what has to dry or to be delivered first.
 */
function listJobs(
  records: JobRecords,
  {
    estimate,
    visits,
    today,
  }: {
    readonly estimate: ProjectEstimate;
    readonly visits: readonly Visit[];
    readonly today: string;
  },
): WorkJob[] {
  return jobsOfHome({
    sections: estimate.sections
      .filter(({ section, isDone }) => section.inScope && !isDone)
      .map(({ section: { id, roomId, content }, likelyMinutes, highMinutes }) => ({
        id,
        roomId,
        content,
        likelyMinutes,
        highMinutes,
      })),
    visits,
    crewCount: records.project.terms.crewCount,
    waits: findWaits(records, today),
  });
}

/** By room, what dries or is delivered there; only where there is something to wait for. */
function findWaits(
  { rooms, materials, moveLists, purchases }: JobRecords,
  today: string,
): ReadonlyMap<string, RoomWait> {
  return new Map(
    rooms.flatMap(({ id }): [string, RoomWait][] => {
      const paint = materials.find((each) => each.id === id)?.paint;
      const hours = paint ? paintNeedOf(paint).loadAfterHours : 0;
      const cleaned = (moveLists.find((list) => list.id === id)?.items ?? []).filter(
        ({ kind }) => kind === 'clean',
      );
      const isPainted = cleaned.length > 0 && cleaned.every(({ doneAt }) => doneAt !== null);
      const hardOn = isPainted
        ? cleaned
            .map(({ doneAt }) => addDays((doneAt ?? today).slice(0, 10), Math.ceil(hours / 24)))
            .sort()
            .at(-1)
        : undefined;
      const days = [
        ...purchases.flatMap((purchase) =>
          purchase.roomId === id && purchase.deliverOn !== null ? [purchase.deliverOn] : [],
        ),
        ...(hours > 0 && hardOn !== undefined ? [hardOn] : []),
      ].filter((day) => day > today);
      const dryHours = isPainted ? 0 : hours;
      return dryHours > 0 || days.length > 0
        ? [[id, { dryHours, notBefore: days.sort().at(-1) ?? null }]]
        : [];
    }),
  );
}

/** What is asked of the planner: some homes anew, the visits of all others as they are. */
export interface LoadedHomes {
  readonly question: HomesQuestion;
  readonly homes: readonly {
    readonly id: ProjectId;
    readonly name: string;
    readonly readyBy: string | null;
    readonly sections: readonly { readonly id: string; readonly name: string }[];
  }[];
}

/** Asks which days some homes want, beside what is pinned or begun there and planned in all others. */
export async function toHomesQuestion(
  db: Db,
  projectIds: readonly ProjectId[],
  today: string,
): Promise<LoadedHomes> {
  const all = await listVisits(db);
  const kept = all.filter(
    ({ visit, projectId }) => !(projectIds.includes(projectId) && isLoose(visit, today)),
  );
  const homes: PlannedHome[] = [];
  const named: LoadedHomes['homes'][number][] = [];
  for (const projectId of projectIds) {
    const records = await loadRecords(db, projectId, ...jobNames);
    const { project, sections } = records;
    const { days, visitMinutes, visitsPerWeek } = project.terms;
    const own = kept.filter((each) => each.projectId === projectId).map(({ visit }) => visit);
    homes.push({
      id: projectId,
      jobs: listJobs(records, {
        estimate: (await loadEstimate(db, records, today)).estimate,
        visits: own.filter((visit) => visitStateOf(visit) === 'lived' || visit.day >= today),
        today,
      }),
      visitMinutes,
      visitsPerWeek,
      weekdays: days.weekdays,
      fromMinute: days.fromMinute,
      awayDays: days.clientAway,
      travelMinutes: days.travelMinutes,
      people: days.people,
      mostHardMinutes: days.mostHardMinutes,
      readyBy: project.readyBy,
    });
    named.push({ id: projectId, name: project.name, readyBy: project.readyBy, sections });
  }
  return {
    homes: named,
    question: {
      today,
      homes,
      workers: await listWorkers(db),
      kept: kept
        // Earlier ones count against their week, not more.
        .filter(({ visit }) => visit.day > addDays(today, -8))
        .map(({ visit, projectId }) => ({
          homeId: projectId,
          day: visit.day,
          fromMinute: visit.fromMinute,
          toMinute: visit.toMinute,
          people: visit.people,
        })),
    },
  };
}

/** The homes that are worked on, in the order of the desk. */
export const listHomesToPlan = async (db: Db): Promise<ProjectId[]> =>
  (await listDeskProjects(db)).flatMap(({ project }) =>
    project.status === 'active' ? [project.id] : [],
  );

/** What of the open work is in no visit, in minutes of the hands that were agreed, by section. */
export function findUnplanned(
  records: JobRecords & Records<'visits'>,
  estimate: ProjectEstimate,
  today: string,
): readonly { readonly sectionId: string; readonly minutes: number }[] {
  const jobs = listJobs(records, {
    estimate,
    visits: records.visits.filter(
      (visit) => visitStateOf(visit) !== 'planned' || visit.day >= today,
    ),
    today,
  });
  const sections = [...new Set(jobs.map(({ sectionId }) => sectionId))];
  return sections.map((sectionId) => ({
    sectionId,
    minutes:
      jobs
        .filter((job) => job.sectionId === sectionId)
        .reduce((sum, { likelyMinutes }) => sum + likelyMinutes, 0) /
      handsShareOf(records.project.terms.crewCount),
  }));
}

/** Why days cannot be taken any more: somebody is in another home by now. */
type TakenClash = Clash & { readonly day: string };

/** What a proposed visit becomes. */
export type TakenVisit = Pick<ProposedVisit, 'day' | 'fromMinute' | 'toMinute' | 'people'> & {
  readonly homeId: ProjectId;
  readonly sectionIds: readonly string[];
};

/**
 * Puts proposed visits in the place of those of these homes that are planned and not pinned. Where
 * somebody is in another home by now, says where, and keeps nothing.
 */
export const takeDays = atomic(
  async (
    db: Db,
    {
      projectIds,
      visits,
      today,
    }: {
      readonly projectIds: readonly ProjectId[];
      readonly visits: readonly TakenVisit[];
      readonly today: string;
    },
  ): Promise<TakenClash | undefined> => {
    const all = await listVisits(db);
    const isReplaced = ({ visit, projectId }: (typeof all)[number]) =>
      projectIds.includes(projectId) && isLoose(visit, today);
    const others = all.filter((each) => !isReplaced(each));
    for (const projectId of projectIds) {
      const { sections } = await loadRecords(db, projectId, 'sections');
      const loose = all.filter((each) => each.projectId === projectId && isReplaced(each));
      // Where one parks is where one parked.
      const parking =
        all.findLast((each) => each.projectId === projectId && each.visit.parking !== '')?.visit
          .parking ?? '';
      const planned = visits
        .filter(({ homeId }) => homeId === projectId)
        .map(({ sectionIds, homeId, people, ...times }): Visit => ({
          ...LIVED_NOTHING,
          ...times,
          id: visitIdSchema.parse(createId()),
          projectId: homeId,
          people: [...people],
          clientThere: true,
          sectionIds: sectionIds.flatMap((id) => sections.find((each) => each.id === id)?.id ?? []),
          parking,
          prepare: '',
          isPinned: false,
        }));
      for (const visit of planned) {
        const clash = findClash(visit, others);
        if (clash) return { ...clash, day: visit.day };
      }
      if (planned.length + loose.length === 0) continue;
      const deed = { code: 'days_proposed', count: planned.length } as const;
      await recordChange(db, { projectId, deed, now: nowIso() }, async (writer) => {
        for (const { visit } of loose) await writer.remove(visitRecord, visit.id);
        for (const visit of planned) await writer.put(visitRecord, visit);
      });
    }
    return undefined;
  },
);
