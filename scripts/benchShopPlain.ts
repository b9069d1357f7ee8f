import type { ShopRequest } from '@/core/shop';
import { isSolved, LinearModel, type Solver } from '@/core/shared';

export interface PlainPurchase {
  /** Value of wishes; not a number where nothing was found in the time. */
  readonly worth: number;
  readonly payMinor: number | undefined;
  readonly isProven: boolean;
  readonly tookMs: number;
}

type Terms = (readonly [variable: number, factor: number])[];
const WEIGHT = { must: 0, should: 3, nice: 1 } as const;

/**
 * The plain way to buy within a budget, to measure against: the whole list as one exact model, without
 * cuts, starts or anything left out beforehand, and its four aims one after the other. Shares no code
 * with the engine but the solver. Rooms are not looked at.
 */
export function buyPlainly(
  request: ShopRequest,
  { solver, mostMs }: { readonly solver: Solver; readonly mostMs: number },
): PlainPurchase {
  const start = performance.now();
  const model = new LinearModel();
  const leftMs = () => Math.max(20, mostMs - (performance.now() - start));
  const lackOf = request.needs.map(({ id, qty }) =>
    request.owned.reduce(
      (left, owned) => Math.max(0, left - (owned.needId === id ? owned.qty : 0)),
      qty,
    ),
  );
  const met = request.needs.map(({ priority }, n) =>
    model.addVariable({
      least: priority === 'must' ? lackOf[n]! : 0,
      most: lackOf[n]!,
      whole: true,
    }),
  );
  const shops = request.shops.map((shop) => ({
    shop,
    used: model.addVariable({ most: 1, whole: true }),
    due: model.addVariable({ most: 1, whole: true }),
    paid: model.addVariable({
      most: request.credits.find(({ shopId }) => shopId === shop.id)?.amountMinor ?? 0,
    }),
    goods: [] as Terms,
  }));
  const intoNeed: Terms[] = request.needs.map(() => []);
  const leftovers: Terms = met.map((variable) => [variable, -1]);
  for (const offer of request.offers) {
    const at = shops.find(({ shop }) => shop.id === offer.shopId)!;
    const served = (offer.needIds ?? [offer.needId]).map((id) =>
      request.needs.findIndex((need) => need.id === id),
    );
    const wanted = served.reduce((sum, n) => sum + lackOf[n]!, 0);
    const most = Math.min(
      offer.maxPacks ?? Infinity,
      Math.max(
        Math.ceil(wanted / offer.packSize),
        Math.ceil((at.shop.freeOverMinor ?? 0) / Math.max(1, offer.priceMinor)),
      ),
    );
    const packs = model.addVariable({ most, whole: true });
    at.goods.push([packs, offer.priceMinor]);
    leftovers.push([packs, offer.packSize]);
    model.addRow([...one(packs), [at.used, -most]], { most: 0 });
    const given = served.map((n) => {
      const units = model.addVariable({ most: lackOf[n]!, whole: true });
      intoNeed[n]!.push([units, -1]);
      return [units, 1] as const;
    });
    model.addRow([...given, [packs, -offer.packSize]], { most: 0 });
  }
  met.forEach((variable, n) => model.addRow([...one(variable), ...intoNeed[n]!], { most: 0 }));
  for (const { shop, used, due, paid, goods } of shops) {
    const limit = shop.freeOverMinor;
    if (limit === undefined) model.addRow([...one(used), [due, -1]], { most: 0 });
    else model.addRow([...goods, [due, limit], [used, -limit]], { least: 0 });
    model.addRow([...one(paid), ...goods.map(([v, price]) => [v, -price] as const)], { most: 0 });
  }
  const pay: Terms = shops.flatMap(({ shop, due, paid, goods }) => [
    ...goods,
    [due, shop.deliveryMinor] as const,
    [paid, -1] as const,
  ]);
  const value: Terms = request.needs.map(({ priority, value: worth }, n) => [
    met[n]!,
    -WEIGHT[priority] * worth,
  ]);
  model.addRow(pay, { most: request.budgetMinor });

  let values: readonly number[] | undefined;
  let isProven = true;
  for (const aim of [value, pay, shops.flatMap(({ used }) => one(used)), leftovers]) {
    const found = model.minimise(solver, aim, {
      timeLimitMs: leftMs(),
      seed: 1,
      start: values,
    });
    if (isSolved(found)) values = found.values;
    isProven = found.status === 'optimal';
    if (!isProven) break;
    model.addRow(aim, { most: found.objective + 1e-6 });
  }
  const sumOf = (terms: Terms) =>
    values?.length === model.variableCount
      ? terms.reduce((sum, [variable, factor]) => sum + factor * values![variable]!, 0)
      : undefined;
  return {
    worth: -(sumOf(value) ?? NaN),
    payMinor: sumOf(pay),
    isProven,
    tookMs: performance.now() - start,
  };
}

const one = (variable: number): Terms => [[variable, 1]];
