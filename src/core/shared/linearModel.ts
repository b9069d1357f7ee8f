import type { Highs, Model } from 'highs';

/** The loaded solver; load it once, hand it to every engine. */
export type Solver = Highs;

let loading: Promise<Solver> | undefined;

/** Loads HiGHS (WASM) on first use; Node and browser alike. */
export const loadSolver = (): Promise<Solver> =>
  (loading ??= import('highs').then((module) => module.default()));

/** Answers "what time is it" in ms; handed in, so that core has no clock of its own. */
export type Clock = () => number;

type Term = readonly [variable: number, factor: number];

export interface LinearSolution {
  readonly status: 'optimal' | 'feasible' | 'infeasible' | 'unknown';
  /** One value a variable, whole ones rounded; empty where there is no solution. */
  readonly values: readonly number[];
  readonly objective: number;
  /** Proven: no solution has a smaller objective. */
  readonly bound: number;
  /**
   * What one more of a row's limit would change the objective by; for models without whole
   * variables only.
   */
  readonly rowDuals: readonly number[];
  /**
   * What one more of a variable would change the objective by; for models without whole variables,
   * and relaxed ones, only.
   */
  readonly reducedCosts: readonly number[];
}

export interface MinimiseOptions {
  readonly timeLimitMs: number;
  readonly seed: number;
  /** A solution to begin with, one value a variable; one that breaks a row is only a hint. */
  readonly start?: readonly number[] | undefined;
  /** Variables kept at their least. The bound is then one of the narrowed model. */
  readonly shut?: ReadonlySet<number> | undefined;
  /** Leaves out that variables are whole. */
  readonly isRelaxed?: boolean | undefined;
}

/** Whether there is a solution to go by; `values` alone does not tell where there are no variables. */
export const isSolved = (solution: LinearSolution): boolean =>
  solution.status === 'optimal' || solution.status === 'feasible';

/** Each variable once; what comes in their order has none twice. */
function addUpTerms(terms: readonly Term[]): readonly Term[] {
  if (terms.every(([variable], i) => i === 0 || variable > terms[i - 1]![0])) return terms;
  const sums = new Map<number, number>();
  for (const [variable, factor] of terms) sums.set(variable, (sums.get(variable) ?? 0) + factor);
  return [...sums];
}

/** Model states as HiGHS numbers them. */
const OPTIMAL = 7;
const INFEASIBLE = 8;

/**
 * A mixed-integer linear model that is built once and minimised for several aims, one after the
 * other. Rows and columns are numbered in the order of their making.
 */
export class LinearModel {
  private readonly lower: number[] = [];
  private readonly upper: number[] = [];
  private readonly isWhole: boolean[] = [];
  private readonly rows: {
    readonly terms: readonly Term[];
    readonly least: number;
    readonly most: number;
  }[] = [];

  addVariable(
    options: { readonly least?: number; readonly most?: number; readonly whole?: boolean } = {},
  ): number {
    this.lower.push(options.least ?? 0);
    this.upper.push(options.most ?? Infinity);
    this.isWhole.push(options.whole ?? false);
    return this.lower.length - 1;
  }

  /** A model of its own with the same variables and rows. */
  copy(): LinearModel {
    const other = new LinearModel();
    other.lower.push(...this.lower);
    other.upper.push(...this.upper);
    other.isWhole.push(...this.isWhole);
    other.rows.push(...this.rows);
    return other;
  }
  get variableCount(): number {
    return this.lower.length;
  }
  mostOf(variable: number): number {
    return this.upper[variable] ?? Infinity;
  }
  leastOf(variable: number): number {
    return this.lower[variable]!;
  }

  /** `least <= Σ factor × variable <= most`; terms of one variable are added up. */
  addRow(terms: readonly Term[], range: { readonly least?: number; readonly most?: number }): void {
    this.rows.push({
      terms: addUpTerms(terms).filter(([, factor]) => factor !== 0),
      least: range.least ?? -Infinity,
      most: range.most ?? Infinity,
    });
  }

