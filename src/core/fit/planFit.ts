import { createRandom, type Clock, type Solver } from '../shared';
import { fitStrips } from './fitStrips';
import type { FitAnswer, FitReason, FitRequest, Placement } from './model';
import { packPiles, type Packing, type PackStyle } from './packPiles';
import { ContainerSelection, floorMm2, maxStackOf, type Selection } from './selectContainers';
import { explainUnused } from './suitability';

interface Means {
  readonly solver: Solver;
  readonly clock: Clock;
}

/** Rounds of choosing with less floor each time, and tries at placing each choice. */
const MAX_ROUNDS = 24;
const TRIES_PER_ROUND = 60;
/** What a choice that could not be placed is shrunk by. */
const FLOOR_STEP = 0.985;

/**
 * Chooses containers for the groups of one bay and says where each stands.
 *
 * Method: a mixed-integer model picks containers by litres, floor, number and mass (its optimum is
 * the proven bound); a corner heuristic with repeatable chance then places them by every rule; a
 * choice that cannot be placed is made again with less floor. A second model arranges strips from
 * front to back, which can always be placed; the better of the two is taken. Where neither covers
 * all litres, choosing with shortages allowed gives the best partial answer.
 * Requires: a parsed request. Ensures: no hard rule of docs/engines.md is broken. Deterministic
 * unless `timeLimitMs` cuts it.
 */
export function planFit(request: FitRequest, { solver, clock }: Means): FitAnswer {
  const startMs = clock();
  const time: Time = { leftMs: () => request.timeLimitMs - (clock() - startMs), solver };
  const whole = searchWhole(request, time);
  const elapsedMs = clock() - startMs;
  if (whole.packing && whole.selection) {
    const answer = sumUp(request, whole.selection, whole.packing);
    const objective = objectiveOf(request, answer, whole.packing);
    const bound = Math.min(objective, whole.bound);
    const isOptimal = objective - bound <= 1e-6 * Math.max(1, objective);
    return { status: isOptimal ? 'optimal' : 'feasible', objective, bound, elapsedMs, ...answer, unmet: [], reasons: [] };
  }
  const partial = searchPartial(request, time);
  const answer = sumUp(request, partial.selection, partial.packing);
  const unmet = request.groups.flatMap((group) => {
    const litres = group.litres - offeredLitres(partial.selection, group.id);
    return litres > 1e-9 ? [{ groupId: group.id, litres }] : [];
  });
  return {
    status: 'infeasible', objective: null, bound: null, elapsedMs: clock() - startMs, ...answer, unmet,
    reasons: [...explainShortage(request, unmet, whole.isImpossible), ...explainUnused(request)],
  };
}

interface Time {
  readonly leftMs: () => number;
  readonly solver: Solver;
}
interface Found {
  readonly selection: Selection | undefined;
  readonly packing: Packing | undefined;
  readonly bound: number;
  /** Proven: not even without placing could all litres be covered. */
  readonly isImpossible: boolean;
}

/** Share of the time for placing freely before strips are tried. */
const FREE_SHARE = 0.5;

function searchWhole(request: FitRequest, time: Time): Found {
  const free = searchFree(request, { ...time, leftMs: () => time.leftMs() - (1 - FREE_SHARE) * request.timeLimitMs });
  const isProven = free.packing !== undefined && free.selection !== undefined && scoreOf(request, free.selection, free.packing)[0] <= free.bound + 1e-6;
  if (isProven || free.isImpossible) return free;
  const strips = fitStrips(request, time.solver, limitsOf(request, time));
  if (!strips) return free;
  const isBetter = !free.selection || !free.packing || isLess(scoreOf(request, strips.selection, strips.packing), scoreOf(request, free.selection, free.packing));
  return isBetter ? { ...free, ...strips } : free;
}

type Score = readonly [objective: number, costMinor: number];

function scoreOf(request: FitRequest, selection: Selection, packing: Packing): Score {
  const answer = sumUp(request, selection, packing);
  return [objectiveOf(request, answer, packing), answer.costMinor];
}
const isLess = (a: Score, b: Score): boolean => a[0] < b[0] - 1e-9 || (a[0] <= b[0] + 1e-9 && a[1] < b[1]);

/** Chooses by floor and places freely; each choice that finds no place is made again with less floor. */
function searchFree(request: FitRequest, time: Time): Found {
  const random = createRandom(request.seed);
  let areaLimitMm2 = floorMm2(request);
  let bound: number | undefined;
  for (let round = 0; round < MAX_ROUNDS && (round === 0 || time.leftMs() > 0); round += 1) {
    const model = new ContainerSelection(request, { mayFallShort: false, areaLimitMm2 });
    const chosen = model.solve(request.prefer, time.solver, limitsOf(request, time));
    bound ??= chosen.bound;
    if (!chosen.selection) return { selection: undefined, packing: undefined, bound, isImpossible: round === 0 && chosen.isImpossible };
    const packing = placeSelection(request, chosen.selection, { random, time });
    if (packing) return { selection: chosen.selection, packing, bound, isImpossible: false };
    areaLimitMm2 = chosen.selection.areaMm2 * FLOOR_STEP;
  }
  return { selection: undefined, packing: undefined, bound: bound ?? 0, isImpossible: false };
}

