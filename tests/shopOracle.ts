import type { ShopAnswer, ShopRequest } from '@/core/shop';

/** The aims in their order, as a vector that is better the smaller it is, component by component. */
export type ShopScore = readonly [
  negativeValue: number,
  payMinor: number,
  shops: number,
  leftovers: number,
];

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

export function billFor(
  request: ShopRequest,
  packs: readonly number[],
): { pay: number; shops: number } {
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
function shareOut(
  request: ShopRequest,
  packs: readonly number[],
): { value: number; leftovers: number } | undefined {
  const lacks = request.needs.map((need) =>
    Math.max(0, need.qty - (request.owned.find(({ needId }) => needId === need.id)?.qty ?? 0)),
  );
  const units = request.offers.map((offer, i) => offer.packSize * (packs[i] ?? 0));
  let best: { value: number; leftovers: number } | undefined;
  const visit = (o: number, left: readonly number[], spare: number): void => {
    const offer = request.offers[o];
    if (!offer) {
      if (request.needs.some((need, n) => need.priority === 'must' && (left[n] ?? 0) > 0)) return;
      const value = request.needs.reduce((sum, need, n) => {
        const weight = { must: 0, should: 3, nice: 1 }[need.priority];
        return sum + weight * need.value * ((lacks[n] ?? 0) - (left[n] ?? 0));
      }, 0);
      if (
        !best ||
        value > best.value + 1e-9 ||
        (Math.abs(value - best.value) <= 1e-9 && spare < best.leftovers)
      )
        best = { value, leftovers: spare };
      return;
    }
    const ids = offer.needIds ?? [offer.needId ?? ''];
    const give = (k: number, available: number, now: readonly number[]): void => {
      if (k === ids.length) return visit(o + 1, now, spare + available);
      const n = request.needs.findIndex(({ id }) => id === ids[k]);
      const most = Math.min(available, now[n] ?? 0);
      for (let take = 0; take <= most; take += 1) {
        give(
          k + 1,
          available - take,
          now.map((value, index) => (index === n ? value - take : value)),
        );
      }
    };
    give(0, units[o] ?? 0, left);
  };
  visit(0, lacks, 0);
  return best;
}

/**
 * Rules that an answer breaks: what is bought and paid, shop by shop, and what the needs got.
 * Shares no code with the engine.
 */
export function shopFaults(request: ShopRequest, answer: ShopAnswer): string[] {
  if (answer.objective === null)
    return answer.leastBudgetMinor !== undefined && answer.leastBudgetMinor <= request.budgetMinor
      ? ['infeasible though the least would do']
      : [];
  const packs = request.offers.map(({ id }) =>
    answer.buys.reduce((sum, buy) => sum + (buy.offerId === id ? buy.packs : 0), 0),
  );
  const bill = billFor(request, packs);
  const bought = request.offers.reduce(
    (sum, { packSize }, i) => sum + packSize * (packs[i] ?? 0),
    0,
  );
  const left = answer.leftovers.reduce((sum, { qty }) => sum + qty, 0);
  const got = answer.met.reduce(
    (sum, { needId, qty }) =>
      sum +
      qty -
      Math.min(
        request.needs.find(({ id }) => id === needId)?.qty ?? 0,
        request.owned.reduce((had, entry) => had + (entry.needId === needId ? entry.qty : 0), 0),
      ),
    0,
  );
  return [
    ...request.offers.flatMap(({ id, maxPacks }, i) =>
      (packs[i] ?? 0) > (maxPacks ?? Infinity) || !Number.isInteger(packs[i])
        ? [`${id}: ${packs[i]} packs`]
        : [],
    ),
    ...(bill.pay === answer.payMinor ? [] : [`pays ${answer.payMinor}, the bill is ${bill.pay}`]),
    ...(answer.payMinor > request.budgetMinor ? ['over budget'] : []),
    ...(answer.perShop.length === bill.shops &&
    answer.perShop.reduce((sum, { payMinor }) => sum + payMinor, 0) === bill.pay
      ? []
      : ['the shops do not add up']),
    ...request.needs.flatMap(({ id, qty, priority }) => {
      const met = answer.met.find(({ needId }) => needId === id);
      return !met ||
        met.qty + met.short !== qty ||
        met.qty < 0 ||
        (priority === 'must' && met.short > 0)
        ? [`${id} is not met as said`]
        : [];
    }),
    ...(bought === got + left ? [] : [`${bought} bought, ${got} used, ${left} left over`]),
  ];
}
