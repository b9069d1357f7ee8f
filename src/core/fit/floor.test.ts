import fc from 'fast-check';

import { createRandom, loadSolver, type Solver } from '../shared';
import { fitRequestArb } from '@test/fitArbitrary';
import { cpuClock as clock } from '@test/cpuClock';
import { coverGroup } from './coverGroup';
import { findFitFaults } from './findFitFaults';
import { Floor, toPlacements } from './floor';
import { floorRowsOf } from './floorRows';
import { fitRequestSchema, type FitContainer, type FitRequest } from './model';
import { packPiles } from './packPiles';
import { planFit } from './planFit';
import type { Chosen } from './selectContainers';
import { findBayFault, findGroupFault } from './suitability';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

const aBox = (
  id: string,
  width: number,
  depth: number,
  change: Partial<FitContainer> = {},
): FitContainer => ({
  id,
  name: id,
  outer: { width, depth, height: 100 },
  innerLitres: (width * depth) / 1e4,
  innerHeight: 95,
  material: 'plastic',
  priceMinor: 1,
  ...change,
});
const bare = { side: 0, between: 0, top: 0, front: 0, back: 0 };

/**
 * One of each container that suits, for the first group that it suits: some selections stand, some
 * do not.
 */
const someOf = (request: FitRequest, seed: number): Chosen[] => {
  const random = createRandom(seed);
  return request.containers.flatMap((container) => {
    const group = request.groups.find(
      (candidate) => candidate.litres > 0 && findGroupFault(container, candidate) === undefined,
    );
    const count = Math.min(container.available ?? 3, Math.floor(random() * 3));
    return group && count > 0 && findBayFault(request, container) === undefined
      ? [{ container, group, count }]
      : [];
  });
};

test('what is stood breaks no rule of place, and keeps every floor row', () => {
  let stood = 0;
  fc.assert(
    fc.property(fitRequestArb, fc.integer({ min: 1, max: 1000 }), (tight, seed) => {
      // Content and loads are the selection's affair; here only where things stand is looked at.
      const request = { ...tight, groups: tight.groups.map((group) => ({ ...group, massG: 1 })) };
      const chosen = someOf(request, seed);
      const packing = packPiles(request, chosen, {
        tries: 30,
        tightNodes: 2000,
        random: createRandom(seed),
        aim: 'first',
        hasTime: () => true,
      });
      if (!packing) return;
      stood += 1;
      const faults = findFitFaults(request, {
        placements: toPlacements(packing.spots),
        unmet: [],
        costMinor: 0,
        usedLitres: 0,
        freeLitres: 0,
      });
      expect(
        faults.filter(({ rule }) => rule !== 'litres' && rule !== 'totals' && rule !== 'bay_load'),
      ).toEqual([]);
      const bottoms = toPlacements(packing.spots)
        .filter(({ z }) => z === 0)
        .flatMap(({ containerId }) => request.containers.filter(({ id }) => id === containerId));
      for (const row of floorRowsOf(request))
        expect(bottoms.reduce((sum, container) => sum + row.of(container), 0)).toBeLessThanOrEqual(
          row.most * (1 + 1e-6) + 1e-6,
        );
    }),
    { numRuns: 150 },
  );
  expect(stood).toBeGreaterThan(30);
});