/** Best partial answer: least shortage that could be placed, found by giving up floor step by step. */
function searchPartial(request: FitRequest, time: Time): { selection: Selection; packing: Packing } {
  const random = createRandom(request.seed + 1);
  // The partial answer gets time of its own, so that a hard question still ends with something.
  const extra = { ...time, leftMs: () => time.leftMs() + Math.max(100, request.timeLimitMs / 2) };
  let areaLimitMm2 = floorMm2(request);
  for (let round = 0; round < MAX_ROUNDS * 2 && extra.leftMs() > 0; round += 1) {
    const model = new ContainerSelection(request, { mayFallShort: true, areaLimitMm2 });
    const selection = model.solveShortage(extra.solver, limitsOf(request, extra));
    if (!selection || selection.chosen.length === 0) break;
    const packing = placeSelection(request, selection, { random, time: extra });
    if (packing) return { selection, packing };
    areaLimitMm2 = selection.areaMm2 * 0.95;
  }
  return { selection: { chosen: [], areaMm2: 0 }, packing: { placements: [], blockingG: 0 } };
}

const limitsOf = (request: FitRequest, time: Time) => ({
  timeLimitMs: Math.max(50, time.leftMs()),
  seed: request.seed,
});

/**
 * Tries to place one selection: as it comes, then shaken. For `easy` the try with the least in the
 * way counts, otherwise the first that stands.
 */
function placeSelection(
  request: FitRequest,
  selection: Selection,
  { random, time }: { readonly random: () => number; readonly time: Time },
): Packing | undefined {
  const highest = Math.max(1, ...selection.chosen.map(({ container }) => maxStackOf(request, container)));
  let best: Packing | undefined;
  for (let attempt = 0; attempt < TRIES_PER_ROUND && (attempt < 2 || time.leftMs() > 0); attempt += 1) {
    const style: PackStyle = {
      stackLimit: attempt % 2 === (request.prefer === 'easy' ? 0 : 1) ? 1 + (attempt % highest) : highest,
      fill: Math.floor(attempt / 2) % 2 === 0 ? 'rows' : 'columns',
      random: attempt < 4 ? undefined : random,
    };
    const packing = packPiles(request, selection.chosen, style);
    if (!packing) continue;
    if (request.prefer !== 'easy' || packing.blockingG === 0) return packing;
    if (!best || packing.blockingG < best.blockingG) best = packing;
  }
  return best;
}

function sumUp(request: FitRequest, selection: Selection, packing: Packing) {
  const costMinor = selection.chosen.reduce((sum, { container, count }) => sum + container.priceMinor * count, 0);
  const offered = request.groups.map((group) => offeredLitres(selection, group.id));
  const usedLitres = request.groups.reduce((sum, group, i) => sum + Math.min(group.litres, offered[i] ?? 0), 0);
  const placements: readonly Placement[] = packing.placements;
  return { placements: [...placements], costMinor, usedLitres, freeLitres: offered.reduce((a, b) => a + b, 0) - usedLitres };
}

const offeredLitres = (selection: Selection, groupId: string): number =>
  selection.chosen
    .filter(({ group }) => group.id === groupId)
    .reduce((sum, { container, count }) => sum + container.innerLitres * count, 0);

function objectiveOf(request: FitRequest, answer: ReturnType<typeof sumUp>, packing: Packing): number {
  const ids = answer.placements.map(({ containerId }) => containerId);
  switch (request.prefer) {
    case 'cost': return answer.costMinor;
    case 'uniform': return new Set(ids).size;
    case 'reuse':
      return ids.filter((id) => (request.containers.find((container) => container.id === id)?.priceMinor ?? 0) > 0).length;
    case 'easy': return packing.blockingG;
  }
}

function explainShortage(
  request: FitRequest,
  unmet: FitAnswer['unmet'],
  isImpossible: boolean,
): FitReason[] {
  return unmet.map(({ groupId, litres }) => {
    const name = request.groups.find(({ id }) => id === groupId)?.name ?? groupId;
    const rounded = Math.round(litres * 10) / 10;
    return {
      code: 'not_enough_floor',
      message: isImpossible
        ? `${name}: ${rounded} l have no container; no choice of these containers covers everything in this bay`
        : `${name}: ${rounded} l have no container; no arrangement was found that covers everything`,
      subject: groupId,
    };
  });
}
