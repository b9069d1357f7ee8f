import { planShop, shopRequestSchema, type ShopRequest } from '@/core/shop';
import { createRandom, type Solver } from '@/core/shared';
import { between, timesOf, type Row } from './benchRow';

const SIZE = { rooms: 5, needs: 120, products: 60, offers: 1500, shops: 12 };

/** One trip: products that several rooms want, in packs that are shared, with deliveries and cards. */
function aTrip(seed: number): ShopRequest {
  const random = createRandom(seed);
  const needs = Array.from({ length: SIZE.needs }, (_, i) => ({
    id: `n${i}`,
    name: `n${i}`,
    qty: between(random, 1, 8),
    priority: (['must', 'must', 'should', 'nice'] as const)[Math.floor(i / 2) % 4] ?? 'must',
    roomId: `r${between(random, 0, SIZE.rooms - 1)}`,
  }));
  return shopRequestSchema.parse({
    needs,
    offers: Array.from({ length: SIZE.offers }, (_, i) => {
      const packSize = [1, 1, 2, 3, 4, 6][between(random, 0, 5)] ?? 1;
      const product = i % SIZE.products;
      return {
        id: `o${i}`,
        shopId: `s${between(random, 0, SIZE.shops - 1)}`,
        needIds: [`n${product * 2}`, `n${product * 2 + 1}`],
        packSize,
        priceMinor: Math.round(packSize * between(random, 150, 900) * (0.75 + random() * 0.25)),
      };
    }),
    shops: Array.from({ length: SIZE.shops }, (_, i) => ({
      id: `s${i}`,
      name: `s${i}`,
      deliveryMinor: i % 2 === 0 ? 495 : 0,
      ...(i % 2 === 0 ? { freeOverMinor: 5000 } : {}),
    })),
    credits: [{ shopId: 's1', amountMinor: 2000 }],
    budgetMinor: SIZE.needs * 2500,
    rooms: Array.from({ length: SIZE.rooms }, (_, i) => ({ id: `r${i}`, budgetMinor: 1e6 })),
    timeLimitMs: 15_000,
  });
}

/** Every room planned by itself, as it was done before: what a trip saves. */
function roomByRoom(request: ShopRequest, solver: Solver): number {
  const { rooms = [], ...rest } = request;
  return rooms.reduce((sum, { id }) => {
    const needs = rest.needs.filter(({ roomId }) => roomId === id);
    const own = new Set(needs.map((need) => need.id));
    const answer = planShop(
      {
        ...rest,
        needs,
        credits: [],
        offers: rest.offers.flatMap((offer) => {
          const needIds = (offer.needIds ?? []).filter((needId) => own.has(needId));
          return needIds.length === 0 ? [] : [{ ...offer, needIds }];
        }),
      },
      { solver, clock: () => performance.now() },
    );
    return sum + answer.payMinor;
  }, -2000);
}

/** Trips that every room can pay, and the same with shares that bind: a tenth under the free plan. */
export function benchTrips(solver: Solver): Row[] {
  const means = { solver, clock: () => performance.now() };
  const free = [1, 2, 3].map(aTrip);
  const answers = free.map((request) => planShop(request, means));
  const tight = free.map((request, i) => ({
    ...request,
    rooms: (answers[i]?.perRoom ?? []).map(({ roomId, payMinor }, room) => ({
      id: roomId,
      budgetMinor: room % 2 === 0 ? Math.round(payMinor * 0.9) : payMinor + 5000,
    })),
  }));
  const bound = tight.map((request) => planShop(request, means));
  const name = `shop, a trip of ${SIZE.rooms} rooms, ${SIZE.needs} needs x ${SIZE.offers} offers x ${SIZE.shops} shops`;
  const proven = (list: typeof answers) =>
    `${list.filter(({ status }) => status === 'optimal').length} of ${list.length} proven optimal` +
    `, ${list.filter(({ status }) => status === 'infeasible').length} without an answer`;
  const cutOff = free.map(
    (request, i) =>
      planShop({ ...request, timeLimitMs: 1000 }, means).payMinor / (answers[i]?.payMinor ?? NaN) -
      1,
  );
  const alone = roomByRoom(free[0]!, solver) / (answers[0]?.payMinor ?? NaN) - 1;
  return [
    {
      ...timesOf(
        name,
        answers.map(({ elapsedMs }) => elapsedMs),
      ),
      note:
        `${proven(answers)}; cut off after 1 s at most ${(100 * Math.max(...cutOff)).toFixed(2)} % above; ` +
        `room by room ${(100 * alone).toFixed(1)} % dearer`,
    },
    {
      ...timesOf(
        `${name}, shares that bind`,
        bound.map(({ elapsedMs }) => elapsedMs),
      ),
      note: `${proven(bound)}; gaps at most ${(
        100 * Math.max(...bound.map(({ payMinor, bound: least }) => 1 - (least ?? 0) / payMinor))
      ).toFixed(2)} %`,
    },
  ];
}
