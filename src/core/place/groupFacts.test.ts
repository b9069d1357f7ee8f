import fc from 'fast-check';

import { aGroup } from '@test/builders';
import { placingSchema } from '../sort';
import { isInSeason, mayLeaveRoom, seasonOf, usesPerWeekOf } from '.';

const placing = (change: object) => placingSchema.parse(change);

test.each([
  ['Beach towels, May to September', 5, 9],
  ['Ski gear', 11, 3],
  ['Tree & Christmas lights', 12, 1],
  ['Coats, Oct to Mar', 10, 3],
])('the season of %s is read from its name', (name, from, to) =>
  expect(seasonOf(aGroup({ name }))).toEqual({ from, to }),
);
test('a name without months has none, and what was said overrules the name', () => {
  expect(seasonOf(aGroup({ name: 'Towels to give away' }))).toBeUndefined();
  expect(
    seasonOf(aGroup({ name: 'Ski gear', placing: placing({ season: { from: 1, to: 2 } }) })),
  ).toEqual({ from: 1, to: 2 });
});

test('over the year a seasonal group is used as often as its months add up to', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 12 }),
      fc.integer({ min: 1, max: 12 }),
      fc.integer({ min: 0, max: 40 }),
      (from, to, usesPerWeek) => {
        const group = aGroup({ placing: placing({ season: { from, to }, usesPerWeek }) });
        const months = Array.from({ length: 12 }, (_, i) => usesPerWeekOf(group, i + 1));
        expect(months.reduce((sum, uses) => sum + uses, 0) / 12).toBeCloseTo(
          usesPerWeekOf(group),
          9,
        );
        expect(
          months
            .filter((_, i) => isInSeason({ from, to }, i + 1))
            .every((uses) => uses === usesPerWeek),
        ).toBe(true);
      },
    ),
  ));

test('reserve is used rarely, and what tempts counts as hardly used', () =>
  expect(
    [
      aGroup({ front: true }),
      aGroup({ placing: placing({ isBackStock: true }) }),
      aGroup({ front: true, placing: placing({ isTempting: true }) }),
    ].map((group) => usesPerWeekOf(group)),
  ).toEqual([14, 0.5, expect.closeTo(0.7, 9)]));

test.each<[string, object, boolean]>([
  ['Towels', {}, false],
  ['Towels', { usesPerWeek: 0.5 }, true],
  ['Spare towels', { isBackStock: true }, true],
  ['Ski gear', {}, true],
  ['Ski gear', { mayLeaveRoom: false }, false],
  ['Drain cleaner', { isBackStock: true }, false],
  ['Paint & brushes', { usesPerWeek: 0.1 }, false],
  ['Kitchen knives', { usesPerWeek: 0.1 }, false],
  ['Kitchen knives', { mayLeaveRoom: true }, true],
])('%s with %j may leave its room: %s', (name, facts, may) =>
  expect(mayLeaveRoom(aGroup({ name, placing: placing(facts) }))).toBe(may),
);
