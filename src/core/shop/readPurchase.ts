import type { LinearSolution } from '../shared';
import { droppedOf } from './infeasible';
import type { ShopBill } from './shopAnswer';
import type { ShopRequest } from './model';
import type { NeedShare } from './shareBill';
import { listsOf } from './shopLists';
import { unitsOf, type ShopVariables } from './shopModel';

/** Which pieces each need gets of which offer; a need's own offers are used up in their order. */
export function unitsByNeed(
  request: ShopRequest,
  solution: LinearSolution,
  variables: ShopVariables,
): NeedShare[] {
  const { own, shared } = listsOf(request);
  const valueOf = (variable: number): number => Math.round(solution.values[variable]!);
  return request.needs.flatMap((need, n): NeedShare[] => {
    let left = valueOf(variables.met[n]!);
    const serving = [...own[n]!, ...shared[n]!].sort((a, b) => a - b);
    return serving.flatMap((i): NeedShare[] => {
      const offer = request.offers[i]!;
      const given = variables.units[i]!.find(({ needId }) => needId === need.id);
      const supplied = offer.needId === need.id ? valueOf(variables.packs[i]!) * offer.packSize : 0;
      const units = Math.min(left, given ? valueOf(given.variable) : supplied);
      left -= units;
      return units > 0 ? [{ needId: need.id, offerId: offer.id, units }] : [];
    });
  });
}

/** Recounts the bill from the packs alone, in whole minor units. */
export function recount(request: ShopRequest, variables: ShopVariables, solution: LinearSolution) {
  const buys = request.offers
    .map((offer, i) => ({
      offerId: offer.id,
      packs: Math.round(solution.values[variables.packs[i]!]!),
    }))
    .filter(({ packs }) => packs > 0);
  const { shopOf, offerAt } = listsOf(request);
  const perShop = request.shops.flatMap((_, s): ShopBill[] => {
    const here = buys.filter(({ offerId }) => shopOf[offerAt.get(offerId)!] === s);
    return here.length === 0 ? [] : [billOf(request, s, here)];
  });
  return { buys, perShop, payMinor: perShop.reduce((sum, bill) => sum + bill.payMinor, 0) };
}

function billOf(
  request: ShopRequest,
  s: number,
  buys: readonly { readonly offerId: string; readonly packs: number }[],
): ShopBill {
  const shop = request.shops[s]!;
  const { offerAt, creditOf } = listsOf(request);
  const goodsMinor = buys.reduce(
    (sum, buy) => sum + request.offers[offerAt.get(buy.offerId)!]!.priceMinor * buy.packs,
    0,
  );
  const isFree = shop.freeOverMinor !== undefined && goodsMinor >= shop.freeOverMinor;
  const deliveryMinor = isFree ? 0 : shop.deliveryMinor;
  const creditMinor = Math.min(creditOf[s]!, goodsMinor);
  return {
    shopId: shop.id,
    goodsMinor,
    deliveryMinor,
    creditMinor,
    payMinor: goodsMinor + deliveryMinor - creditMinor,
  };
}

/** What each need gets, and what is left over of the packs that serve it. */
export function sumUp(
  request: ShopRequest,
  lacking: ReadonlyMap<string, number>,
  solution: LinearSolution,
  variables: ShopVariables,
) {
  const valueOf = (variable: number | undefined): number => solution.values[variable ?? -1]!;
  const met = request.needs.map((need, n) => {
    const bought = valueOf(variables.met[n]);
    const qty = need.qty - (lacking.get(need.id) ?? 0) + bought;
    return { needId: need.id, qty, short: need.qty - qty };
  });
  const lists = listsOf(request);
  const spare = new Map<string, number>();
  const addSpare = (needId: string | undefined, units: number): void => {
    if (needId !== undefined && units > 0) spare.set(needId, (spare.get(needId) ?? 0) + units);
  };
  request.needs.forEach((need, n) => {
    const own = lists.own[n]!.reduce(
      (sum, i) => sum + valueOf(variables.packs[i]) * request.offers[i]!.packSize,
      0,
    );
    const shared = unitsOf(variables, lists.shared[n]!, need.id).reduce(
      (sum, variable) => sum + valueOf(variable),
      0,
    );
    addSpare(need.id, own + shared - valueOf(variables.met[n]));
  });
  request.offers.forEach((offer, i) => {
    const given = (variables.units[i] ?? []).reduce(
      (sum, { variable }) => sum + valueOf(variable),
      0,
    );
    if (offer.needIds)
      addSpare(offer.needIds[0], valueOf(variables.packs[i]) * offer.packSize - given);
  });
  return {
    met,
    leftovers: [...spare].map(([needId, qty]) => ({ needId, qty })),
    dropped: droppedOf(met),
  };
}
