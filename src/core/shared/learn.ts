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

/** What is thought before there is a case. */
export interface Prior {
  /** The assumption counts as so many cases that went exactly as assumed. */
  readonly cases: number;
  /** Four in five cases lie between these multiples of what is assumed; without `low`, as far below as above. */
  readonly low?: number;
  readonly high: number;
}
const USUAL_PRIOR: Prior = { cases: 3, high: 1.5 };
const Z = 1.281_551_565_544_6;

const isCase = ({ estimated, actual }: Outcome): boolean => estimated > 0 && actual > 0;

/**
 * Corrects an assumption by outcomes: the geometric mean of actual over estimated, drawn towards 1 as if `cases` more
 * had gone exactly as assumed; the range from their spread about it, drawn in the same way. The order of the cases
 * does not count; without one it is the assumption with its range, with many it is the data. Cases without a figure
 * do not count.
 * Source: the posterior predictive of a normal log ratio under a conjugate prior (Gelman et al., Bayesian Data
 * Analysis, 3rd ed., §3.3), with a normal in the place of its t.
 */
export function learnFactor(outcomes: readonly Outcome[], prior: Prior = USUAL_PRIOR): Learned {
  const logs = outcomes
    .filter(isCase)
    .map(({ estimated, actual }) => Math.log(actual / estimated))
    // Summed in one order, so that the order of the cases cannot show in the last digit.
    .sort((a, b) => a - b);
  const weight = logs.length + prior.cases;
  const mean = logs.reduce((sum, log) => sum + log, 0) / weight;
  // The range of the prior is that of its next case, whose middle is not known exactly either.
  const priorVariance = (Math.log(prior.high) / Z) ** 2 / (1 + 1 / prior.cases);
  const squares =
    logs.reduce((sum, log) => sum + (log - mean) ** 2, 0) +
    prior.cases * (priorVariance + mean ** 2);
  const spread = Math.sqrt((squares / weight) * (1 + 1 / weight));
  // That it is shorter below than above is an assumption too, and fades with the cases.
  const assumedLow = -Math.log(prior.low ?? 1 / prior.high) / Math.log(prior.high);
  const lowShare = (prior.cases * assumedLow + logs.length) / weight;
  return {
    factor: Math.exp(mean),
    low: Math.exp(mean - Z * spread * lowShare),
    high: Math.exp(mean + Z * spread),
    count: logs.length,
  };
}

/** The same of one kind among others: without cases of its own it is what is known of all. */
export function learnWithin(
  all: Learned,
  outcomes: readonly Outcome[],
  cases = USUAL_PRIOR.cases,
): Learned {
  const own = learnFactor(
    outcomes.map(({ estimated, actual }) => ({ estimated: estimated * all.factor, actual })),
    { cases, low: all.low / all.factor, high: all.high / all.factor },
  );
  return {
    factor: own.factor * all.factor,
    low: own.low * all.factor,
    high: own.high * all.factor,
    count: own.count,
  };
}

/** A share that was assumed, and how often it was so. */
export interface LearnedShare {
  readonly share: number;
  /** In so many of `count` cases it was so. */
  readonly hits: number;
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
): LearnedShare => ({ share: (hits + assumed * cases) / (of + cases), hits, count: of });

/** Mean distance of what was estimated with a factor from what it was, as a share of that; of no case 0. */
export function errorOf(outcomes: readonly Outcome[], factor = 1): number {
  const cases = outcomes.filter(isCase);
  if (cases.length === 0) return 0;
  const errors = cases.map(
    ({ estimated, actual }) => Math.abs(estimated * factor - actual) / actual,
  );
  return errors.reduce((sum, error) => sum + error, 0) / errors.length;
}

/**
 * Every case with what would have been said of it by what was learnt from the ones before it, in their order: what
 * learning would have been worth. The first is said by the assumption alone.
 */
export const saidBefore = (outcomes: readonly Outcome[], prior: Prior = USUAL_PRIOR): Outcome[] =>
  outcomes.map(({ estimated, actual }, i) => ({
    estimated: estimated * learnFactor(outcomes.slice(0, i), prior).factor,
    actual,
  }));
