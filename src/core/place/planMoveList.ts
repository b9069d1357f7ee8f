import type { Clock } from '../shared';
import { LITRE_TOLERANCE } from './moveKnots';
import { BASKET, type MovesAnswer, type MoveStep } from './movesModel';
import { planMoves } from './planMoves';

interface ListedGroup {
  readonly id: string;
  readonly litres: number;
  readonly massG: number;
  /** Where it stands; null: in a basket already, or not in the home yet. */
  readonly from: string | null;
  /** Where it is to live; null: it goes out, nobody knows yet where to. */
  readonly to: string | null;
}

interface MoveListRequest {
  readonly bays: readonly { readonly id: string; readonly litres: number }[];
  readonly groups: readonly ListedGroup[];
  /** Bays that are cleaned, lined or painted while they are empty. */
  readonly cleanedBayIds: readonly string[];
  /** Groups that wait in baskets already; their `from` is null. */
  readonly inBasketIds?: readonly string[];
  readonly basketLitres: number;
  /** What one person carries at once. */
  readonly liftG: number;
  readonly timeLimitMs: number;
}

/** One line of the working list. "basket" is the stop between two bays. */
export type MoveItem =
  | ({
      readonly kind: 'move';
      /** Times that one person walks: what a basket holds and one person lifts at once. */ readonly carryCount: number;
    } & MoveStep)
  | { readonly kind: 'clean'; readonly bayId: string };

export interface MoveList {
  readonly items: readonly MoveItem[];
  readonly stagedLitres: number;
  /**
   * Proven: no order stages less. Undefined where bays are emptied for cleaning, which the proof
   * does not cover.
   */
  readonly leastStagedLitres: number | undefined;
  /** Baskets that stand about at the fullest moment. */
  readonly baskets: number;
  /** Bays that wait for each other in a circle; each begins and ends with the same bay. */
  readonly circles: readonly (readonly string[])[];
  readonly reasons: MovesAnswer['reasons'];
}

/**
 * The working list from where things stand to where they are to live. Bays that are cleaned are
 * emptied first, straight into
 * their new places where there is room and into baskets where not; then cleaned, then loaded.
 * Without cleaning the order is that
 * of `planMoves`, with its proof. What comes in goes in as soon as there is room for good.
 * Ensures: no bay ever holds more than its litres, or than it began with; a cleaned bay is empty at
 * its cleaning.
 */
export function planMoveList(
  request: MoveListRequest,
  { clock }: { readonly clock: Clock },
): MoveList {
  const { bays, basketLitres, timeLimitMs } = request;
  const cleaned = new Set(request.cleanedBayIds);
  const isCleaned = (bayId: string | null) => bayId !== null && cleaned.has(bayId);
  const whole = planMoves(
    {
      bays: [...bays],
      groups: request.groups.map(({ id, litres, from, to }) => ({ id, litres, from, to })),
      basketLitres,
      seed: 1,
      timeLimitMs,
    },
    { clock },
  );
  if (whole.status === 'infeasible')
    return {
      items: [],
      stagedLitres: 0,
      leastStagedLitres: undefined,
      baskets: 0,
      circles: [],
      reasons: whole.reasons,
    };
  const moving = request.groups.filter(({ from, to }) => from !== to || isCleaned(from));
  if (moving.every(({ from, to }) => !isCleaned(from) && !isCleaned(to))) {
    const steps = bringInEarly(request, whole.steps);
    const emptyCleans = request.cleanedBayIds.map((bayId): MoveItem => ({ kind: 'clean', bayId }));
    return finish(request, [...emptyCleans, ...steps.map((step) => toItem(request, step))], {
      leastStagedLitres: emptyCleans.length === 0 ? (whole.bound ?? 0) : undefined,
    });
  }
  // First everything whose new place is not cleaned; what must wait for a cleaned bay stays in its
  // uncleaned one where that leaves room.
  const emptied = (stays: boolean) => {
    const waitsAt = (from: string | null) =>
      stays && from !== null && !isCleaned(from) ? from : null;
    return planMoves(
      {
        bays: [...bays],
        basketLitres,
        seed: 1,
        timeLimitMs,
        groups: request.groups.map(({ id, litres, from, to }) => ({
          id,
          litres,
          from,
          to: isCleaned(to) ? waitsAt(from) : to,
        })),
      },
      { clock },
    );
  };
  const staying = emptied(true);
  const isStaying = staying.status !== 'infeasible';
  const first = isStaying ? staying : emptied(false);
  const waiting = request.groups.filter(({ to }) => isCleaned(to));
  const out = first.steps.map((step): MoveStep =>
    waiting.some(({ id }) => id === step.groupId) && step.to === null
      ? { ...step, to: BASKET }
      : step,
  );
  const load = waiting.map(({ id, from, to }): MoveStep => ({
    groupId: id,
    from: from === null || (isStaying && !isCleaned(from)) ? from : BASKET,
    to,
  }));
  const items: MoveItem[] = [
    ...out.map((step) => toItem(request, step)),
    ...request.cleanedBayIds.map((bayId): MoveItem => ({ kind: 'clean', bayId })),
    ...load.map((step) => toItem(request, step)),
  ];
  return finish(request, items, { leastStagedLitres: undefined });
}

