import type { Random } from '../shared';
import { MINUTE_TOLERANCE, type ScheduleProblem } from './scheduleProblem';

/** How far the order is shaken, as a share of the span of all ranks. */
const LEAST_NOISE = 0.02;
const MOST_NOISE = 0.5;

/** How far the work is, window by window. */
interface State {
  /** What each task still waits for. */
  readonly open: Int32Array;
  /** From when on it can begin, as far as what came before it is planned. */
  readonly readyAt: Float64Array;
  /** NaN: not planned yet. */
  readonly starts: Float64Array;
}

/**
 * Fills one window after the other as full as can be: each is tried many times in shaken orders, and
 * kept as the one in which most people's minutes are worked, urgent ones counting more. Starts of all
 * tasks, or undefined where the windows do not hold them. Source: parallel schedule generation (Kelley
 * 1963), sampled by random bias (Drexl 1991), a window at a time.
 */
export function fillWindows(
  problem: ScheduleProblem,
  rank: Float64Array,
  {
    random,
    tries,
    isOver,
  }: { readonly random: Random; readonly tries: number; readonly isOver: () => boolean },
): Float64Array | undefined {
  const { taskCount, before } = problem;
  let state: State = {
    open: Int32Array.from(before, (links) => links.length),
    readyAt: new Float64Array(taskCount).fill(-Infinity),
    starts: new Float64Array(taskCount).fill(NaN),
  };
  let [lowest, highest] = [Infinity, -Infinity];
  for (const value of rank) {
    lowest = Math.min(lowest, value);
    highest = Math.max(highest, value);
  }
  const span = Math.max(1, highest - lowest);
  const urgencyWeight = 3 * random() ** 2;
  const worthOf = (task: number) =>
    problem.minutes[task]! *
    problem.people[task]! *
    (1 + urgencyWeight * ((highest - rank[task]!) / span));
  const noise = span * LEAST_NOISE * (MOST_NOISE / LEAST_NOISE) ** random();
  const shaken = Float64Array.from(rank);
  let left = taskCount;
  for (let window = 0; window < problem.overflow && left > 0; window += 1) {
    let best: { readonly state: State; readonly worth: number; readonly count: number } | undefined;
    for (let k = 0; k < tries && !isOver(); k += 1) {
      if (k > 0)
        for (let task = 0; task < taskCount; task += 1)
          shaken[task] = rank[task]! + noise * (random() - 0.5);
      else shaken.set(rank);
      const tried = fillOne(problem, window, { state, rank: shaken, worthOf });
      if (!best || tried.worth > best.worth) best = tried;
    }
    if (!best) return undefined;
    state = best.state;
    left -= best.count;
  }
  return left === 0 ? state.starts : undefined;
}

/** One window, by time: whenever somebody is free, the first in the order that can begin does. */
function fillOne(
  problem: ScheduleProblem,
  window: number,
  {
    state,
    rank,
    worthOf,
  }: {
    readonly state: State;
    readonly rank: Float64Array;
    readonly worthOf: (task: number) => number;
  },
): { readonly state: State; readonly worth: number; readonly count: number } {
  const { minutes, people, behind, able, skillOf, classes, taskCount } = problem;
  const end = problem.ends[window]!;
  const open = state.open.slice();
  const readyAt = state.readyAt.slice();
  const starts = state.starts.slice();
  const free = Int32Array.from(classes, ({ crewIds }) => crewIds.length);
  const running: { readonly endsAt: number; readonly taken: readonly number[] }[] = [];
  const waiting: number[] = [];
  for (let task = 0; task < taskCount; task += 1)
    if (open[task] === 0 && Number.isNaN(starts[task]!)) waiting.push(task);
  waiting.sort((a, b) => rank[a]! - rank[b]!);
  let now = problem.starts[window]!;
  let [worth, count] = [0, 0];
  while (now <= end) {
    for (let i = 0; i < waiting.length; i += 1) {
      const task = waiting[i]!;
      if (readyAt[task]! > now + MINUTE_TOLERANCE) continue;
      if (now + minutes[task]! > end + MINUTE_TOLERANCE) continue;
      const taken = takePeople(free, {
        need: people[task]!,
        able: able[task]!,
        hasSkill: skillOf[task]! >= 0,
      });
      if (!taken) continue;
      waiting.splice(i, 1);
      i -= 1;
      starts[task] = now;
      count += 1;
      worth += worthOf(task);
      running.push({ endsAt: now + minutes[task]!, taken });
      for (const link of behind[task]!) {
        open[link.task] = open[link.task]! - 1;
        readyAt[link.task] = Math.max(readyAt[link.task]!, now + minutes[task]! + link.lagMinutes);
        if (open[link.task] === 0) insertByRank(waiting, link.task, rank);
      }
    }
    let next = Infinity;
    for (const { endsAt } of running) next = Math.min(next, endsAt);
    for (const task of waiting)
      if (readyAt[task]! > now + MINUTE_TOLERANCE) next = Math.min(next, readyAt[task]!);
    if (next === Infinity || next >= end) break;
    now = Math.max(next, now);
    for (let i = running.length - 1; i >= 0; i -= 1) {
      if (running[i]!.endsAt > now + MINUTE_TOLERANCE) continue;
      running[i]!.taken.forEach((many, c) => (free[c] = free[c]! + many));
      running.splice(i, 1);
    }
  }
  return { state: { open, readyAt, starts }, worth, count };
}

/** Takes people that are free, one of them able, those who can least first; undefined where too few are. */
function takePeople(
  free: Int32Array,
  { need, able, hasSkill }: { need: number; able: readonly number[]; hasSkill: boolean },
): number[] | undefined {
  let all = 0;
  for (const many of free) all += many;
  if (all < need) return undefined;
  const skilled = hasSkill ? able.find((c) => free[c]! > 0) : undefined;
  if (hasSkill && skilled === undefined) return undefined;
  const taken = Array.from(free, () => 0);
  let rest = need;
  if (skilled !== undefined) {
    taken[skilled] = 1;
    rest -= 1;
  }
  for (let c = 0; c < free.length && rest > 0; c += 1) {
    const many = Math.min(rest, free[c]! - taken[c]!);
    taken[c] = taken[c]! + many;
    rest -= many;
  }
  taken.forEach((many, c) => (free[c] = free[c]! - many));
  return taken;
}

/** Behind all of a lower rank; what is begun at this moment is gone through in order anyway. */
function insertByRank(waiting: number[], task: number, rank: Float64Array): void {
  let i = waiting.length;
  while (i > 0 && rank[waiting[i - 1]!]! > rank[task]!) i -= 1;
  waiting.splice(i, 0, task);
}
