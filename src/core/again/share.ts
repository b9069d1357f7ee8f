/** A share of few cases, and between what the truth lies four times in five. */
export interface Share {
  readonly hits: number;
  readonly of: number;
  readonly share: number;
  readonly low: number;
  readonly high: number;
}

/** Of the normal distribution, what four in five lie within. */
const Z = 1.281_551_565_544_6;

/**
 * The share of `hits` among `of` with its score interval, which never leaves 0 to 1: over all truths it holds about four
 * in five of them, for a single one and two or three cases it may be one in two. Without a case: anything between.
 * Requires: 0 <= hits <= of, whole numbers.
 * Source: E. B. Wilson, Probable inference, JASA 22 (1927) 209; recommended for few cases by L. D. Brown, T. T. Cai
 * and A. DasGupta, Interval estimation for a binomial proportion, Statistical Science 16 (2001) 101.
 */
export function shareOf(hits: number, of: number): Share {
  if (of === 0) return { hits, of, share: 0, low: 0, high: 1 };
  const share = hits / of;
  const z2 = Z * Z;
  const middle = (share + z2 / (2 * of)) / (1 + z2 / of);
  const half = (Z / (1 + z2 / of)) * Math.sqrt((share * (1 - share)) / of + z2 / (4 * of * of));
  // At none and at all of them one end is the end itself, whatever rounding makes of it.
  return {
    hits,
    of,
    share,
    low: hits === 0 ? 0 : Math.max(0, middle - half),
    high: hits === of ? 1 : Math.min(1, middle + half),
  };
}

export type Change = 'better' | 'worse' | 'none';

/**
 * Whether a share has changed: only where the interval of the difference leaves 0 out, four times in five; what
 * few cases cannot tell is none.
 * Source: R. G. Newcombe, Interval estimation for the difference between independent proportions, Statistics in
 * Medicine 17 (1998) 873, method 10 (square and add of score intervals).
 */
export function compareShares(before: Share, after: Share): Change {
  if (before.of === 0 || after.of === 0) return 'none';
  const difference = after.share - before.share;
  const low = difference - Math.hypot(after.share - after.low, before.high - before.share);
  const high = difference + Math.hypot(after.high - after.share, before.share - before.low);
  if (low > 0) return 'better';
  return high < 0 ? 'worse' : 'none';
}
