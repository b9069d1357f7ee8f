import {
  isSolved,
  type LinearModel,
  type LinearSolution,
  type MinimiseOptions,
  type Solver,
} from './linearModel';

/** A solution, and the variables that are at their least in every solution as good as it. */
export interface Narrowed {
  readonly solution: LinearSolution;
  readonly shut: ReadonlySet<number>;
}

/** Variables that the first, small search may use: those with the least reduced costs. */
const FIRST_SHARE = 0.5;
const FIRST_LEAST = 60;
const TOLERANCE = 1e-6;

/**
 * Minimises like `LinearModel.minimise`, for models with many variables of which few are worth
 * using. Without whole numbers every variable has a reduced cost, the least that using it once adds
 * to that relaxed optimum. A search among the cheapest gives an answer; every variable whose reduced
 * cost is above the difference between answer and relaxed optimum can be in no better one and is
 * shut. Source: reduced-cost fixing, Nemhauser and Wolsey, Integer and Combinatorial Optimization, II.5.
 * Requires: whatever the variables, the aim is whole (money in minor units, pieces, kinds).
 * Ensures: status, objective and bound are those of the whole model.
 */
export function minimiseNarrowed(
  model: LinearModel,
  solver: Solver,
  aim: readonly (readonly [number, number])[],
  options: Pick<MinimiseOptions, 'seed' | 'start'> & {
    readonly timeLeftMs: () => number;
    /** The start is near the best: a small search before the whole one would only cost time. */
    readonly isStartNear?: boolean;
  },
): Narrowed {
  const limits = () => ({ timeLimitMs: Math.max(20, options.timeLeftMs()), seed: options.seed });
  const relaxed = model.minimise(solver, aim, { ...limits(), isRelaxed: true });
  const whole = (): Narrowed => ({
    solution: model.minimise(solver, aim, { ...limits(), start: options.start }),
    shut: new Set(),
  });
  if (relaxed.status !== 'optimal')
    return relaxed.status === 'infeasible' ? { solution: relaxed, shut: new Set() } : whole();
  const floor = Math.ceil(relaxed.objective - TOLERANCE);
  const costs = relaxed.reducedCosts.map((cost, i) => (relaxed.values[i]! > TOLERANCE ? 0 : cost));
  const ranked = [...costs].sort((a, b) => a - b);
  const cut = Math.max(
    ranked[Math.max(FIRST_LEAST, Math.floor(ranked.length * FIRST_SHARE))] ?? Infinity,
    TOLERANCE,
  );
  const dear = (limit: number): Set<number> =>
    new Set(costs.flatMap((cost, i) => (cost > limit + TOLERANCE ? [i] : [])));
  const startValue =
    options.start &&
    aim.reduce((sum, [variable, factor]) => sum + factor * (options.start?.[variable] ?? 0), 0);
  if (options.isStartNear && startValue !== undefined) {
    const shut = dear(startValue - relaxed.objective);
    const best = model.minimise(solver, aim, { ...limits(), shut, start: options.start });
    return { solution: { ...best, bound: Math.max(floor, best.bound) }, shut };
  }
  const firstShut = dear(
    startValue === undefined ? cut : Math.min(cut, Math.max(0, startValue - relaxed.objective)),
  );
  const first = model.minimise(solver, aim, { ...limits(), shut: firstShut, start: options.start });
  if (!isSolved(first)) return whole();
  const found = (solution: LinearSolution): Narrowed => ({
    solution,
    shut: dear(solution.objective - relaxed.objective),
  });
  if (first.objective <= floor + TOLERANCE)
    return found({ ...first, status: 'optimal', bound: Math.min(first.objective, floor) });
  // Only what could be better by a whole unit is of interest.
  const rest = dear(first.objective - relaxed.objective - 1 + TOLERANCE);
  if (first.status === 'optimal' && [...firstShut].every((variable) => rest.has(variable)))
    return found(first);
  const last = model.minimise(solver, aim, { ...limits(), shut: rest, start: first.values });
  if (last.status === 'infeasible')
    return found({ ...first, status: 'optimal', bound: first.objective });
  const best = isSolved(last) && last.objective < first.objective ? last : first;
  return found({
    ...best,
    status: last.status === 'optimal' ? 'optimal' : 'feasible',
    bound: Math.min(best.objective, Math.max(floor, last.bound)),
  });
}
