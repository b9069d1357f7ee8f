/** A figure that was assumed, and what it was in the end. */
export interface Outcome {
  readonly estimated: number;
  readonly actual: number;
}

/** What assumptions are multiplied by, with the range that four in five of the next cases lie in. */
export interface Learned {
  readonly factor: number;
  readonly low: number;
  readonly high: number;
  /** How many cases it rests on. */
  readonly count: number;
}

interface Prior {
  /** The assumption counts as so many cases that went exactly as assumed. */
  readonly cases: number;
  /** How far single cases lie from what was assumed, as the high end over the middle. */
  readonly high: number;
}
const USUAL_PRIOR: Prior = { cases: 3, high: 1.5 };
const Z = 1.281_551_565_544_6;

/**
 * Corrects an assumption by outcomes: the geometric mean of actual over estimated, drawn towards 1 as if `cases` more
 * had gone exactly as assumed; the range from their spread about it, drawn in the same way. The order of the cases
 * does not count; without one it is the assumption, with many it is the data. Cases without a figure do not count.
 * Source: the posterior mean of a normal log ratio with known prior weight (Gelman et al., Bayesian Data Analysis,
 * 3rd ed., §2.5 and §2.6).
 */
export function learnFactor(outcomes: readonly Outcome[], prior: Prior = USUAL_PRIOR): Learned {
  const logs = outcomes
    .filter(({ estimated, actual }) => estimated > 0 && actual > 0)
    .map(({ estimated, actual }) => Math.log(actual / estimated))
    // Summed in one order, so that the order of the cases cannot show in the last digit.
    .sort((a, b) => a - b);
  const weight = logs.length + prior.cases;
  const mean = logs.reduce((sum, log) => sum + log, 0) / weight;
  const priorVariance = (Math.log(prior.high) / Z) ** 2;
  const squares =
    logs.reduce((sum, log) => sum + (log - mean) ** 2, 0) +
    prior.cases * (priorVariance + mean ** 2);
  // The middle is not known exactly either.
  const spread = Math.sqrt((squares / weight) * (1 + 1 / weight));
  return {
    factor: Math.exp(mean),
    low: Math.exp(mean - Z * spread),
    high: Math.exp(mean + Z * spread),
    count: logs.length,
  };
}

/** A share that was assumed, and how often it was so. */
export interface LearnedShare {
  readonly share: number;
  readonly count: number;
}

/**
 * Corrects an assumed share by cases: the assumption counts as `cases` of them.
 * Source: the posterior mean of a beta prior (Gelman et al., §2.4).
 */
export const learnShare = (
  { hits, of }: { readonly hits: number; readonly of: number },
  assumed: number,
  cases = 4,
): LearnedShare => ({ share: (hits + assumed * cases) / (of + cases), count: of });

/** Mean distance of what was estimated with a factor from what it was, as a share of that; of no case 0. */
export function errorOf(outcomes: readonly Outcome[], factor: number): number {
  if (outcomes.length === 0) return 0;
  const errors = outcomes.map(
    ({ estimated, actual }) => Math.abs(estimated * factor - actual) / actual,
  );
  return errors.reduce((sum, error) => sum + error, 0) / errors.length;
}
