import { isSolved, LinearModel, type Solver } from '../shared';
import type { FitContainer, FitGroup, FitRequest, Placement } from './model';
import type { Packing } from './packPiles';
import { maxStackOf, type Chosen, type Selection } from './selectContainers';
import { clearOf, findBayFault, findGroupFault, groupMassG } from './suitability';

/** One way to use a strip: one container, one way round, for one group, from front to back. */
interface StripKind {
  readonly group: FitGroup;
  readonly container: FitContainer;
  readonly turned: boolean;
  readonly width: number;
  readonly depth: number;
  /** Stacks from front to back, and containers in a stack. */
  readonly stackCount: number;
  readonly levelCount: number;
}

/** A stretch of the bay's width with nothing in the way. */
interface Stretch {
  readonly x0: number;
  readonly x1: number;
}

/**
 * Fills the bay with strips that run from front to back, each with one container of one group:
 * nothing of another group is ever in the way, so what the model chooses can always be placed.
 *
 *   ┌──┬──┬─────┬────┐
 *   │a │a │  b  │    │   a group may have several strips,
 *   │a │a │  b  │ c  │   a strip only one container
 *   └──┴──┴─────┴────┘ ← front
 *
 * Not every arrangement is made of strips: its optimum is an answer, not a bound. Returns undefined
 * where no strips cover all litres in the time.
 */
export function fitStrips(
  request: FitRequest,
  solver: Solver,
  limits: { readonly timeLimitMs: number; readonly seed: number },
): { readonly selection: Selection; readonly packing: Packing } | undefined {
  const stretches = findStretches(request);
  const kinds = request.groups.flatMap((group) => pickPromising(request, request.containers.flatMap((container) => stripKindsOf(request, group, container))));
  const model = new LinearModel();
  const strips = kinds.map((kind) => stretches.map((stretch) => model.addVariable({ most: Math.floor((widthOf(stretch) + 1e-6) / kind.width), whole: true })));
  const counts = kinds.map(() => model.addVariable({ whole: true }));
  stretches.forEach((stretch, s) => {
    const gap = request.clearances.between;
    model.addRow(kinds.map((kind, k) => [strips[k]?.[s] ?? 0, kind.width + gap] as const), { most: widthOf(stretch) + gap });
  });
  kinds.forEach((kind, k) => {
    const room = (strips[k] ?? []).map((variable) => [variable, -kind.stackCount * kind.levelCount] as const);
    model.addRow([[counts[k] ?? 0, 1], ...room], { most: 0 });
  });
  addDemands(model, request, { kinds, counts });
  const solution = minimiseInOrder(model, request, { kinds, counts, solver, limits });
  if (!solution) return undefined;
  return layOutStrips(request, stretches, {
    kinds,
    countOf: (k) => solution[counts[k] ?? 0] ?? 0,
    stripsOf: (k, s) => solution[strips[k]?.[s] ?? 0] ?? 0,
  });
}

const widthOf = (stretch: Stretch): number => stretch.x1 - stretch.x0;

/** The clear width, cut where an obstacle stands or hangs anywhere along the depth. */
function findStretches(request: FitRequest): Stretch[] {
  const clear = clearOf(request);
  const gap = request.clearances.between;
  let stretches: Stretch[] = [{ x0: clear.x0, x1: clear.x1 }];
  for (const box of request.bay.obstacles ?? []) {
    const [from, to] = [box.x - gap, box.x + box.width + gap];
    stretches = stretches.flatMap((stretch) =>
      to <= stretch.x0 || from >= stretch.x1 ? [stretch] : [{ x0: stretch.x0, x1: from }, { x0: to, x1: stretch.x1 }],
    );
  }
  return stretches.filter((stretch) => stretch.x1 > stretch.x0);
}

function stripKindsOf(request: FitRequest, group: FitGroup, container: FitContainer): StripKind[] {
  if (group.litres <= 0 || findBayFault(request, container) || findGroupFault(container, group)) return [];
  // Spread by litres, a container never holds more than its litres of the group's weight.
  const contentG = (groupMassG(group) / group.litres) * container.innerLitres;
  const limitG = container.maxLoadG ?? Infinity;
  if (contentG > limitG) return [];
  const aboveG = contentG + (container.tareG ?? 0);
  const bearable = aboveG > 0 ? 1 + Math.floor((limitG + 1e-6) / aboveG) : Infinity;
  const levelCount = Math.min(maxStackOf(request, container), bearable);
  const clear = clearOf(request);
  const gap = request.clearances.between;
  const { width, depth } = container.outer;
  const canTurn = (container.turnable ?? true) && container.shape !== 'round' && width !== depth;
  return (canTurn ? [false, true] : [false]).flatMap((turned) => {
    const size = turned ? { width: depth, depth: width } : { width, depth };
    const stackCount = Math.floor((clear.y1 - clear.y0 + gap + 1e-6) / (size.depth + gap));
    return stackCount < 1 || size.width > clear.x1 - clear.x0 ? [] : [{ group, container, turned, ...size, stackCount, levelCount }];
  });
}

/** How many kinds of strip a group keeps, by each of the two measures. */
const KEPT_BY_COST = 9;
const KEPT_BY_WIDTH = 7;

