import fc from 'fast-check';

import { loadSolver, type Solver } from '../shared';
import { floorRowsOf } from './floorRows';
import { fitRequestSchema, type FitRequest } from './model';
import { ContainerSelection } from './selectContainers';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

const requestArb = fc
  .record({
    litres: fc.array(fc.integer({ min: 2, max: 20 }), { minLength: 1, maxLength: 3 }),
    sizes: fc.array(
      fc.record({
        width: fc.integer({ min: 80, max: 300 }),
        depth: fc.integer({ min: 80, max: 300 }),
        litres: fc.integer({ min: 1, max: 9 }),
        price: fc.integer({ min: 0, max: 900 }),
      }),
      { minLength: 1, maxLength: 6 },
    ),
  })
  .map(({ litres, sizes }) =>
    fitRequestSchema.parse({
      bay: { id: 'b', width: 900, depth: 500, height: 300 },
      groups: litres.map((each, i) => ({ id: `g${i}`, name: `g${i}`, litres: each })),
      containers: sizes.map(({ width, depth, litres: held, price }, i) => ({
        id: `c${i}`,
        name: `c${i}`,
        outer: { width, depth, height: 120 },
        innerLitres: held,
        innerHeight: 110,
        material: 'plastic',
        priceMinor: price,
      })),
    }),
  );
const boundOf = (request: FitRequest) => {
  const { bound, isImpossible } = new ContainerSelection(request, floorRowsOf(request)).solve(
    'cost',
    solver,
    { timeLeftMs: () => 5000, seed: 1 },
  );
  return isImpossible ? 'impossible' : Math.round(bound);
};

test('containers that others outdo change nothing in the bound, and one that is better never raises it', () =>
  fc.assert(
    fc.property(requestArb, (request) => {
      const bound = boundOf(request);
      const copies = (change: (container: FitRequest['containers'][number]) => object) =>
        request.containers.map((container) => ({
          ...container,
          id: `${container.id}-copy`,
          ...change(container),
        }));
      const outdone = copies(({ outer, priceMinor }) => ({
        outer: { ...outer, width: outer.width + 5 },
        priceMinor: priceMinor + 1,
      }));
      expect(boundOf({ ...request, containers: [...outdone, ...request.containers] })).toBe(bound);
      const better = boundOf({
        ...request,
        containers: [
          ...request.containers,
          ...copies(({ innerLitres }) => ({ innerLitres: innerLitres + 1 })),
        ],
      });
      if (typeof bound === 'number') expect(better).toBeLessThanOrEqual(bound);
    }),
    { numRuns: 40 },
  ));
