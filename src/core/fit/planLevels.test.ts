import fc from 'fast-check';

import { plantFit } from '@test/plantedFit';
import { levelRequestArb } from '@test/levelArbitrary';
import { fitRequestArb } from '@test/fitArbitrary';
import { cpuClock as clock } from '@test/cpuClock';
import { createRandom, loadSolver, type Solver } from '../shared';
import {
  explainUnused,
  findFitFaults,
  fitRequestSchema,
  movementsOf,
  planFit,
  planFits,
  tidyFit,
  tidyWays,
  type FitRequestInput,
  isWhole,
} from '.';
import { easyBound } from './easyBound';
import { floorRowsOf } from './floorRows';
import { GroupCovers } from './groupCovers';
import { inTheWayG } from './measureFit';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});
const plan = (input: FitRequestInput) => planFit(fitRequestSchema.parse(input), { solver, clock });

const box = (id: string, width: number, depth: number, height: number, more = {}) => ({
  id,
  name: id,
  outer: { width, depth, height },
  innerLitres: ((width - 4) * (depth - 4) * (height - 4)) / 1e6,
  innerHeight: height - 4,
  material: 'plastic' as const,
  priceMinor: 100,
  ...more,
});
const riser = (width: number, depth: number, height: number, more = {}) => ({
  ...box('riser', width, depth, height),
  role: 'riser' as const,
  innerLitres: 0,
  innerHeight: 0,
  underHeight: height - 8,
  underWidth: width - 20,
  turnable: false,
  ...more,
});
const group = (id: string, litres: number, more = {}) => ({ id, name: id, litres, ...more });

test('bays that were filled backwards are filled again, where a floor alone leaves things out too', () => {
  let beyondFlat = 0;
  for (const seed of [5, 13]) {
    const { request, known } = plantFit(seed);
    // What was planted keeps every rule itself.
    const faults = findFitFaults(request, {
      ...known,
      unmet: [],
      usedLitres: 0,
      freeLitres: 0,
    }).filter(({ rule }) => rule !== 'totals');
    expect(faults).toEqual([]);
    const answer = planFit({ ...request, timeLimitMs: 5000 }, { solver, clock });
    expect(answer.unmet).toEqual([]);
    expect(findFitFaults(request, answer)).toEqual([]);
    expect(answer.costMinor).toBeLessThanOrEqual(known.costMinor * 1.03);
    expect(answer.bound ?? NaN).toBeLessThanOrEqual(known.costMinor);
    const flat = planFit(
      {
        ...request,
        timeLimitMs: 400,
        containers: request.containers.filter(({ role }) => role === undefined),
      },
      { solver, clock },
    );
    if (flat.unmet.length > 0) beyondFlat += 1;
  }
  expect(beyondFlat).toBe(2);
}, 60_000);

test('random questions with levels and contents break no rule, tidied too', () => {
  let standing = 0;
  fc.assert(
    fc.property(levelRequestArb, (request) => {
      const answer = planFit({ ...request, timeLimitMs: 60 }, { solver, clock });
      expect(findFitFaults(request, answer)).toEqual([]);
      if (answer.placements.length > 0) standing += 1;
      for (const way of tidyWays) {
        const tidied = tidyFit(request, answer, way);
        expect(findFitFaults(request, tidied)).toEqual([]);
        expect(inTheWayG(request, tidied)).toBeLessThanOrEqual(inTheWayG(request, answer) + 1e-6);
        expect(movementsOf(request, tidied)).toBeLessThanOrEqual(movementsOf(request, answer));
      }
    }),
    { numRuns: 60 },
  );
  expect(standing).toBeGreaterThan(20);
}, 60_000);

test('the bound of what is in the way is never above what any arrangement has', () => {
  fc.assert(
    fc.property(fitRequestArb, (asked) => {
      const request = { ...asked, prefer: 'cost' as const, timeLimitMs: 40 };
      const answer = planFit(request, { solver, clock });
      if (!isWhole(answer)) return;
      const covers = new GroupCovers(request, floorRowsOf(request), createRandom(1));
      const bound = easyBound(request, covers);
      expect(bound).toBeLessThanOrEqual(inTheWayG(request, answer) + 1e-6);
    }),
    { numRuns: 300 },
  );
  // Three groups that each want most of the width: two of them are in the way of another.
  const narrow = plan({
    bay: { id: 'bay', width: 300, depth: 700, height: 300 },
    groups: ['a', 'b', 'c'].map((id) => group(id, 4, { massG: 900 })),
    containers: [box('tray', 240, 200, 120)],
    prefer: 'easy',
  });
  expect(narrow.objective).toBeGreaterThan(0);
  expect(narrow.bound).toBeGreaterThan(0);
}, 30_000);

