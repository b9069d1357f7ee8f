import fc from 'fast-check';

import { loadSolver, type Solver } from '../shared';
import { fitRequestArb } from '@test/fitArbitrary';
import { cpuClock as clock } from '@test/cpuClock';
import { findFitFaults, fitRequestSchema, isWhole, planFit, type FitRequestInput } from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});
const solve = (request: FitRequestInput) => {
  const parsed = fitRequestSchema.parse({ timeLimitMs: 60_000, ...request });
  return { parsed, answer: planFit(parsed, { solver, clock }) };
};

const box = (id: string, width: number, depth: number, height: number, more: object = {}) => ({
  id,
  name: id,
  outer: { width, depth, height },
  innerLitres: (width * depth * height) / 1e6,
  innerHeight: height,
  material: 'plastic' as const,
  priceMinor: 100,
  ...more,
});
const bay = { id: 'shelf', width: 606, depth: 305, height: 225 };
const group = (id: string, litres: number, more: object = {}) => ({
  id,
  name: id,
  litres,
  ...more,
});

test(
  'no answer breaks a hard rule, by a checker that shares no code with the engine',
  () =>
    fc.assert(
      fc.property(fitRequestArb, (request) => {
        const answer = planFit(request, { solver, clock });
        expect(findFitFaults(request, answer)).toEqual([]);
        if (!isWhole(answer)) {
          expect(answer.unmet.length).toBeGreaterThan(0);
          expect(answer.reasons.length).toBeGreaterThan(0);
        } else {
          expect(answer.unmet).toEqual([]);
          expect(answer.bound ?? NaN).toBeLessThanOrEqual(answer.objective ?? NaN);
        }
      }),
      { numRuns: 30 },
    ),
  60_000,
);

test(
  'the same request and seed give the same answer',
  () =>
    fc.assert(
      fc.property(fitRequestArb, (request) => {
        const patient = { ...request, timeLimitMs: 60_000 };
        const first = planFit(patient, { solver, clock });
        const second = planFit(patient, { solver, clock });
        expect({ ...second, elapsedMs: 0 }).toEqual({ ...first, elapsedMs: 0 });
      }),
      { numRuns: 5 },
    ),
  60_000,
);

test('boxes that fill a shelf to the millimetre are all placed', () => {
  // 6 + 2 × 2 mm gaps: three boxes of 198.6 mm take 600 of the 600 mm between the side clearances.
  const { answer } = solve({
    bay,
    groups: [group('hats', (3 * (198 * 300 * 200)) / 1e6)],
    containers: [box('a', 198, 300, 200)],
  });
  expect(answer.status).toBe('optimal');
  expect(answer.placements).toHaveLength(3);
});

test('least money is taken over better looks, and proven', () => {
  const { answer } = solve({
    bay,
    groups: [group('hats', 20)],
    containers: [
      box('dear', 290, 290, 190, { priceMinor: 900 }),
      box('cheap', 198, 290, 190, { priceMinor: 200 }),
    ],
  });
  expect(answer).toMatchObject({ status: 'optimal', costMinor: 400, objective: 400, bound: 400 });
});

test('reuse takes what is owned first, calm keeps to one kind', () => {
  const containers = [
    box('own', 198, 290, 150, { priceMinor: 0, available: 2 }),
    box('new', 198, 290, 190, { priceMinor: 300 }),
  ];
  const groups = [group('hats', 8), group('scarves', 8), group('gloves', 10)];
  expect(solve({ bay, groups, containers, prefer: 'reuse' }).answer.objective).toBe(1);
  expect(solve({ bay, groups, containers, prefer: 'uniform' }).answer).toMatchObject({
    objective: 1,
    costMinor: 900,
  });
});

test('nothing of another group stands in front of what is used daily', () => {
  const deep = { id: 'deep', width: 210, depth: 410, height: 225 };
  const { parsed, answer } = solve({
    bay: deep,
    groups: [group('daily', 5, { front: true }), group('rare', 5)],
    containers: [box('a', 198, 198, 198)],
  });
  expect(findFitFaults(parsed, answer)).toEqual([]);
  const yOf = (id: string) => answer.placements.find(({ groupId }) => groupId === id)?.y ?? NaN;
  expect(yOf('daily')).toBeLessThan(yOf('rare'));
});

