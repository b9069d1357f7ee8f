import {
  isSolved,
  type LinearModel,
  minimiseNarrowed,
  type Clock,
  type LinearSolution,
  type Narrowed,
  type Solver,
} from '../shared';
import { createInfeasible, lackingUnitsOf } from './infeasible';
import { leastForMusts } from './leastForMusts';
import type { Need, ShopRequest } from './model';
import type { ShopAnswer, ShopReason } from './shopAnswer';
import { nameShortage } from './nameShortage';
import { planForRooms, type PlannedUnits } from './planRooms';
import { recount, sumUp, unitsByNeed } from './readPurchase';
import {
  buildModel,
  leftoverTerms,
  payTerms,
  suppliedUnits,
  toSolution,
  valueTerms,
  type RoomLimit,
  type ShopVariables,
  type Terms,
} from './shopModel';
import { startShop, type ShopStart } from './startShop';

/** A value aim is held to within this when the next aim is worked on. */
const VALUE_TOLERANCE = 1e-6;
/**
 * So much of the time goes at most into something to begin with, and no more than a list of so many
 * offers is worth; where there is little time, more of it, since no model gets far in what is left.
 */
const START = { share: 0.15, msAnOffer: 1, leastMs: 300, mostShare: 0.6 } as const;
/** So much an offer a model ends late by, and what it found is read. */
const LATE_MS_AN_OFFER = 0.025;
/** With less than this no model is begun. */
const LEAST_MODEL_MS = 60;

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
  const timeLeftMs = (): number =>
    request.timeLimitMs - request.offers.length * LATE_MS_AN_OFFER - (clock() - startMs);
  const limits = (): { timeLimitMs: number; seed: number } => ({
    timeLimitMs: Math.max(20, timeLeftMs()),
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
    timeLeftMs,
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
  const allMs = search.timeLeftMs();
  const startMs = Math.max(
    Math.min(START.share * allMs, START.msAnOffer * request.offers.length),
    Math.min(START.leastMs, START.mostShare * allMs),
  );
  const start =
    search.roomLimits.length > 0
      ? undefined
      : startShop(request, lacking, () => search.timeLeftMs() < allMs - startMs);
  const isLate = () => start !== undefined && search.timeLeftMs() < LEAST_MODEL_MS;
  const all = isLate() ? undefined : buyEverything(request, lacking, { search, start });
  if (all) return all;
  const { model, variables } = buildModel(request, lacking, {
    asked: 'musts',
    roomLimits: search.roomLimits,
  });
  const pay = payTerms(request, variables);
  // Money comes in whole minor units, so what is to pay is whole too.
  const known = start && beginWith(model, request, { variables, start });
  if (known && isLate()) return stoodOnly(variables, known);
  const findMustFault = (least: LinearSolution): Failed | undefined =>
    least.status === 'infeasible'
      ? { reason: nameShortage(request, lacking, search.solver) }
      : findPayFault(request, variables, least);
  const narrow = (): Narrowed =>
    minimiseNarrowed(model, search.solver, pay, {
      seed: request.seed,
      timeLeftMs: search.timeLeftMs,
      ...(known ? { start: known.values } : {}),
    });
  if (valueTerms(request, variables).length === 0) {
    const cheapest = narrow();
    if (!isSolved(cheapest.solution) && known) return stoodOnly(variables, known);
    return (
      findMustFault(cheapest.solution) ??
      settleTies(request, { model, variables, cheapest, search })
    );
  }
  return pursueValue(request, { model, variables, known, narrow, findMustFault, search });
}

/** Most value of wishes within the budget, then the least to pay for it. */
function pursueValue(
  request: ShopRequest,
  {
    model,
    variables,
    known,
    narrow,
    findMustFault,
    search,
  }: {
    readonly model: LinearModel;
    readonly variables: ShopVariables;
    readonly known: LinearSolution | undefined;
    readonly narrow: () => Narrowed;
    readonly findMustFault: (least: LinearSolution) => Failed | undefined;
    readonly search: Search;
  },
): Pursued | Failed {
  const pay = payTerms(request, variables);
  const value = valueTerms(request, variables);
  const { solver } = search;
  const floor = leastForMusts(request, { model, variables }, { ...search.limits(), solver });
  const inBudget = model.copy();
  inBudget.addRow(pay, { most: request.budgetMinor });
  const best = inBudget.minimise(search.solver, value, {
    ...search.limits(),
    ...(known ? { start: known.values } : {}),
  });
  if (!isSolved(best) && known) return stoodOnly(variables, known, floor);
  if (!isSolved(best)) {
    const least = narrow().solution;
    // Where the time ran out on wishes, the musts alone are still an answer.
    return (
      findMustFault(least) ?? {
        variables,
        solution: least,
        bound: Math.max(floor, least.bound),
        isProven: false,
      }
    );
  }
  // What wishes cost is unknown until their value is settled; what the musts cost is always a true bound.
  if (best.status !== 'optimal' && search.timeLeftMs() < LEAST_MODEL_MS)
    return stoodOnly(variables, best, floor);
  inBudget.addRow(value, {
    most: best.objective + VALUE_TOLERANCE * Math.max(1, Math.abs(best.objective)),
  });
  const cheapest = minimiseNarrowed(inBudget, search.solver, pay, {
    seed: request.seed,
    timeLeftMs: search.timeLeftMs,
    start: best.values,
    isStartNear: true,
  });
  if (!isSolved(cheapest.solution)) return stoodOnly(variables, best, floor);
  return settleTies(request, {
    model: inBudget,
    variables,
    cheapest,
    search,
    ...(best.status === 'optimal' ? {} : { floor }),
  });
}

/** What was found before its model was through: it stands, and no more is proven of it than what the musts cost. */
const stoodOnly = (variables: ShopVariables, solution: LinearSolution, floor = 0): Pursued => ({
  ...{ variables, solution, bound: floor, isProven: false },
});

/** A start that can be paid; counted again as bills are, for what costs nothing has its delivery all the same. */
function beginWith(
  ...[model, request, means]: Parameters<typeof toSolution>
): LinearSolution | undefined {
  const begun = toSolution(model, request, means);
  const isPaid = recount(request, means.variables, begun).payMinor <= request.budgetMinor;
  return isPaid ? begun : undefined;
}

/** Why the musts cannot be paid from the budget; undefined where `least` buys them. */
function findPayFault(
  request: ShopRequest,
  variables: ShopVariables,
  least: LinearSolution,
): Failed | undefined {
  if (!isSolved(least)) return { reason: timeRanOut };
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
  return settleTies(request, { model, variables, cheapest, search });
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
    floor,
    search,
  }: {
    readonly model: LinearModel;
    readonly variables: ShopVariables;
    readonly cheapest: Narrowed;
    /** What the musts cost at least, where the value that is held is not proven. */
    readonly floor?: number;
    readonly search: Search;
  },
): Pursued {
  let { solution } = cheapest;
  const bound = floor ?? solution.bound;
  const isPayProven = floor === undefined && solution.status === 'optimal';
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
  return { variables, solution, bound, isProven: isPayProven };
}

/** Musts that the offers cannot fill at any price. */
function findUnsold(request: ShopRequest, lacking: ReadonlyMap<string, number>): ShopReason[] {
  return request.needs.flatMap((need, n) => {
    if (need.priority !== 'must') return [];
    const onOffer = suppliedUnits(request, n);
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
const timeRanOut: ShopReason = { code: 'time_ran_out', subject: 'timeLimitMs' };
