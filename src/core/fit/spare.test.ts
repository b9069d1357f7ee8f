import { cpuClock as clock } from '@test/cpuClock';
import { loadSolver, type Solver } from '../shared';
import { boughtOf, findFitFaults, fitRequestSchema, planFit, type FitRequest } from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

const tub = (id: string, priceMinor: number, more = {}) => ({
  id,
  name: id,
  outer: { width: 180, depth: 280, height: 150 },
  innerLitres: 6,
  innerHeight: 145,
  material: 'plastic' as const,
  priceMinor,
  ...more,
});
const ask = (containers: object[], prefer: FitRequest['prefer'] = 'cost', more = {}) =>
  fitRequestSchema.parse({
    bay: { id: 'bay', width: 800, depth: 300, height: 200 },
    groups: [{ id: 'g', name: 'g', litres: 22 }],
    containers,
    prefer,
    timeLimitMs: 300,
    ...more,
  });
const fit = (request: FitRequest & { readonly pins?: object[] }) => {
  const answer = planFit(request as FitRequest, { solver, clock });
  expect(findFitFaults(request, answer)).toEqual([]);
  expect(answer.unmet).toEqual([]);
  return answer;
};
const countOf = (answer: ReturnType<typeof fit>, id: string): number =>
  answer.placements.filter(({ containerId }) => containerId === id).length;

test('what is left over comes first and costs nothing, the rest of it its price', () => {
  // Four are wanted: three lie there, the fourth is bought where it is cheaper.
  const dear = fit(ask([tub('left', 500, { spare: 3 }), tub('cheap', 300)]));
  expect([countOf(dear, 'left'), countOf(dear, 'cheap'), dear.costMinor]).toEqual([3, 1, 300]);
  const alike = fit(ask([tub('left', 250, { spare: 3 }), tub('cheap', 300)]));
  expect([countOf(alike, 'left'), alike.costMinor]).toEqual([4, 250]);
});

test('as few as can be are bought: those that lie there do not count', () => {
  const answer = fit(ask([tub('left', 500, { spare: 2 }), tub('cheap', 300)], 'reuse'));
  expect(answer.objective).toBe(2);
  expect(countOf(answer, 'left')).toBeGreaterThanOrEqual(2);
});

test('no more are used than there are, left over or sold', () => {
  const left = tub('left', 500, { spare: 3, available: 2 });
  const answer = fit(ask([left, tub('cheap', 300)]));
  expect([countOf(answer, 'left'), answer.costMinor]).toEqual([2, 600]);
});

test('a pin on it holds for what lies there and for what is bought', () => {
  const request = ask([tub('left', 500, { spare: 3 }), tub('cheap', 1)]);
  const pinned = { ...request, pins: [{ groupId: 'g', containerId: 'left' }] };
  const answer = fit(pinned);
  expect([countOf(answer, 'left'), answer.costMinor]).toEqual([4, 500]);
});

test('of what is used the owned and the left over are not bought', () => {
  const [left, owned] = ask([tub('left', 500, { spare: 1 }), tub('owned', 0)]).containers;
  expect(boughtOf([left!, owned!, left!, left!]).map(({ id }) => id)).toEqual(['left', 'left']);
});
