import fc from 'fast-check';

import {
  aBay,
  aDatabase,
  aGroup,
  aRoom,
  aUnit,
  HALL,
  HOME,
  insertGroup,
  mm,
  onWall,
} from '@test/builders';
import { toLength } from '@/core/shared';
import { moveChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { bayRecord, loadRecords, unitRecord } from '@/data/records';
import {
  importMeasures,
  measuresJsonToCsv,
  parseMeasuresCsv,
  writeMeasuresCsv,
  writeMeasuresJson,
} from './measuresFile';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
});
afterEach(() => db.destroy());
const units = async () => (await loadRecords(db, HOME, 'units')).units;
const HEADER = 'room,unit,unit_width,unit_depth,unit_height,bay,row,widths,depths,heights';

const lengthArb = fc
  .integer({ min: 1000, max: 9000 })
  .chain((tenths) =>
    fc.constantFrom('mm', 'cm', 'm' as const).map((unit) => toLength(tenths / 10, unit as 'mm')),
  );
const bayArb = fc.record({
  name: fc.stringMatching(/^[a-z=+@;,"' ]{0,8}[a-z]$/),
  widthReadings: fc.array(lengthArb, { minLength: 1, maxLength: 5 }),
  depthReadings: fc.array(lengthArb, { minLength: 1, maxLength: 5 }),
  heightReadings: fc.array(lengthArb, { minLength: 1, maxLength: 3 }),
  openingWidth: fc.option(fc.constant(mm(90)), { nil: null }),
  access: fc.constantFrom(
    {},
    { lip: mm(20), shelfThickness: mm(18) },
    { openingLeft: mm(5), openingBottom: mm(8), doorTakes: mm(30) },
    { falseFloor: mm(40), doorSwing: mm(90), doorLoadG: 4500 },
  ),
  maxLoadG: fc.option(fc.integer({ min: 1, max: 90_000 }), { nil: null }),
  pullOut: fc.boolean(),
  moist: fc.boolean(),
  warm: fc.boolean(),
  light: fc.boolean(),
  lockable: fc.boolean(),
  outOfScope: fc.boolean(),
  obstacles: fc.array(
    fc.record({
      label: fc.constantFrom('trap', 'hot pipe 2'),
      x: fc.integer({ min: 0, max: 20 }),
      y: fc.constant(0),
      z: fc.constant(0),
      width: fc.constant(30),
      depth: fc.constant(40),
      height: fc.constant(50.5),
    }),
    { maxLength: 2 },
  ),
});

test('what is written reads back the same, as CSV and as JSON, to the reading', () =>
  fc.assert(
    fc.property(fc.array(bayArb, { minLength: 1, maxLength: 4 }), (bays) => {
      const unit = aUnit({
        width: mm(1000),
        depth: mm(1000),
        height: mm(6000),
        door: 'pair',
        holePitch: mm(32),
        bays: bays.map((bay, rowIndex) =>
          aBay({ ...bay, name: bay.name.trim(), id: `b${rowIndex}`, rowIndex }),
        ),
      });
      const records = { rooms: [aRoom()], units: [unit] };
      const json = measuresJsonToCsv(writeMeasuresJson(records));
      for (const csv of [writeMeasuresCsv(records), 'csv' in json ? json.csv : '']) {
        const parsed = parseMeasuresCsv(csv, 'cm');
        expect(parsed.faults).toEqual([]);
        const read = parsed.units[0];
        expect(read?.facts).toMatchObject({
          name: unit.name,
          kind: unit.kind,
          width: unit.width,
          door: 'pair',
          holePitch: unit.holePitch,
        });
        expect(read?.bays).toEqual(unit.bays.map(({ id: _id, unitId: _unitId, ...bay }) => bay));
      }
    }),
    { numRuns: 60 },
  ));

test('a file comes in whole: rooms are made, a unit of the same name is replaced in its place, and undo takes it all back', async () => {
  const before = aUnit({ name: 'Rack', place: onWall(0, 500) });
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(before));
  for (const bay of before.bays)
    await db(bayRecord.table.name).insert(
      bayRecord.table.toRow({ ...bay, name: bay.id === 'shelf' ? 'low' : 'high' }),
    );
  await insertGroup(db, aGroup({ bayId: 'shelf' }));
  const csv = `${HEADER}\r\nHall,rack,90 cm,40,"1,2 m",LOW,1,80;79.5 cm,35,30\r\nLoft,Chest,60,40,50,Chest,1,55,35,45\r\n`;
  expect(await importMeasures(db, HOME, { csv, acceptGood: false })).toEqual({
    faults: [],
    goodCount: 2,
    outcome: { addedCount: 1, replacedCount: 1 },
  });
  const all = await units();
  const [rack, chest] = ['rack', 'Chest'].map((name) => all.find((unit) => unit.name === name));
  expect(rack).toMatchObject({
    id: 'unit',
    place: before.place,
    height: { mm: 1200, text: '1,2 m' },
    bays: [{ id: 'shelf', widthReadings: [{ mm: 800 }, { mm: 795 }] }],
  });
  expect(
    (await loadRecords(db, HOME, 'rooms')).rooms.map(({ id, name }) => [id === HALL, name]),
  ).toEqual([
    [true, 'Hall'],
    [false, 'Loft'],
  ]);
  expect([chest?.name, (await loadRecords(db, HOME, 'groups')).groups[0]?.bayId]).toEqual([
    'Chest',
    'shelf',
  ]);
  await moveChange(db, HOME, 'undo');
  expect((await units()).map(({ bays }) => bays.map(({ name }) => name))).toEqual([
    ['low', 'high'],
  ]);
});

test('every fault is told by line and column; nothing is kept unless the good units are asked for', async () => {
  const csv = [
    HEADER,
    'Hall,A,90,40,100,low,1,wide,35,30',
    'Hall,B,90,40,100,low,1,80,35,30',
    'Hall,B,90,40,100,low,0,80,35,90',
    'Hall,C,50,40,100,low,1,80,35,30',
    '',
  ].join('\n');
  const outcome = await importMeasures(db, HOME, { csv, acceptGood: false });
  expect(outcome.faults.map(({ line, column, found }) => [line, column, found])).toEqual([
    [2, 'widths', 'wide'],
    [4, 'row', '0'],
    [5, 'unit', 'C'],
  ]);
  expect([outcome.goodCount, outcome.outcome, await units()]).toEqual([0, undefined, []]);
  expect(
    await importMeasures(db, HOME, {
      csv: `${csv}Hall,D,90,40,100,low,1,80,35,30\n`,
      acceptGood: true,
    }),
  ).toMatchObject({ goodCount: 1, outcome: { addedCount: 1, replacedCount: 0 } });
  expect((await units()).map(({ name }) => name)).toEqual(['D']);
});

test.each([
  ['{', /JSON|Expected/],
  ['{"format":"tin-box-measures","version":2,"bays":[]}', /version/],
  ['{"format":"tin-box-measures","version":1,"bays":[{"colour":"red"}]}', /bays\.0/],
])('JSON %s is refused with the place', (text, message) =>
  expect(measuresJsonToCsv(text)).toEqual({ message: expect.stringMatching(message) }),
);