test('seven spices stand in seven jars of one kind, and no pack is cut', () => {
  const answer = plan({
    bay: { id: 'bay', width: 700, depth: 300, height: 300 },
    groups: [
      group('spices', 1.4, {
        kinds: ['cumin', 'chilli', 'clove', 'mace', 'salt', 'thyme', 'anise'].map((name) => ({
          name,
          litres: 0.2,
        })),
        pour: { packLitres: 0.18 },
      }),
    ],
    containers: [
      box('jar', 70, 70, 100, { shape: 'round', innerLitres: 0.25, priceMinor: 200 }),
      box('small jar', 60, 60, 60, { shape: 'round', innerLitres: 0.1, priceMinor: 20 }),
      box('cereal box', 200, 200, 250, { priceMinor: 150 }),
    ],
  });
  expect(answer.placements.map(({ kind }) => kind).sort()).toEqual([0, 1, 2, 3, 4, 5, 6]);
  expect(new Set(answer.placements.map(({ containerId }) => containerId))).toEqual(
    new Set(['jar']),
  );
  const tooLarge = plan({
    bay: { id: 'bay', width: 700, depth: 300, height: 300 },
    groups: [group('flour', 1, { pour: { packLitres: 2 } })],
    containers: [box('jar', 110, 110, 180, { innerLitres: 1.5 })],
  });
  expect(tooLarge.placements).toHaveLength(1);
  expect(tooLarge.reasons).toContainEqual({ code: 'pack_left', subject: 'flour', litres: 0.5 });
});

test('what each person owns stands in one colour, and in no other person’s', () => {
  const colours = ['red', 'blue'] as const;
  const request = fitRequestSchema.parse({
    bay: { id: 'bay', width: 900, depth: 300, height: 300 },
    groups: [
      group('ann toys', 3, { ownerId: 'ann' }),
      group('ann books', 3, { ownerId: 'ann' }),
      group('ben toys', 3, { ownerId: 'ben' }),
    ],
    containers: colours.map((colour, i) =>
      box(colour, 180, 200, 120, { colour, priceMinor: 100 + 50 * i }),
    ),
  });
  const answer = planFit(request, { solver, clock });
  const colourOf = (groupId: string) =>
    answer.placements.find((placement) => placement.groupId === groupId)?.containerId;
  // Two groups in the cheaper colour.
  expect(['ann toys', 'ann books', 'ben toys'].map(colourOf)).toEqual(['red', 'red', 'blue']);
});

test('daily things come out without a movement on a turntable, where a stack would cost some', () => {
  const answer = plan({
    bay: { id: 'bay', width: 330, depth: 330, height: 330 },
    groups: [group('sauces', 2.5, { front: true }), group('oils', 2.5, { front: true })],
    containers: [
      box('tray', 180, 150, 130, { stackable: true, lid: true }),
      box('caddy', 95, 190, 180, { priceMinor: 300 }),
      {
        ...box('turntable', 310, 310, 30, { shape: 'round', priceMinor: 900 }),
        role: 'turntable',
        innerLitres: 0,
        innerHeight: 0,
        plateHeight: 20,
        topLoadG: 9000,
      },
    ],
    prefer: 'daily',
  });
  expect(answer.unmet).toEqual([]);
  expect(answer.movements).toBe(0);
});

