import fc from 'fast-check';

import { aBay, aDecision, aGroup } from '@test/builders';
import { boxLevelOf } from './boxLevel';
import { foldDecisions } from './foldDecisions';
import { spaceInBay } from './space';
import { addUp, tallyByVerdict } from './tally';

const bayId = aBay().id;
const groups = [aGroup({ bayId: 'shelf', uncountedLitres: 3 })];
const kept = (litres: number, count = 1) =>
  foldDecisions([aDecision({ groupId: 'hats', litres, count })]);

test('a heap counts with what was counted one by one', () =>
  expect(spaceInBay({ bayId, usableLitres: 22, groups, things: kept(15.5) })).toMatchObject({
    keptLitres: 18.5,
    freeLitres: 3.5,
    overLitres: 0,
  }));

test('says how many of the thing in hand still fit, and how much all of it is too much', () => {
  const space = spaceInBay({
    bayId,
    usableLitres: 22,
    groups,
    things: kept(15.5),
    inHand: { count: 6, litres: 4.2 },
  });
  expect(space.fittingCount).toBe(5);
  expect(space.overLitres).toBeCloseTo(0.7, 9);
});

test('only what is kept takes space', () =>
  expect(
    spaceInBay({
      bayId,
      usableLitres: 22,
      groups,
      things: foldDecisions([aDecision({ groupId: 'hats', verdict: 'donate', litres: 9 })]),
    }).keptLitres,
  ).toBe(3));

test('totals by verdict add up to the total of all', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          count: fc.integer({ min: 1, max: 50 }),
          litres: fc.integer({ min: 0, max: 99 }),
          massG: fc.nat(999),
          verdict: fc.constantFrom('keep' as const, 'donate' as const, 'later' as const),
        }),
      ),
      (things) => {
        const parts = Object.values(tallyByVerdict(things));
        expect(addUp(parts)).toEqual(addUp(things));
      },
    ),
  ));

test.each([
  [{ litres: 0, massG: 0 }, 0, 0],
  [{ litres: 25, massG: 100 }, 1, 0.5],
  [{ litres: 50, massG: 0 }, 1, 1],
  [{ litres: 60, massG: 0 }, 2, 0.2],
  [{ litres: 5, massG: 22_500 }, 2, 0.5],
])('a box fills by litres or weight, whichever presses: %j', (amount, boxNumber, fillRatio) => {
  const level = boxLevelOf(amount);
  expect(level.boxNumber).toBe(boxNumber);
  expect(level.fillRatio).toBeCloseTo(fillRatio, 9);
});
