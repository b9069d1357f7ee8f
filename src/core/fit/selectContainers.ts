import {
  isSolved,
  LinearModel,
  minimiseNarrowed,
  type LinearSolution,
  type Narrowed,
  type Solver,
} from '../shared';
import type { FitAim } from './codes';
import type { FitContainer, FitGroup, FitRequest } from './model';
import type { FloorRow } from './floorRows';
import { clearOf, findBayFault, groupMassG, suits, type FitQuestion } from './suitability';

/** How many of one container hold one group. */
export interface Chosen {
  readonly container: FitContainer;
  readonly group: FitGroup;
  readonly count: number;
}

export interface RelaxedFit {
  readonly selection: readonly Chosen[] | undefined;
  readonly bound: number;
  readonly leastCostMinor: number;
  readonly isImpossible: boolean;
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

/**
 * Chooses containers by litres, floor area, number and mass, leaving out where exactly they stand.
 * Since it only leaves rules out, its optimum is a proven bound for the whole question.
 */
export class ContainerSelection {
  private readonly pairs: readonly Pair[];
  private readonly model = new LinearModel();
  private readonly counts: readonly number[];
  private readonly kinds: ReadonlyMap<string, number>;
  private readonly stacks: readonly {
    readonly container: FitContainer;
    readonly variable: number;
  }[];

  constructor(
    private readonly request: FitQuestion,
    private readonly floorRows: readonly FloorRow[],
  ) {
    this.pairs = keepUndominated(request, findPairs(request), floorRows);
    this.counts = this.pairs.map((pair) =>
      this.model.addVariable({ most: pair.most, whole: true }),
    );
    const used = request.containers.filter((container) =>
      this.pairs.some((pair) => pair.container.id === container.id),
    );
    this.kinds = new Map(
      used.map((container) => [container.id, this.model.addVariable({ most: 1, whole: true })]),
    );
    this.addGroupRows();
    this.stacks = used.map((container) => ({
      container,
      variable: this.addContainerRows(container),
    }));
    for (const row of floorRows)
      this.model.addRow(
        this.stacks.map(({ container, variable }) => [variable, row.of(container)] as const),
        { most: row.most },
      );
    this.addLoadRow();
  }

  /**
   * Least of the first aim, then least cost, then least floor. `bound` is proven for the first aim,
   * `leastCostMinor` for the cost at it. To be called once: it narrows the model from aim to aim.
   */
  solve(
    aim: FitAim,
    solver: Solver,
    { timeLeftMs, seed }: { readonly timeLeftMs: () => number; readonly seed: number },
  ): RelaxedFit {
    const cost = this.counts.map(
      (variable, i) => [variable, this.pairs[i]?.container.priceMinor ?? 0] as const,
    );
    let narrowed: Narrowed | undefined;
    let bound = 0;
    let leastCostMinor = 0;
    for (const [i, terms] of this.aimsOf(aim, cost).entries()) {
      if (i > 0 && timeLeftMs() <= 0) break;
      const next: Narrowed =
        i === 0
          ? minimiseNarrowed(this.model, solver, terms, { timeLeftMs, seed })
          : {
              solution: this.model.minimise(solver, terms, {
                timeLimitMs: Math.max(20, timeLeftMs()),
                seed,
                start: narrowed?.solution.values,
                shut: narrowed?.shut,
              }),
              shut: narrowed?.shut ?? new Set(),
            };
      if (i === 0) bound = aim === 'easy' || aim === 'daily' ? 0 : Math.max(0, next.solution.bound);
      if (terms === cost && (i === 0 || narrowed?.solution.status === 'optimal'))
        leastCostMinor = Math.max(0, next.solution.bound);
      if (!isSolved(next.solution)) {
        if (i === 0)
          return {
            selection: undefined,
            bound,
            leastCostMinor,
            isImpossible: next.solution.status === 'infeasible',
          };
        break;
      }
      narrowed = next;
      this.model.addRow(terms, { most: next.solution.objective + 1e-6 });
    }
    return {
      selection: narrowed && this.toSelection(narrowed.solution),
      bound,
      leastCostMinor,
      isImpossible: false,
    };
  }

  private aimsOf(aim: FitAim, cost: readonly (readonly [number, number])[]) {
    // Among equals take little floor: it is what placing will be short of.
    const area = this.floorRows[0];
    const floor = this.stacks.map(
      ({ container, variable }) => [variable, (area?.of(container) ?? 0) / 1e4] as const,
    );
    switch (aim) {
      case 'cost':
        return [cost, floor];
      case 'easy':
      case 'daily':
        return [cost, floor];
      case 'uniform':
        return [[...this.kinds.values()].map((variable) => [variable, 1] as const), cost];
      case 'reuse':
        return [
          this.counts.map(
            (variable, i) => [variable, this.pairs[i]?.container.priceMinor === 0 ? 0 : 1] as const,
          ),
          cost,
        ];
    }
  }

