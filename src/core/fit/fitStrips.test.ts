import fc from 'fast-check';

import { loadSolver, type Solver } from '../shared';
import { fitRequestArb } from '@test/fitArbitrary';
import { fitStrips } from './fitStrips';
import { findFitFaults } from './findFitFaults';
import type { FitRequest, Placement } from './model';
import { packPiles } from './packPiles';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

const rulesBroken = (request: FitRequest, placements: readonly Placement[]) =>
  findFitFaults(request, { placements: [...placements], unmet: [], costMinor: 0, usedLitres: 0, freeLitres: 0 }).filter(({ rule }) => rule !== 'totals' && rule !== 'litres');

test('strips break no rule, cover every litre, and put nothing of another group in the way', () => {
  let foundCount = 0;
  fc.assert(
    fc.property(fitRequestArb, (tight) => {
      // Few random questions have an answer at all; with less to store and no wishes most do.
      const request = { ...tight, groups: tight.groups.map((group) => ({ id: group.id, name: group.name, litres: group.litres / 4, front: group.front ?? false })) };
      const strips = fitStrips(request, solver, { timeLimitMs: 300, seed: 1 });
      if (!strips) return;
      foundCount += 1;
      expect(rulesBroken(request, strips.packing.placements)).toEqual([]);
      for (const group of request.groups) {
        const offered = strips.packing.placements
          .filter(({ groupId }) => groupId === group.id)
          .reduce((sum, { containerId }) => sum + (request.containers.find(({ id }) => id === containerId)?.innerLitres ?? 0), 0);
        expect(offered).toBeGreaterThanOrEqual(group.litres - 1e-6);
      }
      expect(strips.packing.blockingG).toBe(0);
    }),
    { numRuns: 20 },
  );
  expect(foundCount).toBeGreaterThan(3);
}, 30_000);

test('whatever is to be placed, what stands breaks no rule', () =>
  fc.assert(
    fc.property(fitRequestArb, fc.integer({ min: 1, max: 3 }), fc.integer({ min: 1, max: 4 }), fc.constantFrom('rows' as const, 'columns' as const), (request, count, stackLimit, fill) => {
      const [group] = request.groups;
      const [container] = request.containers;
      if (!group || !container || group.litres === 0) return;
      // A choice that nobody checked: placing must refuse it or keep every rule of standing.
      const packing = packPiles({ ...request, groups: [group] }, [{ group, container, count }], { stackLimit, fill, random: undefined });
      if (!packing) return;
      const standing = new Set(['outside_bay', 'gap', 'support', 'stack_height', 'stack_load', 'front_blocked', 'blocked_mass']);
      expect(packing.placements).toHaveLength(count);
      expect(rulesBroken({ ...request, groups: [group] }, packing.placements).filter(({ rule }) => standing.has(rule))).toEqual([]);
    }),
  ));
