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

test('the calmest look of several places is of one colour where the lines come in it', async () => {
  const sizes = [
    ['low', 120],
    ['high', 200],
  ] as const;
  const containers = sizes.flatMap(([name, height]) =>
    ['white', 'sage'].map((colour, i) => ({
      id: `${name} ${colour}`,
      name,
      line: name,
      colour,
      outer: { width: 190, depth: 280, height },
      innerLitres: (190 * 280 * height) / 1e6,
      innerHeight: height - 5,
      material: 'plastic',
      // Each size is cheapest in another colour.
      priceMinor: (name === 'low') === (i === 0) ? 300 : 310,
    })),
  );
  const requests = [150, 230].map((height, i) =>
    fitRequestSchema.parse({
      bay: { id: `bay-${i}`, width: 400, depth: 300, height },
      groups: [
        { id: 'g', name: 'g', litres: i === 0 ? 10 : 20, minInnerHeight: i === 0 ? 0 : 150 },
      ],
      containers,
      prefer: 'uniform',
    }),
  );
  const fits = await planFits(requests, { solver, clock, timeLimitMs: 6000 });
  const used = fits.flatMap(({ answer }) => answer.placements.map((each) => each.containerId));
  const colours = new Set(used.map((id) => id.split(' ')[1]));
  expect(new Set(used).size).toBe(2);
  expect(colours.size).toBe(1);
  for (const { bayId, answer } of fits) {
    const request = requests.find(({ bay }) => bay.id === bayId);
    if (request) expect(findFitFaults(request, answer)).toEqual([]);
  }
});
