import 'server-only';

import {
  calibrate,
  estimateProject,
  estimateSection,
  planBackward,
  type BackwardPlan,
  type FinishedRoom,
  type ProjectEstimate,
  type SectionFacts,
} from '@/core/agree';
import { schoolIn, usableLitresOf } from '@/core/look';
import { addUpHours } from '@/core/visits';
import { pairPictures } from '@/core/show';
import type { Db } from '@/data/db';
import { listProjectsWithHours } from '@/data/projectRepo';
import { loadRecords, type LoadName, type Records } from '@/data/records';

interface LoadedEstimate {
  readonly estimate: ProjectEstimate;
  readonly finished: readonly FinishedRoom[];
  readonly backward: BackwardPlan | undefined;
}

/** What an estimate is worked out from. */
export const estimateNames = [
  'pictures',
  'project',
  'rooms',
  'sections',
  'units',
  'vantagePoints',
  'visits',
] as const satisfies readonly LoadName[];
export type EstimateName = (typeof estimateNames)[number];

/**
 * Estimates a project from what was measured, corrected by every room whose hours were noted, of
 * any project.
 */
export async function loadEstimate(
  db: Db,
  records: Records<EstimateName>,
  today: string,
): Promise<LoadedEstimate> {
  const finished: FinishedRoom[] = [];
  for (const project of await listProjectsWithHours(db))
    finished.push(
      ...finishedRoomsOf(
        project.id === records.project.id
          ? records
          : await loadRecords(db, project.id, ...estimateNames),
      ),
    );
  const estimate = estimateProject(sectionFactsOf(records), records.project.terms, finished);
  const { readyBy, terms } = records.project;
  const backward =
    readyBy === null || estimate.visitsLeft === 0
      ? undefined
      : planBackward({
          readyBy,
          today,
          visits: estimate.visitsLeft,
          visitsPerWeek: terms.visitsPerWeek,
        });
  return { estimate, finished, backward };
}

function sectionFactsOf(records: Records<EstimateName>): SectionFacts[] {
  const { project, rooms, units, sections, visits } = records;
  const ticked = new Set(visits.flatMap(({ doneSectionIds }) => doneSectionIds));
  const bays = units.flatMap((unit) => unit.bays);
  return sections.map((section) => {
    const room = rooms.find(({ id }) => id === section.roomId);
    const litres = section.bayIds.reduce((sum, bayId) => {
      const bay = bays.find(({ id }) => id === bayId);
      return sum + (bay ? usableLitresOf(bay) : 0);
    }, 0);
    return {
      section,
      litres,
      method: schoolIn('method', room?.schools ?? {}, project.terms.schools)?.choice,
      isDone: ticked.has(section.id) || isFinished(records, section.roomId),
    };
  });
}

/** Every spot has its after picture. */
function isFinished({ vantagePoints, pictures }: Records<EstimateName>, roomId: string): boolean {
  const pairs = pairPictures(
    vantagePoints.filter((spot) => spot.roomId === roomId),
    pictures,
  );
  return pairs.length > 0 && pairs.every(({ after }) => after !== undefined);
}

/**
 * Finished rooms with hours of visits or typed ones, and what the bare assumptions would have said of their sections
 * in scope.
 */
function finishedRoomsOf(records: Records<EstimateName>): FinishedRoom[] {
  const facts = sectionFactsOf(records);
  const { byRoom } = addUpHours(records.rooms, records.sections, records.visits);
  return records.rooms.flatMap((room) => {
    const hours = byRoom.get(room.id);
    if (!hours || !isFinished(records, room.id)) return [];
    const own = facts.filter(({ section }) => section.roomId === room.id && section.inScope);
    const estimatedMinutes = own.reduce(
      (sum, each) =>
        sum + estimateSection(each, records.project.terms, calibrate([])).likelyMinutes,
      0,
    );
    return [{ roomName: room.name, estimatedMinutes, workedMinutes: hours.minutes }];
  });
}
