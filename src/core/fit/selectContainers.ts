import { isSolved, LinearModel, type LinearSolution, type Solver } from '../shared';
import type { FitAim, FitContainer, FitGroup, FitRequest } from './model';
import { clearOf, findBayFault, findGroupFault, groupMassG } from './suitability';

/** How many of one container hold one group. */
export interface Chosen {
  readonly container: FitContainer;
  readonly group: FitGroup;
  readonly count: number;
}

export interface Selection {
  readonly chosen: readonly Chosen[];
  /** Floor that the selection takes at its tightest stacking, mm², gaps included. */
  readonly areaMm2: number;
}

/** A container for a group that neither the bay nor the group rules out. */
interface Pair {
  readonly container: FitContainer;
  readonly group: FitGroup;
  readonly most: number;
}

/** Highest stack of a container that the bay's clear height and its own limit allow. */
export function maxStackOf(request: FitRequest, container: FitContainer): number {
  if (!container.stackable) return 1;
  const byHeight = Math.floor((clearOf(request).z1 + 1e-6) / container.outer.height);
  return Math.max(1, Math.min(byHeight, container.maxStack ?? Infinity, 12));
}

/** Floor of one stack with its share of the gaps; disjoint stacks can never take less. */
function footprintMm2(request: FitRequest, container: FitContainer): number {
  const gap = request.clearances.between;
  const { width, depth } = container.outer;
  return container.shape === 'round' ? (Math.PI / 4) * (width + gap) ** 2 : (width + gap) * (depth + gap);
}

/** All the floor there is, gaps included. */
export function floorMm2(request: FitRequest): number {
  const clear = clearOf(request);
  const gap = request.clearances.between;
  return Math.max(0, clear.x1 - clear.x0 + gap) * Math.max(0, clear.y1 - clear.y0 + gap);
}

/**
 * Chooses containers by litres, floor area, number and mass, leaving out where exactly they stand.
 * Since it only leaves rules out, its optimum is a proven bound for the whole question.
 */
export class ContainerSelection {
  private readonly pairs: readonly Pair[];
  private readonly model = new LinearModel();
  private readonly counts: readonly number[];
  private readonly shortages: readonly number[];
  private readonly kinds: ReadonlyMap<string, number>;
  private readonly area: readonly (readonly [number, number])[];

  constructor(
    private readonly request: FitRequest,
    { mayFallShort, areaLimitMm2 }: { readonly mayFallShort: boolean; readonly areaLimitMm2: number },
  ) {
    this.pairs = findPairs(request);
    this.counts = this.pairs.map((pair) => this.model.addVariable({ most: pair.most, whole: true }));
    this.shortages = request.groups.map((group) => this.model.addVariable({ most: mayFallShort ? group.litres : 0 }));
    const used = request.containers.filter((container) => this.pairs.some((pair) => pair.container.id === container.id));
    this.kinds = new Map(used.map((container) => [container.id, this.model.addVariable({ most: 1, whole: true })]));
    this.addGroupRows();
    this.area = used.flatMap((container) => this.addContainerRows(container));
    this.model.addRow(this.area, { most: areaLimitMm2 });
    this.addLoadRow();
  }

  /**
   * Least of the first aim, then least cost. `bound` is proven for the first aim. To be called once:
   * it narrows the model from aim to aim.
   */
  solve(
    aim: FitAim,
    solver: Solver,
    limits: { readonly timeLimitMs: number; readonly seed: number },
  ): { readonly selection: Selection | undefined; readonly bound: number; readonly isImpossible: boolean } {
    const cost = this.counts.map((variable, i) => [variable, this.pairs[i]?.container.priceMinor ?? 0] as const);
    const aims = this.aimsOf(aim, cost);
    let last: LinearSolution | undefined;
    let bound = 0;
    for (const [i, terms] of aims.entries()) {
      const next = this.model.minimise(solver, terms, limits);
      if (i === 0) bound = aim === 'easy' ? 0 : Math.max(0, next.bound);
      if (!isSolved(next)) {
        if (i === 0) return { selection: undefined, bound, isImpossible: next.status === 'infeasible' };
        break;
      }
      last = next;
      if (i + 1 < aims.length) this.model.addRow(terms, { most: next.objective + 1e-6 });
    }
    return { selection: last && this.toSelection(last), bound, isImpossible: false };
  }

  /** Least litres without a container. */
  solveShortage(solver: Solver, limits: { readonly timeLimitMs: number; readonly seed: number }): Selection | undefined {
    const shortage = this.shortages.map((variable) => [variable, 1] as const);
    const first = this.model.minimise(solver, shortage, limits);
    return isSolved(first) ? this.toSelection(first) : undefined;
  }

