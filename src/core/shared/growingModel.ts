import type { Model } from 'highs';

import type { Solver } from './linearModel';

export interface CoverColumn {
  readonly cost: number;
  /** Rows that it counts once in. */
  readonly rows: readonly number[];
}
export interface CoverSolution {
  readonly objective: number;
  /** One a column, in the order of their adding. */
  readonly values: Float64Array;
  readonly rowDuals: Float64Array;
}

/** As HiGHS numbers them. */
const DUAL_SIMPLEX = 1;
const PRIMAL_SIMPLEX = 4;

/**
 * A linear model of counts, minimised again and again while columns come in; each run goes on from
 * the basis of the one before.
 */
export class GrowingModel {
  private readonly fixed: number[] = [];
  private hasMoved = false;

  private constructor(
    private readonly model: Model,
    private readonly rowCount: number,
  ) {}

  /** Hands out a model that lives as long as `work` does. */
  static run<T>(
    solver: Solver,
    rows: readonly { readonly least: number; readonly most: number }[],
    work: (model: GrowingModel) => T,
  ): T {
    return solver.withModel((model) => {
      model.options.set({ output_flag: false });
      model.passModel({
        numCols: 0,
        numRows: rows.length,
        sense: solver.constants.objectiveSense.minimize,
        offset: 0,
        colCost: [],
        colLower: [],
        colUpper: [],
        rowLower: rows.map(({ least }) => least),
        rowUpper: rows.map(({ most }) => most),
        matrix: {
          format: 'csc',
          numCols: 0,
          numRows: rows.length,
          starts: [0],
          indices: [],
          values: [],
        },
      });
      return work(new GrowingModel(model, rows.length));
    });
  }

  add(columns: readonly CoverColumn[]): void {
    if (columns.length === 0) return;
    const starts = [0];
    const indices: number[] = [];
    for (const { rows } of columns) {
      indices.push(...rows);
      starts.push(indices.length);
    }
    this.model.addCols({
      cost: Float64Array.from(columns, ({ cost }) => cost),
      lower: new Float64Array(columns.length),
      upper: new Float64Array(columns.length).fill(Infinity),
      matrix: {
        format: 'csc',
        numRows: this.rowCount,
        numCols: columns.length,
        starts: Int32Array.from(starts),
        indices: Int32Array.from(indices),
        values: new Float64Array(indices.length).fill(1),
      },
    });
  }

  /** Keeps a column at 1 until `release`. */
  fix(column: number): void {
    this.model.changeColBounds(column, 1, 1);
    this.hasMoved = true;
    this.fixed.push(column);
  }
  release(): void {
    this.hasMoved ||= this.fixed.length > 0;
    for (const column of this.fixed.splice(0)) this.model.changeColBounds(column, 0, Infinity);
  }

  /** Undefined where the time ends it, or nothing satisfies the rows. */
  minimise(timeLimitMs: number): CoverSolution | undefined {
    // New columns leave the last solution feasible, moved bounds leave its duals so: each simplex
    // goes on from what still holds.
    this.model.options.set({
      time_limit: this.model.getRunTime() + Math.max(10, timeLimitMs) / 1000,
      simplex_strategy: this.hasMoved ? DUAL_SIMPLEX : PRIMAL_SIMPLEX,
    });
    this.hasMoved = false;
    this.model.run();
    if (
      Number(this.model.info.get('primal_solution_status')) !== 2 ||
      Number(this.model.info.get('dual_solution_status')) !== 2
    )
      return undefined;
    const { colValue, rowDual } = this.model.getSolution();
    return {
      objective: this.model.getObjectiveValue(),
      values: Float64Array.from(colValue),
      rowDuals: Float64Array.from(rowDual),
    };
  }
}
