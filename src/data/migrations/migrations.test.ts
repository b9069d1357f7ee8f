import knex from 'knex';

import { HALL, HOME } from '@test/builders';
import { loadRecords } from '@/data/records';
import { openMemoryDatabase, type Db } from '../db';
import { moveChange } from '../changes';

import { migrationNames, migrationSource } from '.';

/** Rows as version 0001 wrote them, frozen: they must be read for ever. */
const OLD_ROWS: readonly (readonly [table: string, row: Readonly<Record<string, unknown>>])[] = [
  [
    'projects',
    {
      id: HOME,
      name: 'Home',
      units: 'cm',
      currency: 'GBP',
      budget_minor: 500,
      ready_by: null,
      status: 'active',
      created_at: '2026-11-01T09:00:00.000Z',
    },
  ],
  [
    'people',
    {
      id: 'nora',
      project_id: HOME,
      name: 'Nora',
      height_json: '{"mm":1680,"text":"168 cm"}',
      is_child: 0,
      no_step: 1,
      position: 0,
    },
  ],
  [
    'rooms',
    { id: HALL, project_id: HOME, name: 'Hall', purpose: 'Sit', budget_minor: 100, position: 0 },
  ],
  [
    'units',
    {
      id: 'unit',
      room_id: HALL,
      name: 'Cupboard',
      kind: 'cupboard',
      width_json: '{"mm":800,"text":"80"}',
      depth_json: '{"mm":400,"text":"40"}',
      height_json: '{"mm":900,"text":"90"}',
      floor_gap_json: '{"mm":0,"text":"0"}',
      position: 0,
    },
  ],
  [
    'bays',
    {
      id: 'shelf',
      unit_id: 'unit',
      name: 'Shelf',
      column_index: 0,
      row_index: 0,
      width_readings_json: '[{"mm":700,"text":"70"}]',
      depth_readings_json: '[{"mm":380,"text":"38"}]',
      height_readings_json: '[{"mm":800,"text":"80"}]',
      opening_width_json: 'null',
      opening_height_json: 'null',
      max_load_g: null,
      pull_out: 0,
      moist: 1,
      out_of_scope: 0,
      obstacles_json: '[]',
    },
  ],
  [
    'groups',
    {
      id: 'hats',
      project_id: HOME,
      room_id: HALL,
      name: 'Hats',
      bay_id: 'shelf',
      uncounted_litres: 3,
      lid: 'any',
      see: 'any',
      front: 1,
      loose: 0,
      position: 0,
    },
  ],
  ['vantage_points', { id: 'spot', room_id: HALL, name: 'from the door', position: 0 }],
];

/** A database as the first version left it. */
async function openOldDatabase(): Promise<Db> {
  const db = knex({
    client: 'better-sqlite3',
    connection: { filename: ':memory:' },
    useNullAsDefault: true,
    pool: { min: 1, max: 1 },
  });
  const first = {
    ...migrationSource,
    getMigrations: async () => (await migrationSource.getMigrations([])).slice(0, 1),
  };
  await db.migrate.latest({ migrationSource: first });
  for (const [table, row] of OLD_ROWS) await db(table).insert(row);
  // Undo remembers rows as they were then: a removed spot that may yet come back.
  const images = [
    {
      table: 'vantage_points',
      id: 'gone',
      before: { id: 'gone', room_id: HALL, name: 'from the stairs', position: 1 },
      after: null,
    },
  ];
  await db('changes').insert({
    project_id: HOME,
    label: 'removed a spot',
    images_json: JSON.stringify(images),
    is_undone: 0,
    changed_at: '2026-11-02T09:00:00.000Z',
  });
  return db;
}

