import { addDays } from 'date-fns';

import {
  agreementSchema,
  sectionSchema,
  defaultTerms,
  termsSchema,
  type Project,
  type Terms,
} from '@/core/agree';
import { fixtureSchema, passageSchema, roomSchema, unitSchema } from '@/core/look';
import { invariant } from '@/core/shared';
import type { Db } from '@/data/db';
import {
  agreementRecord,
  bayRecord,
  fixtureRecord,
  loadRecords,
  passageRecord,
  projectRecord,
  roomRecord,
  sectionRecord,
  unitRecord,
  vantagePointRecord,
} from '@/data/records';
import { agreementLinesOf } from '@/server/agree/agreementLines';
import { measure } from './measure';
import { demoPassages, demoPlans, type DemoCheck, type DemoPlan } from './plans';

const TERMS: Readonly<Record<string, Partial<Terms>>> = {
  'quarry-row': {
    goals:
      'Grandad moves in before winter and finds his own things; the boot room and the landing work on a school morning.',
    wantedLook: 'Calm and plain, nothing on the floor, labels that Ida can read.',
    neverLeaves: ['Anything of Gran’s', 'Ida’s drawings', 'Letters and photographs'],
    reusePercent: 40,
    hourlyRateMinor: 3800,
    visitMinutes: 240,
    visitsPerWeek: 4,
    crewCount: 2,
    statement: { roundMinutes: 15, roundsUp: true, taxBasisPoints: 0, taxLabel: '' },
    days: {
      people: ['Wren', 'Tilda'],
      weekdays: [1, 2, 3, 4, 5],
      fromMinute: 540,
      clientAway: [],
      travelMinutes: 25,
      mostHardMinutes: 60,
      stretchMinutes: 90,
      orderLowDays: 2,
      orderHighDays: 7,
    },
    schools: {
      method: { choice: 'empty-all', reason: 'each section is small enough for one visit' },
      containers: { choice: 'mix', reason: '' },
      lids: { choice: 'without', reason: 'Tom and Ida leave them off' },
      labels: { choice: 'at-once', reason: 'Ida puts away what she can find a picture of' },
      sentimental: { choice: 'while-space', reason: '' },
      living: { choice: 'nearest', reason: '' },
    },
  },
  narrowboat: {
    goals: 'Nothing slides or rattles under way.',
    wantedLook: 'Painted wood, few colours.',
    neverLeaves: ['The brass lamp'],
    hourlyRateMinor: 3500,
    visitMinutes: 150,
    visitsPerWeek: 1,
    days: { ...defaultTerms.days, people: ['Tilda'], weekdays: [2, 3, 4, 6], travelMinutes: 40 },
    schools: {
      lids: { choice: 'with', reason: 'the boat moves' },
      labels: { choice: 'settled', reason: 'they want to live with it for three weeks first' },
    },
  },
  allotment: {
    goals: 'Find the seed for the month without emptying the shed.',
    hourlyRateMinor: 3000,
    visitMinutes: 180,
    visitsPerWeek: 1,
  },
};
const BEDS: Readonly<Record<string, readonly [beds: number, guests: number, pets: string]>> = {
  'quarry-row': [4, 2, 'one old cat'],
  narrowboat: [1, 1, ''],
  allotment: [0, 0, ''],
};

