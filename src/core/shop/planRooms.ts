import type { Clock, Solver } from '../shared';
import { createInfeasible, droppedOf, lackingUnitsOf } from './infeasible';
import { leastForMusts } from './leastForMusts';
import { classesOf, mergeNeeds, type NeedClass } from './mergeNeeds';
import { WISH_WEIGHT } from './codes';
import type { ShopAnswer, ShopReason } from './shopAnswer';
import type { ShopRequest } from './model';
import { shareBill, type NeedShare } from './shareBill';
import { buildModel, type RoomLimit } from './shopModel';

interface Means {
  readonly solver: Solver;
  readonly clock: Clock;
  /** Plans a request without rooms; units by need are told for its offers. */
  readonly plan: (request: ShopRequest, limits: readonly RoomLimit[]) => PlannedUnits;
}
export interface PlannedUnits {
  readonly answer: ShopAnswer;
  /** Pieces by offer and need, for offers that serve several; undefined where nothing is bought. */
  readonly units: readonly NeedShare[];
}

/** So often the limits of rooms are drawn tighter before the search ends without proof. */
const MOST_ROUNDS = 8;

/**
 * Buys for several rooms in one trip. Needs that the same offers serve are bought as one, which shares packs
 * and keeps the proof; where a room's part then stays within its budget, that is the best there is. Where
 * not, what each room takes at list prices is limited to its budget in the model, which no plan within the
 * budgets breaks, and drawn tighter as long as rounding, delivery or unused pieces put a room above it:
 * the first model's bound stays true for all.
 * @errors Infeasible: as for one list, and `room_budget_too_small` for each room that the best plan
 * without rooms' limits puts above its budget, where no plan keeps to all of them.
 */
export function planForRooms(request: ShopRequest, means: Means): ShopAnswer {
  const startMs = means.clock();
  const elapsed = () => means.clock() - startMs;
  const untilShare = (share: number) => share * request.timeLimitMs - elapsed();
  const classes = classesOf(request);
  const planFreely = (timeLimitMs: number) =>
    unfold(request, classes, means.plan({ ...mergeNeeds(request, classes), timeLimitMs }, []));
  const ways = { ...means, elapsed };
  // Something that keeps to every room's budget is there before the best is looked for.
  const first = planFreely(untilShare(UNTIL.first));
  if (isEnd(request, first)) return { ...first, elapsedMs: elapsed() };
  // Asked while there is time for it: what is found where rooms bind has no better bound.
  const floor = mustsFloor(request, { ...means, timeLimitMs: untilShare(UNTIL.floor) });
  const secured = leaveWishesOut(request, first, {
    ...ways,
    leftMs: () => untilShare(UNTIL.secured),
  });

  const isSettled = first.status === 'optimal' || first.status === 'infeasible';
  const free = isSettled ? first : planFreely(untilShare(UNTIL.free));
  if (isEnd(request, free)) return { ...free, elapsedMs: elapsed() };
  // Where no room binds, what is left of the time goes into the same once more.
  const isFree = overOf(request, free).length === 0 && free.objective !== null;
  const sparing = isFree
    ? free
    : leaveWishesOut(request, free, { ...ways, leftMs: () => untilShare(UNTIL.sparing) });
  const found = [secured, sparing].filter((answer) => answer !== undefined);
  const longer = isFree ? planFreely(untilShare(1)) : undefined;
  const better =
    longer && overOf(request, longer).length === 0
      ? longer
      : limitRooms(request, free, { ...ways, hasAnswer: found.length > 0 });
  const best = [better, ...found].reduce((a, b) => (isBetter(request, b, a) ? b : a));
  return {
    ...best,
    ...(best.bound === 0 ? { bound: Math.min(best.payMinor, floor) } : {}),
    elapsedMs: elapsed(),
  };
}

/** What the musts of all rooms cost at least; 0 where the time ended it. */
function mustsFloor(
  request: ShopRequest,
  { solver, timeLimitMs }: { readonly solver: Solver; readonly timeLimitMs: number },
): number {
  const merged = mergeNeeds(request, classesOf(request));
  const model = buildModel(merged, lackingUnitsOf(merged), { asked: 'musts', roomLimits: [] });
  const least = leastForMusts(merged, model, { solver, timeLimitMs: Math.max(20, timeLimitMs) });
  return Math.ceil(least - 1e-6);
}

/** Until which shares of the time each step of planning for rooms goes on. */
const UNTIL = { first: 0.1, floor: 0.2, secured: 0.3, free: 0.55, sparing: 0.7 } as const;

/** Nothing better can follow: proven to be impossible, or the best, and within every room's budget. */
const isEnd = (request: ShopRequest, free: ShopAnswer): boolean =>
  free.status === 'infeasible' || (free.status === 'optimal' && overOf(request, free).length === 0);

