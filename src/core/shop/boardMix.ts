import { isSolved, LinearModel, type Solver } from '../shared';
import type { CutProblem } from './cutPatterns';

/** How many boards of each kind, and what no boards that are long enough together cost less than. */
export interface BoardMix {
  readonly counts: readonly number[];
  readonly costMinor: number;
  /** Proven, of all ways to cut, where nothing is asked for beyond the pieces. */
  readonly bound: number;
}

/** Millimetres by which sums of lengths may be off. */
const SLACK_MM = 0.01;

/**
 * The boards that cost least and are as long together as all pieces and so much more: what is cut from them is
 * another question. Undefined where there are not so many.
 */
export function leastMix(
  { pieceMm, quantities, stockMm, priceMinor, available }: CutProblem,
  moreMm: number,
  {
    solver,
    ...limits
  }: { readonly solver: Solver; readonly timeLimitMs: number; readonly seed: number },
): BoardMix | undefined {
  const needMm = moreMm + quantities.reduce((sum, n, i) => sum + n * pieceMm[i]!, 0);
  const model = new LinearModel();
  const boards = [...stockMm].map((mm, s) =>
    model.addVariable({ most: Math.min(available[s]!, Math.ceil(needMm / mm)), whole: true }),
  );
  model.addRow(
    boards.map((variable, s) => [variable, stockMm[s]!] as const),
    { least: needMm - SLACK_MM },
  );
  const solution = model.minimise(
    solver,
    boards.map((variable, s) => [variable, priceMinor[s]!] as const),
    limits,
  );
  if (!isSolved(solution)) return undefined;
  return {
    counts: boards.map((variable) => solution.values[variable]!),
    costMinor: solution.objective,
    bound: solution.bound,
  };
}
