import 'server-only';

import {
  projectIdSchema,
  visitIdSchema,
  type ProjectId,
  type SectionId,
  type VisitId,
} from '@/core/shared';
import {
  findClash,
  LIVED_NOTHING,
  markVisit as marked,
  packFor,
  tickSection as ticked,
  type Clash,
  type Packed,
  type Visit,
  type VisitMark,
  type VisitOfHome,
} from '@/core/visits';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { listDeskProjects, listVisitsOf } from '@/data/projectRepo';
import { loadRecords, visitRecord } from '@/data/records';
import type { Result } from '@/core/shared';
import { createId, nowIso } from '../means';

/** What is planned of a visit. */
export type VisitPlan = Pick<
  Visit,
  | 'day'
  | 'fromMinute'
  | 'toMinute'
  | 'people'
  | 'clientThere'
  | 'sectionIds'
  | 'parking'
  | 'prepare'
  | 'isPinned'
> & { readonly id: VisitId | undefined };

/** Why a visit cannot be planned so. */
export type VisitFault =
  | { readonly code: 'in_the_past'; readonly day: string }
  | ({ readonly code: 'in_two_homes' } & Clash);

/** The visits of all homes on the desk, each with its home's name and id. */
export async function listVisits(
  db: Db,
): Promise<(VisitOfHome & { readonly visit: Visit; readonly projectId: ProjectId })[]> {
  const homes = new Map(
    (await listDeskProjects(db)).map(({ project }) => [project.id, project.name]),
  );
  const visits = await listVisitsOf(db, [...homes.keys()]);
  return visits.map((visit) => ({
    visit,
    homeName: homes.get(visit.projectId) ?? '',
    projectId: visit.projectId,
  }));
}

/**
 * Plans a visit, or changes a planned one; what was lived of it stays. A new one is not in the past,
 * and nobody is in two homes at once.
 * @errors `not_found`.
 */
export const saveVisit = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { plan, today }: { readonly plan: VisitPlan; readonly today: string },
  ): Promise<Result<VisitId, VisitFault>> => {
    const all = await listVisits(db);
    const known = all.find(({ visit }) => visit.id === plan.id)?.visit;
    if (plan.id !== undefined && known?.projectId !== projectId)
      throw new DataError('not_found', 'it is gone by now');
    if (plan.day < today && known?.day !== plan.day)
      return { ok: false, error: { code: 'in_the_past', day: plan.day } };
    const id = plan.id ?? visitIdSchema.parse(createId());
    const clash = findClash({ ...plan, id }, all);
    if (clash) return { ok: false, error: { code: 'in_two_homes', ...clash } };
    const deed = { code: known ? 'visit_changed' : 'visit_planned', name: plan.day } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(visitRecord, { ...LIVED_NOTHING, ...known, ...plan, id, projectId }),
    );
    return { ok: true, value: id };
  },
);

/** Puts a planned visit on another day, and pins it there: whoever chose a day means it. @errors `not_found`. */
export const moveVisit = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      visitId,
      day,
      today,
    }: { readonly visitId: VisitId; readonly day: string; readonly today: string },
  ): Promise<Result<VisitId, VisitFault>> => {
    const visit = await getVisit(db, projectId, visitId);
    return saveVisit(db, projectId, { plan: { ...visit, day, isPinned: true }, today });
  },
);

/** Says that a section was finished on a visit, or, said again, that it was not. @errors `not_found`. */
export const tickSection = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      visitId,
      sectionId,
      isDone,
    }: {
      readonly visitId: VisitId;
      readonly sectionId: SectionId;
      readonly isDone: boolean;
    },
  ): Promise<void> => {
    const visit = await getVisit(db, projectId, visitId);
    await putVisit(db, visit, {
      next: ticked(visit, sectionId, isDone),
      code: 'visit_ticked',
    });
  },
);

const DEEDS = {
  arrive: 'visit_arrived',
  break: 'visit_break',
  goOn: 'visit_break',
  leave: 'visit_left',
  goBack: 'visit_changed',
} as const;

/**
 * Notes that somebody arrived, has a break, goes on, or left; `goBack` takes the leaving back. What is
 * so already stays as it is.
 * @errors `not_found`.
 */
export const markVisit = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      visitId,
      mark,
      now,
    }: { readonly visitId: VisitId; readonly mark: VisitMark; readonly now: string },
  ): Promise<void> => {
    const visit = await getVisit(db, projectId, visitId);
    await putVisit(db, visit, { next: marked(visit, mark, now), code: DEEDS[mark], now });
  },
);

/** What was done, promised and is next, and what counts instead of the clock. @errors `not_found`. */
export const noteVisit = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: { readonly visitId: VisitId } & Pick<
      Visit,
      'done' | 'promised' | 'next' | 'correctedMinutes'
    >,
  ): Promise<void> => {
    const { visitId, ...notes } = input;
    const visit = await getVisit(db, projectId, visitId);
    await putVisit(db, visit, { next: { ...visit, ...notes }, code: 'visit_corrected' });
  },
);

/** One thing is packed, to go there or to go home, or is not. @errors `not_found`. */
export const packForVisit = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: { readonly visitId: VisitId } & Packed,
  ): Promise<void> => {
    const visit = await getVisit(db, projectId, input.visitId);
    await putVisit(db, visit, { next: packFor(visit, input), code: 'visit_packed' });
  },
);

/** Takes a visit out of the plan; undo brings it back. @errors `not_found`. */
export const removeVisit = atomic(
  async (db: Db, projectId: ProjectId, visitId: VisitId): Promise<void> => {
    const visit = await getVisit(db, projectId, visitId);
    const deed = { code: 'visit_removed', name: visit.day } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.remove(visitRecord, visitId),
    );
  },
);

type VisitDeed = (typeof DEEDS)[VisitMark] | 'visit_corrected' | 'visit_packed' | 'visit_ticked';

/** Writes down a visit as it is then; nothing where it is so already. */
async function putVisit(
  db: Db,
  visit: Visit,
  {
    next,
    code,
    now = nowIso(),
  }: { readonly next: Visit; readonly code: VisitDeed; readonly now?: string },
): Promise<void> {
  if (next === visit) return;
  const { projectId, day } = visit;
  await recordChange(db, { projectId, deed: { code, name: day }, now }, (writer) =>
    writer.put(visitRecord, next),
  );
}

async function getVisit(db: Db, projectId: ProjectId, visitId: VisitId): Promise<Visit> {
  const { visits } = await loadRecords(db, projectIdSchema.parse(projectId), 'visits');
  const visit = visits.find(({ id }) => id === visitId);
  if (!visit) throw new DataError('not_found', 'it is gone by now');
  return visit;
}
