import { addDays, formatISO, parseISO } from 'date-fns';

import type { Project } from '@/core/agree';
import { visitSchema } from '@/core/visits';
import type { Db } from '@/data/db';
import { insertRecord, visitRecord } from '@/data/records';
import { changeWorker } from '@/data/settingsRepo';

/** A visit of the demo: days from today, when, who, and the units whose sections were done. */
interface DemoVisit {
  readonly inDays: number;
  readonly from: number;
  readonly to: number;
  readonly people: readonly string[];
  readonly units: readonly string[];
  readonly breakMinutes?: number;
  readonly note?: string;
  readonly isPinned?: boolean;
}

const BOTH = ['Wren', 'Tilda'];
const VISITS: Readonly<Record<string, readonly DemoVisit[]>> = {
  'quarry-row': [
    { inDays: -13, from: 545, to: 785, people: BOTH, units: ['shoe-rack'], breakMinutes: 20 },
    {
      inDays: -10,
      from: 540,
      to: 770,
      people: BOTH,
      units: ['laundry', 'shoe-rack'],
      breakMinutes: 15,
    },
    {
      inDays: -6,
      from: 550,
      to: 735,
      people: ['Wren'],
      units: ['laundry'],
      note: 'Scores wait for the cellist',
    },
    { inDays: -3, from: 540, to: 790, people: ['Wren'], units: ['left'], breakMinutes: 25 },
    { inDays: 1, from: 540, to: 780, people: BOTH, units: ['left', 'right'], isPinned: true },
    // Painting, two behind each other.
    { inDays: 2, from: 540, to: 960, people: BOTH, units: ['wardrobe'], isPinned: true },
    { inDays: 4, from: 540, to: 780, people: ['Wren'], units: ['scores'] },
  ],
  narrowboat: [{ inDays: 2, from: 600, to: 780, people: ['Tilda'], units: ['locker'] }],
};

/** Wren leads; Tilda helps in the middle of the week, in two homes. */
export const seedWorkers = async (db: Db): Promise<void> => {
  const hours = {
    fromMinute: 510,
    toMinute: 960,
    weekMinutes: 24 * 60,
    awayDays: [],
    liftG: 20_000,
  };
  await changeWorker(db, 'Wren', { name: 'Wren', weekdays: [1, 2, 3, 4, 5], ...hours });
  await changeWorker(db, 'Tilda', { name: 'Tilda', weekdays: [2, 3, 4, 6], ...hours });
};

/** Visits that were lived and such that are planned; dates count from today. */
export async function seedVisits(db: Db, project: Project, now: Date): Promise<void> {
  for (const [i, visit] of (VISITS[project.id] ?? []).entries()) {
    const date = addDays(now, visit.inDays);
    const day = formatISO(date, { representation: 'date' });
    const at = (minute: number) =>
      new Date(parseISO(day).getTime() + minute * 60_000).toISOString();
    const isLived = visit.inDays < 0;
    const middle = Math.round((visit.from + visit.to) / 2);
    await insertRecord(
      db,
      visitRecord,
      visitSchema.parse({
        id: `${project.id}-visit-${i}`,
        projectId: project.id,
        day,
        fromMinute: Math.floor(visit.from / 30) * 30,
        toMinute: Math.ceil(visit.to / 30) * 30,
        people: visit.people,
        clientThere: visit.people.length > 1,
        sectionIds: visit.units.map((unit) => `${unit}-section`),
        parking: project.id === 'quarry-row' ? 'in the lane, left of the gate' : '',
        prepare: isLived || project.id !== 'quarry-row' ? '' : 'the landing is clear',
        isPinned: visit.isPinned ?? false,
        arrivedAt: isLived ? at(visit.from) : null,
        leftAt: isLived ? at(visit.to) : null,
        breaks:
          isLived && visit.breakMinutes !== undefined
            ? [{ from: at(middle), to: at(middle + visit.breakMinutes) }]
            : [],
        correctedMinutes: null,
        done: '',
        promised: '',
        next: visit.note ?? '',
      }),
    );
  }
}