test('the snuggest place is free, and none is left with less beside it', () => {
  const bay = { id: 'bay', width: 700, depth: 400, height: 200, pullOut: true };
  const containers = [
    aBox('a', 300, 250),
    aBox('b', 180, 140),
    aBox('c', 120, 90),
    aBox('d', 60, 50),
  ];
  const group = { id: 'g', name: 'g', litres: 1 };
  const request = fitRequestSchema.parse({ bay, groups: [group], containers, clearances: bare });
  const [g] = request.groups;
  const floor = new Floor(request);
  const stood: { x: number; y: number; width: number; depth: number }[] = [];
  for (const container of [...request.containers, ...request.containers]) {
    const snug = floor.snugFor(container);
    const levels = [{ container, group: g!, massG: 1, kind: '' }];
    if (!snug) {
      // Then no rule of place finds room either.
      expect(floor.copy().stand({ container, levels }, 'snug')).toBe(false);
      continue;
    }
    const { x, y, width, depth } = snug.place;
    expect(x >= 0 && y >= 0 && x + width <= 700 && y + depth <= 400).toBe(true);
    for (const other of stood)
      expect(
        x >= other.x + other.width ||
          other.x >= x + width ||
          y >= other.y + other.depth ||
          other.y >= y + depth,
      ).toBe(true);
    // On a copy the rule of snugness chooses a place with as little to spare; the floor itself is as it was.
    const copy = floor.copy();
    expect(copy.stand({ container, levels }, 'snug')).toBe(true);
    expect(floor.spots).toHaveLength(stood.length);
    expect(copy.spots[stood.length]?.place).toEqual(snug.place);
    floor.standAt({ container, levels }, snug.place);
    stood.push(snug.place);
  }
  expect(stood.length).toBeGreaterThan(4);
});

test('pieces that fill a bay completely are all placed', () => {
  // No order of placing one after the other needs to find this: two pinwheels side by side.
  const wheel = (id: string): FitContainer[] => [
    aBox(`${id}a`, 200, 100),
    aBox(`${id}b`, 200, 100),
    aBox(`${id}c`, 200, 100),
    aBox(`${id}d`, 200, 100),
    aBox(`${id}e`, 100, 100),
  ];
  const containers = [...wheel('x'), ...wheel('y')].map((box) => ({ ...box, available: 1 }));
  const request = fitRequestSchema.parse({
    bay: { id: 'bay', width: 600, depth: 300, height: 100 },
    clearances: bare,
    containers,
    timeLimitMs: 60_000,
    groups: [
      {
        id: 'g',
        name: 'g',
        litres: containers.reduce((sum, { innerLitres }) => sum + innerLitres, 0),
      },
    ],
  });
  expect(planFit(request, { solver, clock })).toMatchObject({
    status: 'optimal',
    objective: 10,
    unmet: [],
  });
});

test('two boxes deeper than half the bay cannot stand one behind the other, whatever their area', () => {
  const request = fitRequestSchema.parse({
    bay: { id: 'bay', width: 500, depth: 500, height: 100 },
    clearances: bare,
    groups: [],
    containers: [aBox('wide', 260, 260)],
  });
  const counts = floorRowsOf(request).map((row) =>
    Math.floor(row.most / row.of(aBox('wide', 260, 260))),
  );
  expect(Math.min(...counts)).toBe(1);
});

test('covering a group costs what trying every number of each container finds', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 60 }),
      fc.array(
        fc.record({
          litres: fc.integer({ min: 1, max: 30 }),
          weight: fc.integer({ min: 1, max: 50 }),
          available: fc.constantFrom(1, 2, Infinity),
        }),
        { minLength: 1, maxLength: 4 },
      ),
      (litres, kinds) => {
        const coverers = kinds.map((kind, i) => ({
          container: aBox(`c${i}`, 100, 100, { innerLitres: kind.litres / 10 }),
          weight: kind.weight,
          available: kind.available,
        }));
        const least = (i: number, left: number): number => {
          const kind = kinds[i];
          if (left <= 0) return 0;
          if (!kind) return Infinity;
          const most = Math.min(kind.available, Math.ceil(left / kind.litres));
          return Math.min(
            ...Array.from(
              { length: most + 1 },
              (_, n) => n * kind.weight + least(i + 1, left - n * kind.litres),
            ),
          );
        };
        const parts = coverGroup({ id: 'g', name: 'g', litres: litres / 10 }, coverers);
        const weight = parts?.reduce(
          (sum, part) =>
            sum +
            part.count *
              (coverers.find(({ container }) => container === part.container)?.weight ?? NaN),
          0,
        );
        expect(weight ?? Infinity).toBe(least(0, litres));
        expect(
          parts?.reduce((sum, { container, count }) => sum + container.innerLitres * count, 0) ??
            Infinity,
        ).toBeGreaterThanOrEqual(litres / 10 - 1e-9);
      },
    ),
    { numRuns: 300 },
  ));
