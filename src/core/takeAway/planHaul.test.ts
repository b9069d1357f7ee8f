import { haulOf } from '@test/haulArbitrary';
import { bestHaul, haulFaults } from '@test/haulOracle';

import { loadSolver, type Solver } from '../shared';
import { haulRequestSchema, planHaul, type HaulRequestInput } from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});
/** Counts how often it is asked: what is found depends on the request alone. */
function means() {
  let asked = 0;
  return { solver, clock: () => (asked += 1) };
}

const aRequest = (request: Partial<HaulRequestInput>) =>
  haulRequestSchema.parse({
    loads: [],
    car: { litres: 400, maxG: 200_000 },
    destinations: [{ id: 'shop', name: 'Reuse shop', minutes: 10 }],
    ...request,
  });
const aLoad = (id: string, change: Partial<HaulRequestInput['loads'][number]> = {}) => ({
  id,
  litres: 20,
  massG: 3000,
  destinationId: 'shop',
  ...change,
});

test('keeps every rule on random requests', () => {
  const counts = { optimal: 0, feasible: 0, infeasible: 0, unknown: 0 };
  for (let seed = 1; seed <= 2000; seed += 1) {
    const request = haulOf(seed, {
      loads: seed % 22,
      places: 1 + (seed % 5),
      isRich: seed % 2 === 0,
    });
    const answer = planHaul(request, means());
    expect({ seed, faults: haulFaults(request, answer) }).toEqual({ seed, faults: [] });
    counts[answer.status] += 1;
  }
  expect(counts.unknown).toBeLessThan(40);
  expect(counts.optimal).toBeGreaterThan(1000);
});

test('is never worse than everything tried, and says so where it is as good', () => {
  let proven = 0;
  for (let seed = 1; seed <= 500; seed += 1) {
    const request = haulOf(seed, {
      loads: 1 + (seed % 5),
      places: 1 + (seed % 3),
      isRich: seed % 3 > 0,
    });
    const best = bestHaul(request);
    const answer = planHaul(request, means());
    const said = { seed, ...answer.bounds, status: answer.status };
    if (answer.status === 'infeasible') expect({ seed, best }).toEqual({ seed, best: undefined });
    if (!best || answer.objective === null) continue;
    const cost = { boxes: answer.objective, trips: answer.trips.length, minutes: answer.minutes };
    expect(said.boxes).toBeLessThanOrEqual(best.boxes);
    expect(said.trips).toBeLessThanOrEqual(best.trips);
    if (cost.trips === best.trips)
      expect({ ...said, isBelow: said.minutes <= best.minutes + 1e-6 }).toEqual({
        ...said,
        isBelow: true,
      });
    if (answer.status !== 'optimal') continue;
    proven += 1;
    expect({ seed, ...cost }).toEqual({ seed, ...best });
  }
  expect(proven).toBeGreaterThan(330);
});

test.each([
  [
    'a load that the car cannot take',
    { loads: [aLoad('bed', { longMm: 2100 })], car: { litres: 400, maxG: 90_000, longMm: 2000 } },
    'load_too_long',
    'bed',
  ],
  [
    'a load that is too heavy for the car',
    { loads: [aLoad('safe', { massG: 300_000 })] },
    'load_too_heavy',
    'safe',
  ],
  [
    'an hour that nobody can keep',
    {
      loads: [aLoad('coat')],
      destinations: [
        { id: 'shop', name: 'Reuse shop', minutes: 10, hours: [{ from: 540, to: 600 }] },
      ],
      departures: [595, 720],
    },
    'never_open',
    'shop',
  ],
  [
    'a packed box that nobody lifts',
    {
      loads: [aLoad('a', { massG: 9000 }), aLoad('b', { massG: 8000 })],
      packed: [{ destinationId: 'shop', loadIds: ['a', 'b'] }],
    },
    'packed_too_heavy',
    'a',
  ],
  [
    'too few departures',
    {
      loads: [aLoad('a', { litres: 50 }), aLoad('b', { litres: 50 })],
      car: { litres: 60, maxG: 90_000 },
      departures: [600],
    },
    'too_few_departures',
    'trips',
  ],
] as const)('names %s', (_, request, code, subject) => {
  const { status, reasons } = planHaul(
    aRequest(request as unknown as Partial<HaulRequestInput>),
    means(),
  );
  expect([status, reasons.map((reason) => [reason.code, reason.subject])]).toEqual([
    'infeasible',
    [[code, subject]],
  ]);
});

test.each([
  ['two loads of one id', { loads: [aLoad('a'), aLoad('a')] }, 'loads.1.id'],
  [
    'a destination that is not there',
    { loads: [aLoad('a', { destinationId: 'x' })] },
    'loads.0.destinationId',
  ],
  [
    'a conflict with nobody',
    { loads: [aLoad('a')], conflicts: [{ a: 'a', b: 'x', in: 'box' }] },
    'conflicts.0.b',
  ],
  [
    'hours without departures',
    { destinations: [{ id: 'shop', name: 's', minutes: 1, hours: [{ from: 1, to: 2 }] }] },
    'departures',
  ],
  [
    'overlapping hours',
    {
      departures: [1],
      destinations: [
        {
          id: 'shop',
          name: 's',
          minutes: 1,
          hours: [
            { from: 1, to: 5 },
            { from: 4, to: 8 },
          ],
        },
      ],
    },
    'destinations.0.hours.1.from',
  ],
  ['a table that is too narrow', { driveMinutes: [[]] }, 'driveMinutes.0'],
  [
    'a load that is packed twice',
    { loads: [aLoad('a')], packed: [{ destinationId: 'shop', loadIds: ['a', 'a'] }] },
    'packed.0.loadIds.1',
  ],
  ['a field that is not known', { colour: 'red' }, ''],
] as const)('refuses %s by its field', (_, request, path) => {
  const parsed = haulRequestSchema.safeParse({
    loads: [],
    car: { litres: 400, maxG: 1 },
    destinations: [{ id: 'shop', name: 's', minutes: 1 }],
    ...request,
  });
  expect(parsed.error?.issues.map((issue) => issue.path.join('.'))).toContain(path);
});

test('fragile loads go on top, and more than 5 kg of them never on one', () => {
  const loads = [
    aLoad('glass', { massG: 4000, fragile: true, litres: 5 }),
    aLoad('vase', { massG: 3000, fragile: true, litres: 5 }),
    aLoad('lamp', { massG: 2500, fragile: true, litres: 5 }),
    aLoad('pan', { massG: 3500 }),
  ];
  const { boxes } = planHaul(aRequest({ loads }), means());
  expect(boxes.map(({ loadIds }) => loadIds.length).sort()).toEqual([1, 3]);
  expect(boxes.every(({ loadIds }) => !loadIds.includes('pan') || loadIds[0] === 'pan')).toBe(true);
});

test('waits before a door that is not open yet, and counts it', () => {
  const { trips } = planHaul(
    aRequest({
      loads: [aLoad('a')],
      destinations: [
        { id: 'shop', name: 's', minutes: 10, hours: [{ from: 600, to: 660 }], unloadMinutes: 5 },
      ],
      departures: [580],
    }),
    means(),
  );
  expect(trips).toEqual([expect.objectContaining({ departure: 580, minutes: 10 + 10 + 5 + 10 })]);
});
