/**
 * Seconds a week below which an arrangement is no better than another: what walking, reaching and how often
 * are assumed to within is more than that, and nobody moves a shelf for it. Our own threshold.
 */
export const LEAST_WORTH_SECONDS = 60;

/** Whether so many seconds a week are worth moving something for. */
export const isWorthMoving = (savedSeconds: number): boolean => savedSeconds >= LEAST_WORTH_SECONDS;
