import { cpuClock as clock } from '@test/cpuClock';
import { loadSolver, type Solver } from '../shared';
import { planShop, shopRequestSchema, weighWishes } from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

const request = (budgetMinor: number) =>
  shopRequestSchema.parse({
    needs: [
      { id: 'bin', name: 'bin', qty: 2, priority: 'must' },
      { id: 'tray', name: 'tray', qty: 1, priority: 'should' },
      { id: 'lamp', name: 'lamp', qty: 1, priority: 'nice' },
    ],
    shops: [{ id: 's', name: 'Shop' }],
    budgetMinor,
    offers: [
      { id: 'a', shopId: 's', needId: 'bin', packSize: 1, priceMinor: 900 },
      { id: 'b', shopId: 's', needId: 'tray', packSize: 1, priceMinor: 600 },
      { id: 'c', shopId: 's', needId: 'lamp', packSize: 1, priceMinor: 2600 },
    ],
  });

test('each wish left out has its price, and the next step of money says what it buys', () => {
  const asked = request(2000);
  expect(weighWishes(asked, planShop(asked, { solver, clock }), { solver, clock })).toEqual({
    dropped: [
      { needId: 'tray', moreMinor: 600 },
      { needId: 'lamp', moreMinor: 2600 },
    ],
    nextStep: { stepMinor: 1000, bought: [{ needId: 'tray', qty: 1 }] },
  });
  const more = request(2500);
  expect(weighWishes(more, planShop(more, { solver, clock }), { solver, clock })).toEqual({
    dropped: [{ needId: 'lamp', moreMinor: 2600 }],
    nextStep: { stepMinor: 5000, bought: [{ needId: 'lamp', qty: 1 }] },
  });
});

test('where every wish is met, or the musts do not fit, nothing is weighed', () => {
  for (const budget of [9000, 100]) {
    const asked = request(budget);
    expect(weighWishes(asked, planShop(asked, { solver, clock }), { solver, clock })).toEqual({
      dropped: [],
      nextStep: undefined,
    });
  }
});
