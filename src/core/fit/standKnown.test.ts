import { cpuClock as clock } from '@test/cpuClock';
import fc from 'fast-check';

import { createRandom, loadSolver, type Solver } from '../shared';
import {
  findFitFaults,
  fitAims,
  fitRequestSchema,
  planFit,
  type FitRequest,
  type Placement,
  isWhole,
} from '.';
import { floorRowsOf } from './floorRows';
import { GroupCovers } from './groupCovers';
import { standKnown } from './standKnown';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

/** Boxes, some stackable, some here already, and groups that they mostly hold. */
const requestArb = fc
  .record({
    pullOut: fc.boolean(),
    groups: fc.array(
      fc.record({
        litres: fc.integer({ min: 2, max: 12 }),
        massG: fc.integer({ min: 300, max: 4000 }),
        front: fc.boolean(),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    sizes: fc.array(
      fc.record({
        width: fc.integer({ min: 110, max: 300 }),
        depth: fc.integer({ min: 110, max: 300 }),
        height: fc.integer({ min: 80, max: 200 }),
        priceMinor: fc.constantFrom(0, 150, 320, 480),
        available: fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined }),
        stackable: fc.boolean(),
        maxLoadG: fc.option(fc.constantFrom(2000, 5000), { nil: undefined }),
      }),
      { minLength: 3, maxLength: 6 },
    ),
  })
  .map(({ pullOut, groups, sizes }): FitRequest =>
    fitRequestSchema.parse({
      bay: { id: 'bay', width: 900, depth: 420, height: 300, pullOut },
      groups: groups.map((group, g) => ({ id: `g${g}`, name: `g${g}`, ...group })),
      containers: sizes.map(({ width, depth, height, available, maxLoadG, ...rest }, i) => ({
        id: `c${i}`,
        name: `c${i}`,
        outer: { width, depth, height },
        innerLitres: Math.round((width * depth * height) / 1e5) / 10,
        innerHeight: height - 5,
        material: 'plastic',
        ...rest,
        ...(available !== undefined && { available }),
        ...(maxLoadG !== undefined && { maxLoadG }),
      })),
    }),
  );
const read = (request: FitRequest, placements: readonly Placement[]) =>
  standKnown(request, placements, new GroupCovers(request, floorRowsOf(request), createRandom(1)));

test('what stands for one aim is read back as it stands, and no answer for another aim is worse than it', () => {
  let known = 0;
  fc.assert(
    fc.property(requestArb, fc.constantFrom(...fitAims), (asked, prefer) => {
      const { status, placements, costMinor } = planFit(
        { ...asked, prefer: 'cost', timeLimitMs: 60 },
        { solver, clock },
      );
      if (!isWhole({ status })) return;
      known += 1;
      const request = { ...asked, prefer };
      const found = read(request, placements);
      expect(
        found?.chosen.reduce((sum, { container, count }) => sum + container.priceMinor * count, 0),
      ).toBe(costMinor);
      const answer = planFit(
        { ...request, timeLimitMs: 20 },
        { solver, clock, known: [{ placements }] },
      );
      expect(answer.objective).toBeLessThanOrEqual((found?.score[0] ?? NaN) + 1e-6);
      expect(findFitFaults(request, answer)).toEqual([]);
    }),
    { numRuns: 80 },
  );
  expect(known).toBeGreaterThan(15);
});

test('what breaks a rule or holds too little is passed over', () => {
  let known = 0;
  fc.assert(
    fc.property(requestArb, (request) => {
      const {
        status,
        placements: [first, ...rest],
        unmet,
      } = planFit({ ...request, timeLimitMs: 60 }, { solver, clock });
      if (!isWhole({ status }) || !first || unmet.length > 0) return;
      known += 1;
      expect(
        read(request, [{ ...first, x: first.x + request.bay.width }, ...rest]),
      ).toBeUndefined();
      expect(read(request, [{ ...first, containerId: 'gone' }, ...rest])).toBeUndefined();
      expect(
        read(
          request,
          rest.filter(({ groupId }) => groupId !== first.groupId),
        ),
      ).toBeUndefined();
      expect(
        read(
          {
            ...request,
            containers: request.containers.map((container) => ({ ...container, available: 0 })),
          },
          [first, ...rest],
        ),
      ).toBeUndefined();
      expect(
        read(
          {
            ...request,
            groups: request.groups.map((group) => ({ ...group, litres: group.litres * 50 })),
          },
          [first, ...rest],
        ),
      ).toBeUndefined();
      expect(
        read(
          {
            ...request,
            bay: {
              ...request.bay,
              obstacles: [
                {
                  label: 'pipe',
                  x: first.x,
                  y: first.y,
                  z: 0,
                  width: 40,
                  depth: 40,
                  height: request.bay.height,
                },
              ],
            },
          },
          [first, ...rest],
        ),
      ).toBeUndefined();
    }),
    { numRuns: 60 },
  );
  expect(known).toBeGreaterThan(15);
});
