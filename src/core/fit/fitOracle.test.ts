import { cpuClock as clock } from '@test/cpuClock';
import fc from 'fast-check';

import { loadSolver, type Solver } from '../shared';
import {
  findFitFaults,
  fitRequestSchema,
  planFit,
  restateLitres,
  type FitAnswer,
  type FitRequest,
  type Placement,
  isWhole,
} from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

/** Bays of a few centimetres on a centimetre grid, so that every arrangement can be tried. */
const tinyArb = fc
  .record({
    width: fc.integer({ min: 2, max: 5 }),
    depth: fc.integer({ min: 2, max: 4 }),
    height: fc.integer({ min: 1, max: 3 }),
    groups: fc.array(fc.record({ litres: fc.integer({ min: 1, max: 6 }), front: fc.boolean() }), {
      minLength: 1,
      maxLength: 2,
    }),
    containers: fc.array(
      fc.record({
        w: fc.integer({ min: 1, max: 3 }),
        d: fc.integer({ min: 1, max: 3 }),
        h: fc.integer({ min: 1, max: 2 }),
        priceMinor: fc.integer({ min: 0, max: 9 }),
        stackable: fc.boolean(),
        turnable: fc.boolean(),
        available: fc.constantFrom(undefined, 1, 2),
      }),
      { minLength: 1, maxLength: 2 },
    ),
    prefer: fc.constantFrom('cost' as const, 'uniform' as const, 'reuse' as const),
  })
  .map(({ width, depth, height, groups, containers, prefer }) =>
    fitRequestSchema.parse({
      bay: { id: 'bay', width: width * 10, depth: depth * 10, height: height * 10 },
      clearances: { side: 0, between: 0, top: 0, front: 0, back: 0 },
      // A litre here is a cubic centimetre, so light that only `front` ever blocks.
      groups: groups.map(({ litres, front }, i) => ({
        id: `g${i}`,
        name: `g${i}`,
        litres: litres / 1000,
        massG: 1,
        front,
      })),
      containers: containers.map(({ w, d, h, available, ...rest }, i) => ({
        ...rest,
        ...(available === undefined ? {} : { available }),
        id: `c${i}`,
        name: `c${i}`,
        outer: { width: w * 10, depth: d * 10, height: h * 10 },
        innerLitres: (w * d * h) / 1000,
        innerHeight: h * 10,
        material: 'plastic',
      })),
      prefer,
      timeLimitMs: 5000,
    }),
  );

const objectiveOf = (request: FitRequest, placements: readonly Placement[]): number => {
  const used = placements.map(({ containerId }) =>
    request.containers.find(({ id }) => id === containerId),
  );
  if (request.prefer === 'uniform') return new Set(used).size;
  if (request.prefer === 'reuse')
    return used.filter((container) => (container?.priceMinor ?? 0) > 0).length;
  return used.reduce((sum, container) => sum + (container?.priceMinor ?? 0), 0);
};

test('an answer for other litres is said for these, and the checker finds no fault in it', () => {
  fc.assert(
    fc.property(tinyArb, fc.double({ min: 0.4, max: 2, noNaN: true }), (request, factor) => {
      const found = {
        ...request,
        groups: request.groups.map((group) => ({ ...group, litres: group.litres * factor })),
      };
      const answer = planFit(found, { solver, clock });
      const restated = restateLitres(request, answer);
      expect(findFitFaults(request, restated)).toEqual([]);
      if (restated !== answer) expect(restated.bound).toBeNull();
    }),
    { numRuns: 15 },
  );
});

/** Least objective by trying every container at every grid point, level and turn, for every group. */
function leastByTrying(request: FitRequest, budget: { left: number }): number | undefined {
  let least: number | undefined;
  const litresOf = (placements: readonly Placement[], groupId: string) =>
    placements
      .filter((p) => p.groupId === groupId)
      .reduce(
        (sum, p) =>
          sum + (request.containers.find(({ id }) => id === p.containerId)?.innerLitres ?? 0),
        0,
      );
  const isComplete = (placements: readonly Placement[]) =>
    request.groups.every((group) => litresOf(placements, group.id) >= group.litres - 1e-9);
  const hardFaults = (placements: readonly Placement[]) =>
    findFitFaults(request, {
      placements: [...placements],
      unmet: [],
      costMinor: 0,
      usedLitres: 0,
      freeLitres: 0,
    }).filter(({ rule }) => rule !== 'litres' && rule !== 'totals');
  const visit = (placements: readonly Placement[], from: number): void => {
    if (budget.left <= 0) return;
    budget.left -= 1;
    if (least !== undefined && objectiveOf(request, placements) >= least) return;
    if (isComplete(placements)) {
      least = objectiveOf(request, placements);
      return;
    }
    const spots = candidates(request);
    for (let i = from; i < spots.length; i += 1) {
      const spot = spots[i];
      if (
        !spot ||
        litresOf(placements, spot.groupId) >=
          (request.groups.find(({ id }) => id === spot.groupId)?.litres ?? 0) - 1e-9
      )
        continue;
      const next = [...placements, spot];
      if (hardFaults(next).length === 0) visit(next, i + 1);
    }
  };
  visit([], 0);
  return least;
}

/** Bottom level first, so that what stands on something comes after it. */
function candidates(request: FitRequest): Placement[] {
  const spots: Placement[] = [];
  for (const container of request.containers)
    for (const group of request.groups)
      for (let z = 0; z + container.outer.height <= request.bay.height; z += container.outer.height)
        for (let x = 0; x < request.bay.width; x += 10)
          for (let y = 0; y < request.bay.depth; y += 10)
            for (const turned of [false, true])
              spots.push({ containerId: container.id, groupId: group.id, x, y, z, turned });
  return spots.sort((a, b) => a.z - b.z);
}

