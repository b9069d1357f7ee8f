import fc from 'fast-check';

import { invariant } from '../shared';
import { divideColumn, readColumn, shelfHeightsOf } from './divideColumn';

const base: Omit<Parameters<typeof divideColumn>[0], 'shelvesMm'> = {
  insideMm: 1000,
  shelfThicknessMm: 20,
  holePitchMm: undefined,
  before: [],
};
const heights = (shelvesMm: readonly number[], change: Partial<typeof base> = {}) => {
  const divided = divideColumn({ ...base, ...change, shelvesMm });
  return divided.ok
    ? divided.value.map(({ heightMm, fromIndex }) => [heightMm, fromIndex])
    : divided.error;
};

test('shelves split a column, and the bays keep what lay at their height', () => {
  expect(heights([520], { before: [1000] })).toEqual([
    [500, 0],
    [480, undefined],
  ]);
  expect(heights([300, 520], { before: [500, 480] })).toEqual([
    [280, 0],
    [200, undefined],
    [480, 1],
  ]);
  expect(heights([], { before: [500, 480] })).toEqual([[1000, 0]]);
});

test('movable shelves go to their nearest hole', () =>
  expect(heights([330], { holePitchMm: 32 })).toEqual([
    [300, undefined],
    [680, undefined],
  ]));

test.each([
  [[1200], [{ code: 'shelf_outside', shelfMm: 1200, insideMm: 1000 }]],
  [[40], [{ code: 'shelf_outside', shelfMm: 40, insideMm: 1000 }]],
  [[500, 530], [{ code: 'shelves_too_close', shelfMm: 500, nextMm: 530 }]],
])('shelves at %j are refused with what is wrong', (shelves, error) =>
  expect(heights(shelves)).toEqual(error),
);

test('heights and boards add up to the inside, and writing the shelves back divides the same', () =>
  fc.assert(
    fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 18 }), { maxLength: 6 }), (steps) => {
      const divided = divideColumn({ ...base, shelvesMm: steps.map((step) => step * 52) });
      invariant(divided.ok, 'shelves 52 mm apart leave 32 mm');
      const high = divided.value.map(({ heightMm }) => heightMm);
      expect(high.reduce((a, b) => a + b, 0) + 20 * (high.length - 1)).toBeCloseTo(1000, 6);
      const again = divideColumn({ ...base, shelvesMm: shelfHeightsOf(high, 20), before: high });
      expect(
        again.ok && again.value.map(({ heightMm, fromIndex }) => [heightMm, fromIndex]),
      ).toEqual(high.map((heightMm, i) => [heightMm, i]));
    }),
  ));

it('takes a board from the measures only where it can be one, and says what it assumes', () => {
  // One place of 190 cm in a cupboard of 210: a plinth and a cornice, no boards of ten.
  expect(readColumn({ heightsMm: [1900], outsideMm: 2100, typedBoardMm: undefined })).toEqual({
    insideMm: 1900,
    boardMm: 18,
    isAssumed: true,
  });
  expect(readColumn({ heightsMm: [1900], outsideMm: 2100, typedBoardMm: 22 })).toMatchObject({
    boardMm: 22,
    isAssumed: false,
  });
  // 900 outside less two places of 420 leaves 60 for three boards.
  expect(readColumn({ heightsMm: [420, 420], outsideMm: 900, typedBoardMm: undefined })).toEqual({
    insideMm: 860,
    boardMm: 20,
    isAssumed: false,
  });
  expect(readColumn({ heightsMm: [], outsideMm: 900, typedBoardMm: undefined })).toEqual({
    insideMm: 864,
    boardMm: 18,
    isAssumed: true,
  });
});
