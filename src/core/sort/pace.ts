/** What the pace of a session needs to know of a decision. */
interface PaceEvent {
  readonly at: string;
  readonly pieces: number;
  readonly isLater: boolean;
}

/** Longer than this between two decisions is an interruption, in minutes. */
const INTERRUPTION_MINUTES = 12;
/** With fewer intervals nothing is forecast. */
const LEAST_INTERVALS = 8;
/** The last so many intervals tell the pace now. */
const WINDOW = 12;
/** A pace below this share of the session's best calls for a break. */
const SLOW_SHARE = 0.55;
/** So many of the latest decisions put off call for a break too. */
const LATER_SHARE = 0.35;

export interface Pace {
  readonly decisionsPerMinute: number;
  /** Over the latest decisions; undefined while there are too few. */
  readonly nowPerMinute: number | undefined;
  readonly intervalCount: number;
  readonly laterShare: number;
  /** Why a break is due; undefined while none is. */
  readonly breakBecause: 'slowing' | 'putting_off' | undefined;
}

/** Minutes between decisions of a session, interruptions left out, in their order. */
export function intervalsOf(events: readonly PaceEvent[]): number[] {
  const times = events.map(({ at }) => Date.parse(at)).sort((a, b) => a - b);
  return times
    .slice(1)
    .map((time, i) => (time - (times[i] ?? time)) / 60_000)
    .filter((minutes) => minutes <= INTERRUPTION_MINUTES);
}

/** How fast decisions come, and whether a break is due. Pure; events in any order. */
export function paceOf(events: readonly PaceEvent[]): Pace {
  const intervals = intervalsOf(events);
  const sum = (list: readonly number[]) => list.reduce((total, minutes) => total + minutes, 0);
  const rate = (list: readonly number[]) => (sum(list) > 0 ? list.length / sum(list) : 0);
  const latest = [...events].sort((a, b) => a.at.localeCompare(b.at)).slice(-WINDOW);
  const laterShare =
    latest.length === 0 ? 0 : latest.filter(({ isLater }) => isLater).length / latest.length;
  const nowPerMinute =
    intervals.length >= LEAST_INTERVALS ? rate(intervals.slice(-WINDOW)) : undefined;
  const best = bestRate(intervals, rate);
  const isSlowing =
    nowPerMinute !== undefined &&
    intervals.length >= 2 * WINDOW &&
    nowPerMinute < SLOW_SHARE * best;
  const isPuttingOff = latest.length >= WINDOW && laterShare >= LATER_SHARE;
  const slowing = isSlowing ? 'slowing' : undefined;
  return {
    decisionsPerMinute: rate(intervals),
    nowPerMinute,
    intervalCount: intervals.length,
    laterShare,
    breakBecause: isPuttingOff ? 'putting_off' : slowing,
  };
}

function bestRate(intervals: readonly number[], rate: (list: readonly number[]) => number): number {
  let best = 0;
  for (let i = 0; i + WINDOW <= intervals.length; i += 1)
    best = Math.max(best, rate(intervals.slice(i, i + WINDOW)));
  return best;
}

/**
 * When a number of further decisions will be made: by `likely` in half of the outcomes, by `high`
 * in four fifths.
 */
export interface Forecast {
  readonly likelyMinutes: number;
  readonly highMinutes: number;
  /** How many intervals it rests on, of this session and of earlier ones. */
  readonly restsOn: number;
}

/** Trials of the bootstrap; enough for whole minutes. */
const TRIALS = 400;

/**
 * Forecasts by drawing intervals anew, again and again, from those that were seen: this session's count
 * three times an earlier one's. Deterministic for a source of chance. Undefined with too little to go on.
 * Source: bootstrap of a sum (Efron 1979).
 * Ensures: 0 <= likely <= high; both grow with `decisionsLeft`.
 */
export function forecast(request: {
  readonly decisionsLeft: number;
  readonly intervals: readonly number[];
  readonly earlier: readonly number[];
  readonly random: () => number;
}): Forecast | undefined {
  const { decisionsLeft, intervals, earlier, random } = request;
  const pool = [...intervals, ...intervals, ...intervals, ...earlier];
  if (intervals.length + earlier.length < LEAST_INTERVALS) return undefined;
  if (decisionsLeft <= 0)
    return { likelyMinutes: 0, highMinutes: 0, restsOn: intervals.length + earlier.length };
  // Beyond some hundreds the sum of draws hardly varies; the rest follows in proportion.
  const drawn = Math.min(decisionsLeft, 300);
  const sums = Array.from({ length: TRIALS }, () => {
    let sum = 0;
    for (let i = 0; i < drawn; i += 1) sum += pool[(random() * pool.length) | 0]!;
    return (sum * decisionsLeft) / drawn;
  }).sort((a, b) => a - b);
  const at = (share: number) => sums[Math.min(TRIALS - 1, Math.floor(share * TRIALS))]!;
  return {
    likelyMinutes: at(0.5),
    highMinutes: at(0.8),
    restsOn: intervals.length + earlier.length,
  };
}
