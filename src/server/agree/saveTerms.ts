import 'server-only';

import type { Section, Terms } from '@/core/agree';
import { schoolQuestions, type SchoolChoices } from '@/core/look';
import {
  agreementIdSchema,
  sectionIdSchema,
  type AgreementId,
  type BayId,
  type ProjectId,
  type RoomId,
  type SectionId,
} from '@/core/shared';
import { atomic, recordChange, type ChangeWriter } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import {
  agreementRecord,
  bayRecord,
  loadRecords,
  projectRecord,
  type Records,
  roomRecord,
  sectionRecord,
} from '@/data/records';
import { createId, nowIso } from '../means';
import { agreementLinesOf } from './agreementLines';

/** Keeps the terms of the whole project. */
export const saveTerms = atomic(
  async (db: Db, projectId: ProjectId, terms: Terms): Promise<void> => {
    const { project } = await loadRecords(db, projectId, 'project');
    await recordChange(
      db,
      { projectId, deed: { code: 'terms_changed' }, now: nowIso() },
      (writer) => writer.put(projectRecord, { ...project, terms }),
    );
  },
);

/** Chooses a school for the project, or for one room; undefined takes the choice back. */
export const chooseSchools = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: { readonly roomId: RoomId | undefined; readonly choices: SchoolChoices },
  ): Promise<void> => {
    const { project, rooms } = await loadRecords(db, projectId, 'project', 'rooms');
    const room = rooms.find(({ id }) => id === input.roomId);
    const chosen = schoolQuestions.filter((question) => input.choices[question]).length;
    const deed = { code: 'schools_chosen', count: chosen, name: room?.name ?? '' } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      room
        ? writer.put(roomRecord, { ...room, schools: input.choices })
        : writer.put(projectRecord, {
            ...project,
            terms: { ...project.terms, schools: input.choices },
          }),
    );
  },
);

type SectionInput = Omit<Section, 'id' | 'position'> & {
  readonly id: SectionId | undefined;
};

/**
 * Keeps a section; a new one comes last. A bay belongs to one section at most, and is out of scope with it.
 * @errors `not_found`.
 */
export const saveSection = atomic(
  async (db: Db, projectId: ProjectId, input: SectionInput): Promise<SectionId> => {
    const records = await loadRecords(db, projectId, 'rooms', 'sections', 'units');
    const roomBays = records.units
      .filter(({ roomId }) => roomId === input.roomId)
      .flatMap(({ bays }) => bays.map(({ id }) => id));
    if (records.rooms.every(({ id }) => id !== input.roomId))
      throw new DataError('not_found', `there is no room ${input.roomId}`);
    const bayIds = input.bayIds.filter((id) => roomBays.includes(id));
    const known = records.sections.find(({ id }) => id === input.id);
    const section: Section = {
      ...input,
      bayIds,
      id: known?.id ?? sectionIdSchema.parse(createId()),
      position: known?.position ?? nextPosition(records.sections),
    };
    await recordChange(
      db,
      {
        projectId,
        deed: { code: known ? 'section_changed' : 'section_added', name: input.name },
        now: nowIso(),
      },
      async (writer) => {
        await writer.put(sectionRecord, section);
        for (const other of records.sections) {
          const left = other.bayIds.filter((id) => !bayIds.includes(id));
          if (other.id !== section.id && left.length < other.bayIds.length)
            await writer.put(sectionRecord, { ...other, bayIds: left });
        }
        await setScope(writer, records, bayIds, section.inScope);
      },
    );
    return section.id;
  },
);

/** One section a unit that has none yet, in the order of the rooms. */
export const suggestSections = atomic(
  async (db: Db, projectId: ProjectId, roomId: RoomId): Promise<void> => {
    const records = await loadRecords(db, projectId, 'sections', 'units');
    const taken = new Set(records.sections.flatMap(({ bayIds }) => bayIds));
    const units = records.units.filter(
      (unit) => unit.roomId === roomId && unit.bays.some(({ id }) => !taken.has(id)),
    );
    if (units.length === 0) return;
    await recordChange(
      db,
      { projectId, deed: { code: 'sections_suggested' }, now: nowIso() },
      async (writer) => {
        let position = nextPosition(records.sections);
        for (const unit of units) {
          const bays = unit.bays.filter(({ id }) => !taken.has(id));
          await writer.put(sectionRecord, {
            id: sectionIdSchema.parse(createId()),
            roomId,
            name: unit.name,
            position,
            inScope: bays.some(({ outOfScope }) => !outOfScope),
            bayIds: bays.map(({ id }) => id),
            content: 'mixed',
            fullPercent: 100,
          } satisfies Section);
          position += 1;
        }
      },
    );
  },
);

const nextPosition = (sections: readonly Section[]): number =>
  Math.max(-1, ...sections.map(({ position }) => position)) + 1;

async function setScope(
  writer: ChangeWriter,
  { units }: Records<'units'>,
  bayIds: readonly BayId[],
  inScope: boolean,
): Promise<void> {
  for (const bay of units.flatMap(({ bays }) => bays)) {
    if (bayIds.includes(bay.id) && bay.outOfScope === inScope)
      await writer.put(bayRecord, { ...bay, outOfScope: !inScope });
  }
}

/** Moves a section one place up or down in the order of the work. */
export const moveSection = atomic(
  async (db: Db, projectId: ProjectId, sectionId: SectionId, way: 'up' | 'down'): Promise<void> => {
    const { sections } = await loadRecords(db, projectId, 'sections');
    const at = sections.findIndex(({ id }) => id === sectionId);
    const [section, other] = [sections[at], sections[at + (way === 'up' ? -1 : 1)]];
    if (!section) throw new DataError('not_found', 'there is no such section in this home');
    // The first goes no further up, the last no further down.
    if (!other) return;
    await recordChange(
      db,
      {
        projectId,
        deed: {
          code: way === 'up' ? 'section_moved_up' : 'section_moved_down',
          name: section.name,
        },
        now: nowIso(),
      },
      async (writer) => {
        // Positions are made anew, so that two that share one still part.
        const order = sections.map((each) => {
          if (each.id === section.id) return other;
          return each.id === other.id ? section : each;
        });
        for (const [position, each] of order.entries())
          if (each.position !== position) await writer.put(sectionRecord, { ...each, position });
      },
    );
  },
);

export const removeSection = atomic(
  async (db: Db, projectId: ProjectId, sectionId: SectionId): Promise<void> => {
    const { sections } = await loadRecords(db, projectId, 'sections');
    const section = sections.find(({ id }) => id === sectionId);
    if (!section) throw new DataError('not_found', 'there is no such section in this home');
    await recordChange(
      db,
      { projectId, deed: { code: 'section_removed', name: section.name }, now: nowIso() },
      (writer) => writer.remove(sectionRecord, sectionId),
    );
  },
);

/** Keeps what stands on the sheet today as agreed with the client. */
export const recordAgreement = atomic(
  async (db: Db, projectId: ProjectId, agreedBy: string): Promise<AgreementId> => {
    const lines = agreementLinesOf(
      await loadRecords(db, projectId, 'project', 'rooms', 'sections'),
    );
    const id = agreementIdSchema.parse(createId());
    await recordChange(
      db,
      { projectId, deed: { code: 'agreed', name: agreedBy }, now: nowIso() },
      (writer) =>
        writer.insert(agreementRecord, { id, projectId, agreedAt: nowIso(), agreedBy, lines }),
    );
    return id;
  },
);
