import { orderByModel } from '@test/movesModel';
import { bestMoves, replayMoves } from '@test/movesOracle';
import { cpuClock as clock } from '@test/cpuClock';
import { createRandom, loadSolver } from '../shared';
import { movesRequestSchema, planMoves, type MovesRequestInput } from '.';

const plan = (request: MovesRequestInput) =>
  planMoves(movesRequestSchema.parse(request), { clock });

/**
 * Two arrangements of the same groups; each bay holds just what the fuller of the two puts in it,
 * or a little more.
 */
function movesOf(
  seed: number,
  {
    groups,
    bays,
    fillRatio,
  }: { readonly groups: number; readonly bays: number; readonly fillRatio: number },
): MovesRequestInput {
  const random = createRandom(seed * 101 + groups);
  const litres = Array.from({ length: groups }, () => 2 + Math.floor(random() * 18));
  const isOut = () => random() < 0.04;
  const lay = () => litres.map(() => (isOut() ? null : Math.floor(random() * bays)));
  const [now, then] = [lay(), lay()];
  const held = (places: readonly (number | null)[], bay: number) =>
    litres.reduce((sum, amount, g) => sum + (places[g] === bay ? amount : 0), 0);
  const idOf = (place: number | null | undefined) =>
    place === null || place === undefined ? null : `b${place}`;
  return {
    bays: Array.from({ length: bays }, (_, b) => ({
      id: `b${b}`,
      litres: Math.ceil(Math.max(held(now, b), held(then, b)) / fillRatio),
    })),
    groups: litres.map((amount, g) => ({
      id: `g${g}`,
      litres: amount,
      from: idOf(now[g]),
      to: idOf(then[g]),
    })),
    basketLitres: 25,
    seed,
    timeLimitMs: 60_000,
  };
}

test('small homes: the fewest litres handled twice, then the fewest baskets, as by trying every sequence', () => {
  let hasStaged = 0;
  for (let seed = 1; seed <= 150; seed += 1) {
    const request = movesOf(seed, { groups: 4 + (seed % 4), bays: 2 + (seed % 3), fillRatio: 1 });
    const answer = plan(request);
    const replay = replayMoves(request, answer.steps);
    expect([seed, replay.faults]).toEqual([seed, []]);
    const best = bestMoves(request);
    expect([seed, answer.status, answer.stagedLitres, answer.baskets]).toEqual([
      seed,
      'optimal',
      best.stagedLitres,
      best.baskets,
    ]);
    expect(answer).toMatchObject({
      objective: replay.stagedLitres,
      bound: replay.stagedLitres,
      baskets: replay.baskets,
    });
    if (best.stagedLitres > 0) hasStaged += 1;
  }
  expect(hasStaged).toBeGreaterThan(30);
});

test('somewhat larger homes: as few litres handled twice as the exact ordering model finds', async () => {
  const solver = await loadSolver();
  for (let seed = 1; seed <= 12; seed += 1) {
    const request = movesOf(seed, { groups: 9, bays: 4, fillRatio: 1 });
    const model = orderByModel(request, { solver, timeLimitMs: 60_000 });
    expect([seed, plan(request).stagedLitres, true]).toEqual([
      seed,
      model?.stagedLitres,
      model?.isProven,
    ]);
  }
});

test('whatever the home, every step can be done, and the bound lies below', () => {
  for (let seed = 1; seed <= 40; seed += 1) {
    const request = movesOf(seed, {
      groups: 10 + seed * 2,
      bays: 6 + (seed % 12),
      fillRatio: 0.8 + (seed % 5) * 0.05,
    });
    const answer = plan({ ...request, timeLimitMs: 150 });
    const replay = replayMoves(request, answer.steps);
    expect([seed, replay.faults]).toEqual([seed, []]);
    expect([answer.stagedLitres, answer.baskets]).toEqual([replay.stagedLitres, replay.baskets]);
    expect(answer.bound ?? 0).toBeLessThanOrEqual(answer.stagedLitres + 1e-9);
  }
});

test('two that change places in full bays: the smaller one waits', () => {
  const answer = plan({
    bays: [
      { id: 'a', litres: 20 },
      { id: 'b', litres: 20 },
    ],
    groups: [
      { id: 'big', litres: 20, from: 'a', to: 'b' },
      { id: 'small', litres: 15, from: 'b', to: 'a' },
    ],
  });
  expect(answer).toMatchObject({ status: 'optimal', objective: 15, bound: 15, baskets: 1 });
  expect(answer.steps).toEqual([
    { groupId: 'small', from: 'b', to: 'basket' },
    { groupId: 'big', from: 'a', to: 'b' },
    { groupId: 'small', from: 'basket', to: 'a' },
  ]);
});

test('what leaves goes first, what comes in last, and an overfull bay only loses', () => {
  const request: MovesRequestInput = {
    bays: [
      { id: 'a', litres: 20 },
      { id: 'b', litres: 30 },
    ],
    groups: [
      { id: 'new', litres: 10, from: null, to: 'a' },
      { id: 'old', litres: 18, from: 'a', to: null },
      { id: 'more', litres: 15, from: 'a', to: 'b' },
      { id: 'stays', litres: 5, from: 'a', to: 'a' },
      { id: 'nowhere', litres: 5, from: null, to: null },
    ],
  };
  const answer = plan(request);
  expect(answer.steps.map(({ groupId }) => groupId)).toEqual(['old', 'more', 'new']);
  expect(replayMoves(request, answer.steps).faults).toEqual([]);
});

test('a plan that overfills a bay names it and the litres', () =>
  expect(
    plan({
      bays: [{ id: 'a', litres: 20 }],
      groups: [
        { id: 'x', litres: 15, from: null, to: 'a' },
        { id: 'y', litres: 15, from: 'a', to: 'a' },
      ],
    }),
  ).toMatchObject({
    status: 'infeasible',
    objective: null,
    bound: null,
    reasons: [{ subject: 'a', needLitres: 30, hasLitres: 20 }],
  }));

test.each<[string, object, readonly (string | number)[]]>([
  ['a bay called as the stop between', { bays: [{ id: 'basket', litres: 5 }] }, ['bays', 0, 'id']],
  [
    'a bay that is not there',
    { groups: [{ id: 'x', litres: 5, from: 'attic', to: null }] },
    ['groups', 0, 'from'],
  ],
  ['a basket of nothing', { basketLitres: 0 }, ['basketLitres']],
])('%s is refused', (_, change, path) =>
  expect(
    movesRequestSchema.safeParse({ bays: [], groups: [], ...change }).error?.issues[0]?.path,
  ).toEqual(path),
);