interface Ways extends Means {
  /** Since the trip was asked for, ms. */
  readonly elapsed: () => number;
}

/** What wishes are worth that an answer meets: more counts before less to pay. */
const worthOf = (request: ShopRequest, answer: ShopAnswer): number =>
  request.needs.reduce((sum, { id, priority, value }) => {
    const qty = answer.met.find(({ needId }) => needId === id)?.qty ?? 0;
    return sum + WISH_WEIGHT[priority] * value * qty;
  }, 0);

function isBetter(request: ShopRequest, a: ShopAnswer, b: ShopAnswer): boolean {
  if (a.objective === null) return false;
  if (b.objective === null) return true;
  const more = worthOf(request, a) - worthOf(request, b);
  return more > 1e-6 || (more > -1e-6 && a.payMinor <= b.payMinor);
}

/**
 * An answer at once: in each room above its budget the wishes that are worth least for their money are
 * left out, piece by piece, and the rest is planned again. Undefined where musts alone are too dear.
 */
function leaveWishesOut(
  request: ShopRequest,
  free: ShopAnswer,
  { plan, leftMs }: Ways & { readonly leftMs: () => number },
): ShopAnswer | undefined {
  if (free.objective === null) return undefined;
  let wanted = request;
  let last = free;
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const over = overOf(request, last);
    if (over.length === 0) return { ...last, status: 'feasible', bound: 0 };
    const fewer = over.reduce<ShopRequest | undefined>(
      (part, { roomId, overMinor }) => part && leaveOut(part, last, { roomId, overMinor }),
      wanted,
    );
    if (!fewer) return undefined;
    wanted = fewer;
    const timeLimitMs = leftMs() / 3;
    if (timeLimitMs <= 0) return undefined;
    const classes = classesOf(wanted);
    last = unfold(wanted, classes, plan({ ...mergeNeeds(wanted, classes), timeLimitMs }, []));
    const met = shortOf(request, last.met);
    last = { ...last, met, dropped: droppedOf(met) };
    if (last.objective === null) return undefined;
  }
  return undefined;
}

/** What is short is told against what was asked for at first. */
const shortOf = (request: ShopRequest, met: ShopAnswer['met']): ShopAnswer['met'] =>
  met.map((row) => ({
    ...row,
    short: (request.needs.find(({ id }) => id === row.needId)?.qty ?? row.qty) - row.qty,
  }));

/** Takes so many pieces of a room's wishes out that at list prices it is within its budget; none left: undefined. */
function leaveOut(
  request: ShopRequest,
  answer: ShopAnswer,
  { roomId, overMinor }: { readonly roomId: string; readonly overMinor: number },
): ShopRequest | undefined {
  const priceOf = new Map(
    request.offers.map((offer) => [offer.id, offer.priceMinor / offer.packSize]),
  );
  const pieces = request.needs
    .filter((need) => need.roomId === roomId && need.priority !== 'must')
    .flatMap((need) => {
      const from = answer.met.find(({ needId }) => needId === need.id)?.from ?? [];
      return from.flatMap(({ offerId, units }) =>
        Array.from({ length: units }, () => ({
          needId: need.id,
          priceMinor: priceOf.get(offerId) ?? 0,
          worth: WISH_WEIGHT[need.priority] * need.value,
        })),
      );
    })
    .sort((a, b) => a.worth / (a.priceMinor + 1e-9) - b.worth / (b.priceMinor + 1e-9));
  const out = new Map<string, number>();
  let saved = 0;
  for (const { needId, priceMinor } of pieces) {
    if (saved >= overMinor) break;
    saved += priceMinor;
    out.set(needId, (out.get(needId) ?? 0) + 1);
  }
  if (out.size === 0) return undefined;
  return {
    ...request,
    needs: request.needs.map((need) => {
      const got = answer.met.find(({ needId }) => needId === need.id)?.qty ?? need.qty;
      const left = out.get(need.id);
      return left === undefined ? need : { ...need, qty: Math.max(0, got - left) };
    }),
  };
}

