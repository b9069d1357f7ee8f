import fc from 'fast-check';

import { aDecision, aGroup, HALL } from '@test/builders';
import type { PictureId } from '@/core/shared';
import {
  createParser,
  decisionEventSchema,
  verdicts,
  type DecidedEvent,
  type DecisionEvent,
} from '@/core/sort';
import { cautionCodes, figureSources, goesToCodes, reasons } from '@/core/things';
import { readDecisionsCsv, writeDecisionsCsv } from './decisionsCsv';

const rooms = [{ id: HALL, name: 'Hall' }];
const groups = [aGroup(), aGroup({ id: 'odd', name: '=Odd, "things"' })];
let ids = 0;
const context = {
  rooms,
  groups,
  createId: () => `made-${(ids += 1)}`,
  now: '2026-11-07T08:00:00.000Z',
  readThing: createParser({ mustAsk: ['letters'] }),
};

const wordsArb = fc
  .string({ minLength: 1, maxLength: 30, unit: fc.constantFrom(...'abc ,;"\'=+-@\n\té') })
  .filter((text) => text.trim() !== '')
  .map((text) => text.trim());
const rangeArb = fc.record({
  low: fc.nat(50),
  high: fc.nat(500),
  from: fc.constantFrom(...figureSources),
});
const logArb = fc
  .array(
    fc.record({
      name: wordsArb,
      to: fc.oneof(fc.constant(''), wordsArb),
      count: fc.integer({ min: 1, max: 9999 }),
      verdict: fc.constantFrom(...verdicts),
      reasons: fc.subarray([...reasons], { maxLength: 6 }),
      groupId: fc.constantFrom(null, 'hats', 'odd'),
      litres: fc.float({ min: 0, max: 999, noNaN: true }),
      massG: fc.nat(99_999),
      undo: fc.boolean(),
      expiresOn: fc.constantFrom(undefined, '2027-01-31'),
      unit: fc.constantFrom(undefined, 'holder' as const),
      kindId: fc.constantFrom(undefined, 'hat'),
      ranges: fc.option(fc.record({ litres: rangeArb, massG: rangeArb }), { nil: undefined }),
      uprightMm: fc.constantFrom(undefined, 320),
      longestMm: fc.constantFrom(undefined, 410.5),
      cautions: fc.option(fc.subarray([...cautionCodes]), { nil: undefined }),
      goesTo: fc.option(fc.subarray([...goesToCodes], { maxLength: 10 }), { nil: undefined }),
      mustAsk: fc.constantFrom(undefined, 'letters; and cards'),
      agreedBy: fc.constantFrom(undefined, 'Wren'),
      pictureId: fc.constantFrom(undefined, 'p1' as PictureId),
    }),
    { maxLength: 8 },
  )
  .map((items) =>
    items.flatMap(({ undo, ...facts }, i): DecisionEvent[] => {
      const decided = aDecision({ id: `d${i}`, thingId: `t${i}`, ...facts });
      const undone = decisionEventSchema.parse({
        kind: 'undone',
        id: `u${i}`,
        thingId: `t${i}`,
        aboutId: `d${i}`,
        decidedAt: decided.decidedAt,
        device: 'phone',
      });
      return undo ? [decided, undone] : [decided];
    }),
  );

test('what is written reads back without loss', () =>
  fc.assert(
    fc.asyncProperty(logArb, async (log) => {
      const read = await readDecisionsCsv(writeDecisionsCsv(log, { rooms, groups }), context);
      expect(read.faults).toEqual([]);
      expect(read.rows.map(({ event }) => event)).toEqual(log);
    }),
  ));

test('a new row without figures is read as at the bench; what is written down stays', async () => {
  const csv = [
    'room,thing,verdict,count,litres',
    'Hall,bottles of bleach,recycle,2,',
    'Hall,letters,discard,,3',
    'Hall,gubbins,keep,,',
  ].join('\n');
  const { rows, faults } = await readDecisionsCsv(csv, context);
  expect(faults).toEqual([]);
  const [bleach, letters, unknown] = rows.map(({ event }) => event as DecidedEvent);
  expect(bleach).toMatchObject({ count: 2, unit: 'holder', cautions: ['chemical'] });
  expect(bleach?.litres).toBeGreaterThan(1);
  expect(letters).toMatchObject({
    litres: 3,
    mustAsk: 'letters',
    ranges: { litres: { low: 3, high: 3, from: 'typed' } },
  });
  expect(unknown?.ranges?.litres.from).toBe('unknown');
});

test('no cell starts like a formula', () => {
  const csv = writeDecisionsCsv([aDecision({ name: '=HYPERLINK(1)', to: '+44' })], {
    rooms,
    groups,
  });
  expect(csv).toContain(`,'=HYPERLINK(1),`);
  expect(csv).toContain(`,'+44,`);
});

test('bad cells are named by line and column, the good rows stay good', async () => {
  const csv = [
    'room,thing,verdict,count,litres',
    'Hall,"two',
    'lines",keep,1,2',
    'Attic,lamp,burn,0,much',
    'hall,mat,donate,,',
  ].join('\n');
  const { rows, faults } = await readDecisionsCsv(csv, context);
  expect(rows.map(({ line, event }) => [line, event.kind === 'decided' && event.name])).toEqual([
    [2, 'two\nlines'],
    [5, 'mat'],
  ]);
  expect(faults.map(({ line, column, found }) => [line, column, found])).toEqual(
    expect.arrayContaining([
      [4, 'room', 'Attic'],
      [4, 'verdict', 'burn'],
      [4, 'count', '0'],
      [4, 'litres', 'much'],
    ]),
  );
});

test('columns that are missing are named', async () => {
  const { faults } = await readDecisionsCsv('thing;verdict\n', context);
  expect(faults.map(({ column }) => column)).toEqual(['room']);
});

test('undoing what the file does not hold is a fault of that line', async () => {
  const csv = 'room,thing,verdict,kind,decision_id,thing_id,about_id\n,,,undone,u1,t1,d1\n';
  expect(await readDecisionsCsv(csv, context)).toMatchObject({
    rows: [],
    faults: [{ line: 2, column: 'about_id', found: 'd1' }],
  });
});

test('a group that the room lacks is named, to be made; a name that is too long is a fault of its row', async () => {
  const csv = `room,thing,verdict,group\nHall,mat,keep,Mats\nHall,rug,keep,${'x'.repeat(61)}\n`;
  const { rows, faults } = await readDecisionsCsv(csv, context);
  expect(rows.map(({ newGroupName }) => newGroupName)).toEqual(['Mats']);
  expect(faults).toMatchObject([{ line: 3, column: 'group', expected: 'at most 60 letters' }]);
});
