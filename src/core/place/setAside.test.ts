import { zonesRequestOf } from '@test/zonesArbitrary';
import { zoneFaults } from '@test/zonesOracle';
import { cpuClock as clock } from '@test/cpuClock';
import { createRandom, loadSolver } from '../shared';
import { planZones, setAside, zonesRequestSchema } from '.';

const bay = (id: string, change: object = {}) => ({
  id,
  litres: 50,
  x: 0,
  y: 0,
  z: 1000,
  ...change,
});
const group = (id: string, change: object = {}) => ({
  id,
  name: id,
  litres: 10,
  usesPerWeek: 7,
  stationId: 's',
  userIds: ['ida'],
  ...change,
});
const home = (change: object) =>
  zonesRequestSchema.parse({
    bays: [bay('near'), bay('far', { x: 6000 })],
    stations: [{ id: 's', name: 'Kettle', x: 0, y: 0 }],
    people: [{ id: 'ida', heightMm: 1700 }],
    groups: [],
    ...change,
  });

test('what no bay holds is left out with its reason, and takes its room where it stands', () => {
  const request = home({
    groups: [group('trunk', { litres: 60, massG: 4000 }), group('cups')],
    bays: [bay('near', { maxLoadG: 9000 }), bay('far')],
    together: [{ a: 'trunk', b: 'cups', weight: 1 }],
  });
  const { request: left, reasons } = setAside(request, { trunk: 'near', cups: 'near' });
  expect(reasons).toMatchObject([{ code: 'larger_than_every_bay', subject: 'trunk' }]);
  expect([
    left.groups.map(({ id }) => id),
    left.bays.map(({ litres, maxLoadG }) => [litres, maxLoadG]),
    left.together,
  ]).toEqual([
    ['cups'],
    [
      [0, 5000],
      [50, undefined],
    ],
    [],
  ]);
});

test('nothing comes to a bay where something stands that must be kept from it', () => {
  const request = home({
    people: [
      { id: 'ida', heightMm: 1700 },
      { id: 'kim', heightMm: 1100, child: true },
    ],
    groups: [group('bleach', { hazard: 'chemical' }), group('rice', { food: true }), group('cups')],
  });
  expect(
    setAside(request, { bleach: 'near' }).request.groups.map(({ id, onlyBayIds }) => [
      id,
      onlyBayIds,
    ]),
  ).toEqual([
    ['rice', ['far']],
    ['cups', undefined],
  ]);
});

test('whatever stands where: with what was left out where it was, the rest keeps every rule of the whole', async () => {
  const solver = await loadSolver();
  let checked = 0;
  for (let seed = 1; seed <= 60; seed += 1) {
    const random = createRandom(seed);
    const request = zonesRequestSchema.parse(
      zonesRequestOf(seed, { groups: 8, bays: 7, pairs: 2, fillRatio: 0.4 }),
    );
    // One group alone stands somewhere, so that only what comes to it is tested.
    const hopeless = {
      ...request,
      groups: request.groups.map((one, g) =>
        g === 0
          ? {
              ...one,
              selfServe: true,
              litres: 5,
              massG: 800,
              avoid: ['moist', 'warm', 'light'] as const,
              onlyBayIds: [],
            }
          : one,
      ),
    } as typeof request;
    const stands = request.bays[Math.floor(random() * 7)]?.id ?? null;
    const { request: left, reasons } = setAside(hopeless, { g0: stands });
    expect(reasons.map(({ subject }) => subject)).toContain('g0');
    const answer = planZones(left, { solver, clock });
    if (answer.status === 'infeasible' || reasons.length > 1) continue;
    checked += 1;
    const whole = [...answer.assignment, { groupId: 'g0', bayId: stands ?? '' }];
    expect(
      zoneFaults(hopeless, whole).filter(
        (fault) => !fault.startsWith('g0 ') || fault.includes(' and '),
      ),
    ).toEqual([]);
  }
  expect(checked).toBeGreaterThan(15);
});
