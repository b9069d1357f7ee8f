import type { Project, Section, SectionFacts } from '../agree';
import { roomDoneOn } from '../again';
import {
  schoolIn,
  usableLitresOf,
  type Picture,
  type Room,
  type Unit,
  type VantagePoint,
} from '../look';
import type { Visit } from '../visits';

/** What the sections of a home are estimated from. */
export interface SectionRecords {
  readonly project: Project;
  readonly rooms: readonly Room[];
  readonly units: readonly Unit[];
  readonly sections: readonly Section[];
  readonly visits: readonly Visit[];
  readonly vantagePoints: readonly VantagePoint[];
  readonly pictures: readonly Picture[];
}

/** Each section with the litres of its places, the way of going through it, and whether it is done. */
export function sectionFactsOf(records: SectionRecords): SectionFacts[] {
  const { project, rooms, units, sections, visits } = records;
  const ticked = new Set(visits.flatMap(({ doneSectionIds }) => doneSectionIds));
  const bays = new Map(units.flatMap((unit) => unit.bays).map((bay) => [bay.id, bay]));
  const done = new Set(
    rooms.map(({ id }) => id).filter((id) => roomDoneOn(id, records) !== undefined),
  );
  return sections.map((section) => {
    const room = rooms.find(({ id }) => id === section.roomId);
    const litres = section.bayIds.reduce((sum, bayId) => {
      const bay = bays.get(bayId);
      return sum + (bay ? usableLitresOf(bay) : 0);
    }, 0);
    return {
      section,
      litres,
      method: schoolIn('method', room?.schools ?? {}, project.terms.schools)?.choice,
      isDone: ticked.has(section.id) || done.has(section.roomId),
    };
  });
}
