import { type FitContainer, type FitRequest } from '@/core/fit';
import { createRandom, isSolved, LinearModel, type Random, type Solver } from '@/core/shared';

interface Rect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly depth: number;
}
interface PlainFit {
  /** Undefined where nothing stood. */
  readonly costMinor: number | undefined;
  /** What the choice costs that leaves the places out. */
  readonly boundMinor: number;
}

const SHARE_STEP = 0.03;
const LEAST_SHARE = 0.3;
const SELECT_MS = 3000;
const STARTS = 400;

/**
 * The plain way to fit a bay, to measure against: containers by floor area and cost from one linear
 * model, then stood where the short side
 * leaves least, from many shuffled orders; where that fails, once more with 3 % less floor. Reach,
 * mass and what stands before what are left out, so it has it easier.
 */
export function planPlainly(request: FitRequest, solver: Solver): PlainFit {
  const random = createRandom(1);
  let boundMinor = 0;
  for (let share = 1; share > LEAST_SHARE; share -= SHARE_STEP) {
    const choice = chooseByArea(request, solver, share);
    if (!choice) continue;
    if (share === 1) boundMinor = choice.boundMinor;
    if (standsSomehow(request, choice.stacks, random))
      return { costMinor: choice.costMinor, boundMinor };
  }
  return { costMinor: undefined, boundMinor };
}

const roomOf = ({ bay, clearances }: FitRequest): Rect => ({
  x: clearances.side,
  y: clearances.front,
  width: bay.width - 2 * clearances.side + clearances.between,
  depth: bay.depth - clearances.front - clearances.back + clearances.between,
});

function chooseByArea(
  request: FitRequest,
  solver: Solver,
  share: number,
):
  | {
      readonly stacks: readonly FitContainer[];
      readonly costMinor: number;
      readonly boundMinor: number;
    }
  | undefined {
  const {
    bay,
    clearances: { between, top },
    groups,
  } = request;
  const room = roomOf(request);
  const containers = request.containers.filter(
    ({ outer }) =>
      outer.height <= bay.height - top &&
      Math.min(outer.width, outer.depth) <= Math.min(bay.width, bay.depth),
  );
  const model = new LinearModel();
  const rows = containers.map((container) => {
    const high = container.stackable
      ? Math.max(
          1,
          Math.min(
            container.maxStack ?? Infinity,
            Math.floor((bay.height - top) / container.outer.height),
          ),
        )
      : 1;
    return {
      container,
      high,
      stacks: model.addVariable({ whole: true }),
      counts: groups.map(() => model.addVariable({ whole: true })),
    };
  });
  groups.forEach((group, g) =>
    model.addRow(
      rows.map(({ container, counts }) => [counts[g] ?? 0, container.innerLitres] as const),
      { least: group.litres },
    ),
  );
  for (const { high, stacks, counts } of rows)
    model.addRow([[stacks, -high], ...counts.map((count) => [count, 1] as const)], { most: 0 });
  const obstaclesMm2 = (bay.obstacles ?? []).reduce(
    (sum, { width, depth }) => sum + width * depth,
    0,
  );
  model.addRow(
    rows.map(
      ({ container: { outer }, stacks }) =>
        [stacks, (outer.width + between) * (outer.depth + between)] as const,
    ),
    { most: (room.width * room.depth - obstaclesMm2) * share },
  );
  const solution = model.minimise(
    solver,
    rows.flatMap(({ container, counts }) =>
      counts.map((count) => [count, container.priceMinor] as const),
    ),
    { timeLimitMs: SELECT_MS, seed: 1 },
  );
  if (!isSolved(solution)) return undefined;
  return {
    costMinor: solution.objective,
    boundMinor: solution.bound,
    stacks: rows.flatMap(({ container, stacks }) =>
      Array.from({ length: Math.round(solution.values[stacks] ?? 0) }, () => container),
    ),
  };
}

function standsSomehow(
  request: FitRequest,
  stacks: readonly FitContainer[],
  random: Random,
): boolean {
  const { between } = request.clearances;
  const obstacles = (request.bay.obstacles ?? []).map(({ x, y, width, depth }) => ({
    x: x - between,
    y: y - between,
    width: width + 2 * between,
    depth: depth + 2 * between,
  }));
  for (let start = 0; start < STARTS; start += 1) {
    const order =
      start === 0
        ? [...stacks].sort((a, b) => b.outer.width * b.outer.depth - a.outer.width * a.outer.depth)
        : stacks
            .map((stack) => ({ stack, at: random() }))
            .sort((a, b) => a.at - b.at)
            .map(({ stack }) => stack);
    let free: readonly Rect[] = obstacles.reduce<readonly Rect[]>(
      (left, obstacle) => without(left, obstacle),
      [roomOf(request)],
    );
    const stand = ({ outer }: FitContainer): boolean => {
      const ways = [
        { width: outer.width + between, depth: outer.depth + between },
        { width: outer.depth + between, depth: outer.width + between },
      ];
      const places = free.flatMap((rect) =>
        ways
          .filter(({ width, depth }) => width <= rect.width && depth <= rect.depth)
          .map((way) => ({
            x: rect.x,
            y: rect.y,
            ...way,
            spare: Math.min(rect.width - way.width, rect.depth - way.depth),
          })),
      );
      if (places.length === 0) return false;
      free = without(
        free,
        places.reduce((a, b) => (b.spare < a.spare ? b : a)),
      );
      return true;
    };
    if (order.every(stand)) return true;
  }
  return false;
}

/** The largest rectangles that are free once this one is taken. */
function without(free: readonly Rect[], taken: Rect): Rect[] {
  const parts = free.flatMap((rect): Rect[] => {
    const [right, back, takenRight, takenBack] = [
      rect.x + rect.width,
      rect.y + rect.depth,
      taken.x + taken.width,
      taken.y + taken.depth,
    ];
    if (taken.x >= right || takenRight <= rect.x || taken.y >= back || takenBack <= rect.y)
      return [rect];
    return [
      { ...rect, width: taken.x - rect.x },
      { ...rect, x: takenRight, width: right - takenRight },
      { ...rect, depth: taken.y - rect.y },
      { ...rect, y: takenBack, depth: back - takenBack },
    ].filter(({ width, depth }) => width > 0 && depth > 0);
  });
  return parts.filter(
    (rect, i) =>
      !parts.some(
        (other, j) => i !== j && contains(other, rect) && (j < i || !contains(rect, other)),
      ),
  );
}

const contains = (outer: Rect, inner: Rect): boolean =>
  outer.x <= inner.x &&
  outer.y <= inner.y &&
  outer.x + outer.width >= inner.x + inner.width &&
  outer.y + outer.depth >= inner.y + inner.depth;
