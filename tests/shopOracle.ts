import type { ShopRequest } from '@/core/shop';

/** The aims in their order, as a vector that is better the smaller it is, component by component. */
export type ShopScore = readonly [negativeValue: number, payMinor: number, shops: number, leftovers: number];

interface Best {
  readonly score: ShopScore | undefined;
  readonly leastMinor: number | undefined;
}

/**
 * Tries every number of packs up to a small limit and every way to share units out. For tiny
 * requests only; shares no code with the engine.
 */
export function solveByTrying(request: ShopRequest, mostPacks: number): Best {
  let score: ShopScore | undefined;
  let leastMinor: number | undefined;
  const packs = request.offers.map(() => 0);
  const visit = (i: number): void => {
    if (i === request.offers.length) {
      const bill = billFor(request, packs);
      const shared = shareOut(request, packs);
      if (!shared) return;
      leastMinor = Math.min(leastMinor ?? Infinity, bill.pay);
      if (bill.pay > request.budgetMinor) return;
      const candidate: ShopScore = [-shared.value, bill.pay, bill.shops, shared.leftovers];
      if (!score || isLess(candidate, score)) score = candidate;
      return;
    }
    const limit = Math.min(mostPacks, request.offers[i]?.maxPacks ?? Infinity);
    for (let n = 0; n <= limit; n += 1) {
      packs[i] = n;
      visit(i + 1);
    }
    packs[i] = 0;
  };
  visit(0);
  return { score, leastMinor };
}

function isLess(a: ShopScore, b: ShopScore): boolean {
  for (let i = 0; i < a.length; i += 1) {
    const difference = (a[i] ?? 0) - (b[i] ?? 0);
    if (Math.abs(difference) > 1e-9) return difference < 0;
  }
  return false;
}

export function billFor(request: ShopRequest, packs: readonly number[]): { pay: number; shops: number } {
  let pay = 0;
  let shops = 0;
  for (const shop of request.shops) {
    let goods = 0;
    let count = 0;
    request.offers.forEach((offer, i) => {
      if (offer.shopId !== shop.id) return;
      goods += offer.priceMinor * (packs[i] ?? 0);
      count += packs[i] ?? 0;
    });
    if (count === 0) continue;
    shops += 1;
    const card = request.credits.find((credit) => credit.shopId === shop.id)?.amountMinor ?? 0;
    const isFree = shop.freeOverMinor !== undefined && goods >= shop.freeOverMinor;
    pay += goods - Math.min(card, goods) + (isFree ? 0 : shop.deliveryMinor);
  }
  return { pay, shops };
}

/** Best value of sharing units out to needs, all musts first; undefined where a must stays short. */
function shareOut(request: ShopRequest, packs: readonly number[]): { value: number; leftovers: number } | undefined {
  const lacks = request.needs.map((need) => Math.max(0, need.qty - (request.owned.find(({ needId }) => needId === need.id)?.qty ?? 0)));
  const units = request.offers.map((offer, i) => offer.packSize * (packs[i] ?? 0));
  let best: { value: number; leftovers: number } | undefined;
  const visit = (o: number, left: readonly number[], spare: number): void => {
    const offer = request.offers[o];
    if (!offer) {
      if (request.needs.some((need, n) => need.priority === 'must' && (left[n] ?? 0) > 0)) return;
      const value = request.needs.reduce((sum, need, n) => {
        const weight = need.priority === 'should' ? 3 : need.priority === 'nice' ? 1 : 0;
        return sum + weight * need.value * ((lacks[n] ?? 0) - (left[n] ?? 0));
      }, 0);
      if (!best || value > best.value + 1e-9 || (Math.abs(value - best.value) <= 1e-9 && spare < best.leftovers)) best = { value, leftovers: spare };
      return;
    }
    const ids = offer.needIds ?? [offer.needId ?? ''];
    const give = (k: number, available: number, now: readonly number[]): void => {
      if (k === ids.length) return visit(o + 1, now, spare + available);
      const n = request.needs.findIndex(({ id }) => id === ids[k]);
      const most = Math.min(available, now[n] ?? 0);
      for (let take = 0; take <= most; take += 1) {
        give(k + 1, available - take, now.map((value, index) => (index === n ? value - take : value)));
      }
    };
    give(0, units[o] ?? 0, left);
  };
  visit(0, lacks, 0);
  return best;
}
