import { handsShareOf, SET_UP_SHARE, type ContentKind } from '../agree';
import { isHardContent } from './energy';
import type { WorkJob } from './homesModel';
import { visitStateOf } from './visitState';
import type { Visit } from './model';
import { visitMinutesOf } from './visitTime';

/** A section that is begun and not said to be done takes at least this much more. */
const LEAST_LEFT_MINUTES = 15;

/** A section as it was estimated, for the hands that were agreed. */
interface EstimatedSection {
  readonly id: string;
  readonly roomId: string;
  readonly content: ContentKind;
  readonly likelyMinutes: number;
  readonly highMinutes: number;
}

/** What of a room has to be waited for before it is set up. */
export interface RoomWait {
  /** From the last thing decided until things may stand there again: paint. */
  readonly dryHours: number;
  /** The day on which the last thing ordered for it arrives, or a coat that is on has hardened. */
  readonly notBefore: string | null;
}

interface HomeWork {
  /** Those that are not done, in the order of the work. */
  readonly sections: readonly EstimatedSection[];
  /** Lived ones, and planned ones that stay: what they hold is not planned again. */
  readonly visits: readonly Visit[];
  readonly crewCount: number;
  readonly waits: ReadonlyMap<string, RoomWait>;
}

/**
 * What is left to do in a home as jobs, in minutes of one pair of hands. Of each section what was worked
 * on it and what visits that stay will hold is taken off; where something dries or is delivered, setting
 * up comes after all of the room was gone through, and waits.
 */
export function jobsOfHome({ sections, visits, crewCount, waits }: HomeWork): WorkJob[] {
  const hands = handsShareOf(crewCount);
  const done = new Set(visits.flatMap(({ doneSectionIds }) => doneSectionIds as string[]));
  const open = sections.filter(({ id }) => !done.has(id));
  const worked = workedBySection(visits, done);
  const planned = plannedBySection(
    visits,
    new Map(
      open.map(({ id, likelyMinutes }) => [id, likelyMinutes * hands - (worked.get(id) ?? 0)]),
    ),
  );
  /** Of all its minutes, those left in each stage: what was worked and is planned goes off the first one. */
  const leftOf = (section: EstimatedSection, all: number) => {
    const live = Math.max(LEAST_LEFT_MINUTES, all * hands - (worked.get(section.id) ?? 0));
    const rest = Math.max(0, live - (planned.get(section.id) ?? 0));
    const setUp = Math.min(rest, all * hands * SET_UP_SHARE);
    return { sort: rest - setUp, setUp };
  };
  return groupByRoom(open, waits).flatMap(({ isSplit, own }) => {
    const parts = own.map((section) => ({
      section,
      likely: leftOf(section, section.likelyMinutes),
      high: leftOf(section, section.highMinutes),
    }));
    if (!isSplit)
      return parts.flatMap(({ section, likely, high }) =>
        toJobs(section, 'whole', likely.sort + likely.setUp, high.sort + high.setUp),
      );
    const sorts = parts.flatMap(({ section, likely, high }) =>
      toJobs(section, 'sort', likely.sort, high.sort),
    );
    return [
      ...sorts,
      ...parts.flatMap(({ section, likely, high }) =>
        toJobs(section, 'set_up', likely.setUp, high.setUp).map((job) => ({
          ...job,
          notBefore: waits.get(section.roomId)?.notBefore ?? null,
          after: sorts.map(({ id }) => ({
            jobId: id,
            lagHours: waits.get(section.roomId)?.dryHours ?? 0,
          })),
        })),
      ),
    ];
  });
}

function toJobs(
  { id, content }: EstimatedSection,
  stage: WorkJob['stage'],
  likelyMinutes: number,
  highMinutes: number,
): WorkJob[] {
  if (likelyMinutes < 1) return [];
  return [
    {
      id: `${id} ${stage}`,
      sectionId: id,
      stage,
      likelyMinutes,
      highMinutes,
      isHard: stage !== 'set_up' && isHardContent(content),
      notBefore: null,
      after: [],
    },
  ];
}

/** Sections in their order; those of a room that has to be waited for together, where its first one stands. */
function groupByRoom(
  sections: readonly EstimatedSection[],
  waits: ReadonlyMap<string, RoomWait>,
): { isSplit: boolean; own: EstimatedSection[] }[] {
  const groups: { roomId: string; isSplit: boolean; own: EstimatedSection[] }[] = [];
  for (const section of sections) {
    const isSplit = waits.has(section.roomId);
    const known = groups.find(({ roomId }) => isSplit && roomId === section.roomId);
    if (known) known.own.push(section);
    else groups.push({ roomId: section.roomId, isSplit, own: [section] });
  }
  return groups;
}

/** Minutes of one pair of hands that visits which are over, or last, have spent on each open section. */
function workedBySection(
  visits: readonly Visit[],
  done: ReadonlySet<string>,
): ReadonlyMap<string, number> {
  const worked = new Map<string, number>();
  for (const visit of visits) {
    if (visitStateOf(visit) !== 'lived') continue;
    const minutes = visitMinutesOf(visit, visit.leftAt ?? '') ?? 0;
    const share = (minutes * handsShareOf(visit.people.length)) / visit.sectionIds.length;
    for (const id of visit.sectionIds)
      if (!done.has(id)) worked.set(id, (worked.get(id) ?? 0) + share);
  }
  return worked;
}

/** Minutes of one pair of hands that planned visits hold, their sections filled one after the other. */
function plannedBySection(
  visits: readonly Visit[],
  leftOf: ReadonlyMap<string, number>,
): ReadonlyMap<string, number> {
  const planned = new Map<string, number>();
  for (const visit of visits) {
    if (visitStateOf(visit) === 'lived') continue;
    let free = (visit.toMinute - visit.fromMinute) * handsShareOf(visit.people.length);
    for (const id of visit.sectionIds) {
      const left = Math.max(
        0,
        Math.max(LEAST_LEFT_MINUTES, leftOf.get(id) ?? 0) - (planned.get(id) ?? 0),
      );
      const taken = leftOf.has(id) ? Math.min(free, left) : 0;
      planned.set(id, (planned.get(id) ?? 0) + taken);
      free -= taken;
    }
  }
  return planned;
}
