import { isSolved, LinearModel, type Solver } from '../shared';
import type { FloorRow } from './floorRows';
import type { FitContainer, FitRequest } from './model';
import { clearOf, liesOf } from './suitability';

/** One way round a box lies: along the slices, and across them. */
interface Lie {
  readonly along: number;
  readonly across: number;
}
/** A stack that was chosen so often, and the ways that it may lie. */
interface Item {
  readonly count: number;
  readonly lies: readonly Lie[];
}

const STEP_MM = 0.1;
const MOST_PATTERNS = 1500;
const EPS = 1e-6;

/**
 * Rows that a choice of stacks breaks though its area would do: the floor is cut into thin slices from
 * front to back (and then from side to side), every slice a set of depths that goes in; where the slices that
 * the choice needs are together wider than the floor, the weights of the depths in that
 * linear model are a dual feasible function that no choice that stands can break.
 *
 *     ┌─┬─┬─┐   Slices of a floor: what is wanted of each box is its width in slices that hold its depth.
 *     │A│A│C│
 *     │B│B│C│
 *     └─┴─┴─┘
 *
 * Source: the bar relaxation, Scheithauer, "LP-based bounds for the container and multi-container loading
 * problem", 1999; superadditive functions from knapsacks, Fekete and Schepers, 2004.
 */
export function findFloorCuts(
  request: FitRequest,
  stacks: readonly { readonly container: FitContainer; readonly count: number }[],
  { solver, seed }: { readonly solver: Solver; readonly seed: number },
): FloorRow[] {
  const { x0, x1, y0, y1 } = clearOf(request);
  const gap = request.clearances.between;
  const [width, depth] = [x1 - x0 + gap, y1 - y0 + gap];
  if (width <= 0 || depth <= 0 || (request.bay.obstacles ?? []).length > 0) return [];
  return [
    { length: depth, breadth: width, isAcross: false },
    { length: width, breadth: depth, isAcross: true },
  ].flatMap(({ length, breadth, isAcross }): FloorRow[] => {
    const slicesOf = (container: FitContainer): Lie[] =>
      liesOf(request, container).map((lie) =>
        isAcross
          ? { along: lie.width, across: lie.depth }
          : { along: lie.depth, across: lie.width },
      );
    const weigh = findWeights(
      stacks.map(({ container, count }) => ({ count, lies: slicesOf(container) })),
      { length, breadth, solver, seed },
    );
    if (!weigh) return [];
    return [
      {
        most: breadth + EPS,
        of: (container) => {
          const lies = slicesOf(container);
          return lies.length === 0
            ? breadth + 1
            : Math.min(...lies.map(({ along, across }) => weigh(along) * across));
        },
      },
    ];
  });
}

/**
 * The function of the length along a slice by which these items need more than the breadth;
 * undefined where they do not.
 */
function findWeights(
  items: readonly Item[],
  {
    length,
    breadth,
    solver,
    seed,
  }: {
    readonly length: number;
    readonly breadth: number;
    readonly solver: Solver;
    readonly seed: number;
  },
): ((along: number) => number) | undefined {
  // A step too long is safe: what is counted as longer goes in less often.
  const stepsOf = (along: number): number => Math.ceil(along / STEP_MM - EPS);
  const capacity = Math.floor(length / STEP_MM + EPS);
  const alongs = [
    ...new Set(items.flatMap(({ lies }) => lies.map(({ along }) => stepsOf(along)))),
  ].sort((a, b) => b - a);
  const patterns = listPatterns(alongs, capacity);
  if (!patterns || items.some(({ lies }) => lies.length === 0)) return undefined;
  const model = new LinearModel();
  const slices = patterns.map(() => model.addVariable());
  const lying = items.map(({ lies }) => lies.map(() => model.addVariable()));
  alongs.forEach((steps, a) =>
    model.addRow(
      [
        ...patterns.map((pattern, p) => [slices[p]!, pattern[a]!] as const),
        ...items.flatMap(({ lies }, i) =>
          lies.flatMap((lie, l) =>
            stepsOf(lie.along) === steps ? [[lying[i]?.[l] ?? 0, -lie.across] as const] : [],
          ),
        ),
      ],
      { least: 0 },
    ),
  );
  items.forEach(({ count }, i) =>
    model.addRow(
      (lying[i] ?? []).map((variable) => [variable, 1] as const),
      { least: count, most: count },
    ),
  );
  const solution = model.minimise(
    solver,
    slices.map((variable) => [variable, 1] as const),
    { timeLimitMs: 200, seed, isRelaxed: true },
  );
  if (!isSolved(solution) || solution.objective <= breadth * (1 + 1e-6)) return undefined;
  // The most that fits within each length: superadditive, and one at the whole length.
  const most = new Float64Array(capacity + 1);
  for (let at = 1; at <= capacity; at += 1) {
    let value = most[at - 1]!;
    for (let a = 0; a < alongs.length; a += 1) {
      const steps = alongs[a]!;
      if (steps <= at)
        value = Math.max(value, most[at - steps]! + Math.max(0, solution.rowDuals[a]!));
    }
    most[at] = value;
  }
  const whole = most[capacity]!;
  return whole <= 0
    ? undefined
    : (along) => most[Math.min(capacity, Math.floor(along / STEP_MM + EPS))]! / whole;
}

/** Every way to fill a slice to which nothing can be added; undefined where there are too many. */
function listPatterns(alongs: readonly number[], capacity: number): Int32Array[] | undefined {
  const patterns: Int32Array[] = [];
  const counts = new Int32Array(alongs.length);
  const least = alongs[alongs.length - 1] ?? Infinity;
  const fill = (from: number, left: number): boolean => {
    if (left < least) {
      patterns.push(Int32Array.from(counts));
      return patterns.length <= MOST_PATTERNS;
    }
    if (from >= alongs.length) return true;
    const steps = alongs[from] ?? 1;
    for (let n = Math.floor(left / steps); n >= 0; n -= 1) {
      counts[from] = n;
      if (!fill(from + 1, left - n * steps)) return false;
    }
    counts[from] = 0;
    return true;
  };
  return fill(0, capacity) ? patterns : undefined;
}
