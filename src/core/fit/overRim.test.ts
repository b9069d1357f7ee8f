import { cpuClock as clock } from '@test/cpuClock';
import fc from 'fast-check';

import { loadSolver, type Solver } from '../shared';
import { findFitFaults, fitRequestSchema, overRimMm, planFit } from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});
const bin = (height: number, more = {}) => ({
  id: `bin ${height}`,
  name: `bin ${height}`,
  outer: { width: 200, depth: 300, height },
  innerLitres: (190 * 290 * (height - 5)) / 1e6,
  innerHeight: height - 5,
  innerWidth: 190,
  innerDepth: 290,
  material: 'plastic' as const,
  priceMinor: height * 3,
  stackable: true,
  ...more,
});
const bottles = { id: 'bottles', name: 'bottles', litres: 10, tallestMm: 270, overRim: true };
const ask = (containers: object[], bay: object = {}, group: object = {}) =>
  fitRequestSchema.parse({
    bay: { id: 'bay', width: 420, depth: 310, height: 330, ...bay },
    groups: [{ ...bottles, ...group }],
    containers,
    timeLimitMs: 300,
  });
const fit = (...args: Parameters<typeof ask>) => {
  const request = ask(...args);
  const answer = planFit(request, { solver, clock });
  expect(findFitFaults(request, answer)).toEqual([]);
  return answer;
};

test('bottles stand in open bins lower than they are, and nothing stands on those', () => {
  const answer = fit([bin(125)]);
  expect(answer.unmet).toEqual([]);
  expect(answer.placements.map(({ containerId, z }) => [containerId, z])).toEqual([
    ['bin 125', 0],
    ['bin 125', 0],
  ]);
});

test.each<readonly [string, object[], object, object]>([
  ['a lid would not shut', [bin(125, { lid: true })], {}, {}],
  ['it would topple: less than two fifths within', [bin(100)], {}, {}],
  ['the place is too low for what stands in it', [bin(125)], { height: 290 }, {}],
  ['it is to stay below the rim', [bin(125)], {}, { overRim: false }],
])('they do not where %s', (_, containers, bay, group) =>
  expect(fit(containers, bay, group).unmet).toEqual([{ groupId: 'bottles', litres: 10 }]),
);

test('what is owned once is used once, over the rim or within', () => {
  const other = { id: 'other', name: 'other', litres: 5 };
  const request = fitRequestSchema.parse({
    ...ask([bin(125, { available: 2 })], { width: 900 }),
    groups: [bottles, other],
  });
  const answer = planFit(request, { solver, clock });
  expect(findFitFaults(request, answer)).toEqual([]);
  expect(answer.placements).toHaveLength(2);
});

test('engine and checker say the same of what reaches over a rim', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 40, max: 300 }),
      fc.integer({ min: 20, max: 320 }),
      fc.boolean(),
      fc.boolean(),
      fc.boolean(),
      (height, tallestMm, overRim, mayLie, lid) => {
        const container = bin(height, { lid });
        const group = { ...bottles, litres: 1, tallestMm, overRim, mayLie };
        const request = ask([container], { height: 700, width: 900 }, group);
        const over = overRimMm(request.containers[0]!, request.groups[0]!);
        const rules = findFitFaults(request, {
          placements: [
            { containerId: container.id, groupId: 'bottles', x: 3, y: 5, z: 0, turned: false },
          ],
          unmet: [{ groupId: 'bottles', litres: Math.max(0, 1 - container.innerLitres) }],
          costMinor: container.priceMinor,
          usedLitres: Math.min(1, container.innerLitres),
          freeLitres: Math.max(0, container.innerLitres - 1),
        }).map(({ rule }) => rule);
        expect(rules).toEqual(over === undefined ? ['wish'] : []);
      },
    ),
    { numRuns: 200 },
  );
});

test('each of a group’s kinds reaches over the rim of its own bin', () => {
  const kinds = ['one', 'two'].map((name) => ({ name, litres: 5 }));
  const answer = fit([bin(125)], {}, { kinds });
  expect(answer.unmet).toEqual([]);
  expect(answer.placements.map(({ kind }) => kind).sort()).toEqual([0, 1]);
});
