import fc from 'fast-check';

import { loadSolver, type Solver } from '../shared';
import { shopRequestArb } from '@test/shopArbitrary';
import { billFor } from '@test/shopOracle';
import { cpuClock as clock } from '@test/cpuClock';
import { planShop, shopRequestSchema, type ShopAnswer, type ShopRequest } from '.';
import { splitMinor } from './splitMinor';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});
const solve = (request: ShopRequest) => planShop(request, { solver, clock });

/** The same tiny request with its needs in two rooms; what a room may pay is often too little. */
const tripArb = fc
  .tuple(
    shopRequestArb,
    fc.array(fc.nat(1), { minLength: 3, maxLength: 3 }),
    fc.array(fc.integer({ min: 0, max: 200 }), { minLength: 2, maxLength: 2 }),
  )
  .map(([request, roomOf, budgets]) =>
    shopRequestSchema.parse({
      ...request,
      needs: request.needs.map((need, i) => ({ ...need, roomId: `r${roomOf[i]}` })),
      rooms: budgets.map((budgetMinor, i) => ({ id: `r${i}`, budgetMinor })),
    }),
  );

/** What rooms pay, reckoned here from the answer's own pieces: no code shared with the engine. */
function faultsOf(request: ShopRequest, answer: ShopAnswer): string[] {
  const faults: string[] = [];
  const say = (isRight: boolean, fault: string) => {
    if (!isRight) faults.push(fault);
  };
  const packs = request.offers.map(
    ({ id }) => answer.buys.find(({ offerId }) => offerId === id)?.packs ?? 0,
  );
  say(answer.payMinor === billFor(request, packs).pay, 'the bill is not what the packs cost');
  say(answer.payMinor <= request.budgetMinor, 'the home pays above its budget');
  request.offers.forEach((offer, i) => {
    const given = answer.met.flatMap(({ needId, from = [] }) =>
      from.filter(({ offerId }) => offerId === offer.id).map(({ units }) => ({ needId, units })),
    );
    const served = offer.needIds ?? [offer.needId];
    say(
      given.every(({ needId }) => served.includes(needId)),
      'an offer serves what it does not',
    );
    const sum = given.reduce((all, { units }) => all + units, 0);
    say(sum <= packs[i]! * offer.packSize, 'more pieces are given than are in the packs');
  });
  for (const need of request.needs) {
    const met = answer.met.find(({ needId }) => needId === need.id);
    const had = Math.min(
      need.qty,
      request.owned.find(({ needId }) => needId === need.id)?.qty ?? 0,
    );
    const got = (met?.from ?? []).reduce((sum, { units }) => sum + units, 0);
    say(met?.qty === had + got, 'a need has pieces from nowhere');
    say(need.priority !== 'must' || met?.short === 0, 'a must is not met');
  }
  const perRoom = answer.perRoom ?? [];
  say(
    perRoom.reduce((sum, { payMinor }) => sum + payMinor, 0) === answer.payMinor,
    'the rooms do not pay the bill',
  );
  for (const { id, budgetMinor } of request.rooms ?? []) {
    const room = perRoom.find(({ roomId }) => roomId === id);
    say(room !== undefined && room.payMinor <= budgetMinor, 'a room pays above its budget');
  }
  return faults;
}

test(
  'a trip keeps every budget, meets every must and splits the bill to the penny',
  () =>
    fc.assert(
      fc.property(tripArb, (request) => {
        const answer = solve(request);
        if (answer.objective === null) return;
        expect(faultsOf(request, answer)).toEqual([]);
        expect(answer.bound).toBeLessThanOrEqual(answer.payMinor);
        // Where the rooms' budgets bind, what the musts alone cost is still known to be paid.
        const { rooms: _rooms, ...alone } = request;
        const musts = solve({
          ...alone,
          needs: request.needs.filter(({ priority }) => priority === 'must'),
        });
        if (answer.status === 'optimal' || musts.payMinor === 0) return;
        expect(answer.bound).toBeGreaterThan(0);
        expect(answer.bound).toBeLessThanOrEqual(musts.payMinor);
      }),
      { numRuns: 120 },
    ),
  120_000,
);

test(
  'where rooms are rich, a trip costs what one list of the same needs costs',
  () =>
    fc.assert(
      fc.property(tripArb, (request) => {
        const rich = {
          ...request,
          rooms: request.rooms?.map((room) => ({ ...room, budgetMinor: 1e6 })),
        };
        const { rooms: _rooms, ...alone } = rich;
        const [trip, list] = [solve(rich), solve(alone)];
        expect([trip.status, trip.payMinor, trip.leastBudgetMinor]).toEqual([
          list.status,
          list.payMinor,
          list.leastBudgetMinor,
        ]);
      }),
      { numRuns: 60 },
    ),
  120_000,
);