/** The model with every room's limit, drawn tighter until the bill keeps to the budgets. */
function limitRooms(
  request: ShopRequest,
  free: ShopAnswer,
  { plan, elapsed, hasAnswer }: Ways & { readonly hasAnswer: boolean },
): ShopAnswer {
  const rooms = request.rooms ?? [];
  const cuts = new Map(rooms.map(({ id }) => [id, 0]));
  let bound: number | undefined;
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const left = { ...shared(request), timeLimitMs: request.timeLimitMs - elapsed() };
    if (left.timeLimitMs <= 0) break;
    const limits = rooms.map(({ id, budgetMinor }) => ({
      needIds: new Set(request.needs.flatMap((need) => (need.roomId === id ? [need.id] : []))),
      mostMinor: budgetMinor - (cuts.get(id) ?? 0),
    }));
    const planned = plan(left, limits);
    const { answer } = planned;
    if (answer.objective === null) {
      // Of limits that were drawn tighter nothing follows; of the rooms' own it does.
      const isProven = round === 0 && answer.reasons.every(({ code }) => code !== 'time_ran_out');
      return refuse(request, free, { isProven: isProven && !hasAnswer, elapsedMs: elapsed() });
    }
    bound ??= answer.bound ?? 0;
    const told = withShares(request, answer, planned.units);
    const over = overOf(request, told);
    if (over.length === 0) {
      // Drawn tighter, wishes may have fallen out, and the first bound is of a plan that is worth more.
      const isWorth = round === 0 || request.needs.every(({ priority }) => priority === 'must');
      const isProven = isWorth && told.payMinor === bound && answer.status === 'optimal';
      return {
        ...told,
        bound: Math.min(bound, told.payMinor),
        status: isProven ? 'optimal' : 'feasible',
        elapsedMs: elapsed(),
      };
    }
    for (const { roomId, overMinor } of over) cuts.set(roomId, (cuts.get(roomId) ?? 0) + overMinor);
  }
  return refuse(request, free, { isProven: false, elapsedMs: elapsed() });
}

/** Every offer names its needs in a list, so that the model counts what each of them gets. */
const shared = ({ rooms: _rooms, ...request }: ShopRequest): ShopRequest => ({
  ...request,
  offers: request.offers.map(({ needId, needIds, ...offer }) => ({
    ...offer,
    needIds: needIds ?? (needId === undefined ? [] : [needId]),
  })),
});

function overOf(request: ShopRequest, { perRoom = [] }: ShopAnswer) {
  return (request.rooms ?? []).flatMap(({ id, budgetMinor }) => {
    const payMinor = perRoom.find(({ roomId }) => roomId === id)?.payMinor ?? 0;
    return payMinor > budgetMinor
      ? [{ roomId: id, payMinor, budgetMinor, overMinor: payMinor - budgetMinor }]
      : [];
  });
}

function refuse(
  request: ShopRequest,
  free: ShopAnswer,
  { isProven, elapsedMs }: { readonly isProven: boolean; readonly elapsedMs: number },
): ShopAnswer {
  return createInfeasible(request, lackingUnitsOf(request), {
    elapsedMs,
    reasons: [
      ...overOf(request, free).map(({ roomId, payMinor, budgetMinor }): ShopReason => ({
        code: 'room_budget_too_small',
        subject: roomId,
        wantedMinor: payMinor,
        budgetMinor,
      })),
      ...(isProven ? [] : [{ code: 'time_ran_out', subject: 'timeLimitMs' } as const]),
    ],
  });
}

/** Gives what was bought for a class to its needs: in their order, whole packs first to one of them. */
function unfold(
  request: ShopRequest,
  classes: readonly NeedClass[],
  { answer, units }: PlannedUnits,
): ShopAnswer {
  const owned = new Map(request.owned.map(({ needId, qty }) => [needId, qty]));
  const shares = classes.flatMap(({ id, needs }): NeedShare[] => {
    const bought = answer.met.find(({ needId }) => needId === id)?.qty ?? 0;
    const had = needs.map((need) => Math.min(need.qty, owned.get(need.id) ?? 0));
    let left = bought - had.reduce((sum, count) => sum + count, 0);
    const pool = units
      .filter(({ needId }) => needId === id)
      .map(({ offerId, units: count }) => ({ offerId, left: count }));
    return needs.flatMap((need, i) => {
      let wanted = Math.min(left, need.qty - had[i]!);
      left -= wanted;
      return pool.flatMap((part): NeedShare[] => {
        const count = Math.min(wanted, part.left);
        if (count <= 0) return [];
        part.left -= count;
        wanted -= count;
        return [{ needId: need.id, offerId: part.offerId, units: count }];
      });
    });
  });
  return withShares(request, answer, shares);
}

/** The answer by room: what each need got of which buy, and what each room pays. */
function withShares(
  request: ShopRequest,
  answer: ShopAnswer,
  shares: readonly NeedShare[],
): ShopAnswer {
  const owned = new Map(request.owned.map(({ needId, qty }) => [needId, qty]));
  const met = request.needs.map((need) => {
    const from = shares
      .filter(({ needId, units }) => needId === need.id && units > 0)
      .map(({ offerId, units }) => ({ offerId, units }));
    const qty =
      Math.min(need.qty, owned.get(need.id) ?? 0) + from.reduce((sum, part) => sum + part.units, 0);
    return { needId: need.id, qty, short: need.qty - qty, from };
  });
  return {
    ...answer,
    met,
    dropped: droppedOf(met),
    perRoom: shareBill(request, answer, shares),
  };
}
