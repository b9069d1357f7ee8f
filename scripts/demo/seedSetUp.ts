import { addDays, formatISO, subDays } from 'date-fns';

import { personMarkSchema, type Project } from '@/core/agree';
import { emptyLabeling } from '@/core/labels';
import {
  jarSchema,
  kitSchema,
  listTasks,
  routineFor,
  routineSchema,
  setUpFactsOf,
  setUpSchema,
} from '@/core/setUp';
import { roomIdSchema } from '@/core/shared';
import type { Db } from '@/data/db';
import {
  insertRecord,
  jarRecord,
  kitRecord,
  labelingRecord,
  loadRecords,
  personRecord,
  projectRecord,
  routineRecord,
  setUpRecord,
} from '@/data/records';
import { labelsOf } from '@/server/setUp/labels';
import { roomSetUpOf, setUpNames } from '@/server/setUp/roomSetUp';

const day = (date: Date): string => formatISO(date, { representation: 'date' });
const MARKS = [
  { colour: 'blue', shape: 'circle' },
  { colour: 'green', shape: 'square' },
  { colour: 'red', shape: 'triangle' },
  { colour: 'purple', shape: 'diamond' },
] as const;

/** What the demo has of setting up: marks and half printed labels, a painting day, a routine, kits, jars. */
export async function seedSetUp(db: Db, project: Project, now: Date): Promise<void> {
  if (project.id === 'quarry-row') {
    await giveMarks(db, project);
    await seedTasks(db, now);
    await seedBootRoomCards(db, project, now);
    await makeHalf(db, project, now);
  }
  if (project.id === 'narrowboat') await seedGalley(db, now);
  if (project.status === 'finished') await finishRooms(db, project, now);
}

/** A home that is finished: every task of every room is ticked, every label made. */
async function finishRooms(db: Db, project: Project, now: Date): Promise<void> {
  const doneAt = subDays(now, 36).toISOString();
  const records = await loadRecords(db, project.id, ...setUpNames);
  for (const { id } of records.rooms) {
    const { open } = labelsOf(records, id);
    const made = open.map(({ ref, name }) => ({
      ...ref,
      text: name,
      medium: 'hand' as const,
      madeAt: doneAt,
    }));
    await insertRecord(db, labelingRecord, { ...emptyLabeling(id), made });
    const own = roomSetUpOf(records, id);
    const done = listTasks(setUpFactsOf(own), own.setUp).map(({ kind, of }) => ({
      kind,
      of,
      doneAt,
    }));
    await insertRecord(db, setUpRecord, setUpSchema.parse({ ...own.setUp, done }));
  }
}

/** A mark each; Ida does not read yet. */
async function giveMarks(db: Db, project: Project): Promise<void> {
  const { people } = await loadRecords(db, project.id, 'people');
  for (const [i, person] of people.entries())
    await db(personRecord.table.name)
      .where({ id: person.id })
      .update(
        personRecord.table.toRow({
          ...person,
          labels: person.isChild ? 'pictures' : 'words',
          mark: personMarkSchema.parse(MARKS[i % MARKS.length]),
        }),
      );
}

/** The boot room is well on its way, its shelves not anchored; the spare room is painted soon. */
async function seedTasks(db: Db, now: Date): Promise<void> {
  const doneAt = subDays(now, 3).toISOString();
  const tick = (kind: string, of: string, tookMinutes: number | null = null) => ({
    kind,
    of,
    doneAt,
    tookMinutes,
    listedMinutes: tookMinutes === null ? null : 21,
  });
  await insertRecord(
    db,
    setUpRecord,
    setUpSchema.parse({
      id: 'boot-room',
      done: [tick('wipe', 'shoe-rack', 26), tick('wash', 'shoe-rack'), tick('fit', 'shoe-rack')],
      airCelsius: 15,
      isDamp: false,
      units: [{ unitId: 'shoe-rack', comes: 'stays', massG: 24_000, isAnchored: false }],
    }),
  );
  await insertRecord(
    db,
    setUpRecord,
    setUpSchema.parse({
      id: 'spare-room',
      done: [],
      airCelsius: 16,
      isDamp: false,
      units: [{ unitId: 'wardrobe', comes: 'bought', massG: null, isAnchored: false }],
      prep: { holes: 6, primes: false },
    }),
  );
}