  private addGroupRows(): void {
    this.request.groups.forEach((group) => {
      const offered = this.pairs.flatMap((pair, i) =>
        pair.group.id === group.id ? [[this.counts[i]!, pair.container.innerLitres] as const] : [],
      );
      this.model.addRow(offered, { least: group.litres });
      this.pairs.forEach((pair, i) => {
        if (pair.group.id !== group.id || pair.container.maxLoadG === undefined) return;
        const neededLitres =
          (groupMassG(group) * pair.container.innerLitres) /
          Math.max(1e-9, pair.container.maxLoadG);
        if (neededLitres <= group.litres) return;
        // Content is spread by litres: this container bears its share only where enough is offered.
        const isUsed = this.model.addVariable({ most: 1, whole: true });
        this.model.addRow(
          [
            [this.counts[i]!, 1],
            [isUsed, -pair.most],
          ],
          { most: 0 },
        );
        this.model.addRow([...offered, [isUsed, -neededLitres]], { least: 0 });
      });
    });
  }

  /** The fewest stacks that could hold them. */
  private addContainerRows(container: FitContainer): number {
    const counts = this.pairs.flatMap((pair, i) =>
      pair.container.id === container.id ? [[this.counts[i]!, 1] as const] : [],
    );
    if (container.available !== undefined) this.model.addRow(counts, { most: container.available });
    const most = this.pairs.reduce(
      (sum, pair) => (pair.container.id === container.id ? sum + pair.most : sum),
      0,
    );
    const kind = this.kinds.get(container.id) ?? 0;
    this.model.addRow([...counts, [kind, -most]], { most: 0 });
    const stacks = this.model.addVariable({ whole: true, most });
    this.model.addRow([...counts, [stacks, -maxStackOf(this.request, container)]], { most: 0 });
    return stacks;
  }

  private addLoadRow(): void {
    if (this.request.bay.maxLoadG === undefined) return;
    const contentG = this.request.groups.reduce(
      (sum, group) => sum + (group.litres > 0 ? groupMassG(group) : 0),
      0,
    );
    const tare = this.counts.map(
      (variable, i) => [variable, this.pairs[i]?.container.tareG ?? 0] as const,
    );
    this.model.addRow(tare, { most: this.request.bay.maxLoadG - contentG });
  }

  private toSelection(solution: LinearSolution): Chosen[] {
    return this.pairs
      .map((pair, i) => ({
        container: pair.container,
        group: pair.group,
        count: solution.values[this.counts[i]!]!,
      }))
      .filter(({ count }) => count > 0);
  }
}

/**
 * Leaves out a container for a group where another one does all it does: holds no less, costs, weighs and
 * takes of every floor row no more, stacks no lower, bears no less a litre, and there is any number of
 * it. Putting the other in its stead keeps every row, so the optimum stays. For the fewest kinds nothing
 * is left out: which kinds are shared counts there.
 */
function keepUndominated(
  request: FitQuestion,
  pairs: readonly Pair[],
  floorRows: readonly FloorRow[],
): Pair[] {
  if (request.prefer === 'uniform') return [...pairs];
  const facts = new Map(
    request.containers.map((container) => [
      container,
      {
        shares: floorRows.map((row) => row.of(container)),
        high: maxStackOf(request, container),
        bears: (container.maxLoadG ?? Infinity) / container.innerLitres,
      },
    ]),
  );
  const doesAll = (other: FitContainer, one: FitContainer): boolean => {
    const [a, b] = [facts.get(other), facts.get(one)];
    return (
      a !== undefined &&
      b !== undefined &&
      other.available === undefined &&
      other.innerLitres >= one.innerLitres &&
      other.priceMinor <= one.priceMinor &&
      (other.tareG ?? 0) <= (one.tareG ?? 0) &&
      a.high >= b.high &&
      a.bears >= b.bears &&
      a.shares.every((share, i) => share <= b.shares[i]!)
    );
  };
  return pairs.filter(
    (pair, i) =>
      !pairs.some(
        (other, j) =>
          j !== i &&
          other.group === pair.group &&
          doesAll(other.container, pair.container) &&
          (j < i || !doesAll(pair.container, other.container)),
      ),
  );
}

function findPairs(request: FitQuestion): Pair[] {
  const standing = request.containers.filter(
    (container) => findBayFault(request, container) === undefined,
  );
  return request.groups.flatMap((group) =>
    standing
      .filter((container) => group.litres > 0 && suits(request, container, group))
      .map((container) => {
        const byMass =
          container.maxLoadG === undefined
            ? 0
            : groupMassG(group) / Math.max(1e-9, container.maxLoadG);
        const byLitres = group.litres / container.innerLitres;
        const most = Math.min(
          container.available ?? Infinity,
          Math.ceil(Math.max(byLitres, byMass)),
          400,
        );
        return { container, group, most };
      }),
  );
}
