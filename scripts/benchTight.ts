import { planCuts, planShop, type ShopAnswer, type ShopRequest } from '@/core/shop';
import type { Solver } from '@/core/shared';
import { cutFaults } from '@test/cutOracle';
import { plantedCutsOf } from '@test/plantedCuts';
import { shopFaults } from '@test/shopOracle';
import { tightShopOf } from '@test/tightShop';

import { median, timesOf, type Row } from './benchRow';
import { buyPlainly } from './benchShopPlain';

const clock = () => performance.now();
/** So long a list is given in the end. */
const LONG_MS = 15_000;
const SHORT_MS = 500;
const RATIOS = [1.02, 1.2, 1.6, 2.5];

/**
 * Lists whose budget binds: what is reached in half a second, beside what is reached in the end and
 * beside the plain exact model on the same core.
 */
export function benchTightShop(solver: Solver): Row[] {
  const size = { needs: 40, offers: 400, shops: 8 };
  const lists = [1, 2, 3].map((seed) => {
    const request = tightShopOf(seed, size);
    return { request, leastMinor: leastOfMusts(request, solver) };
  });
  return RATIOS.map((ratio) => {
    const runs = lists.map(({ request, leastMinor }) => {
      const asked = { ...request, budgetMinor: Math.ceil(leastMinor * ratio) };
      const short = planShop({ ...asked, timeLimitMs: SHORT_MS }, { solver, clock });
      const long = planShop({ ...asked, timeLimitMs: LONG_MS }, { solver, clock });
      return { asked, short, long, plain: buyPlainly(asked, { solver, mostMs: LONG_MS }) };
    });
    const lost = runs.map(
      ({ asked, short, long }) => 1 - worthOf(asked, short) / Math.max(1, worthOf(asked, long)),
    );
    const plains = runs.map(({ plain }) => plain);
    const above = runs.map(({ asked, long, plain }) =>
      Number.isNaN(plain.worth) ? 0 : worthOf(asked, long) - plain.worth,
    );
    const broken = runs.flatMap(({ asked, short, long }) => [
      ...shopFaults(asked, short),
      ...shopFaults(asked, long),
    ]);
    return {
      ...timesOf(
        `shop, 40 needs x 400 offers x 8 shops, budget ${ratio} of the least`,
        runs.map(({ long }) => long.elapsedMs),
      ),
      note:
        `${runs.filter(({ long }) => long.status === 'optimal').length} of ${runs.length} proven; after ` +
        `${SHORT_MS} ms (took at most ${Math.max(...runs.map(({ short }) => short.elapsedMs)).toFixed(0)}) ` +
        `${runs.filter(({ short }) => short.objective !== null).length} bought, at most ` +
        `${(100 * Math.max(...lost)).toFixed(1)} % less value than in the end, median ` +
        `${(100 * median(lost)).toFixed(1)} %; the plain exact model: ` +
        `${plains.filter(({ isProven }) => isProven).length} proven, median ` +
        `${median(plains.map(({ tookMs }) => tookMs)).toFixed(0)} ms, at most ` +
        `${Math.max(...plains.map(({ tookMs }) => tookMs)).toFixed(0)}; our value ` +
        `${Math.min(...above)} to ${Math.max(...above)} above its; ${broken.length} rules broken`,
    };
  });
}

const LARGE = [
  { needs: 100, offers: 1500, shops: 12, rooms: 0, timeLimitMs: 15_000 },
  { needs: 120, offers: 1500, shops: 12, rooms: 5, timeLimitMs: 15_000 },
  { needs: 300, offers: 4000, shops: 20, rooms: 0, timeLimitMs: 20_000 },
];

/** Lists of whole homes in one go, with 1.6 times what the musts cost: how far from what is proven. */
export function benchLargeShop(solver: Solver): Row[] {
  return LARGE.map(({ rooms, timeLimitMs, ...size }) => {
    const whole = tightShopOf(1, size);
    const budgetMinor = Math.ceil(leastOfMusts(whole, solver) * 1.6);
    const asked = {
      ...whole,
      budgetMinor,
      timeLimitMs,
      ...(rooms === 0 ? {} : inRooms(whole, { rooms, budgetMinor })),
    };
    const short = planShop({ ...asked, timeLimitMs: SHORT_MS }, { solver, clock });
    const answer = planShop(asked, { solver, clock });
    const of = rooms === 0 ? '' : ` in ${rooms} rooms`;
    return {
      ...timesOf(`shop, ${size.needs} x ${size.offers} x ${size.shops}${of}`, [answer.elapsedMs]),
      note:
        `${answer.status}, pays ${answer.payMinor} of ${budgetMinor}, bound ${answer.bound ?? 'none'}; ` +
        `after ${SHORT_MS} ms (took ${short.elapsedMs.toFixed(0)}) ${short.status}, ` +
        `${(100 * (1 - worthOf(asked, short) / Math.max(1, worthOf(asked, answer)))).toFixed(1)} % less value; ` +
        `${shopFaults(asked, answer).length} rules broken`,
    };
  });
}

/** The needs of a list one after the other to so many rooms, each with a share of the budget that binds. */
function inRooms(
  { needs }: ShopRequest,
  { rooms, budgetMinor }: { readonly rooms: number; readonly budgetMinor: number },
): Pick<ShopRequest, 'needs' | 'rooms'> {
  const ids = Array.from({ length: rooms }, (_, r) => `r${r}`);
  return {
    needs: needs.map((need, i) => ({
      ...need,
      roomId: ids[Math.floor((i * rooms) / needs.length)]!,
    })),
    rooms: ids.map((id) => ({
      id,
      budgetMinor: Math.ceil((budgetMinor * 1.2) / rooms),
    })),
  };
}

/** What the musts cost at least, with all else left out. */
function leastOfMusts(request: ShopRequest, solver: Solver): number {
  const needs = request.needs.filter(({ priority }) => priority === 'must');
  const isMust = (id: string) => needs.some((need) => need.id === id);
  const offers: ShopRequest['offers'] = request.offers
    .map(({ needId, needIds, ...offer }) => ({
      ...offer,
      needIds: (needIds ?? [needId ?? '']).filter(isMust),
    }))
    .filter(({ needIds }) => needIds.length > 0);
  return planShop({ ...request, needs, offers, timeLimitMs: LONG_MS }, { solver, clock }).payMinor;
}

const worthOf = (request: ShopRequest, { met }: ShopAnswer): number =>
  request.needs.reduce((sum, { id, priority, value }) => {
    const weight = { must: 0, should: 3, nice: 1 }[priority];
    return sum + weight * value * (met.find(({ needId }) => needId === id)?.qty ?? 0);
  }, 0);

/** Boards that are cut without a rest, and no board more than those. */
export function benchPlantedCuts(solver: Solver): Row[] {
  return [21, 30].map((boards) => {
    const runs = Array.from({ length: 10 }, (_, i) => {
      const request = plantedCutsOf(i + 1, boards);
      return { request, answer: planCuts(request, { solver, clock }) };
    });
    const found = runs.filter(({ answer }) => answer.objective !== null);
    return {
      ...timesOf(
        `cut, ${boards} boards planted exactly full, in 1000 ms`,
        runs.map(({ answer }) => answer.elapsedMs),
      ),
      note:
        `${found.length} of 10 cut; ` +
        `${found.flatMap(({ request, answer }) => cutFaults(request, answer)).length} rules broken`,
    };
  });
}
