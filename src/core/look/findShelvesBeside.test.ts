import { aBay } from '@test/builders';
import { findShelvesBeside } from '.';

const at = (columnIndex: number, rowIndex: number) =>
  aBay({ id: `c${columnIndex}r${rowIndex}`, columnIndex, rowIndex });
const idsBeside = (bays: ReturnType<typeof at>[], of: ReturnType<typeof at>) =>
  findShelvesBeside(bays, of).map(({ lower, upper }) => `${lower.id}-${upper.id}`);

test('a place has the shelf under it and the one over it, in its own column only', () => {
  const bays = [at(1, 1), at(0, 2), at(0, 0), at(0, 1)];
  expect(idsBeside(bays, at(0, 1))).toEqual(['c0r0-c0r1', 'c0r1-c0r2']);
  expect(idsBeside(bays, at(0, 0))).toEqual(['c0r0-c0r1']);
  expect(idsBeside(bays, at(1, 1))).toEqual([]);
  // What is not among the places parts nothing.
  expect(idsBeside([at(0, 0), at(0, 2)], at(0, 0))).toEqual([]);
});