test('what hangs, what is counted and what is crushed', () => {
  const answer = plan({
    bay: { id: 'bay', width: 800, depth: 350, height: 400, shelfThickness: 18, bottom: 1500 },
    groups: [
      group('cups', 2, {
        pieces: { shape: 'round', width: 80, height: 90, count: 6 },
        hangs: { dropMm: 90 },
      }),
      group('bottles', 4.5, { pieces: { shape: 'round', width: 75, height: 300, count: 4 } }),
      group('crisps', 6, { crushable: true }),
      group('foil', 1, { eyeMm: 1550 }),
    ],
    containers: [
      box('tray', 200, 250, 90, { stackable: true }),
      { ...box('hooks', 400, 40, 20), role: 'hooks', hooks: 6, hookLoadG: 500 },
      { ...box('rack', 350, 320, 100), role: 'rack', places: 4, placeDiameter: 80 },
    ],
  });
  expect(answer.unmet).toEqual([]);
  const at = (groupId: string) => answer.placements.filter((each) => each.groupId === groupId);
  expect(at('cups')).toMatchObject([{ containerId: 'hooks', z: 400 - 20 - 90 }]);
  expect(at('bottles')).toMatchObject([{ containerId: 'rack' }]);
  // Nothing is stacked on what is crushed, and what must be seen stays below the eyes.
  for (const crisp of at('crisps'))
    expect(
      answer.placements.filter(
        ({ containerId, x, y, z }) =>
          containerId === 'tray' && x === crisp.x && y === crisp.y && z > crisp.z,
      ),
    ).toEqual([]);
  expect(at('foil').every(({ z }) => z < 50)).toBe(true);
});

test.each([
  ['underHeight', { underHeight: 200 }],
  ['underWidth', { underWidth: undefined }],
  ['mostWidth', { mostWidth: 100 }],
] as const)('a riser that contradicts itself is refused by %s', (field, change) => {
  const request = {
    bay: { id: 'bay', width: 600, depth: 300, height: 300 },
    groups: [group('a', 1)],
    containers: [riser(300, 200, 150, change)],
  };
  expect(fitRequestSchema.safeParse(request).error?.issues[0]?.path).toEqual([
    'containers',
    0,
    field,
  ]);
});

test('what cannot be is told by name', () => {
  const kinds = fitRequestSchema.safeParse({
    bay: { id: 'bay', width: 600, depth: 300, height: 300 },
    groups: [group('spices', 1, { kinds: [{ name: 'cumin' }] })],
    containers: [],
  });
  expect(kinds.error?.issues[0]?.path).toEqual(['groups', 0, 'kinds', 0, 'litres']);
  const unused = explainUnused(
    fitRequestSchema.parse({
      bay: { id: 'bay', width: 600, depth: 300, height: 200 },
      groups: [group('boxes', 4, { pieces: { shape: 'box', width: 60, height: 60, count: 3 } })],
      containers: [
        riser(300, 200, 250),
        { ...box('insert', 300, 280, 60), role: 'insert' },
        box('bin', 150, 150, 100),
        { ...box('rack', 300, 200, 100), role: 'rack', places: 3, placeDiameter: 80 },
      ],
    }),
  );
  const codes = Object.fromEntries(
    unused.map((reason) => [
      reason.subject,
      reason.code === 'no_container_suits' ? reason.why.fault : reason.code,
    ]),
  );
  expect(codes).toMatchObject({
    riser: 'container_too_high',
    insert: 'needs_a_container',
    rack: 'not_round',
  });
});

test('a false floor raises everything, and a lip is lifted over', () => {
  const answer = plan({
    bay: { id: 'bay', width: 300, depth: 300, height: 300, falseFloor: 60, lip: 100 },
    groups: [group('a', 3)],
    containers: [box('low', 200, 200, 150), box('high', 200, 200, 205, { priceMinor: 50 })],
  });
  // 300 less the floor of 60 and the 40 that are left of the lip: 200.
  expect(answer.placements).toMatchObject([{ containerId: 'low', z: 60 }]);
});

test('the calmest look of several places has fewer kinds than each place by itself', async () => {
  const place = (id: string, litres: number) =>
    fitRequestSchema.parse({
      bay: { id, width: 420, depth: 320, height: 200 },
      groups: [group(`${id} a`, litres), group(`${id} b`, litres / 2)],
      containers: [
        box('small', 190, 150, 120, { priceMinor: 90 }),
        box('large', 190, 300, 120, { priceMinor: 95 }),
        box('odd', 200, 300, 160, { priceMinor: 85 }),
      ],
      prefer: 'uniform',
    });
  const fits = await planFits([place('one', 5.5), place('two', 2.6), place('three', 5.4)], {
    solver,
    clock,
    timeLimitMs: 1500,
  });
  expect(fits.flatMap(({ answer }) => answer.unmet)).toEqual([]);
  const kinds = new Set(
    fits.flatMap(({ answer }) => answer.placements.map(({ containerId }) => containerId)),
  );
  expect(kinds.size).toBe(1);
});