const toItem = (request: MoveListRequest, step: MoveStep): MoveItem => {
  const { massG, litres } = request.groups.find(({ id }) => id === step.groupId) ?? {
    massG: 0,
    litres: 0,
  };
  const from =
    step.from === null && request.inBasketIds?.includes(step.groupId) ? BASKET : step.from;
  return {
    kind: 'move',
    ...step,
    from,
    carryCount: Math.max(
      1,
      Math.ceil(massG / request.liftG - 1e-9),
      Math.ceil(litres / request.basketLitres - 1e-9),
    ),
  };
};

function finish(
  request: MoveListRequest,
  items: readonly MoveItem[],
  known: Pick<MoveList, 'leastStagedLitres'>,
): MoveList {
  const litresOf = new Map(request.groups.map(({ id, litres }) => [id, litres]));
  const steps = items.filter((item) => item.kind === 'move');
  const staged = new Set([
    ...(request.inBasketIds ?? []),
    ...steps.filter(({ to }) => to === BASKET).map(({ groupId }) => groupId),
  ]);
  let waiting = (request.inBasketIds ?? []).reduce((sum, id) => sum + (litresOf.get(id) ?? 0), 0);
  let peak = waiting;
  for (const { groupId, from, to } of steps) {
    const litres = litresOf.get(groupId) ?? 0;
    if (to === BASKET) waiting += litres;
    else if (from === BASKET) waiting -= litres;
    peak = Math.max(peak, waiting);
  }
  return {
    items,
    ...known,
    baskets: Math.ceil(peak / request.basketLitres - 1e-9),
    circles: findCircles(request, staged),
    reasons: [],
    stagedLitres: [...staged].reduce((sum, id) => sum + (litresOf.get(id) ?? 0), 0),
  };
}

/** Moves what comes in forward to the first moment from which on its bay has room for it until the end. */
function bringInEarly({ bays, groups }: MoveListRequest, steps: readonly MoveStep[]): MoveStep[] {
  const litresOf = new Map(groups.map(({ id, litres }) => [id, litres]));
  const roomOf = new Map(bays.map(({ id, litres }) => [id, litres]));
  const order = [...steps];
  // The last one first, so that those that go in at the same moment keep their order.
  for (const step of steps.filter(({ from, to }) => from === null && to !== null).reverse()) {
    const at = order.indexOf(step);
    order.splice(at, 1);
    const own = litresOf.get(step.groupId) ?? 0;
    // Loads of its bay after each step, from the end backward, for as long as it would fit.
    const loads = loadsOf(step.to as string, order);
    let first = order.length;
    while (
      first > 0 &&
      loads[first]! + own <= (roomOf.get(step.to as string) ?? 0) + LITRE_TOLERANCE
    )
      first -= 1;
    if (loads[first]! + own > (roomOf.get(step.to as string) ?? 0) + LITRE_TOLERANCE) first += 1;
    order.splice(Math.min(first, order.length), 0, step);
  }
  return order;

  /** `[i]`: litres in a bay before step i. */
  function loadsOf(bayId: string, list: readonly MoveStep[]): number[] {
    let load = groups
      .filter(({ from }) => from === bayId)
      .reduce((sum, { litres }) => sum + litres, 0);
    const loads = [load];
    for (const { groupId, from, to } of list) {
      load += ((to === bayId ? 1 : 0) - (from === bayId ? 1 : 0)) * (litresOf.get(groupId) ?? 0);
      loads.push(load);
    }
    return loads;
  }
}

/**
 * For each group that had to wait in a basket the shortest way round through bays that wait for
 * each other; each circle once.
 */
function findCircles({ groups }: MoveListRequest, staged: ReadonlySet<string>): string[][] {
  const moves = groups.filter(
    (group): group is ListedGroup & { from: string; to: string } =>
      group.from !== null && group.to !== null && group.from !== group.to,
  );
  const circles = new Map<string, string[]>();
  for (const { from, to } of moves.filter(({ id }) => staged.has(id))) {
    const cameFrom = new Map<string, string | undefined>([[to, undefined]]);
    const queue = [to];
    for (let at = 0; at < queue.length && !cameFrom.has(from); at += 1) {
      for (const move of moves)
        if (move.from === queue[at] && !cameFrom.has(move.to)) {
          cameFrom.set(move.to, queue[at]);
          queue.push(move.to);
        }
    }
    if (!cameFrom.has(from)) continue;
    const way: string[] = [];
    for (let at: string | undefined = from; at !== undefined; at = cameFrom.get(at))
      way.unshift(at);
    circles.set([...way].sort().join(' '), [from, ...way]);
  }
  return [...circles.values()];
}