const boxes = (change: object = {}) =>
  shopRequestSchema.parse({
    needs: ['hall', 'attic'].map((roomId) => ({
      id: `${roomId} box`,
      name: 'box',
      qty: 3,
      priority: 'must',
      roomId,
    })),
    offers: [
      { id: 'six', shopId: 's', needIds: ['hall box', 'attic box'], packSize: 6, priceMinor: 1801 },
      { id: 'one', shopId: 's', needIds: ['hall box', 'attic box'], packSize: 1, priceMinor: 400 },
    ],
    shops: [{ id: 's', name: 'shop', deliveryMinor: 399 }],
    budgetMinor: 10_000,
    rooms: [
      { id: 'hall', budgetMinor: 2000 },
      { id: 'attic', budgetMinor: 2000 },
    ],
    ...change,
  });

test('a pack of six serves two rooms with three pieces each, with one delivery', () => {
  const answer = solve(boxes());
  expect(answer).toMatchObject({
    status: 'optimal',
    payMinor: 2200,
    buys: [{ offerId: 'six', packs: 1 }],
    met: [
      { needId: 'hall box', from: [{ offerId: 'six', units: 3 }] },
      { needId: 'attic box', from: [{ offerId: 'six', units: 3 }] },
    ],
  });
  // 1801 and 399 by halves: the odd penny of each goes to the first room.
  expect(answer.perRoom).toEqual([
    { roomId: 'hall', payMinor: 1101 },
    { roomId: 'attic', payMinor: 1099 },
  ]);
});

test('a room that cannot pay its part is named with what the cheapest trip would cost it', () => {
  const answer = solve(
    boxes({
      rooms: [
        { id: 'hall', budgetMinor: 2000 },
        { id: 'attic', budgetMinor: 300 },
      ],
    }),
  );
  expect(answer.status).toBe('infeasible');
  expect(answer.reasons).toEqual([
    { code: 'room_budget_too_small', subject: 'attic', wantedMinor: 1099, budgetMinor: 300 },
  ]);
});

test('a wish that one room cannot pay is left out there and not in the other', () => {
  const request = boxes({
    rooms: [
      { id: 'hall', budgetMinor: 2500 },
      { id: 'attic', budgetMinor: 1000 },
    ],
  });
  const wishes = {
    ...request,
    needs: request.needs.map((need) => ({ ...need, priority: 'should' as const })),
    offers: request.offers.filter(({ id }) => id === 'one'),
  };
  const answer = solve(wishes);
  expect(faultsOf(wishes, answer)).toEqual([]);
  // Two boxes and two fifths of the delivery are 9.60; a third would be 12.00 and half of it.
  expect(answer.met.map(({ qty }) => qty)).toEqual([3, 2]);
});

test('a wish that is left out whole is told as dropped and short, beside one that stays', () => {
  const wishes = boxes({
    rooms: [
      { id: 'hall', budgetMinor: 2500 },
      { id: 'attic', budgetMinor: 100 },
    ],
  });
  const answer = solve({
    ...wishes,
    needs: wishes.needs.map((need) => ({ ...need, priority: 'nice' as const })),
    offers: wishes.offers.filter(({ id }) => id === 'one'),
  });
  expect(answer.met.map(({ qty, short }) => [qty, short])).toEqual([
    [3, 0],
    [0, 3],
  ]);
  expect(answer.dropped).toEqual(['attic box']);
});

test('needs without a room, and rooms that are not there, are faults of the request', () => {
  const { needs, ...rest } = boxes();
  const issues = (room: string | undefined) =>
    shopRequestSchema
      .safeParse({ ...rest, needs: needs.map((need) => ({ ...need, roomId: room })) })
      .error?.issues.map(({ path }) => path.join('.'));
  expect(issues(undefined)).toEqual(['needs.0.roomId', 'needs.1.roomId']);
  expect(issues('cellar')).toEqual(['needs.0.roomId', 'needs.1.roomId']);
});

test('parts add up to the whole, and none is a whole unit off its share', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: -100_000, max: 100_000 }),
      fc.array(fc.nat(50), { minLength: 1, maxLength: 9 }),
      (total, weights) => {
        const parts = splitMinor(total, weights);
        expect(parts.reduce((sum, part) => sum + part, 0)).toBe(total);
        const sum = weights.reduce((all, weight) => all + weight, 0);
        parts.forEach((part, i) => {
          const share = sum > 0 ? (total * weights[i]!) / sum : total / weights.length;
          expect(Math.abs(part - share)).toBeLessThan(1);
        });
      },
    ),
  ));
