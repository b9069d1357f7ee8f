import fc from 'fast-check';

import {
  createRandom,
  GrowingModel,
  LinearModel,
  loadSolver,
  type CoverColumn,
  type Solver,
} from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

const ROWS = [
  { least: 1, most: 1 },
  { least: 1, most: 1 },
  { least: 1, most: 1 },
  { least: -Infinity, most: 1 },
  { least: -Infinity, most: 1 },
];

/** The same model, built at once and solved from nothing; columns in `fixed` are at 1. */
function leastOf(columns: readonly CoverColumn[], fixed: readonly number[]): number {
  const model = new LinearModel();
  columns.forEach((_, k) => model.addVariable(fixed.includes(k) ? { least: 1, most: 1 } : {}));
  ROWS.forEach((range, row) =>
    model.addRow(
      columns.flatMap(({ rows }, k) => (rows.includes(row) ? [[k, 1] as const] : [])),
      range,
    ),
  );
  return model.minimise(
    solver,
    columns.map(({ cost }, k) => [k, cost] as const),
    { timeLimitMs: 60_000, seed: 1, isRelaxed: true },
  ).objective;
}

test('while columns come in, are fixed and released, it is what a new model would be', () =>
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
      const random = createRandom(seed);
      const columnOf = (): CoverColumn => ({
        cost: Math.floor(random() * 50),
        rows: [0, 1, 2].filter(() => random() < 0.5).concat(random() < 0.5 ? 3 : 4),
      });
      const columns: CoverColumn[] = [0, 1, 2].map((row) => ({ cost: 99, rows: [row] }));
      GrowingModel.run(solver, ROWS, (model) => {
        model.add(columns);
        for (let round = 0; round < 4; round += 1) {
          const fresh = [columnOf(), columnOf(), columnOf()];
          columns.push(...fresh);
          model.add(fresh);
          const free = model.minimise(60_000);
          expect(free?.objective).toBeCloseTo(leastOf(columns, []), 6);
          // Weak duality, and none of the columns would better it.
          columns.forEach(({ cost, rows }) =>
            expect(
              cost - rows.reduce((sum, row) => sum + (free?.rowDuals[row] ?? 0), 0),
            ).toBeGreaterThan(-1e-6),
          );
          const held = Math.floor(random() * 3);
          model.fix(held);
          expect(model.minimise(60_000)?.objective).toBeCloseTo(leastOf(columns, [held]), 6);
          model.release();
          expect(model.minimise(60_000)?.objective).toBeCloseTo(free?.objective ?? NaN, 6);
        }
      });
    }),
    { numRuns: 30 },
  ));

test('rows that nothing satisfies have no solution', () =>
  GrowingModel.run(solver, ROWS, (model) => {
    model.add([{ cost: 1, rows: [0] }]);
    expect(model.minimise(60_000)).toBeUndefined();
  }));