test('the bound is never above, and the answer never below, what trying everything finds', () => {
  let compared = 0;
  fc.assert(
    fc.property(tinyArb, (request) => {
      const budget = { left: 4000 };
      const least = leastByTrying(request, budget);
      const answer = planFit(request, { solver, clock });
      // Too many arrangements to try them all: then only an answer can be compared, not its absence.
      if (budget.left <= 0 && least === undefined) return;
      if (least === undefined) {
        expect(isWhole(answer)).toBe(false);
      } else if (answer.status === 'infeasible') {
        throw new Error('an arrangement is called impossible that there is');
      } else if (isWhole(answer)) {
        if (budget.left > 0) {
          expect(answer.bound ?? NaN).toBeLessThanOrEqual(least + 1e-9);
          expect(answer.objective ?? NaN).toBeGreaterThanOrEqual(least - 1e-9);
        }
        if (answer.status === 'optimal') expect(answer.objective).toBeLessThanOrEqual(least + 1e-9);
        compared += 1;
      }
    }),
    { numRuns: 25 },
  );
  // The comparison must really take place.
  expect(compared).toBeGreaterThan(6);
}, 60_000);

const answerWith = (placements: readonly Placement[], change: Partial<FitAnswer> = {}) => ({
  placements: [...placements],
  unmet: [],
  costMinor: 0,
  usedLitres: 0,
  freeLitres: 0,
  ...change,
});
const base = fitRequestSchema.parse({
  bay: {
    id: 'bay',
    width: 400,
    depth: 300,
    height: 300,
    maxLoadG: 9000,
    openingWidth: 380,
    moist: true,
    obstacles: [{ label: 'pipe', x: 300, y: 0, z: 0, width: 50, depth: 50, height: 300 }],
  },
  groups: [
    { id: 'a', name: 'a', litres: 1, massG: 5000, front: true, lid: 'required' },
    { id: 'b', name: 'b', litres: 1, massG: 5000 },
  ],
  containers: [
    {
      id: 'box',
      name: 'box',
      outer: { width: 100, depth: 100, height: 100 },
      innerLitres: 1,
      innerHeight: 90,
      material: 'plastic',
      priceMinor: 5,
      lid: true,
      stackable: true,
      maxStack: 2,
      maxLoadG: 5000,
      tareG: 100,
      available: 3,
    },
    {
      id: 'wicker',
      name: 'wicker',
      outer: { width: 100, depth: 100, height: 100 },
      innerLitres: 1,
      innerHeight: 90,
      material: 'wicker',
      priceMinor: 5,
    },
    {
      id: 'fixed',
      name: 'fixed',
      outer: { width: 390, depth: 60, height: 60 },
      innerLitres: 1,
      innerHeight: 50,
      material: 'plastic',
      priceMinor: 5,
      turnable: false,
    },
  ],
});
const at = (
  containerId: string,
  groupId: string,
  x: number,
  y: number,
  z = 0,
  turned = false,
): Placement => ({ containerId, groupId, x, y, z, turned });

test.each([
  ['outside_bay', [at('box', 'a', 0, 5)]],
  ['outside_bay', [at('box', 'a', 3, 5, 250)]],
  ['gap', [at('box', 'a', 3, 5), at('box', 'a', 104, 5)]],
  ['gap', [at('box', 'a', 199, 5)]],
  ['support', [at('box', 'a', 3, 5, 50)]],
  ['stack_height', [at('box', 'b', 3, 5), at('box', 'b', 3, 5, 100), at('box', 'b', 3, 5, 200)]],
  ['stack_load', [at('box', 'b', 3, 5), at('box', 'a', 3, 5, 100)]],
  ['opening', [at('fixed', 'b', 3, 5)]],
  ['wish', [at('wicker', 'a', 3, 5)]],
  ['wish', [at('fixed', 'b', 3, 5, 0, true)]],
  ['moist', [at('wicker', 'b', 3, 5)]],
  ['bay_load', [at('box', 'a', 3, 5), at('box', 'b', 110, 5)]],
  [
    'available',
    [
      at('box', 'a', 3, 5),
      at('box', 'a', 3, 110),
      at('box', 'b', 110, 5),
      at('box', 'b', 110, 110),
    ],
  ],
  ['front_blocked', [at('box', 'b', 3, 5), at('box', 'a', 3, 110)]],
  ['blocked_mass', [at('box', 'a', 3, 5), at('box', 'b', 3, 110)]],
  ['unknown_container', [at('ghost', 'a', 3, 5)]],
  ['unknown_group', [at('box', 'ghost', 3, 5)]],
  ['litres', [at('box', 'a', 3, 5)]],
] as const)('the checker sees %s', (rule, placements) =>
  expect(findFitFaults(base, answerWith(placements)).map((fault) => fault.rule)).toContain(rule),
);

test('the checker recounts the totals', () => {
  const one = answerWith([at('box', 'b', 3, 5)], {
    unmet: [{ groupId: 'a', litres: 1 }],
    costMinor: 5,
    usedLitres: 1,
  });
  expect(findFitFaults(base, one)).toEqual([]);
  expect(findFitFaults(base, { ...one, costMinor: 4 })).toEqual([
    { rule: 'totals', subject: 'bay' },
  ]);
});