test.each([
  [
    'too high for the bay',
    box('tall', 100, 100, 210),
    { code: 'container_too_high', heightMm: 210, freeMm: 200 },
  ],
  [
    'too big for the floor',
    box('wide', 620, 300, 100),
    { code: 'container_too_big', widthMm: 620, depthMm: 300 },
  ],
])('says why a container does not go in: %s', (_, container, reason) => {
  const { answer } = solve({ bay, groups: [group('hats', 1)], containers: [container] });
  expect(answer.status).toBe('infeasible');
  expect(answer.objective).toBeNull();
  expect(answer.reasons).toContainEqual(
    expect.objectContaining({ ...reason, subject: container.id }),
  );
});

test('the opening counts, not only the inside', () => {
  const { answer } = solve({
    bay: { ...bay, openingHeight: 150 },
    groups: [group('hats', 1)],
    containers: [box('a', 100, 100, 160)],
  });
  expect(answer.reasons).toContainEqual(
    expect.objectContaining({
      code: 'container_does_not_pass',
      side: 'high',
      sizeMm: 160,
      openingMm: 150,
    }),
  );
});

test('what cannot be met is told in litres, with the best partial answer', () => {
  const { parsed, answer } = solve({
    bay,
    groups: [group('hats', 100)],
    containers: [box('a', 198, 290, 190)],
  });
  expect(answer.status).toBe('infeasible');
  expect(answer.placements).toHaveLength(3);
  expect(findFitFaults(parsed, answer)).toEqual([]);
  expect(answer.unmet[0]?.litres).toBeCloseTo(100 - (3 * (198 * 290 * 190)) / 1e6, 6);
});

test('what cannot be is said of whom: nothing suits a group, or too few pieces of it are there', () => {
  const { answer } = solve({
    bay,
    groups: [group('hats', 1, { lid: 'required' }), group('scarves', 9)],
    containers: [
      { ...box('a', 198, 290, 190), available: 0 },
      { ...box('b', 90, 90, 90), available: 2 },
    ],
  });
  expect(answer).toMatchObject({ status: 'infeasible', objective: null, bound: null });
  expect(answer.reasons).toEqual(
    expect.arrayContaining([
      { code: 'none_suits', subject: 'hats' },
      expect.objectContaining({
        code: 'too_few_pieces',
        subject: 'scarves',
        containerId: 'a',
        available: 0,
        wanted: 1,
      }),
    ]),
  );
});

test('no groups: an empty optimal answer', () =>
  expect(solve({ bay, groups: [], containers: [] }).answer).toMatchObject({
    status: 'optimal',
    objective: 0,
    placements: [],
  }));

test.each([
  ['unknown fields', { bay: { ...bay, colour: 'red' }, groups: [], containers: [] }, 'bay'],
  ['double ids', { bay, groups: [group('a', 1), group('a', 2)], containers: [] }, 'groups.1.id'],
  ['negative litres', { bay, groups: [group('a', -1)], containers: [] }, 'groups.0.litres'],
  [
    'broken money',
    { bay, groups: [], containers: [box('a', 1, 1, 1, { priceMinor: 1.5 })] },
    'containers.0.priceMinor',
  ],
  ['numbers above 1e9', { bay: { ...bay, width: 2e9 }, groups: [], containers: [] }, 'bay.width'],
  [
    'an oval that says it is round',
    { bay, groups: [], containers: [box('a', 10, 20, 5, { shape: 'round' })] },
    'containers.0.outer.depth',
  ],
])('refuses %s and names the field', (_, request, path) => {
  const parsed = fitRequestSchema.safeParse(request);
  expect(parsed.error?.issues.map((issue) => issue.path.join('.'))).toContain(path);
});

test('no time at all still ends in an answer that keeps every rule', () => {
  const boxes = (litres: number) =>
    fitRequestSchema.parse({
      bay: { id: 'bay', width: 400, depth: 300, height: 250 },
      groups: [{ id: 'g', name: 'g', litres }],
      timeLimitMs: 0,
      containers: [
        {
          id: 'c',
          name: 'c',
          outer: { width: 150, depth: 130, height: 200 },
          innerLitres: 3,
          innerHeight: 190,
          material: 'plastic',
          priceMinor: 5,
        },
      ],
    });
  for (const litres of [3, 12, 40]) {
    const answer = planFit(boxes(litres), { solver, clock });
    expect(isWhole(answer)).toBe(litres <= 12);
    expect(findFitFaults(boxes(litres), answer)).toEqual([]);
  }
});