  private aimsOf(aim: FitAim, cost: readonly (readonly [number, number])[]) {
    // Among equals take little floor: it is what placing will be short of.
    const floor = this.area.map(([variable, factor]) => [variable, factor / 1e4] as const);
    switch (aim) {
      case 'cost': return [cost, floor];
      case 'easy': return [cost, floor];
      case 'uniform': return [[...this.kinds.values()].map((variable) => [variable, 1] as const), cost];
      case 'reuse':
        return [this.counts.map((variable, i) => [variable, this.pairs[i]?.container.priceMinor === 0 ? 0 : 1] as const), cost];
    }
  }

  private addGroupRows(): void {
    this.request.groups.forEach((group, g) => {
      const offered = this.pairs.flatMap((pair, i) =>
        pair.group.id === group.id ? [[this.counts[i] ?? 0, pair.container.innerLitres] as const] : [],
      );
      this.model.addRow([...offered, [this.shortages[g] ?? 0, 1]], { least: group.litres });
      this.pairs.forEach((pair, i) => {
        if (pair.group.id !== group.id || pair.container.maxLoadG === undefined) return;
        const neededLitres = (groupMassG(group) * pair.container.innerLitres) / Math.max(1e-9, pair.container.maxLoadG);
        if (neededLitres <= group.litres) return;
        // Content is spread by litres: this container bears its share only where enough is offered.
        const isUsed = this.model.addVariable({ most: 1, whole: true });
        this.model.addRow([[this.counts[i] ?? 0, 1], [isUsed, -pair.most]], { most: 0 });
        this.model.addRow([...offered, [isUsed, -neededLitres]], { least: 0 });
      });
    });
  }

  private addContainerRows(container: FitContainer): (readonly [number, number])[] {
    const counts = this.pairs.flatMap((pair, i) => (pair.container.id === container.id ? [[this.counts[i] ?? 0, 1] as const] : []));
    if (container.available !== undefined) this.model.addRow(counts, { most: container.available });
    const most = this.pairs.reduce((sum, pair) => (pair.container.id === container.id ? sum + pair.most : sum), 0);
    const kind = this.kinds.get(container.id) ?? 0;
    this.model.addRow([...counts, [kind, -most]], { most: 0 });
    // The fewest stacks that could hold them.
    const stacks = this.model.addVariable({ whole: true, most });
    this.model.addRow([...counts, [stacks, -maxStackOf(this.request, container)]], { most: 0 });
    return [[stacks, footprintMm2(this.request, container)] as const];
  }

  private addLoadRow(): void {
    if (this.request.bay.maxLoadG === undefined) return;
    const contentG = this.request.groups.reduce((sum, group) => sum + (group.litres > 0 ? groupMassG(group) : 0), 0);
    const lighter = this.request.groups.map(
      (group, g) => [this.shortages[g] ?? 0, group.litres > 0 ? -groupMassG(group) / group.litres : 0] as const,
    );
    const tare = this.counts.map((variable, i) => [variable, this.pairs[i]?.container.tareG ?? 0] as const);
    this.model.addRow([...tare, ...lighter], { most: this.request.bay.maxLoadG - contentG });
  }

  private toSelection(solution: LinearSolution): Selection {
    const chosen = this.pairs
      .map((pair, i) => ({ container: pair.container, group: pair.group, count: solution.values[this.counts[i] ?? 0] ?? 0 }))
      .filter(({ count }) => count > 0);
    const areaMm2 = [...this.kinds.keys()].reduce((sum, id) => {
      const same = chosen.filter(({ container }) => container.id === id);
      const first = same[0];
      if (!first) return sum;
      const stacks = Math.ceil(same.reduce((n, { count }) => n + count, 0) / maxStackOf(this.request, first.container));
      return sum + stacks * footprintMm2(this.request, first.container);
    }, 0);
    return { chosen, areaMm2 };
  }
}

function findPairs(request: FitRequest): Pair[] {
  const standing = request.containers.filter((container) => findBayFault(request, container) === undefined);
  return request.groups.flatMap((group) =>
    standing
      .filter((container) => group.litres > 0 && findGroupFault(container, group) === undefined)
      .map((container) => {
        const byMass = container.maxLoadG === undefined ? 0 : groupMassG(group) / Math.max(1e-9, container.maxLoadG);
        const byLitres = group.litres / container.innerLitres;
        const most = Math.min(container.available ?? Infinity, Math.ceil(Math.max(byLitres, byMass)), 400);
        return { container, group, most };
      }),
  );
}