test('rows of the first version are read with what came later at its default', async () => {
  const db = await openOldDatabase();
  await db.migrate.latest({ migrationSource });
  const records = await loadRecords(
    db,
    HOME,
    'agreements',
    'fixtures',
    'groups',
    'people',
    'project',
    'rooms',
    'sections',
    'units',
  );
  expect(records.project).toMatchObject({
    name: 'Home',
    bedCount: 0,
    terms: { goals: '', visitMinutes: 180 },
  });
  expect(records.people[0]).toMatchObject({
    noStep: true,
    labels: 'words',
    lids: 'closes',
    sorting: 'finely',
  });
  expect(records.rooms[0]).toMatchObject({
    purpose: 'Sit',
    plan: null,
    checks: [],
    workedMinutes: null,
  });
  expect(records.units[0]).toMatchObject({
    place: null,
    door: 'none',
    bays: [{ moist: true, warm: false, isUsual: false }],
  });
  expect(records.groups[0]).toMatchObject({
    bayId: 'shelf',
    standsBayId: 'shelf',
    placing: { usesPerWeek: null, season: null },
  });
  expect([records.fixtures, records.sections, records.agreements]).toEqual([[], [], []]);
  await moveChange(db, HOME, 'undo');
  expect(
    (await loadRecords(db, HOME, 'vantagePoints')).vantagePoints.map(({ name, inView }) => [
      name,
      inView,
    ]),
  ).toEqual([
    ['from the door', ''],
    ['from the stairs', ''],
  ]);
  await db.destroy();
});

test('a client’s yes of the ninth version is kept as one to any price, and what it bought reads as before', async () => {
  const db = await openOldDatabase();
  const upTo = {
    ...migrationSource,
    getMigrations: async () => (await migrationSource.getMigrations([])).slice(0, 9),
  };
  await db.migrate.latest({ migrationSource: upTo });
  const approvedAt = '2026-11-08T10:00:00.000Z';
  await db('need_priorities').insert([
    {
      id: `${HALL}_tub`,
      room_id: HALL,
      container_id: 'tub',
      priority: 'should',
      approved_at: approvedAt,
    },
    { id: `${HALL}_tin`, room_id: HALL, container_id: 'tin', priority: 'nice', approved_at: null },
  ]);
  await db('purchases').insert({
    id: 'bought',
    room_id: HALL,
    container_id: null,
    shop_name: 'Corner',
    label: 'Hooks',
    pieces: 4,
    paid_minor: 300,
    bought_at: approvedAt,
    returned_pieces: 0,
    refund_minor: 0,
    paid_by: 'us',
    card_minor: 0,
  });
  await db('materials').insert({
    id: HALL,
    boards_json: '[]',
    kerf_json: '{"mm":3,"text":"3 mm"}',
    car_length_json: 'null',
    cuts_json: '[]',
    roll_json: 'null',
    lined_bay_ids_json: '[]',
  });
  await db.migrate.latest({ migrationSource });
  const records = await loadRecords(db, HOME, 'approvals', 'materials', 'priorities', 'purchases');
  expect(records.approvals).toEqual([
    { id: `${HALL}_tub`, roomId: HALL, needId: 'tub', lineMinor: null, approvedAt },
  ]);
  expect(records.priorities.map(({ containerId }) => containerId).sort()).toEqual(['tin', 'tub']);
  expect(records.purchases).toMatchObject([{ label: 'Hooks', materialKey: null, receiptId: null }]);
  expect(records.materials).toMatchObject([
    {
      paint: null,
      labels: null,
      fixings: { rows: [], packs: [] },
      buying: { paint: { shopId: null, priority: 'must' } },
    },
  ]);
  await db.destroy();
});

test('a draft of the tenth version is a room’s still; later ones may be of the home', async () => {
  const db = await openOldDatabase();
  await db.migrate.latest({
    migrationSource: {
      ...migrationSource,
      getMigrations: async () => (await migrationSource.getMigrations([])).slice(0, 10),
    },
  });
  const draft = {
    project_id: HOME,
    name: 'Calm',
    places_json: '[{"groupId":"hats","bayId":null}]',
    position: 1,
  };
  await db('drafts').insert({ ...draft, id: 'kept', room_id: HALL });
  await db.migrate.latest({ migrationSource });
  await db('drafts').insert({ ...draft, id: 'new', room_id: null, position: 2 });
  const read = async () =>
    (await loadRecords(db, HOME, 'drafts')).drafts.map(({ id, roomId, places }) => [
      id,
      roomId,
      places?.length,
    ]);
  expect(await read()).toEqual([
    ['kept', HALL, 1],
    ['new', null, 1],
  ]);
  await db.raw('PRAGMA foreign_keys = ON');
  await db('rooms').where({ id: HALL }).delete();
  expect(await read()).toEqual([['new', null, 1]]);
  await db.destroy();
});

test('a new database knows every migration, in order', async () => {
  const db = await openMemoryDatabase();
  expect(
    (await db('knex_migrations').select('name').orderBy('id')).map(
      ({ name }: { name: string }) => name,
    ),
  ).toEqual([...migrationNames]);
  await db.destroy();
});
