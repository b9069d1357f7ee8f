import fc from 'fast-check';

import { cpuClock } from '@test/cpuClock';
import { loadSolver, type Solver } from '../shared';
import { findFloorCuts } from './floorCuts';
import { fitRequestSchema } from './model';
import { planFit } from './planFit';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

const mm = (min: number, max: number) => fc.integer({ min, max });
const requestArb = fc
  .record({
    bay: fc.record({ width: mm(300, 1100), depth: mm(250, 600) }),
    side: mm(0, 6),
    between: mm(0, 4),
    sizes: fc.array(
      fc.record({
        width: mm(60, 420),
        depth: mm(60, 420),
        turnable: fc.boolean(),
        isRound: fc.boolean(),
        litres: mm(1, 9),
      }),
      { minLength: 2, maxLength: 6 },
    ),
    wanted: mm(2, 40),
  })
  .map(({ bay, side, between, sizes, wanted }) =>
    fitRequestSchema.parse({
      bay: { id: 'b', ...bay, height: 200, pullOut: true },
      clearances: { side, between, top: 0, front: 0, back: 0 },
      groups: [{ id: 'g', name: 'g', litres: wanted }],
      timeLimitMs: 60,
      containers: sizes.map(({ width, depth, turnable, isRound, litres }, i) => ({
        id: `c${i}`,
        name: `c${i}`,
        outer: { width, depth: isRound ? width : depth, height: 150 },
        innerLitres: litres,
        innerHeight: 140,
        material: 'plastic',
        priceMinor: 100 + i,
        turnable,
        shape: isRound ? 'round' : 'box',
      })),
    }),
  );

test('no filling that stands breaks a row, whatever choice the row was made for', () => {
  let cutCount = 0;
  fc.assert(
    fc.property(
      requestArb,
      fc.array(mm(0, 9), { minLength: 6, maxLength: 6 }),
      (request, counts) => {
        const cuts = findFloorCuts(
          request,
          request.containers
            .map((container, i) => ({ container, count: counts[i] ?? 0 }))
            .filter(({ count }) => count > 0),
          { solver, seed: 1 },
        );
        cutCount += cuts.length;
        const { placements } = planFit(request, { solver, clock: cpuClock });
        for (const row of cuts) {
          const used = placements.reduce((sum, { containerId }) => {
            const container = request.containers.find(({ id }) => id === containerId);
            return sum + (container ? row.of(container) : NaN);
          }, 0);
          expect(used).toBeLessThanOrEqual(row.most + 1e-6);
        }
      },
    ),
    { numRuns: 120 },
  );
  expect(cutCount).toBeGreaterThan(40);
});

test('three boxes deeper and wider than half the floor are cut off, though their area would do; two beside each other are not', () => {
  const request = fitRequestSchema.parse({
    bay: { id: 'b', width: 1000, depth: 500, height: 200 },
    clearances: { side: 0, between: 0, top: 0, front: 0, back: 0 },
    groups: [],
    containers: [
      {
        id: 'c',
        name: 'c',
        outer: { width: 400, depth: 260, height: 100 },
        innerLitres: 5,
        innerHeight: 90,
        material: 'plastic',
        priceMinor: 1,
        turnable: false,
      },
    ],
  });
  const [container] = request.containers;
  const cutsOf = (count: number) =>
    findFloorCuts(request, container ? [{ container, count }] : [], { solver, seed: 1 });
  expect(cutsOf(2)).toEqual([]);
  const [row] = cutsOf(3);
  expect(container && row && row.of(container) * 3).toBeGreaterThan(row?.most ?? NaN);
  expect(container && row && row.of(container) * 2).toBeLessThanOrEqual(row?.most ?? NaN);
  expect(
    findFloorCuts(
      {
        ...request,
        bay: {
          ...request.bay,
          obstacles: [{ label: 'pipe', x: 0, y: 0, z: 0, width: 10, depth: 10, height: 200 }],
        },
      },
      container ? [{ container, count: 9 }] : [],
      { solver, seed: 1 },
    ),
  ).toEqual([]);
});
