import fc from 'fast-check';

import { fitRequestArb } from '@test/fitArbitrary';
import { cpuClock as clock } from '@test/cpuClock';
import { loadSolver, type Solver } from '../shared';
import {
  findFitFaults,
  fitRequestSchema,
  planFit,
  putInOrder,
  tidyFit,
  tidyWays,
  type FitAnswer,
  type FitRequest,
} from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

const standing = ({ placements }: FitAnswer): string[] =>
  placements
    .map(({ containerId, groupId, turned }) => `${containerId} ${groupId} ${turned}`)
    .sort();

/** Grams of other groups before or on each container, from docs/engines.md, sharing no code with the engine. */
function inTheWay(request: FitRequest, { placements }: FitAnswer): number {
  const items = placements.map((at) => {
    const what = request.containers.find(({ id }) => id === at.containerId)!;
    const group = request.groups.find(({ id }) => id === at.groupId)!;
    const offered = placements
      .filter(({ groupId }) => groupId === group.id)
      .reduce(
        (sum, { containerId }) =>
          sum + (request.containers.find(({ id }) => id === containerId)?.innerLitres ?? 0),
        0,
      );
    const share = what.innerLitres / Math.max(group.litres, offered);
    const [w, d] = at.turned
      ? [what.outer.depth, what.outer.width]
      : [what.outer.width, what.outer.depth];
    return {
      at,
      w,
      d,
      h: what.outer.height,
      g: (what.tareG ?? 0) + share * (group.massG ?? 300 * group.litres),
    };
  });
  const overlap = (a: number, al: number, b: number, bl: number) =>
    a + 1e-3 < b + bl && b + 1e-3 < a + al;
  let sum = 0;
  for (const item of items)
    for (const other of items) {
      if (other.at.groupId === item.at.groupId) continue;
      const isSideBySide = overlap(item.at.x, item.w, other.at.x, other.w);
      const isBefore =
        isSideBySide &&
        overlap(item.at.z, item.h, other.at.z, other.h) &&
        other.at.y < item.at.y - 1e-3;
      const isOver =
        isSideBySide &&
        overlap(item.at.y, item.d, other.at.y, other.d) &&
        other.at.z > item.at.z + 1e-3;
      if (isBefore || isOver) sum += other.g;
    }
  return sum;
}

test('tidying keeps every rule and every container, and puts no more in the way of anything', () => {
  fc.assert(
    fc.property(fitRequestArb, fc.constantFrom(...tidyWays), (request, way) => {
      const answer = planFit({ ...request, timeLimitMs: 60 }, { solver, clock });
      const faults = findFitFaults(request, answer);
      const tidied = tidyFit(request, answer, way);
      expect(findFitFaults(request, tidied).length).toBeLessThanOrEqual(faults.length);
      expect(standing(tidied)).toEqual(standing(answer));
      expect([tidied.costMinor, tidied.status]).toEqual([answer.costMinor, answer.status]);
      expect(inTheWay(request, tidied)).toBeLessThanOrEqual(inTheWay(request, answer) + 1e-3);
    }),
    { numRuns: 60 },
  );
});

const box = (id: string, width: number, more: object = {}) => ({
  ...{ id, name: id, outer: { width, depth: 100, height: 100 } },
  ...{ innerLitres: 1, innerHeight: 95, material: 'plastic', priceMinor: 100 },
  ...more,
});
const aRequest = (more: object = {}) =>
  fitRequestSchema.parse({
    bay: { id: 'shelf', width: 600, depth: 300, height: 200 },
    groups: ['jam', 'tea'].map((id) => ({ id, name: id, litres: 2 })),
    containers: [box('wide', 120), box('slim', 80)],
    ...more,
  });
const at = (containerId: string, groupId: string, x: number, y = 5, z = 0) => ({
  ...{ containerId, groupId, x, y, z, turned: false },
});
const answerWith = (placements: FitAnswer['placements']): FitAnswer => ({
  ...{ status: 'feasible', objective: 400, bound: 400, elapsedMs: 1, placements },
  ...{ costMinor: 400, usedLitres: 4, freeLitres: 0, unmet: [], reasons: [] },
});

