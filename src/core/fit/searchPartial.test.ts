import fc from 'fast-check';

import { cpuClock } from '@test/cpuClock';
import { loadSolver, type Solver } from '../shared';
import { findFitFaults } from './findFitFaults';
import { fitRequestSchema } from './model';
import { isWhole } from './answerFacts';
import { planFit } from './planFit';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

/**
 * Bays that are far too small for what should go in, with groups near the four kilograms that may
 * stand in the way.
 */
const crowdedArb = fc
  .record({
    width: fc.integer({ min: 300, max: 700 }),
    depth: fc.integer({ min: 300, max: 600 }),
    pullOut: fc.boolean(),
    groups: fc.array(
      fc.record({
        litres: fc.integer({ min: 8, max: 30 }),
        massG: fc.integer({ min: 2500, max: 6000 }),
        front: fc.boolean(),
      }),
      { minLength: 2, maxLength: 4 },
    ),
    sizes: fc.array(
      fc.record({
        width: fc.integer({ min: 90, max: 260 }),
        depth: fc.integer({ min: 90, max: 260 }),
        stackable: fc.boolean(),
      }),
      { minLength: 2, maxLength: 4 },
    ),
  })
  .map(({ width, depth, pullOut, groups, sizes }) =>
    fitRequestSchema.parse({
      bay: { id: 'b', width, depth, height: 260, pullOut },
      timeLimitMs: 60,
      groups: groups.map((group, i) => ({ id: `g${i}`, name: `g${i}`, ...group })),
      containers: sizes.map((outer, i) => ({
        id: `c${i}`,
        name: `c${i}`,
        outer: { width: outer.width, depth: outer.depth, height: 100 },
        innerLitres: Math.max(1, Math.round((outer.width * outer.depth) / 1e4)),
        innerHeight: 95,
        material: 'plastic',
        priceMinor: 100,
        stackable: outer.stackable,
      })),
    }),
  );

test('where not everything goes in, what stands breaks no rule, and what has no container is told in litres', () => {
  let partial = 0;
  fc.assert(
    fc.property(crowdedArb, (request) => {
      const answer = planFit(request, { solver, clock: cpuClock });
      expect(findFitFaults(request, answer)).toEqual([]);
      if (isWhole(answer)) return;
      partial += 1;
      const offered = (groupId: string) =>
        answer.placements.reduce(
          (sum, placement) =>
            sum +
            (placement.groupId === groupId
              ? (request.containers.find(({ id }) => id === placement.containerId)?.innerLitres ??
                NaN)
              : 0),
          0,
        );
      for (const { id, litres } of request.groups)
        expect(answer.unmet.find(({ groupId }) => groupId === id)?.litres ?? 0).toBeCloseTo(
          Math.max(0, litres - offered(id)),
          6,
        );
    }),
    { numRuns: 80 },
  );
  expect(partial).toBeGreaterThan(20);
});
