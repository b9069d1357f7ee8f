import { addDays, formatISO, subDays } from 'date-fns';

import { projectSchema, sectionSchema, type ContentKind } from '@/core/agree';
import { pictureSchema, roomSchema, unitSchema, vantagePointSchema } from '@/core/look';
import { setUpSchema, type TaskKind } from '@/core/setUp';
import { invariant, projectIdSchema } from '@/core/shared';
import { purchaseSchema } from '@/core/shop';
import {
  createParser,
  decisionEventSchema,
  factsOf,
  groupSchema,
  withCorrection,
} from '@/core/sort';
import type { Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { keepPictureFiles } from '@/data/pictureFiles';
import {
  bayRecord,
  findProject,
  groupRecord,
  insertRecord,
  pictureRecord,
  projectRecord,
  purchaseRecord,
  roomRecord,
  sectionRecord,
  setUpRecord,
  unitRecord,
  vantagePointRecord,
} from '@/data/records';
import { encodePicture } from '@/server/look/encodePicture';
import { drawScene } from '@/standins/camera/drawScene';
import { measure } from './measure';

/** A finished room of earlier: its shelves, how full it looked, what it took, what the list and the till said. */
interface EarlierRoom {
  readonly key: string;
  readonly name: string;
  readonly content: ContentKind;
  /** Width, depth and height of each shelf in cm, how many of them, and how full it looked. */
  readonly shelves: readonly [number, number, number, number, number];
  readonly foundLitres: number;
  readonly workedMinutes: number;
  readonly money: readonly [listed: number, paid: number];
  readonly task: readonly [TaskKind, listed: number, took: number];
  /** What was called out, and its litres as somebody typed them. */
  readonly typed: readonly (readonly [string, number])[];
  readonly daysAgo: number;
}

const HOME = projectIdSchema.parse('lantern-cottage');
const ROOMS: readonly EarlierRoom[] = [
  {
    ...{ key: 'lantern-pantry', name: 'Pantry', content: 'kitchen', daysAgo: 212 },
    ...{ shelves: [90, 40, 38, 4, 110], foundLitres: 498, workedMinutes: 355 },
    ...{ money: [8400, 8900], task: ['wipe', 21, 30], typed: [['2 teapots', 5.6]] },
  },
  {
    ...{ key: 'lantern-landing', name: 'Landing press', content: 'linen', daysAgo: 196 },
    ...{ shelves: [80, 50, 35, 3, 100], foundLitres: 372, workedMinutes: 160 },
    ...{ money: [3900, 3900], task: ['label', 12, 10], typed: [['4 pillows', 60]] },
  },
  {
    ...{ key: 'lantern-larder', name: 'Back kitchen', content: 'kitchen', daysAgo: 170 },
    ...{ shelves: [100, 45, 40, 3, 90], foundLitres: 430, workedMinutes: 315 },
    ...{ money: [6100, 6550], task: ['wipe', 17, 22], typed: [['3 pillows', 48]] },
  },
  {
    ...{ key: 'lantern-study', name: 'Study', content: 'papers', daysAgo: 141 },
    ...{ shelves: [80, 30, 35, 3, 120], foundLitres: 236, workedMinutes: 505 },
    ...{ money: [5200, 5350], task: ['assemble', 37, 55], typed: [['1 teapot', 2.4]] },
  },
];

/** A home that was finished and put away: what is learnt has something to rest on. */
export async function seedEarlier(db: Db, dataDir: string): Promise<void> {
  if (await findProject(db, HOME)) return;
  process.stdout.write('Seeding Lantern Cottage …\n');
  const now = new Date();
  await insertRecord(
    db,
    projectRecord,
    projectSchema.parse({
      id: HOME,
      name: 'Lantern Cottage',
      units: 'cm',
      currency: 'GBP',
      budgetMinor: 30_000,
      readyBy: formatISO(subDays(now, 130), { representation: 'date' }),
      status: 'finished',
      createdAt: subDays(now, 230).toISOString(),
      archivedAt: subDays(now, 60).toISOString(),
    }),
  );
  for (const [position, room] of ROOMS.entries())
    await seedRoom(db, dataDir, { room, position, now });
}

async function seedRoom(
  db: Db,
  dataDir: string,
  {
    room,
    position,
    now,
  }: { readonly room: EarlierRoom; readonly position: number; readonly now: Date },
): Promise<void> {
  const doneAt = subDays(now, room.daysAgo);
  const { key, name, content } = room;
  await insertRecord(
    db,
    roomRecord,
    roomSchema.parse({
      ...{ id: key, projectId: HOME, name, purpose: '', budgetMinor: 7000, position },
      workedMinutes: room.workedMinutes,
    }),
  );
  const unit = toUnit(room);
  await insertRecord(db, unitRecord, unit);
  for (const bay of unit.bays) await insertRecord(db, bayRecord, bay);
  await insertRecord(
    db,
    sectionRecord,
    sectionSchema.parse({
      ...{ id: `${key}-section`, roomId: key, name, position, inScope: true, content },
      bayIds: unit.bays.map(({ id }) => id),
      fullPercent: room.shelves[4],
    }),
  );
  const typedLitres = await seedThings(db, room, addDays(doneAt, -10));
  await insertRecord(
    db,
    groupRecord,
    groupSchema.parse({
      ...{ id: `${key}-group`, projectId: HOME, roomId: key, name, position },
      ...{ bayId: unit.bays[0]?.id ?? null, uncountedLitres: room.foundLitres - typedLitres },
      ...{ lid: 'any', see: 'any', front: false, loose: false },
    }),
  );
  await insertRecord(
    db,
    purchaseRecord,
    purchaseSchema.parse({
      ...{ id: `${key}-bought`, roomId: key, containerId: null, shopName: 'Yardarm Stores' },
      ...{ label: 'Bins and baskets', pieces: 12, boughtAt: addDays(doneAt, -3).toISOString() },
      ...{ expectedMinor: room.money[0], paidMinor: room.money[1] },
    }),
  );
  const [kind, listedMinutes, tookMinutes] = room.task;
  await insertRecord(
    db,
    setUpRecord,
    setUpSchema.parse({
      id: key,
      done: [{ kind, of: '', doneAt: doneAt.toISOString(), listedMinutes, tookMinutes }],
      airCelsius: null,
      isDamp: false,
    }),
  );
  await seedPicture(db, dataDir, { unit, room, doneAt });
}

function toUnit({ key, name, shelves }: EarlierRoom) {
  const [width, depth, height, count] = shelves;
  const id = `${key}-shelves`;
  return unitSchema.parse({
    ...{ id, roomId: key, name: `${name} shelves`, kind: 'shelving', position: 0 },
    ...{ width: measure(`${width + 4}`), depth: measure(`${depth}`), floorGap: measure('5') },
    height: measure(`${count * (height + 2) + 2}`),
    bays: Array.from({ length: count }, (_, i) => ({
      ...{
        id: `${key}-shelf-${i}`,
        unitId: id,
        name: `Shelf ${i + 1}`,
        columnIndex: 0,
        rowIndex: i,
      },
      widthReadings: [measure(`${width}`)],
      depthReadings: [measure(`${depth}`)],
      heightReadings: [measure(`${height}`)],
      ...{ openingWidth: null, openingHeight: null, maxLoadG: null, pullOut: false },
      ...{ moist: false, outOfScope: false, obstacles: [] },
    })),
  });
}

/** Decides what was typed over at the bench; returns its litres. */
async function seedThings(db: Db, { key, typed }: EarlierRoom, at: Date): Promise<number> {
  const parse = createParser({});
  const events = typed.map(([words, litres], i) => {
    const read = parse(words);
    invariant(read, `demo thing ${words}`);
    const { count, name, massG, ...thing } = withCorrection(read, { litres });
    return decisionEventSchema.parse({
      ...{ kind: 'decided', id: `${key}-decision-${i}`, thingId: `${key}-thing-${i}` },
      ...{ decidedAt: at.toISOString(), device: 'desk', roomId: key, name, count },
      ...{ verdict: 'donate', reasons: [], groupId: null, to: '', litres, massG },
      ...factsOf({ ...thing, count, name, massG }),
    });
  });
  await appendDecisions(db, HOME, events);
  return typed.reduce((sum, [, litres]) => sum + litres, 0);
}

async function seedPicture(
  db: Db,
  dataDir: string,
  {
    unit,
    room: { key },
    doneAt,
  }: {
    readonly unit: ReturnType<typeof toUnit>;
    readonly room: EarlierRoom;
    readonly doneAt: Date;
  },
): Promise<void> {
  const spotId = `${key}-spot`;
  await insertRecord(
    db,
    vantagePointRecord,
    vantagePointSchema.parse({ id: spotId, roomId: key, name: 'From the door', position: 0 }),
  );
  const bays = unit.bays.map(({ id }) => ({ bayId: id, containers: [], fillRatio: 0.7 }));
  const scene = await drawScene({ units: [unit], moment: 'after', bays, seed: key.length });
  const encoded = await encodePicture(scene);
  invariant(encoded.ok, 'a drawn picture is a picture');
  const picture = pictureSchema.parse({
    ...{ id: `${key}-after`, vantagePointId: spotId, moment: 'after' },
    ...{ widthPx: encoded.value.widthPx, heightPx: encoded.value.heightPx },
    takenAt: doneAt.toISOString(),
  });
  await keepPictureFiles(dataDir, { id: picture.id, bytes: encoded.value }, async (place) => {
    await insertRecord(db, pictureRecord, picture);
    await place();
  });
}
