import { projectSchema, sectionSchema, type Project, type Section } from '@/core/agree';
import {
  baySchema,
  fixtureSchema,
  roomSchema,
  unitSchema,
  type Bay,
  type Fixture,
  type Room,
  type Unit,
} from '@/core/look';
import { projectIdSchema, roomIdSchema, type Length, type ProjectId } from '@/core/shared';
import { decisionEventSchema, groupSchema, type DecidedEvent, type Group } from '@/core/sort';
import { openMemoryDatabase, type Db } from '@/data/db';
import {
  groupRecord,
  loadRecords,
  projectRecord,
  recordKinds,
  roomRecord,
  type LoadName,
  type ProjectRecords,
} from '@/data/records';

export const mm = (value: number): Length => ({ mm: value, text: `${value} mm` });
export const HOME = projectIdSchema.parse('home');
export const HALL = roomIdSchema.parse('hall');

export const aBay = (change: Partial<Record<keyof Bay, unknown>> = {}): Bay =>
  baySchema.parse({
    id: 'shelf',
    unitId: 'unit',
    name: 'Shelf',
    columnIndex: 0,
    rowIndex: 0,
    widthReadings: [mm(800)],
    depthReadings: [mm(300)],
    heightReadings: [mm(350)],
    openingWidth: null,
    openingHeight: null,
    maxLoadG: null,
    pullOut: false,
    moist: false,
    outOfScope: false,
    obstacles: [],
    ...change,
  });

export const aUnit = (change: Partial<Record<keyof Unit, unknown>> = {}): Unit =>
  unitSchema.parse({
    id: 'unit',
    roomId: HALL,
    name: 'Cupboard',
    kind: 'cupboard',
    width: mm(860),
    depth: mm(340),
    height: mm(800),
    floorGap: mm(80),
    position: 0,
    bays: [aBay(), aBay({ id: 'shelf-2', rowIndex: 1 })],
    ...change,
  });

export const aRoom = (change: Partial<Record<keyof Room, unknown>> = {}): Room =>
  roomSchema.parse({
    id: HALL,
    projectId: HOME,
    name: 'Hall',
    purpose: '',
    budgetMinor: 10_000,
    position: 0,
    ...change,
  });

/** A plain room of 4 m by 3 m: wall 0 at the top of the page, then right, bottom, left. */
export const aPlan = {
  walls: [4000, 3000, 4000, 3000].map((length) => ({ length: mm(length), turn: 'right' as const })),
};
export const onWall = (wallIndex: number, alongMm: number, offMm = 0) => ({
  wallIndex,
  along: mm(alongMm),
  off: mm(offMm),
});

export const aFixture = (change: Partial<Record<keyof Fixture, unknown>> = {}): Fixture =>
  fixtureSchema.parse({
    id: 'door',
    roomId: HALL,
    kind: 'door',
    name: 'Door',
    place: onWall(0, 0),
    width: mm(800),
    depth: mm(0),
    bottom: mm(0),
    top: mm(2000),
    swing: 'in-start',
    ...change,
  });

export const aSection = (change: Partial<Record<keyof Section, unknown>> = {}): Section =>
  sectionSchema.parse({
    id: 'section',
    roomId: HALL,
    name: 'Cupboard',
    position: 0,
    inScope: true,
    bayIds: ['shelf', 'shelf-2'],
    content: 'linen',
    fullPercent: 100,
    ...change,
  });

export const aGroup = (change: Partial<Record<keyof Group, unknown>> = {}): Group =>
  groupSchema.parse({
    id: 'hats',
    projectId: HOME,
    roomId: HALL,
    name: 'Hats',
    bayId: null,
    uncountedLitres: 0,
    lid: 'any',
    see: 'any',
    front: false,
    loose: false,
    position: 0,
    ...change,
  });

export const aDecision = (
  change: Partial<Record<keyof DecidedEvent, unknown>> = {},
): DecidedEvent => {
  const event = decisionEventSchema.parse({
    kind: 'decided',
    id: 'd1',
    thingId: 't1',
    decidedAt: '2026-11-06T10:42:00.000Z',
    device: 'desk',
    roomId: HALL,
    name: 'hat',
    count: 1,
    verdict: 'keep',
    reasons: [],
    groupId: null,
    to: '',
    litres: 1.2,
    massG: 110,
    ...change,
  });
  if (event.kind !== 'decided') throw new Error('a decision decides');
  return event;
};

/** One home and its hall. */
export async function insertHomeRows(db: Db): Promise<void> {
  const project: Project = projectSchema.parse({
    id: HOME,
    name: 'Home',
    units: 'cm',
    currency: 'GBP',
    budgetMinor: 50_000,
    readyBy: null,
    status: 'active',
    createdAt: '2026-11-01T09:00:00.000Z',
  });
  await db(projectRecord.table.name).insert(projectRecord.table.toRow(project));
  await db(roomRecord.table.name).insert(roomRecord.table.toRow(aRoom()));
}

/** A database in memory, through the real migrations, with one home and its hall. */
export async function aDatabase(): Promise<Db> {
  const db = await openMemoryDatabase();
  await insertHomeRows(db);
  return db;
}

export const insertGroup = async (db: Db, group: Group): Promise<void> => {
  await db(groupRecord.table.name).insert(groupRecord.table.toRow(group));
};

/** Everything that a project's records hold. */
export const loadAll = (db: Db, projectId: ProjectId): Promise<ProjectRecords> =>
  loadRecords(
    db,
    projectId,
    'things',
    ...recordKinds.flatMap(({ name }) => (name === 'projects' ? [] : [name as LoadName])),
  ) as Promise<ProjectRecords>;
