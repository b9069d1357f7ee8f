import { LinearModel, type LinearSolution } from '../shared';
import { WISH_WEIGHT } from './codes';
import type { ShopRequest } from './model';
import { listsOf, servedNeedsOf } from './shopLists';
import type { ShopStart } from './startShop';

/** The variables of the model, by what they stand for. */
export interface ShopVariables {
  /** Packs of each offer. */
  readonly packs: readonly number[];
  /** Units that each need gets, in the order of the needs. */
  readonly met: readonly number[];
  /** For offers that serve several needs: units of offer i that go to its j-th need. */
  readonly units: readonly (readonly { readonly needId: string; readonly variable: number }[])[];
  /** 1 where a pack is bought at shop s. */
  readonly used: readonly number[];
  /** 1 where delivery of shop s is due. */
  readonly delivery: readonly number[];
  /** Credit spent at shop s, minor units. */
  readonly credit: readonly number[];
}

/** What one room may take at list prices: a limit that every plan within the room's budget keeps. */
export interface RoomLimit {
  readonly needIds: ReadonlySet<string>;
  readonly mostMinor: number;
}

/** `everything` asks for every wish in full, as far as the offers hold it; `musts` leaves wishes open. */
export function buildModel(
  request: ShopRequest,
  lacking: ReadonlyMap<string, number>,
  {
    asked,
    roomLimits,
  }: { readonly asked: 'everything' | 'musts'; readonly roomLimits: readonly RoomLimit[] },
) {
  const model = new LinearModel();
  const used = request.shops.map(() => model.addVariable({ most: 1, whole: true }));
  const delivery = request.shops.map(() => model.addVariable({ most: 1, whole: true }));
  const lists = listsOf(request);
  const credit = request.shops.map((_, s) =>
    model.addVariable({
      most: lists.creditOf[s]!,
    }),
  );
  const packs = request.offers.map((_, i) =>
    model.addVariable({ most: mostPacks(request, i, lacking), whole: true }),
  );
  const units = request.offers.map((offer) =>
    offer.needIds
      ? offer.needIds.map((needId) => ({
          needId,
          // Whole packs shared out to whole needs are whole pieces, but where rooms are limited: there
          // they are shared out afterwards, and a room that comes out above its budget is limited more.
          variable: model.addVariable({
            most: lacking.get(needId) ?? 0,
            whole: roomLimits.length === 0,
          }),
        }))
      : [],
  );
  const met = request.needs.map((need, n) => {
    const lack = lacking.get(need.id) ?? 0;
    const isAsked = need.priority === 'must' || (asked === 'everything' && need.value > 0);
    return model.addVariable({
      least: isAsked ? Math.min(lack, suppliedUnits(request, n)) : 0,
      most: lack,
      whole: true,
    });
  });
  request.offers.forEach((offer, i) => {
    const pack = packs[i]!;
    // What a shared offer gives to its needs comes out of its packs.
    if (offer.needIds)
      model.addRow(
        [
          ...(units[i] ?? []).map(({ variable }) => [variable, 1] as const),
          [pack, -offer.packSize],
        ],
        { most: 0 },
      );
    const shop = lists.shopOf[i]!;
    model.addRow(
      [
        [pack, 1],
        [used[shop]!, -mostPacks(request, i, lacking)],
      ],
      { most: 0 },
    );
  });
  // A need gets no more than the packs of its own offers hold and the shared ones give; of a pack that
  // holds more than it lacks, what it lacks.
  request.needs.forEach((need, n) => {
    const lack = lacking.get(need.id) ?? 0;
    const usedOf = (i: number): number => Math.min(request.offers[i]!.packSize, lack);
    const own = lists.own[n]!.map((i) => [packs[i]!, -usedOf(i)] as const);
    const shared = lists.shared[n]!.flatMap((i) =>
      unitsOf({ units }, [i], need.id).map((variable) => ({ i, variable })),
    );
    const given = shared.map(({ variable }) => [variable, -1] as const);
    model.addRow([[met[n]!, 1], ...own, ...given], { most: 0 });
    for (const { i, variable } of shared)
      model.addRow(
        [
          [variable, 1],
          [packs[i]!, -usedOf(i)],
        ],
        { most: 0 },
      );
  });
  addPackCuts(model, request, { packs, met });
  request.shops.forEach((shop, s) =>
    addShopRows(model, request, { shop, s, used, delivery, credit, packs }),
  );
  const variables = { packs, met, units, used, delivery, credit } satisfies ShopVariables;
  addRoomRows(model, request, { variables, roomLimits });
  return { model, variables };
}

