import fc from 'fast-check';

import { aBay, aGroup, aUnit, HALL } from '../../../tests/builders';
import {
  figureCodes,
  inClosingOrder,
  KEEP_UP_LINES,
  keepUpOf,
  roomInClosing,
  startClosing,
} from '.';
import { projectIdSchema, roomIdSchema, vantagePointIdSchema } from '../shared';
import { usualPlacing } from '../sort';

const facts = (groups: ReturnType<typeof aGroup>[]) => ({
  units: [
    aUnit({ bays: [aBay({ id: 'shelf' }), aBay({ id: 'shelf-2', rowIndex: 1, name: 'Top' })] }),
  ],
  groups,
  things: [],
  routines: [],
  setUp: undefined,
  today: '2026-11-30',
});

test('a room that asks for nothing has no lines; one with much of a kind leaves room for others', () => {
  expect(keepUpOf(facts([]))).toEqual([]);
  const stock = Array.from({ length: 8 }, (_, i) =>
    aGroup({
      id: `stock-${i}`,
      name: `Stock ${i}`,
      bayId: 'shelf',
      placing: { ...usualPlacing, isBackStock: true },
    }),
  );
  const full = aGroup({ id: 'full', name: 'Blankets', bayId: 'shelf-2', uncountedLitres: 5000 });
  const lines = keepUpOf(facts([...stock, full]));
  expect(lines).toHaveLength(KEEP_UP_LINES);
  expect(lines[1]).toMatchObject({ code: 'one_in_one_out', bayName: 'Cupboard, Top' });
});

test('never more than five lines, and the same ones whatever order groups come in, by kind', () => {
  const arbitrary = fc.array(
    fc.record({
      stock: fc.boolean(),
      front: fc.boolean(),
      litres: fc.integer({ min: 0, max: 90 }),
    }),
    { maxLength: 12 },
  );
  fc.assert(
    fc.property(arbitrary, (list) => {
      const groups = list.map(({ stock, front, litres }, i) =>
        aGroup({
          id: `g${i}`,
          name: `G${i}`,
          bayId: 'shelf',
          front,
          uncountedLitres: litres,
          placing: { ...usualPlacing, isBackStock: stock },
        }),
      );
      const codes = (own: typeof groups) => keepUpOf(facts(own)).map(({ code }) => code);
      expect(codes(groups).length).toBeLessThanOrEqual(KEEP_UP_LINES);
      expect(codes([...groups].reverse())).toEqual(codes(groups));
    }),
  );
});

test('a report that nobody composed tells all; one that was keeps its order and drops what is gone', () => {
  const start = startClosing(projectIdSchema.parse('home'));
  const [a, b] = ['a', 'b'].map((id) => vantagePointIdSchema.parse(id));
  expect(roomInClosing(start, { id: HALL, vantagePointIds: [a!, b!] })).toMatchObject({
    isShown: true,
    figures: figureCodes,
    vantagePointIds: [a, b],
  });
  const closing = {
    ...start,
    rooms: [
      {
        roomId: roomIdSchema.parse('loft'),
        isShown: true,
        vantagePointIds: [b!, a!],
        figures: [],
        said: '',
        keepUp: null,
      },
    ],
  };
  expect(inClosingOrder(closing, [{ id: 'hall' }, { id: 'loft' }]).map(({ id }) => id)).toEqual([
    'loft',
    'hall',
  ]);
  expect(
    roomInClosing(closing, { id: roomIdSchema.parse('loft'), vantagePointIds: [a!] })
      .vantagePointIds,
  ).toEqual([a]);
});
