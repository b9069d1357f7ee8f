import {
  isSolved,
  LinearModel,
  minimiseNarrowed,
  type Clock,
  type LinearSolution,
  type Narrowed,
  type Solver,
} from '../shared';
import { createInfeasible, droppedOf, lackingUnitsOf } from './infeasible';
import type { Need, ShopAnswer, ShopBill, ShopOffer, ShopReason, ShopRequest } from './model';
import { planForRooms, WISH_WEIGHT, type PlannedUnits, type RoomLimit } from './planRooms';
import type { NeedShare } from './shareBill';
import { startShop, type ShopStart } from './startShop';

/** A value aim is held to within this when the next aim is worked on. */
const VALUE_TOLERANCE = 1e-6;
/** So much of the time goes at most into something to begin with. */
const START_SHARE = 0.15;
/** With less than this no model is begun. */
const LEAST_MODEL_MS = 60;

/** The variables of the model, by what they stand for. */
interface ShopVariables {
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

/**
 * Buys what is needed from the offers, aim after aim: every must · most value of wishes within the
 * budget · least to pay · fewest shops · fewest leftovers. Each aim is a mixed-integer model that
 * HiGHS solves with a gap of 0, held while the next one is solved.
 * Requires: a parsed request. Ensures: `payMinor <= budgetMinor` unless infeasible; totals are
 * recounted in whole minor units from the packs. Deterministic unless the time limit cuts it.
 */
export function planShop(
  request: ShopRequest,
  means: { readonly solver: Solver; readonly clock: Clock },
): ShopAnswer {
  const plan = (part: ShopRequest, roomLimits: readonly RoomLimit[]) =>
    planWhole(part, roomLimits, means);
  return request.rooms ? planForRooms(request, { ...means, plan }) : plan(request, []).answer;
}

/** Plans a request as one list; what some needs take together may be limited. */
function planWhole(
  request: ShopRequest,
  roomLimits: readonly RoomLimit[],
  { solver, clock }: { readonly solver: Solver; readonly clock: Clock },
): PlannedUnits {
  const startMs = clock();
  const refused = (answer: ShopAnswer): PlannedUnits => ({ answer, units: [] });
  const lacking = lackingUnitsOf(request);
  const limits = (): { timeLimitMs: number; seed: number } => ({
    timeLimitMs: Math.max(20, request.timeLimitMs - (clock() - startMs)),
    seed: request.seed,
  });
  const unsold = findUnsold(request, lacking);
  if (unsold.length > 0)
    return refused(
      createInfeasible(request, lacking, { reasons: unsold, elapsedMs: clock() - startMs }),
    );

  const pursuit = pursueAims(request, lacking, {
    roomLimits,
    solver,
    limits,
    timeLeftMs: () => request.timeLimitMs - (clock() - startMs),
  });
  if ('reason' in pursuit) {
    const { reason, leastMinor } = pursuit;
    const answer = createInfeasible(request, lacking, {
      reasons: [reason],
      elapsedMs: clock() - startMs,
    });
    return refused(leastMinor === undefined ? answer : { ...answer, leastBudgetMinor: leastMinor });
  }
  const { solution, variables, bound, isProven } = pursuit;
  const totals = recount(request, variables, solution);
  const boundMinor = Math.min(totals.payMinor, Math.max(0, Math.ceil(bound - 1e-6)));
  const answer: ShopAnswer = {
    status: isProven && totals.payMinor === boundMinor ? 'optimal' : 'feasible',
    objective: totals.payMinor,
    bound: boundMinor,
    elapsedMs: clock() - startMs,
    ...totals,
    ...sumUp(request, lacking, solution, variables),
    reasons: [],
  };
  return { answer, units: unitsByNeed(request, solution, variables) };
}

/** Which pieces each need gets of which offer; a need's own offers are used up in their order. */
function unitsByNeed(
  request: ShopRequest,
  solution: LinearSolution,
  variables: ShopVariables,
): NeedShare[] {
  const valueOf = (variable: number): number => Math.round(solution.values[variable]!);
  return request.needs.flatMap((need, n): NeedShare[] => {
    let left = valueOf(variables.met[n]!);
    return request.offers.flatMap((offer, i): NeedShare[] => {
      const given = variables.units[i]!.find(({ needId }) => needId === need.id);
      const supplied = offer.needId === need.id ? valueOf(variables.packs[i]!) * offer.packSize : 0;
      const units = Math.min(left, given ? valueOf(given.variable) : supplied);
      left -= units;
      return units > 0 ? [{ needId: need.id, offerId: offer.id, units }] : [];
    });
  });
}

interface Pursued {
  readonly variables: ShopVariables;
  readonly solution: LinearSolution;
  readonly bound: number;
  readonly isProven: boolean;
}
interface Failed {
  readonly reason: ShopReason;
  /** Where the musts cost more than there is. */
  readonly leastMinor?: number;
}
interface Search {
  readonly roomLimits: readonly RoomLimit[];
  readonly solver: Solver;
  readonly limits: () => { timeLimitMs: number; seed: number };
  readonly timeLeftMs: () => number;
}

/** Works through value, pay, shops and leftovers; an aim that runs out of time ends the pursuit. */
function pursueAims(
  request: ShopRequest,
  lacking: ReadonlyMap<string, number>,
  search: Search,
): Pursued | Failed {
  // Something that pays every must is there before anything is proven.
  const startUntilMs = search.timeLeftMs() * (1 - START_SHARE);
  const start =
    search.roomLimits.length > 0
      ? undefined
      : startShop(request, lacking, () => search.timeLeftMs() < startUntilMs);
  const isLate = () => start !== undefined && search.timeLeftMs() < LEAST_MODEL_MS;
  const all = isLate() ? undefined : buyEverything(request, lacking, { search, start });
  if (all) return all;
  const { model, variables } = buildModel(request, lacking, {
    asked: 'musts',
    roomLimits: search.roomLimits,
  });
  const pay = payTerms(request, variables);
  const value = valueTerms(request, variables);
  // Money comes in whole minor units, so what is to pay is whole too.
  const known = start && beginWith(model, request, { variables, start });
  if (known && isLate()) return stoodOnly(variables, known);
  const narrow = (): Narrowed =>
    minimiseNarrowed(model, search.solver, pay, {
      seed: request.seed,
      timeLeftMs: search.timeLeftMs,
      ...(known ? { start: known.values } : {}),
    });
  if (value.length === 0) {
    const cheapest = narrow();
    if (!isSolved(cheapest.solution) && known) return stoodOnly(variables, known);
    return (
      findMustFault(request, variables, cheapest.solution) ??
      settleTies(request, { model, variables, cheapest, isProven: true, search })
    );
  }
  const inBudget = model.copy();
  inBudget.addRow(pay, { most: request.budgetMinor });
  const best = inBudget.minimise(search.solver, value, {
    ...search.limits(),
    ...(known ? { start: known.values } : {}),
  });
  if (!isSolved(best) && known) return stoodOnly(variables, known);
  if (!isSolved(best)) {
    const least = narrow().solution;
    // Where the time ran out on wishes, the musts alone are still an answer.
    return (
      findMustFault(request, variables, least) ?? {
        variables,
        solution: least,
        bound: 0,
        isProven: false,
      }
    );
  }
  // What wishes cost is unknown until their value is settled; 0 is always a true bound.
  if (best.status !== 'optimal' && search.timeLeftMs() < LEAST_MODEL_MS)
    return stoodOnly(variables, best);
  inBudget.addRow(value, {
    most: best.objective + VALUE_TOLERANCE * Math.max(1, Math.abs(best.objective)),
  });
  const cheapest = minimiseNarrowed(inBudget, search.solver, pay, {
    seed: request.seed,
    timeLeftMs: search.timeLeftMs,
    start: best.values,
  });
  if (!isSolved(cheapest.solution)) return stoodOnly(variables, best);
  return settleTies(request, {
    model: inBudget,
    variables,
    cheapest,
    isProven: best.status === 'optimal',
    search,
  });
}

/** What was found before any model was: it stands, and nothing is proven of it. */
const stoodOnly = (variables: ShopVariables, solution: LinearSolution): Pursued => ({
  ...{ variables, solution, bound: 0, isProven: false },
});

/** A start that can be paid; counted again as bills are, for what costs nothing has its delivery all the same. */
function beginWith(
  ...[model, request, means]: Parameters<typeof toSolution>
): LinearSolution | undefined {
  const begun = toSolution(model, request, means);
  const isPaid = recount(request, means.variables, begun).payMinor <= request.budgetMinor;
  return isPaid ? begun : undefined;
}

/** A purchase as values of the model's variables. */
function toSolution(
  model: LinearModel,
  request: ShopRequest,
  { variables, start }: { readonly variables: ShopVariables; readonly start: ShopStart },
): LinearSolution {
  const values = new Array<number>(model.variableCount).fill(0);
  variables.packs.forEach((variable, i) => (values[variable] = start.packs[i]!));
  variables.met.forEach((variable, n) => (values[variable] = start.met[n]!));
  variables.units.forEach((list, i) =>
    list.forEach(({ needId, variable }) => {
      const n = request.needs.findIndex(({ id }) => id === needId);
      values[variable] = start.given[i]!.get(n) ?? 0;
    }),
  );
  request.shops.forEach((shop, s) => {
    const goodsMinor = request.offers.reduce(
      (sum, offer, i) =>
        offer.shopId === shop.id ? sum + start.packs[i]! * offer.priceMinor : sum,
      0,
    );
    const isUsed = request.offers.some(
      (offer, i) => offer.shopId === shop.id && start.packs[i]! > 0,
    );
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

/** Why the musts cannot be bought within the budget; undefined where `least` buys them. */
function findMustFault(
  request: ShopRequest,
  variables: ShopVariables,
  least: LinearSolution,
): Failed | undefined {
  if (!isSolved(least))
    return { reason: least.status === 'infeasible' ? sharedOffersRunOut : timeRanOut };
  const leastMinor = recount(request, variables, least).payMinor;
  if (leastMinor <= request.budgetMinor) return undefined;
  // A cut-short search has not proved that the musts cannot be had for less.
  return {
    reason: least.status === 'optimal' ? tooDear(leastMinor, request.budgetMinor) : timeRanOut,
    leastMinor,
  };
}

/** Where the budget reaches for every wish, value is settled at once: least pay for all of it. */
function buyEverything(
  request: ShopRequest,
  lacking: ReadonlyMap<string, number>,
  { search, start }: { readonly search: Search; readonly start: ShopStart | undefined },
): Pursued | undefined {
  if (request.needs.every(({ priority }) => priority === 'must')) return undefined;
  const { model, variables } = buildModel(request, lacking, {
    asked: 'everything',
    roomLimits: search.roomLimits,
  });
  const relaxed = model.minimise(search.solver, payTerms(request, variables), {
    ...search.limits(),
    isRelaxed: true,
  });
  if (relaxed.status !== 'optimal' || relaxed.objective > request.budgetMinor) return undefined;
  const isAll = start?.met.every((count, n) => count >= model.leastOf(variables.met[n]!)) ?? false;
  const cheapest = minimiseNarrowed(model, search.solver, payTerms(request, variables), {
    seed: request.seed,
    timeLeftMs: search.timeLeftMs,
    ...(start && isAll ? { start: toSolution(model, request, { variables, start }).values } : {}),
  });
  if (
    !isSolved(cheapest.solution) ||
    recount(request, variables, cheapest.solution).payMinor > request.budgetMinor
  )
    return undefined;
  return settleTies(request, { model, variables, cheapest, isProven: true, search });
}

/** Leftovers up to this are weighed against a shop in one model; more need one of their own. */
const MOST_WEIGHED = 20_000;

/** Fewest shops, then fewest leftovers: one aim where a shop can outweigh all leftovers there can be. */
function tieAims(
  request: ShopRequest,
  variables: ShopVariables,
  model: LinearModel,
): readonly Terms[] {
  const shops = variables.used.map((variable) => [variable, 1] as const);
  const leftovers = leftoverTerms(request, variables);
  const most = leftovers.reduce(
    (sum, [variable, factor]) => sum + (factor > 0 ? factor * model.mostOf(variable) : 0),
    1,
  );
  if (most > MOST_WEIGHED) return [shops, leftovers];
  return [[...shops.map(([variable]) => [variable, most] as const), ...leftovers]];
}

/** Fewest shops, then fewest leftovers, of all that cost the least. */
function settleTies(
  request: ShopRequest,
  {
    model,
    variables,
    cheapest,
    isProven,
    search,
  }: {
    readonly model: LinearModel;
    readonly variables: ShopVariables;
    readonly cheapest: Narrowed;
    readonly isProven: boolean;
    readonly search: Search;
  },
): Pursued {
  let { solution } = cheapest;
  const { bound } = solution;
  const isPayProven = isProven && solution.status === 'optimal';
  model.addRow(payTerms(request, variables), {
    most: recount(request, variables, solution).payMinor,
  });
  for (const aim of tieAims(request, variables, model)) {
    if (search.timeLeftMs() < LEAST_MODEL_MS) break;
    const next = model.minimise(search.solver, aim, {
      ...search.limits(),
      shut: cheapest.shut,
      start: solution.values,
    });
    if (!isSolved(next)) break;
    solution = next;
    // The last aim may not undo the one before it.
    model.addRow(aim, { most: next.objective + 1e-6 });
  }
  return { variables, solution, bound: isProven ? bound : 0, isProven: isPayProven };
}

const servedNeedsOf = (offer: ShopOffer): readonly string[] =>
  offer.needIds ?? (offer.needId === undefined ? [] : [offer.needId]);

/** `everything` asks for every wish in full, as far as the offers hold it; `musts` leaves wishes open. */
function buildModel(
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
  const credit = request.shops.map((shop) =>
    model.addVariable({
      most: request.credits.find(({ shopId }) => shopId === shop.id)?.amountMinor ?? 0,
    }),
  );
  const packs = request.offers.map((offer) =>
    model.addVariable({ most: mostPacks(request, offer, lacking), whole: true }),
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
  const met = request.needs.map((need) => {
    const lack = lacking.get(need.id) ?? 0;
    const isAsked = need.priority === 'must' || (asked === 'everything' && need.value > 0);
    return model.addVariable({
      least: isAsked ? Math.min(lack, suppliedUnits(request, need.id)) : 0,
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
    const shop = request.shops.findIndex(({ id }) => id === offer.shopId);
    model.addRow(
      [
        [pack, 1],
        [used[shop]!, -mostPacks(request, offer, lacking)],
      ],
      { most: 0 },
    );
  });
  // A need gets no more than the packs of its own offers hold and the shared ones give.
  request.needs.forEach((need, n) => {
    const own = request.offers.flatMap((offer, i) =>
      offer.needId === need.id ? [[packs[i]!, -offer.packSize] as const] : [],
    );
    const shared = unitsFor(units, need.id).map(([variable]) => [variable, -1] as const);
    model.addRow([[met[n]!, 1], ...own, ...shared], { most: 0 });
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
    request.shops.forEach((shop, s) => {
      const goods = request.offers.flatMap((offer, i) =>
        offer.shopId !== shop.id
          ? []
          : variables.units[i]!.filter(({ needId }) => needIds.has(needId)).map(
              ({ variable }) => [variable, offer.priceMinor / offer.packSize] as const,
            ),
      );
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
  const goods = request.offers.flatMap((offer, i) =>
    offer.shopId === shop.id ? [[packs[i]!, offer.priceMinor] as const] : [],
  );
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
  model.addRow(
    [
      [useVar, 1],
      ...request.offers.flatMap((offer, i) =>
        offer.shopId === shop.id ? [[packs[i]!, -1] as const] : [],
      ),
    ],
    { most: 0 },
  );
}

/**
 * More packs than this never help: enough for all it serves, and, where delivery is free above a
 * limit, enough to reach that limit.
 */
function mostPacks(
  request: ShopRequest,
  offer: ShopOffer,
  lacking: ReadonlyMap<string, number>,
): number {
  const wanted = servedNeedsOf(offer).reduce((sum, id) => sum + (lacking.get(id) ?? 0), 0);
  const forNeeds = Math.ceil(wanted / offer.packSize);
  const shop = request.shops.find(({ id }) => id === offer.shopId);
  const freeOver = shop?.freeOverMinor ?? 0;
  const isWorthReaching = freeOver > 0 && (shop?.deliveryMinor ?? 0) > 0 && offer.priceMinor > 0;
  // Extra packs dearer than the delivery they save never pay, save those that a credit pays for.
  const onCard = request.credits.find(({ shopId }) => shopId === offer.shopId)?.amountMinor ?? 0;
  const savedMinor = (shop?.deliveryMinor ?? 0) + onCard;
  const forDelivery = isWorthReaching
    ? Math.min(
        Math.ceil(freeOver / offer.priceMinor),
        forNeeds + Math.ceil(savedMinor / offer.priceMinor),
      )
    : 0;
  return Math.min(offer.maxPacks ?? Infinity, Math.max(forNeeds, forDelivery));
}

/** Units of a need that all offers together hold. */
const suppliedUnits = (request: ShopRequest, needId: string): number =>
  request.offers.reduce(
    (sum, offer) =>
      servedNeedsOf(offer).includes(needId)
        ? sum + (offer.maxPacks ?? Infinity) * offer.packSize
        : sum,
    0,
  );

/**
 * Packs are whole: 5 pieces from packs of 3 take 2 packs, where the relaxed model takes 5/3. For
 * every pack size d, packs counted as ceil(size / d) are at least ceil(met / d). Source: Chvátal-Gomory
 * rounding. Only for needs that no shared offer serves.
 */
function addPackCuts(
  model: LinearModel,
  request: ShopRequest,
  { packs, met }: { readonly packs: readonly number[]; readonly met: readonly number[] },
): void {
  const shared = new Set(request.offers.flatMap((offer) => offer.needIds ?? []));
  request.needs.forEach((need, n) => {
    const least = model.leastOf(met[n]!);
    if (least === 0 || shared.has(need.id)) return;
    const own = request.offers.flatMap((offer, i) =>
      offer.needId === need.id ? [{ pack: packs[i]!, size: offer.packSize }] : [],
    );
    for (const divisor of new Set(own.map(({ size }) => Math.min(size, least)))) {
      if (divisor > 1)
        model.addRow(
          own.map(({ pack, size }) => [pack, Math.ceil(size / divisor)] as const),
          { least: Math.ceil(least / divisor) },
        );
    }
  });
}

type Terms = readonly (readonly [number, number])[];

const unitsFor = (units: ShopVariables['units'], needId: string): Terms =>
  units.flatMap((list) =>
    list.filter((unit) => unit.needId === needId).map(({ variable }) => [variable, 1] as const),
  );

const payTerms = (request: ShopRequest, variables: ShopVariables): Terms => [
  ...request.offers.map((offer, i) => [variables.packs[i]!, offer.priceMinor] as const),
  ...request.shops.map((shop, s) => [variables.delivery[s]!, shop.deliveryMinor] as const),
  ...request.shops.map((_, s) => [variables.credit[s]!, -1] as const),
];

/** Negative value of the wishes, since models are minimised. */
const valueTerms = (request: ShopRequest, variables: ShopVariables): Terms =>
  request.needs.flatMap((need, n) =>
    need.priority !== 'must' && need.value > 0
      ? [[variables.met[n]!, -WISH_WEIGHT[need.priority] * need.value] as const]
      : [],
  );

const leftoverTerms = (request: ShopRequest, variables: ShopVariables): Terms => [
  ...request.offers.map((offer, i) => [variables.packs[i]!, offer.packSize] as const),
  ...variables.met.map((variable) => [variable, -1] as const),
];

/** Recounts the bill from the packs alone, in whole minor units. */
function recount(request: ShopRequest, variables: ShopVariables, solution: LinearSolution) {
  const buys = request.offers
    .map((offer, i) => ({
      offerId: offer.id,
      packs: Math.round(solution.values[variables.packs[i]!]!),
    }))
    .filter(({ packs }) => packs > 0);
  const perShop = request.shops.flatMap((shop): ShopBill[] => {
    const here = buys.filter(
      ({ offerId }) => request.offers.find(({ id }) => id === offerId)?.shopId === shop.id,
    );
    return here.length === 0 ? [] : [billOf(request, shop, here)];
  });
  return { buys, perShop, payMinor: perShop.reduce((sum, bill) => sum + bill.payMinor, 0) };
}

function billOf(
  request: ShopRequest,
  shop: ShopRequest['shops'][number],
  buys: readonly { readonly offerId: string; readonly packs: number }[],
): ShopBill {
  const goodsMinor = buys.reduce((sum, buy) => {
    const offer = request.offers.find(({ id }) => id === buy.offerId);
    return sum + (offer?.priceMinor ?? 0) * buy.packs;
  }, 0);
  const isFree = shop.freeOverMinor !== undefined && goodsMinor >= shop.freeOverMinor;
  const deliveryMinor = isFree ? 0 : shop.deliveryMinor;
  const onCard = request.credits.find(({ shopId }) => shopId === shop.id)?.amountMinor ?? 0;
  const creditMinor = Math.min(onCard, goodsMinor);
  return {
    shopId: shop.id,
    goodsMinor,
    deliveryMinor,
    creditMinor,
    payMinor: goodsMinor + deliveryMinor - creditMinor,
  };
}

/** What each need gets, and what is left over of the packs that serve it. */
function sumUp(
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
  const spare = new Map<string, number>();
  const addSpare = (needId: string | undefined, units: number): void => {
    if (needId !== undefined && units > 0) spare.set(needId, (spare.get(needId) ?? 0) + units);
  };
  request.needs.forEach((need, n) => {
    const own = request.offers.reduce(
      (sum, offer, i) =>
        offer.needId === need.id ? sum + valueOf(variables.packs[i]) * offer.packSize : sum,
      0,
    );
    const shared = unitsFor(variables.units, need.id).reduce(
      (sum, [variable]) => sum + valueOf(variable),
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

/** Musts that the offers cannot fill at any price. */
function findUnsold(request: ShopRequest, lacking: ReadonlyMap<string, number>): ShopReason[] {
  return request.needs
    .filter((need) => need.priority === 'must')
    .flatMap((need) => {
      const onOffer = request.offers
        .filter((offer) => servedNeedsOf(offer).includes(need.id))
        .reduce((sum, offer) => sum + (offer.maxPacks ?? Infinity) * offer.packSize, 0);
      const lack = lacking.get(need.id) ?? 0;
      return onOffer >= lack ? [] : [notOnOffer(need, lack, onOffer)];
    });
}

const notOnOffer = (need: Need, lack: number, onOffer: number): ShopReason => ({
  code: 'must_not_on_offer',
  subject: need.id,
  lack,
  onOffer,
});
const tooDear = (leastMinor: number, budgetMinor: number): ShopReason => ({
  code: 'budget_too_small',
  subject: 'budgetMinor',
  leastMinor,
  budgetMinor,
});
const sharedOffersRunOut: ShopReason = { code: 'offers_run_out', subject: 'offers' };
const timeRanOut: ShopReason = { code: 'time_ran_out', subject: 'timeLimitMs' };