/** Adds plans, checks, sections and terms to a home whose rooms and units are there. */
export async function seedPlans(db: Db, project: Project): Promise<void> {
  const { rooms, units, vantagePoints, people } = await loadRecords(
    db,
    project.id,
    'people',
    'rooms',
    'units',
    'vantagePoints',
  );
  const [bedCount, guestPlaceCount, pets] = BEDS[project.id] ?? [0, 0, ''];
  await db.transaction(async (trx) => {
    await trx(projectRecord.table.name)
      .where({ id: project.id })
      .update(
        projectRecord.table.toRow({
          ...project,
          bedCount,
          guestPlaceCount,
          pets,
          rowDepth: project.id === 'quarry-row' ? measure('35 cm') : null,
          terms: termsSchema.parse(TERMS[project.id] ?? {}),
        }),
      );
    for (const [i, passage] of (demoPassages[project.id] ?? []).entries())
      await trx(passageRecord.table.name).insert(
        passageRecord.table.toRow(
          passageSchema.parse({
            steps: null,
            roomIds: [],
            passageIds: [],
            ...passage,
            length: measure(passage.length),
            projectId: project.id,
            position: i,
          }),
        ),
      );
    let position = 0;
    for (const room of rooms) {
      const plan = demoPlans[room.id];
      invariant(plan, `the demo's ${room.name} has a plan`);
      const walls = plan.walls.map((wall) => ({
        length: measure(wall.replace('<', '')),
        turn: wall.endsWith('<') ? 'left' : 'right',
      }));
      const workedMinutes =
        plan.workedHours === undefined ? null : Math.round(plan.workedHours * 60);
      await trx(roomRecord.table.name)
        .where({ id: room.id })
        .update(
          roomRecord.table.toRow(
            roomSchema.parse({
              ...room,
              plan: { walls },
              checks: plan.checks.map((check, i) => toCheck(check, `${room.id}-check-${i}`)),
              routineBreaks: (plan.breaks ?? []).map((each) => ({ ...each, isMended: null })),
              workedMinutes,
            }),
          ),
        );
      for (const unit of units.filter(({ roomId }) => roomId === room.id)) {
        const { bays, ...facts } = unit;
        const at = plan.places[unit.id];
        const placed = unitSchema.omit({ bays: true }).parse({
          ...facts,
          door: plan.doors?.[unit.id] ?? 'none',
          holePitch: plan.holes?.[unit.id] ? measure(plan.holes[unit.id] ?? '') : null,
          place: at ? toPlace(at) : null,
        });
        await trx(unitRecord.table.name)
          .where({ id: unit.id })
          .update(unitRecord.table.toRow(placed));
        const [content, fullPercent, scope] = plan.sections[unit.id] ?? ['mixed', 100];
        await trx(sectionRecord.table.name).insert(
          sectionRecord.table.toRow(
            sectionSchema.parse({
              id: `${unit.id}-section`,
              roomId: room.id,
              name: unit.name,
              position,
              inScope: scope !== 'out',
              bayIds: bays.map(({ id }) => id),
              content,
              fullPercent,
            }),
          ),
        );
        position += 1;
        for (const bay of bays)
          await trx(bayRecord.table.name)
            .where({ id: bay.id })
            .update(bayRecord.table.toRow({ ...bay, outOfScope: scope === 'out' }));
      }
      for (const [i, fixture] of toFixtures(plan, room.id).entries())
        await trx(fixtureRecord.table.name).insert(
          fixtureRecord.table.toRow(
            fixtureSchema.parse({ ...fixture, id: `${room.id}-fixture-${i}` }),
          ),
        );
      for (const spot of vantagePoints.filter(({ roomId }) => roomId === room.id))
        await trx(vantagePointRecord.table.name)
          .where({ id: spot.id })
          .update(vantagePointRecord.table.toRow({ ...spot, inView: plan.inView ?? '' }));
    }
  });
  const agreedBy = people[0]?.name;
  if (agreedBy !== undefined) await insertAgreement(db, project, agreedBy);
}

/** What was agreed in the first week; since then the budget went up and a wish was added. */
async function insertAgreement(db: Db, project: Project, agreedBy: string): Promise<void> {
  const lines = agreementLinesOf(await loadRecords(db, project.id, 'project', 'rooms', 'sections'));
  const then =
    project.id === 'quarry-row'
      ? lines.map((line) => {
          if (line.key === 'budget') return { ...line, value: '£680.00' };
          if (line.key === 'never')
            return { ...line, value: line.value.replace('Ida’s drawings; ', '') };
          return line;
        })
      : lines;
  const agreement = agreementSchema.parse({
    id: `${project.id}-agreement`,
    projectId: project.id,
    agreedAt: addDays(new Date(project.createdAt), 2).toISOString(),
    agreedBy,
    lines: then,
  });
  await db(agreementRecord.table.name).insert(agreementRecord.table.toRow(agreement));
}

const toPlace = ([wall, along, off = '0']: readonly [number, string, string?]) => ({
  wallIndex: wall - 1,
  along: measure(along),
  off: measure(off),
});

const toCheck = ({ text, clear, answer }: DemoCheck, id: string) => ({
  id,
  text,
  answer: answer ?? null,
  clear: clear
    ? {
        surface: clear.surface,
        width: measure(clear.width),
        depth: measure(clear.depth),
        place: clear.at ? toPlace(clear.at) : null,
        unitId: clear.unit ?? null,
      }
    : null,
});

const toFixtures = (plan: DemoPlan, roomId: string) =>
  plan.fixtures.map(({ kind, name, at, width, depth = '0', height, swing, leadsTo }) => ({
    roomId,
    kind,
    name,
    place: toPlace(at),
    width: measure(width),
    depth: measure(depth),
    bottom: measure(height[0]),
    top: measure(height[1]),
    swing: swing ?? null,
    leadsTo: leadsTo ?? null,
  }));
