import fc from 'fast-check';

import { isSolved, LinearModel, loadSolver, type Solver } from './linearModel';
import { minimiseNarrowed } from './minimiseNarrowed';
import { createRandom } from './random';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});
const limits = { timeLimitMs: 5000, seed: 1 };

test('whole numbers are chosen as trying them all would', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          value: fc.integer({ min: 0, max: 20 }),
          weight: fc.integer({ min: 1, max: 9 }),
        }),
        { minLength: 1, maxLength: 6 },
      ),
      fc.integer({ min: 0, max: 25 }),
      (items, room) => {
        const model = new LinearModel();
        const picks = items.map(() => model.addVariable({ most: 1, whole: true }));
        model.addRow(
          items.map(({ weight }, i) => [picks[i] ?? 0, weight] as const),
          { most: room },
        );
        const solution = model.minimise(
          solver,
          items.map(({ value }, i) => [picks[i] ?? 0, -value] as const),
          limits,
        );
        let best = 0;
        for (let mask = 0; mask < 2 ** items.length; mask += 1) {
          const chosen = items.filter((_, i) => (mask >> i) & 1);
          if (chosen.reduce((sum, { weight }) => sum + weight, 0) <= room)
            best = Math.max(
              best,
              chosen.reduce((sum, { value }) => sum + value, 0),
            );
        }
        expect(-solution.objective + 0).toBe(best);
        expect(solution.status).toBe('optimal');
        expect(solution.bound).toBeCloseTo(solution.objective, 6);
      },
    ),
    { numRuns: 40 },
  ));

test('what cannot be is said to be infeasible, and a later aim may narrow an earlier model', () => {
  const model = new LinearModel();
  const x = model.addVariable({ most: 10, whole: true });
  const y = model.addVariable({ most: 10 });
  model.addRow(
    [
      [x, 1],
      [y, 1],
      [x, 1],
    ],
    { least: 7 },
  );
  expect(model.minimise(solver, [[x, 1]], limits).objective).toBe(0);
  model.addRow([[y, 1]], { most: 2 });
  const next = model.minimise(
    solver,
    [
      [x, 1],
      [y, 0.1],
    ],
    limits,
  );
  // Terms of one variable are added up: 2x + y >= 7 with y <= 2 wants x = 3.
  expect(next.values[0]).toBe(3);
  model.addRow([[x, 1]], { most: 2 });
  const none = model.minimise(solver, [[x, 1]], limits);
  expect([none.status, isSolved(none)]).toEqual(['infeasible', false]);
});

test('a model without variables is solved unless a row asks for something', () => {
  const model = new LinearModel();
  expect(model.minimise(solver, [], limits).status).toBe('optimal');
  model.addRow([], { least: 1 });
  expect(model.minimise(solver, [], limits).status).toBe('infeasible');
});

test('chance is the same for the same seed, spread over [0, 1), and not for another', () => {
  const take = (seed: number) => Array.from({ length: 500 }, createRandom(seed));
  expect(take(7)).toEqual(take(7));
  expect(take(7)).not.toEqual(take(8));
  const values = take(1);
  expect(Math.min(...values)).toBeGreaterThanOrEqual(0);
  expect(Math.max(...values)).toBeLessThan(1);
  expect(values.reduce((a, b) => a + b, 0) / values.length).toBeCloseTo(0.5, 1);
});

test('a search among the cheapest ends at the optimum of the whole model, and names what no optimum uses', () => {
  for (let seed = 1; seed <= 12; seed += 1) {
    const random = createRandom(seed);
    const model = new LinearModel();
    const costs = Array.from({ length: 80 }, () => 1 + Math.floor(random() * 40));
    const picks = costs.map(() => model.addVariable({ most: 3, whole: true }));
    for (let row = 0; row < 12; row += 1)
      model.addRow(
        picks.map((pick) => [pick, Math.floor(random() * 5)] as const),
        { least: 20 + Math.floor(random() * 20) },
      );
    const aim = costs.map((cost, i) => [picks[i] ?? 0, cost] as const);
    const whole = model.minimise(solver, aim, { timeLimitMs: 5000, seed: 1 });
    const narrowed = minimiseNarrowed(model, solver, aim, { seed: 1, timeLeftMs: () => 5000 });
    expect(narrowed.solution).toMatchObject({ status: 'optimal', objective: whole.objective });
    expect([...narrowed.shut].filter((variable) => (whole.values[variable] ?? 0) > 0)).toEqual([]);
  }
});