  /** Minimises with a gap of 0. Deterministic unless `timeLimitMs` cuts it. The model stays usable. */
  minimise(solver: Solver, aim: readonly Term[], options: MinimiseOptions): LinearSolution {
    const { timeLimitMs, seed, start, shut, isRelaxed = false } = options;
    const numCols = this.lower.length;
    if (numCols === 0) {
      const isPossible = this.rows.every((row) => row.least <= 0 && row.most >= 0);
      return {
        status: isPossible ? 'optimal' : 'infeasible',
        values: [],
        objective: 0,
        bound: isPossible ? 0 : Infinity,
        rowDuals: [],
        reducedCosts: [],
      };
    }
    const colCost = new Array<number>(numCols).fill(0);
    for (const [variable, factor] of aim) colCost[variable] = colCost[variable]! + factor;
    return solver.withModel((model) => {
      model.passModel({
        numCols,
        numRows: this.rows.length,
        sense: solver.constants.objectiveSense.minimize,
        offset: 0,
        colCost,
        colLower: this.lower,
        colUpper: shut
          ? this.upper.map((most, i) => (shut.has(i) ? this.lower[i]! : most))
          : this.upper,
        rowLower: this.rows.map((row) => row.least),
        rowUpper: this.rows.map((row) => row.most),
        matrix: this.toSparseRows(),
        integrality: this.isWhole.map((whole) => (whole && !isRelaxed ? 1 : 0)),
      });
      model.options.set({
        output_flag: false,
        mip_rel_gap: 0,
        mip_abs_gap: 1e-6,
        // The feasibility jump costs a fixed 35-60 ms, more than most of our models take in all.
        mip_heuristic_run_feasibility_jump: false,
        time_limit: Math.max(0.01, timeLimitMs / 1000),
        random_seed: seed,
      });
      if (start) model.setSolution({ colValue: start });
      model.run();
      return this.readSolution(model, colCost, isRelaxed);
    });
  }

  private readSolution(
    model: Model,
    colCost: readonly number[],
    isRelaxed: boolean,
  ): LinearSolution {
    const status: number = model.getModelStatus();
    if (status === INFEASIBLE)
      return {
        status: 'infeasible',
        values: [],
        objective: 0,
        bound: Infinity,
        rowDuals: [],
        reducedCosts: [],
      };
    const hasWhole = !isRelaxed && this.isWhole.some(Boolean);
    const relaxed = status === OPTIMAL ? model.getObjectiveValue() : -Infinity;
    const proven = hasWhole ? Number(model.info.get('mip_dual_bound')) : relaxed;
    const hasSolution = Number(model.info.get('primal_solution_status')) === 2;
    if (!hasSolution)
      return {
        status: 'unknown',
        values: [],
        objective: Infinity,
        bound: proven,
        rowDuals: [],
        reducedCosts: [],
      };
    const solution = model.getSolution();
    const values = [...solution.colValue].map((value, i) =>
      this.isWhole[i] && !isRelaxed ? Math.round(value) : value,
    );
    const objective = values.reduce((sum, value, i) => sum + value * colCost[i]!, 0);
    return {
      status: status === OPTIMAL ? 'optimal' : 'feasible',
      values,
      objective,
      bound: status === OPTIMAL && !hasWhole ? objective : proven,
      rowDuals: hasWhole ? [] : [...solution.rowDual],
      reducedCosts: hasWhole ? [] : [...solution.colDual],
    };
  }

  private toSparseRows() {
    const starts = [0];
    const indices: number[] = [];
    const values: number[] = [];
    for (const row of this.rows) {
      for (const [variable, factor] of row.terms) {
        indices.push(variable);
        values.push(factor);
      }
      starts.push(indices.length);
    }
    return {
      format: 'csr' as const,
      numCols: this.lower.length,
      numRows: this.rows.length,
      starts,
      indices,
      values,
    };
  }
}
