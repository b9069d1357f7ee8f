import { cpuClock } from '@test/cpuClock';
import { loadSolver, type Solver } from '../shared';
import { findFitFaults, fitRequestSchema, planFits, type FitQuestion } from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});
const clock = cpuClock;

/** Shelves that each want one box; of the free ones there are two. */
const shelves = (litres: readonly number[]): FitQuestion[] =>
  litres.map((wanted, i) =>
    fitRequestSchema.parse({
      bay: { id: `bay-${i}`, width: 400, depth: 300, height: 250 },
      groups: [{ id: `g${i}`, name: `g${i}`, litres: wanted }],
      containers: [
        {
          id: 'owned',
          name: 'owned',
          outer: { width: 300, depth: 250, height: 200 },
          innerLitres: 12,
          innerHeight: 190,
          material: 'plastic',
          priceMinor: 0,
          available: 2,
        },
        {
          id: 'sold',
          name: 'sold',
          outer: { width: 300, depth: 250, height: 200 },
          innerLitres: 12,
          innerHeight: 190,
          material: 'plastic',
          priceMinor: 500,
        },
      ],
    }),
  );

test('what one place uses the next ones no longer have, the fullest first', async () => {
  const requests = shelves([4, 11, 8, 10]);
  const fits = await planFits(requests, { solver, clock, timeLimitMs: 4000 });
  expect(fits.map(({ bayId, answer }) => [bayId, answer.costMinor])).toEqual([
    ['bay-1', 0],
    ['bay-3', 0],
    ['bay-2', 500],
    ['bay-0', 500],
  ]);
  for (const { bayId, answer } of fits) {
    const request = requests.find(({ bay }) => bay.id === bayId);
    if (request) expect(findFitFaults(request, answer)).toEqual([]);
  }
});

test('stopping keeps what is found so far', async () => {
  const told: number[] = [];
  const fits = await planFits(shelves([4, 11, 8]), {
    solver,
    clock,
    timeLimitMs: 4000,
    onProgress: (found, total) => {
      told.push(found.length / total);
      return found.length < 2;
    },
  });
  expect(fits).toHaveLength(2);
  expect(told).toEqual([1 / 3, 2 / 3]);
});
