import fc from 'fast-check';

import { loadSolver, type Solver } from '../shared';
import { shopRequestArb } from '@test/shopArbitrary';
import { billFor, solveByTrying } from '@test/shopOracle';
import { cpuClock as clock } from '@test/cpuClock';
import { findWaysBack, planShop, shopRequestSchema } from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});
const solve = (input: unknown) => planShop(shopRequestSchema.parse(input), { solver, clock });

test(
  'every aim in its order equals what trying everything finds',
  () =>
    fc.assert(
      fc.property(shopRequestArb, (request) => {
        const answer = planShop(request, { solver, clock });
        const oracle = solveByTrying(request, 6);
        if (!oracle.score) {
          expect(answer.status).toBe('infeasible');
          expect(answer.leastBudgetMinor).toBe(oracle.leastMinor);
          return;
        }
        const value = request.needs.reduce((sum, need) => {
          const had = Math.min(
            need.qty,
            request.owned.find(({ needId }) => needId === need.id)?.qty ?? 0,
          );
          const got = answer.met.find(({ needId }) => needId === need.id)?.qty ?? NaN;
          return sum + { must: 0, should: 3, nice: 1 }[need.priority] * need.value * (got - had);
        }, 0);
        const leftovers = answer.leftovers.reduce((sum, { qty }) => sum + qty, 0);
        expect([-value + 0, answer.payMinor, answer.perShop.length, leftovers]).toEqual([
          oracle.score[0] + 0,
          ...oracle.score.slice(1),
        ]);
        expect(answer).toMatchObject({
          status: 'optimal',
          objective: answer.payMinor,
          bound: answer.payMinor,
        });
      }),
      { numRuns: 60 },
    ),
  120_000,
);

test(
  'the bill is what the packs cost, and within the budget',
  () =>
    fc.assert(
      fc.property(shopRequestArb, (request) => {
        const answer = planShop(request, { solver, clock });
        const packs = request.offers.map(
          ({ id }) => answer.buys.find((buy) => buy.offerId === id)?.packs ?? 0,
        );
        expect(answer.payMinor).toBe(billFor(request, packs).pay);
        expect(answer.payMinor).toBeLessThanOrEqual(request.budgetMinor);
        expect(answer.perShop.reduce((sum, bill) => sum + bill.payMinor, 0)).toBe(answer.payMinor);
      }),
      { numRuns: 20 },
    ),
  60_000,
);

const shop = { id: 's', name: 'Shop' };
const must = (id: string, qty: number) => ({ id, name: id, qty, priority: 'must' as const });
const offer = (id: string, needId: string, packSize: number, priceMinor: number) => ({
  id,
  shopId: 's',
  needId,
  packSize,
  priceMinor,
});

test('pieces become packs, and what is owned is not bought again', () => {
  const answer = solve({
    needs: [must('bin', 5)],
    owned: [{ needId: 'bin', qty: 1 }],
    offers: [offer('three', 'bin', 3, 900), offer('one', 'bin', 1, 400)],
    shops: [shop],
    budgetMinor: 5000,
  });
  expect(answer.buys).toEqual([
    { offerId: 'three', packs: 1 },
    { offerId: 'one', packs: 1 },
  ]);
  expect(answer.payMinor).toBe(1300);
});

test('buying more to reach free delivery is taken where it is cheaper', () => {
  const answer = solve({
    needs: [must('bin', 1)],
    offers: [offer('one', 'bin', 1, 1400)],
    shops: [{ ...shop, deliveryMinor: 1500, freeOverMinor: 2000 }],
    budgetMinor: 5000,
  });
  expect(answer).toMatchObject({ payMinor: 2800, leftovers: [{ needId: 'bin', qty: 1 }] });
});

test('over budget: the least money that would do, and what would bring it back', () => {
  const request = shopRequestSchema.parse({
    needs: [must('bin', 2), must('tray', 1), must('jar', 4)],
    shops: [shop],
    budgetMinor: 2500,
    offers: [offer('a', 'bin', 1, 900), offer('b', 'tray', 1, 600), offer('c', 'jar', 4, 700)],
  });
  expect(planShop(request, { solver, clock })).toMatchObject({
    status: 'infeasible',
    leastBudgetMinor: 3100,
    objective: null,
  });
  expect(findWaysBack(request, { solver, clock })).toEqual([
    { needIds: ['tray'], leastMinor: 2500, savesMinor: 600, isEnough: true },
    { needIds: ['jar'], leastMinor: 2400, savesMinor: 700, isEnough: true },
    { needIds: ['bin'], leastMinor: 1300, savesMinor: 1800, isEnough: true },
  ]);
});

test('a must that nobody sells is named', () =>
  expect(solve({ needs: [must('bin', 2)], offers: [], shops: [], budgetMinor: 100 })).toMatchObject(
    {
      status: 'infeasible',
      reasons: [{ code: 'must_not_on_offer', subject: 'bin' }],
    },
  ));

test('musts that share too few packs: the one that stays short is named, and by how much', () => {
  const need = { name: '', priority: 'must' };
  const request = {
    needs: [
      { ...need, id: 'bin', qty: 2 },
      { ...need, id: 'tub', qty: 3 },
      { ...need, id: 'wide', qty: 1 },
    ],
    offers: [
      { id: 'both', shopId: 's', needIds: ['bin', 'tub'], packSize: 2, priceMinor: 9, maxPacks: 2 },
      { id: 'one', shopId: 's', needId: 'wide', packSize: 1, priceMinor: 9 },
    ],
    shops: [{ id: 's', name: 's' }],
    budgetMinor: 1000,
  };
  const { status, reasons } = solve(request);
  expect(status).toBe('infeasible');
  expect(reasons).toMatchObject([{ code: 'offers_run_out', lack: 1 }]);
  const [reason] = reasons;
  expect(reason?.code === 'offers_run_out' && [reason.subject, ...reason.beside].sort()).toEqual([
    'bin',
    'tub',
  ]);
});

test('nothing to buy is an empty optimal answer', () =>
  expect(solve({ needs: [], offers: [], shops: [], budgetMinor: 0 })).toMatchObject({
    status: 'optimal',
    objective: 0,
    bound: 0,
    buys: [],
  }));

test.each([
  [
    'an unknown shop',
    {
      needs: [],
      shops: [],
      offers: [{ id: 'o', shopId: 'x', needIds: ['n'], packSize: 1, priceMinor: 1 }],
      budgetMinor: 0,
    },
    'offers.0.shopId',
  ],
  [
    'both needId and needIds',
    {
      needs: [must('n', 1)],
      shops: [shop],
      offers: [{ ...offer('o', 'n', 1, 1), needIds: ['n'] }],
      budgetMinor: 0,
    },
    'offers.0.needId',
  ],
  [
    'a pack of none',
    { needs: [must('n', 1)], shops: [shop], offers: [offer('o', 'n', 0, 1)], budgetMinor: 0 },
    'offers.0.packSize',
  ],
  [
    'half a need',
    { needs: [must('n', 1.5)], shops: [shop], offers: [], budgetMinor: 0 },
    'needs.0.qty',
  ],
])('refuses %s and names the field', (_, request, path) => {
  const issues = shopRequestSchema.safeParse(request).error?.issues ?? [];
  expect(issues.map((issue) => issue.path.join('.'))).toContain(path);
});