async function seedBootRoomCards(db: Db, project: Project, now: Date): Promise<void> {
  const { people } = await loadRecords(db, project.id, 'people');
  const papers = routineFor('papers pile up by the door');
  const who = ['everybody', 'Nora', 'Nora', 'Tom', 'Ida'];
  await insertRecord(
    db,
    routineRecord,
    routineSchema.parse({
      id: 'boot-room-papers',
      roomId: 'boot-room',
      name: papers.name,
      broke: 'Papers pile up by the door. Nobody opens them before the weekend.',
      steps: papers.steps.map((step, i) => ({ ...step, who: who[i] ?? '', where: 'by the door' })),
      hungOn: day(subDays(now, 4)),
      checks: [{ on: day(subDays(now, 1)), holds: true }],
      position: 0,
    }),
  );
  const kits = [
    ['Match day, Tom', people[1]?.id, ['Shirt', 'Shorts', 'Two pairs of socks', 'Boots', 'Bottle']],
    ['Match day, Ida', people[2]?.id, ['Shirt', 'Shin pads', 'Boots', 'Hair band', 'Bottle']],
    ['Cleaning caddy', undefined, ['Cloths', 'Brush', 'Spray', 'Gloves']],
  ] as const;
  for (const [i, [name, personId, items]] of kits.entries())
    await insertRecord(
      db,
      kitRecord,
      kitSchema.parse({
        id: `quarry-row-kit-${i}`,
        projectId: project.id,
        name,
        personId: personId ?? null,
        items: items.map((item, at) => ({ name: item, isPacked: i === 0 && at < 3 })),
        position: i,
      }),
    );
}

/** Every second label of the boot room is made; two cells of the begun sheet are gone beside them. */
async function makeHalf(db: Db, project: Project, now: Date): Promise<void> {
  const records = await loadRecords(db, project.id, ...setUpNames);
  const { open, drawn } = labelsOf(records, roomIdSchema.parse('boot-room'));
  const made = open
    .filter((_, i) => i % 2 === 0)
    .flatMap(({ key, ref }) => {
      const label = drawn.find((each) => each.key === key);
      return label
        ? [
            {
              ...ref,
              text: label.set.text,
              medium: 'sheet' as const,
              madeAt: subDays(now, 2).toISOString(),
            },
          ]
        : [];
    });
  await insertRecord(db, labelingRecord, {
    ...emptyLabeling(roomIdSchema.parse('boot-room')),
    made,
  });
  const labels = {
    ...records.project.terms.labels,
    begun: [{ gridId: 'A4-3x7', used: Array.from({ length: made.length + 2 }, (_, i) => i) }],
  };
  await db(projectRecord.table.name)
    .where({ id: project.id })
    .update(
      projectRecord.table.toRow({
        ...records.project,
        terms: { ...records.project.terms, labels },
      }),
    );
}

/** On the boat labels wait for three weeks; what is poured into tubs says whether the pack goes in. */
async function seedGalley(db: Db, now: Date): Promise<void> {
  await insertRecord(db, labelingRecord, {
    ...emptyLabeling(roomIdSchema.parse('galley')),
    settlesOn: day(addDays(now, 21)),
  });
  const jars = [
    ['Rice', '1 kg', 0.9, 'One cup to two of water; 12 minutes, then leave it shut for 10.'],
    ['Penne', '500 g', 2.6, '11 minutes in salted water.'],
  ] as const;
  for (const [i, [product, pack, jarLitres, directions]] of jars.entries())
    await insertRecord(
      db,
      jarRecord,
      jarSchema.parse({
        id: `galley-jar-${i}`,
        roomId: 'galley',
        product,
        pack,
        jarLitres,
        directions,
        filledOn: day(subDays(now, 2)),
        expiresOn: day(addDays(now, 240 + 60 * i)),
        position: i,
      }),
    );
}