/**
 * What a room takes at list prices, less what cards pay of it, stays within its limit. A card pays no more
 * of a room's part than that part, and no more in all than is spent of it.
 */
function addRoomRows(
  model: LinearModel,
  request: ShopRequest,
  {
    variables,
    roomLimits,
  }: { readonly variables: ShopVariables; readonly roomLimits: readonly RoomLimit[] },
): void {
  const onCards = request.shops.map((): number[] => []);
  for (const { needIds, mostMinor } of roomLimits) {
    const paid: (readonly [number, number])[] = [];
    request.shops.forEach((_, s) => {
      const goods = listsOf(request).ofShop[s]!.flatMap((i) => {
        const { priceMinor, packSize } = request.offers[i]!;
        return variables.units[i]!.filter(({ needId }) => needIds.has(needId)).map(
          ({ variable }) => [variable, priceMinor / packSize] as const,
        );
      });
      paid.push(...goods);
      const most = model.mostOf(variables.credit[s]!);
      if (most === 0 || goods.length === 0) return;
      const card = model.addVariable({ most });
      onCards[s]!.push(card);
      paid.push([card, -1]);
      model.addRow([[card, 1], ...goods.map(([variable, price]) => [variable, -price] as const)], {
        most: 0,
      });
    });
    // Half a unit for what rounding to whole minor units may take off.
    model.addRow(paid, { most: mostMinor + 0.5 });
  }
  onCards.forEach((cards, s) => {
    if (cards.length > 0)
      model.addRow(
        [...cards.map((card) => [card, 1] as const), [variables.credit[s]!, -1] as const],
        { most: 0 },
      );
  });
}

/** Delivery is due where the shop is used and its goods stay below the free limit; credit pays goods only. */
function addShopRows(
  model: LinearModel,
  request: ShopRequest,
  {
    shop,
    s,
    used,
    delivery,
    credit,
    packs,
  }: {
    readonly shop: ShopRequest['shops'][number];
    readonly s: number;
    readonly used: readonly number[];
    readonly delivery: readonly number[];
    readonly credit: readonly number[];
    readonly packs: readonly number[];
  },
): void {
  const here = listsOf(request).ofShop[s]!;
  const goods = here.map((i) => [packs[i]!, request.offers[i]!.priceMinor] as const);
  const useVar = used[s]!;
  const dueVar = delivery[s]!;
  if (shop.freeOverMinor === undefined)
    model.addRow(
      [
        [useVar, 1],
        [dueVar, -1],
      ],
      { most: 0 },
    );
  // goods + free × due >= free × used: either the limit is reached or delivery is due.
  else
    model.addRow([...goods, [dueVar, shop.freeOverMinor], [useVar, -shop.freeOverMinor]], {
      least: 0,
    });
  model.addRow(
    [[credit[s]!, 1], ...goods.map(([variable, price]) => [variable, -price] as const)],
    { most: 0 },
  );
  // A shop counts as used only where a pack is bought.
  model.addRow([[useVar, 1], ...here.map((i) => [packs[i]!, -1] as const)], { most: 0 });
}

/**
 * More packs than this never help: enough for all it serves, and, where delivery is free above a
 * limit, enough to reach that limit.
 */
function mostPacks(request: ShopRequest, i: number, lacking: ReadonlyMap<string, number>): number {
  const offer = request.offers[i]!;
  const { shopOf, creditOf } = listsOf(request);
  const at = shopOf[i]!;
  const wanted = servedNeedsOf(offer).reduce((sum, id) => sum + (lacking.get(id) ?? 0), 0);
  const forNeeds = Math.ceil(wanted / offer.packSize);
  const shop = request.shops[at];
  const freeOver = shop?.freeOverMinor ?? 0;
  const isWorthReaching = freeOver > 0 && (shop?.deliveryMinor ?? 0) > 0 && offer.priceMinor > 0;
  // Extra packs dearer than the delivery they save never pay, save those that a credit pays for.
  const savedMinor = (shop?.deliveryMinor ?? 0) + (creditOf[at] ?? 0);
  const forDelivery = isWorthReaching
    ? Math.min(
        Math.ceil(freeOver / offer.priceMinor),
        forNeeds + Math.ceil(savedMinor / offer.priceMinor),
      )
    : 0;
  return Math.min(offer.maxPacks ?? Infinity, Math.max(forNeeds, forDelivery));
}