/** Gaps from wall to wall along the front. */
const gapsOf = (request: ReturnType<typeof aRequest>, { placements }: FitAnswer): number[] => {
  const row = placements
    .map(({ x, containerId }) => ({
      x,
      width: request.containers.find(({ id }) => id === containerId)?.outer.width ?? 0,
    }))
    .sort((a, b) => a.x - b.x);
  const ends = [0, ...row.map(({ x, width }) => x + width)];
  return [...row.map(({ x }) => x), request.bay.width].map((x, i) => x - (ends[i] ?? 0));
};

test('what was crammed into a corner stands in one row, group by group, fronts on a line, gaps alike', () => {
  const request = aRequest();
  const crammed = answerWith([
    at('wide', 'jam', 3),
    at('wide', 'tea', 125),
    at('slim', 'jam', 3, 107),
    at('slim', 'tea', 125, 107),
  ]);
  expect(findFitFaults(request, crammed)).toEqual([]);
  const spread = tidyFit(request, crammed, 'spread');
  expect(new Set(spread.placements.map(({ y }) => y))).toEqual(new Set([5]));
  const order = [...spread.placements].sort((a, b) => a.x - b.x).map(({ groupId }) => groupId);
  expect(order).toEqual(['jam', 'jam', 'tea', 'tea']);
  const gaps = gapsOf(request, spread);
  expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThan(28);
  const inner = gaps.slice(1, -1);
  expect(Math.max(...inner) - Math.min(...inner)).toBeLessThan(0.2);
  const together = gapsOf(request, tidyFit(request, crammed, 'together'));
  // One useful space: nearly all of it is at the end.
  expect(together.at(-1)).toBeGreaterThan(180);
});

test('piles stay piles, and what stands behind an obstacle or another thing keeps its order', () => {
  const request = aRequest({
    bay: {
      ...{ id: 'basin', width: 300, depth: 300, height: 300 },
      obstacles: [{ label: 'trap', x: 140, y: 100, z: 0, width: 40, depth: 100, height: 300 }],
    },
    containers: [box('wide', 120, { stackable: true }), box('slim', 80)],
  });
  const answer = answerWith([
    at('wide', 'jam', 3),
    at('wide', 'jam', 3, 5, 100),
    at('slim', 'tea', 3, 110),
    at('slim', 'tea', 190, 150),
  ]);
  expect(findFitFaults(request, answer)).toEqual([]);
  const tidied = tidyFit(request, answer, 'spread');
  expect(findFitFaults(request, tidied)).toEqual([]);
  const [lower, upper] = tidied.placements;
  expect([upper?.x, upper?.y]).toEqual([lower?.x, lower?.y]);
  // Drawn to the front, beside the trap.
  expect(tidied.placements.at(-1)?.y).toBe(5);
});

test('nothing that stands is in the way of what goes in after it', () => {
  fc.assert(
    fc.property(fitRequestArb, (request) => {
      const { placements } = planFit({ ...request, timeLimitMs: 60 }, { solver, clock });
      const order = putInOrder({ placements }).map(({ index }) => index);
      expect([...order].sort((a, b) => a - b)).toEqual(placements.map((_, i) => i));
      const sides = ({ containerId, turned }: (typeof placements)[number]) => {
        const { width, depth, height } = request.containers.find(
          ({ id }) => id === containerId,
        )!.outer;
        return turned ? { w: depth, d: width, h: height } : { w: width, d: depth, h: height };
      };
      const meets = (a: number, al: number, b: number, bl: number) =>
        a + 1e-3 < b + bl && b + 1e-3 < a + al;
      order.forEach((index, turn) => {
        const next = placements[index]!;
        const size = sides(next);
        for (const stands of order.slice(0, turn).map((i) => placements[i]!)) {
          const other = sides(stands);
          const isBeside = meets(next.x, size.w, stands.x, other.w);
          const isBefore =
            isBeside && meets(next.z, size.h, stands.z, other.h) && stands.y < next.y - 1e-3;
          const isOver =
            isBeside && meets(next.y, size.d, stands.y, other.d) && stands.z > next.z + 1e-3;
          expect(isBefore || isOver).toBe(false);
        }
      });
    }),
    { numRuns: 40 },
  );
});
