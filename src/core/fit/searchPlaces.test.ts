import fc from 'fast-check';

import { fitRequestArb } from '@test/fitArbitrary';
import { createRandom } from '../shared';
import { scoreOf, type FoundFit } from './bestFit';
import { findFitFaults } from './findFitFaults';
import { toPlacements } from './floor';
import { floorRowsOf } from './floorRows';
import { countUsed, GroupCovers } from './groupCovers';
import { fitRequestSchema, type FitRequest } from './model';
import { fillContainers } from './piles';
import { PlaceSearch } from './searchPlaces';

/** What was bettered in so many steps, from nothing or from where an earlier search ended. */
function searchFrom(request: FitRequest, seed: number, start?: FoundFit): FoundFit[] {
  const random = createRandom(seed);
  const covers = new GroupCovers(request, floorRowsOf(request), random);
  const found: FoundFit[] = [];
  const onBetter = (next: FoundFit): boolean => {
    found.push(next);
    return true;
  };
  new PlaceSearch(
    request,
    { covers, random, hasTime: () => true, onBetter },
    start?.packing.spots ?? [],
  ).run(() => found.length > 40, 120);
  return found;
}

/** Everything that a fit says of itself, for the checker. */
function faultsOf(request: FitRequest, { chosen, packing }: FoundFit) {
  const offered = request.groups.map(({ id }) =>
    chosen.reduce(
      (sum, { group, container, count }) =>
        group.id === id ? sum + container.innerLitres * count : sum,
      0,
    ),
  );
  const usedLitres = request.groups.reduce(
    (sum, { litres }, g) => sum + Math.min(litres, offered[g] ?? 0),
    0,
  );
  return findFitFaults(request, {
    placements: toPlacements(packing.spots),
    unmet: [],
    costMinor: chosen.reduce((sum, { container, count }) => sum + container.priceMinor * count, 0),
    usedLitres,
    freeLitres: offered.reduce((a, b) => a + b, 0) - usedLitres,
  });
}

test('whatever is bettered breaks no rule, holds every group and scores what it says', () => {
  let stood = 0;
  fc.assert(
    fc.property(fitRequestArb, fc.integer({ min: 1, max: 1000 }), (request, seed) => {
      for (const fit of searchFrom(request, seed)) {
        stood += 1;
        expect(faultsOf(request, fit)).toEqual([]);
        expect(fit.score).toEqual(scoreOf(request.prefer ?? 'cost', fit.chosen, fit.packing));
        for (const [container, count] of countUsed(fit.chosen))
          expect(count).toBeLessThanOrEqual(container.available ?? Infinity);
      }
    }),
    { numRuns: 60 },
  );
  expect(stood).toBeGreaterThan(100);
});

/** Every container carries its share of what its group has now, not of what it had when it was stood. */
function expectMasses({ chosen, packing }: FoundFit): void {
  const filled = fillContainers(chosen);
  for (const level of packing.spots.flatMap(({ pile }) => pile.levels))
    expect(level.massG).toBeCloseTo(
      filled.find(({ container, group }) => container === level.container && group === level.group)
        ?.massG ?? NaN,
      6,
    );
}

/** One large group that only many small containers hold, most of them here already. */
const crowded = fitRequestSchema.parse({
  bay: { id: 'bay', width: 900, depth: 420, height: 260 },
  groups: [
    { id: 'wool', name: 'wool', litres: 34, massG: 5000 },
    { id: 'tea', name: 'tea', litres: 6, massG: 2500 },
  ],
  containers: [
    [180, 140, 110, 2.2, 0, 5],
    [200, 160, 120, 3, 0, 4],
    [260, 190, 180, 7, 420],
    [300, 200, 210, 9.6, 560],
    [150, 150, 230, 4.1, 190],
  ].map(([width, depth, height, innerLitres, priceMinor, available], i) => ({
    id: `c${i}`,
    name: `c${i}`,
    outer: { width, depth, height },
    innerLitres,
    innerHeight: (height ?? 0) - 6,
    material: 'plastic',
    priceMinor,
    stackable: i < 2,
    ...(available !== undefined && { available }),
  })),
});

test('going on from what stands it gets better, in many containers too, and what stood is the start', () => {
  const first = searchFrom(crowded, 3).at(0);
  expect(first && faultsOf(crowded, first)).toEqual([]);
  const later = [4, 5, 6].flatMap((seed) => searchFrom(crowded, seed, first));
  for (const fit of later) {
    expect(faultsOf(crowded, fit)).toEqual([]);
    expectMasses(fit);
  }
  const cheapest = later.reduce((least, { score }) => Math.min(least, score[0]), Infinity);
  expect(cheapest).toBeLessThan(first?.score[0] ?? 0);
  expect(
    later.some(
      ({ chosen }) =>
        chosen
          .filter(({ group }) => group.id === 'wool')
          .reduce((sum, { count }) => sum + count, 0) >= 5,
    ),
  ).toBe(true);
});

test('while not everything stands money alone counts: buying is found where only that holds everything', () => {
  const request = {
    ...crowded,
    prefer: 'reuse' as const,
    groups: crowded.groups.map((group) => ({ ...group, litres: group.litres * 1.1 })),
  };
  const found = [1, 2, 3].flatMap((seed) => searchFrom(request, seed));
  expect(found.length).toBeGreaterThan(0);
  for (const fit of found) expect(faultsOf(request, fit)).toEqual([]);
});
