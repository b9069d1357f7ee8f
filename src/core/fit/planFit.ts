import type { Clock, Solver } from '../shared';
import type { FitAnswer, FitReason, FitRequest, Placement } from './model';
import type { Packing } from './packPiles';
import { FitSearch, type FoundFit } from './searchFit';
import { searchPartial } from './searchPartial';
import { findFloorCuts } from './floorCuts';
import { floorRowsOf, type FloorRow } from './floorRows';
import { ContainerSelection, maxStackOf, type Chosen, type RelaxedFit } from './selectContainers';
import { explainUnused, type FitQuestion } from './suitability';

interface Means {
  readonly solver: Solver;
  readonly clock: Clock;
  /** Told the first valid answer, before it is bettered. */
  readonly onFirst?: (answer: FitAnswer) => void;
}

/** Shares of the time: at most until a first answer, for the bound by area, for the one by sizes, and of the search where nothing stands yet. */
const FIRST_SHARE = 0.35;
const BOUND_SHARE = 0.25;
const TIGHTER_SHARE = 0.12;
/** Rounds of rows that the choice breaks, and the share of the time after which no more are made. */
const MOST_CUT_ROUNDS = 4;
const CUTS_UNTIL = 0.5;
const SEARCH_SHARE = 0.75;
/** Tries at placing the choice that the bound is made of: often it stands, and is then the best there is. */
const BOUND_TRIES = 400;
const BOUND_NODES = 150_000;

/**
 * Chooses containers for the groups of one bay and says where each stands.
 *
 * Method: `FitSearch` covers groups and stands containers by every rule, at first quickly, then
 * better; a mixed-integer model that leaves the places out gives the proven bound and one more choice to
 * stand. Where no way to cover all litres is found, the best partial answer found is given.
 * Requires: a parsed request. Ensures: no hard rule of docs/engines.md is broken. Deterministic
 * unless `timeLimitMs` cuts it.
 */
export function planFit(request: FitQuestion, { solver, clock, onFirst }: Means): FitAnswer {
  const startMs = clock();
  const passedMs = () => clock() - startMs;
  const leftMs = (share: number) => () => request.timeLimitMs * share - passedMs();
  const finish = (found: FoundFit, bound: number): FitAnswer => {
    const answer = sumUp(request, found.chosen, found.packing);
    const objective = found.score[0];
    const proven = Math.min(objective, bound);
    const isOptimal = objective - proven <= 1e-6 * Math.max(1, objective);
    return { status: isOptimal ? 'optimal' : 'feasible', objective, bound: proven, elapsedMs: passedMs(), ...answer, unmet: [], reasons: [] };
  };
  if (request.groups.every(({ litres }) => litres <= 0)) return finish({ chosen: [], packing: { placements: [], blockingG: 0 }, score: [0, 0] }, 0);
  const limits: { share: number } = { share: FIRST_SHARE };
  const floorRows = floorRowsOf(request);
  const search = new FitSearch(request, floorRows, () => leftMs(limits.share)());
  if (search.findFirst() && search.best) onFirst?.(finish(search.best, 0));
  const relax = (rows: readonly FloorRow[], share: number): RelaxedFit => {
    const untilMs = passedMs() + share * request.timeLimitMs;
    return new ContainerSelection(request, rows).solve(request.prefer, solver, { timeLeftMs: () => untilMs - passedMs(), seed: request.seed });
  };
  // The area alone is quick; what sizes shut out comes after it, where that leaves a difference.
  let relaxed = relax(floorRows.slice(0, 1), BOUND_SHARE);
  const isBest = (found: FoundFit): boolean => found.score[0] <= relaxed.bound + 1e-6 && (request.prefer === 'cost' || found.score[1] <= relaxed.leastCostMinor + 1e-6);
  const follow = (): void => {
    if (relaxed.selection && !relaxed.isImpossible) search.offer(relaxed.selection, BOUND_TRIES, BOUND_NODES);
  };
  limits.share = search.best ? 1 : SEARCH_SHARE;
  follow();
  if (!relaxed.isImpossible && search.best && !isBest(search.best) && passedMs() < BOUND_SHARE * 2 * request.timeLimitMs) {
    let rows = floorRows;
    for (let round = 0; round < MOST_CUT_ROUNDS && !relaxed.isImpossible && search.best && !isBest(search.best) && passedMs() < CUTS_UNTIL * request.timeLimitMs; round += 1) {
      const tighter = relax(rows, TIGHTER_SHARE);
      relaxed = { ...tighter, bound: Math.max(relaxed.bound, tighter.bound), leastCostMinor: Math.max(relaxed.leastCostMinor, tighter.leastCostMinor) };
      follow();
      const cuts = tighter.selection ? findFloorCuts(request, stacksOf(request, tighter.selection), { solver, seed: request.seed }) : [];
      if (cuts.length === 0) break;
      rows = [...rows, ...cuts];
    }
  }
  if (!relaxed.isImpossible) search.improve(isBest);
  if (search.best) return finish(search.best, relaxed.bound);
  // The partial answer gets time of its own, so that a hard question still ends with something.
  const partial = searchPartial(request, { selection: relaxed.selection, densest: search.densest, leftMs: leftMs(1.1) });
  const unmet = request.groups.flatMap((group) => {
    const litres = group.litres - offeredLitres(partial.chosen, group.id);
    return litres > 1e-9 ? [{ groupId: group.id, litres }] : [];
  });
  // Filling group by group can find what the search for everything did not.
  if (unmet.length === 0) return finish({ chosen: partial.chosen, packing: partial.packing, score: search.scoreOf(partial.chosen, partial.packing.blockingG) }, relaxed.bound);
  return {
    status: 'infeasible', objective: null, bound: null, elapsedMs: passedMs(), ...sumUp(request, partial.chosen, partial.packing), unmet,
    reasons: [...explainShortage(request, unmet, relaxed.isImpossible), ...explainUnused(request)],
  };
}

/** The fewest stacks that a choice makes, by container. */
function stacksOf(request: FitQuestion, chosen: readonly Chosen[]): { readonly container: Chosen['container']; readonly count: number }[] {
  const counts = new Map<Chosen['container'], number>();
  for (const { container, count } of chosen) counts.set(container, (counts.get(container) ?? 0) + count);
  return [...counts].map(([container, count]) => ({ container, count: Math.ceil(count / maxStackOf(request, container)) }));
}

function sumUp(request: FitRequest, chosen: readonly Chosen[], packing: Packing) {
  const costMinor = chosen.reduce((sum, { container, count }) => sum + container.priceMinor * count, 0);
  const offered = request.groups.map((group) => offeredLitres(chosen, group.id));
  const usedLitres = request.groups.reduce((sum, group, i) => sum + Math.min(group.litres, offered[i] ?? 0), 0);
  const placements: readonly Placement[] = packing.placements;
  return { placements: [...placements], costMinor, usedLitres, freeLitres: offered.reduce((a, b) => a + b, 0) - usedLitres };
}

const offeredLitres = (chosen: readonly Chosen[], groupId: string): number =>
  chosen
    .filter(({ group }) => group.id === groupId)
    .reduce((sum, { container, count }) => sum + container.innerLitres * count, 0);

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