/** The cheapest by the litre and the ones that hold most by the width: a small model finds more in a second than a whole one. */
function pickPromising(request: FitRequest, kinds: readonly StripKind[]): StripKind[] {
  const isOwned = (kind: StripKind) => kind.container.priceMinor === 0;
  const perLitre = (kind: StripKind) => kind.container.priceMinor / kind.container.innerLitres;
  const perWidth = (kind: StripKind) => -(kind.container.innerLitres * kind.stackCount * kind.levelCount) / (kind.width + request.clearances.between);
  const perPiece = (kind: StripKind) => kind.container.priceMinor * Math.ceil(kind.group.litres / kind.container.innerLitres);
  const best = (measure: (kind: StripKind) => number, count: number) => [...kinds].sort((a, b) => measure(a) - measure(b)).slice(0, count);
  const kept = new Set([...kinds.filter(isOwned), ...best(perLitre, KEPT_BY_COST), ...best(perPiece, KEPT_BY_COST), ...best(perWidth, KEPT_BY_WIDTH)]);
  return kinds.filter((kind) => kept.has(kind));
}

interface Counted {
  readonly kinds: readonly StripKind[];
  readonly counts: readonly number[];
}

function addDemands(model: LinearModel, request: FitRequest, { kinds, counts }: Counted): void {
  const termsWhere = (isMeant: (kind: StripKind) => boolean, factor: (kind: StripKind) => number) =>
    kinds.flatMap((kind, k) => (isMeant(kind) ? [[counts[k] ?? 0, factor(kind)] as const] : []));
  for (const group of request.groups) {
    model.addRow(termsWhere((kind) => kind.group === group, (kind) => kind.container.innerLitres), { least: group.litres });
  }
  for (const container of request.containers) {
    if (container.available !== undefined) model.addRow(termsWhere((kind) => kind.container === container, () => 1), { most: container.available });
  }
  if (request.bay.maxLoadG !== undefined) {
    const contentG = request.groups.reduce((sum, group) => sum + (group.litres > 0 ? groupMassG(group) : 0), 0);
    model.addRow(termsWhere(() => true, (kind) => kind.container.tareG ?? 0), { most: request.bay.maxLoadG - contentG });
  }
}

/** The first aim, then cost. `easy` is met by strips as such, so that cost alone is left. */
function minimiseInOrder(
  model: LinearModel,
  request: FitRequest,
  { kinds, counts, solver, limits }: Counted & { readonly solver: Solver; readonly limits: { readonly timeLimitMs: number; readonly seed: number } },
): readonly number[] | undefined {
  const cost = kinds.map((kind, k) => [counts[k] ?? 0, kind.container.priceMinor] as const);
  const bought = kinds.map((kind, k) => [counts[k] ?? 0, kind.container.priceMinor > 0 ? 1 : 0] as const);
  const used = request.prefer === 'uniform' ? addKindsUsed(model, request, { kinds, counts }) : [];
  const aims = request.prefer === 'uniform' ? [used, cost] : request.prefer === 'reuse' ? [bought, cost] : [cost];
  let values: readonly number[] | undefined;
  for (const aim of aims) {
    const next = model.minimise(solver, aim, limits);
    if (!isSolved(next)) break;
    values = next.values;
    model.addRow(aim, { most: next.objective + 1e-6 });
  }
  return values;
}

function addKindsUsed(model: LinearModel, request: FitRequest, { kinds, counts }: Counted): (readonly [number, number])[] {
  return request.containers.map((container) => {
    const isUsed = model.addVariable({ most: 1, whole: true });
    const own = kinds.flatMap((kind, k) => (kind.container === container ? [[counts[k] ?? 0, 1] as const] : []));
    if (own.length > 0) model.addRow([...own, [isUsed, -1000]], { most: 0 });
    return [isUsed, 1] as const;
  });
}

interface StripPlan {
  readonly kinds: readonly StripKind[];
  readonly countOf: (kindIndex: number) => number;
  readonly stripsOf: (kindIndex: number, stretchIndex: number) => number;
}

function layOutStrips(request: FitRequest, stretches: readonly Stretch[], plan: StripPlan): { selection: Selection; packing: Packing } {
  const gap = request.clearances.between;
  const placements: Placement[] = [];
  const left = plan.kinds.map((_, k) => plan.countOf(k));
  stretches.forEach((stretch, s) => {
    let { x0: x } = stretch;
    plan.kinds.forEach((kind, k) => {
      for (let strip = 0; strip < plan.stripsOf(k, s) && (left[k] ?? 0) > 0; strip += 1) {
        const count = Math.min(left[k] ?? 0, kind.stackCount * kind.levelCount);
        placements.push(...fillStrip(request, kind, { x, count }));
        left[k] = (left[k] ?? 0) - count;
        x += kind.width + gap;
      }
    });
  });
  const chosen = plan.kinds
    .map((kind, k): Chosen => ({ container: kind.container, group: kind.group, count: plan.countOf(k) }))
    .filter(({ count }) => count > 0);
  return { selection: { chosen, areaMm2: 0 }, packing: { placements, blockingG: 0 } };
}

/** Front to back, then up: what is in front of a group is the group itself. */
function fillStrip(request: FitRequest, kind: StripKind, { x, count }: { readonly x: number; readonly count: number }): Placement[] {
  const { y0 } = clearOf(request);
  const stacks = Math.min(kind.stackCount, count);
  return Array.from({ length: count }, (_, i) => ({
    containerId: kind.container.id,
    groupId: kind.group.id,
    x,
    y: y0 + (i % stacks) * (kind.depth + request.clearances.between),
    z: Math.floor(i / stacks) * kind.container.outer.height,
    turned: kind.turned,
  }));
}
