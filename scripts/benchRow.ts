import type { Random } from '@/core/shared';

/** One line of the measurements. */
export interface Row {
  readonly what: string;
  readonly runs: number;
  readonly medianMs: number;
  readonly worstMs: number;
  /** In use by the process when the row was measured. */
  readonly megabytes: number;
  readonly note: string;
}

export const between = (random: Random, least: number, most: number): number =>
  least + Math.floor(random() * (most - least + 1));
export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
export const timesOf = (what: string, times: readonly number[]) => ({
  what,
  runs: times.length,
  medianMs: median(times),
  worstMs: times.reduce((worst, ms) => Math.max(worst, ms), -Infinity),
  megabytes: Math.round(process.memoryUsage().rss / 1e6),
});