/** Units of a need that all offers together hold. */
export function suppliedUnits(request: ShopRequest, n: number): number {
  const { own, shared } = listsOf(request);
  return [...own[n]!, ...shared[n]!].reduce((sum, i) => {
    const { maxPacks = Infinity, packSize } = request.offers[i]!;
    return sum + maxPacks * packSize;
  }, 0);
}

/**
 * Packs are whole: 5 pieces from packs of 3 take 2 packs, where the relaxed model takes 5/3. For
 * every pack size d, packs counted as ceil(size / d) are at least ceil(met / d); a shared pack gives a
 * need no more than it holds, so it counts the same. Source: Chvátal-Gomory rounding.
 */
function addPackCuts(
  model: LinearModel,
  request: ShopRequest,
  { packs, met }: { readonly packs: readonly number[]; readonly met: readonly number[] },
): void {
  const lists = listsOf(request);
  request.needs.forEach((_, n) => {
    const least = model.leastOf(met[n]!);
    if (least === 0) return;
    const all = [...lists.own[n]!, ...lists.shared[n]!].map((i) => ({
      pack: packs[i]!,
      size: Math.min(request.offers[i]!.packSize, least),
    }));
    for (const divisor of new Set(all.map(({ size }) => size))) {
      if (divisor > 1)
        model.addRow(
          all.map(({ pack, size }) => [pack, Math.ceil(size / divisor)] as const),
          { least: Math.ceil(least / divisor) },
        );
    }
  });
}

export type Terms = readonly (readonly [number, number])[];

/** What some offers give to a need. */
export const unitsOf = (
  { units }: Pick<ShopVariables, 'units'>,
  offers: readonly number[],
  needId: string,
): number[] =>
  offers.flatMap((i) =>
    units[i]!.filter((unit) => unit.needId === needId).map(({ variable }) => variable),
  );

export const payTerms = (request: ShopRequest, variables: ShopVariables): Terms => [
  ...request.offers.map((offer, i) => [variables.packs[i]!, offer.priceMinor] as const),
  ...request.shops.map((shop, s) => [variables.delivery[s]!, shop.deliveryMinor] as const),
  ...request.shops.map((_, s) => [variables.credit[s]!, -1] as const),
];

/** Negative value of the wishes, since models are minimised. */
export const valueTerms = (request: ShopRequest, variables: ShopVariables): Terms =>
  request.needs.flatMap((need, n) =>
    need.priority !== 'must' && need.value > 0
      ? [[variables.met[n]!, -WISH_WEIGHT[need.priority] * need.value] as const]
      : [],
  );

export const leftoverTerms = (request: ShopRequest, variables: ShopVariables): Terms => [
  ...request.offers.map((offer, i) => [variables.packs[i]!, offer.packSize] as const),
  ...variables.met.map((variable) => [variable, -1] as const),
];

/** A purchase as values of the model's variables. */
export function toSolution(
  model: LinearModel,
  request: ShopRequest,
  { variables, start }: { readonly variables: ShopVariables; readonly start: ShopStart },
): LinearSolution {
  const lists = listsOf(request);
  const values = new Array<number>(model.variableCount).fill(0);
  variables.packs.forEach((variable, i) => (values[variable] = start.packs[i]!));
  variables.met.forEach((variable, n) => (values[variable] = start.met[n]!));
  variables.units.forEach((list, i) =>
    list.forEach(({ needId, variable }) => {
      values[variable] = start.given[i]!.get(lists.needAt.get(needId) ?? -1) ?? 0;
    }),
  );
  request.shops.forEach((shop, s) => {
    const here = lists.ofShop[s]!;
    const goodsMinor = here.reduce(
      (sum, i) => sum + start.packs[i]! * request.offers[i]!.priceMinor,
      0,
    );
    const isUsed = here.some((i) => start.packs[i]! > 0);
    const isFree = shop.freeOverMinor !== undefined && goodsMinor >= shop.freeOverMinor;
    values[variables.used[s]!] = isUsed ? 1 : 0;
    values[variables.delivery[s]!] = isUsed && !isFree ? 1 : 0;
    values[variables.credit[s]!] = Math.min(goodsMinor, model.mostOf(variables.credit[s]!));
  });
  return {
    ...{ status: 'feasible', values, objective: start.payMinor, bound: 0 },
    ...{ rowDuals: [], reducedCosts: [] },
  };
}
