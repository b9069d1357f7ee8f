import { MINUTE_TOLERANCE, type ScheduleProblem } from './scheduleProblem';

/** A start for each task, and of which classes its people are. */
export interface Schedule {
  readonly starts: Float64Array;
  /** Task by task, how many of each class: `taskCount` x `classes`. */
  readonly taken: Int32Array;
  readonly endsAt: number;
}

/**
 * Who is free when, class by class: between two times of `at` nothing changes. What is free holds
 * from its time to the next.
 */
class FreePeople {
  private readonly at: number[] = [-Infinity];
  private readonly free: Int32Array[];
  private readonly least: Int32Array;

  constructor(private readonly problem: ScheduleProblem) {
    const sizes = problem.classes.map(({ crewIds }) => crewIds.length);
    this.free = [Int32Array.from(sizes)];
    this.least = new Int32Array(sizes.length);
  }

  /**
   * The earliest start from `from` on, and the classes that are taken: whoever can least that is
   * asked for elsewhere. People are at it from its start to its end, in one window.
   */
  place(task: number, from: number, taken: Int32Array): number {
    const { problem, at } = this;
    const { starts, ends } = problem;
    const minutes = problem.minutes[task]!;
    let window = 0;
    let start = from;
    let i = this.indexAt(start);
    for (;;) {
      while (
        window < ends.length - 1 &&
        Math.max(start, starts[window]!) + minutes > ends[window]! + MINUTE_TOLERANCE
      )
        window += 1;
      start = Math.max(start, starts[window]!);
      while (i + 1 < at.length && at[i + 1]! <= start) i += 1;
      const blockedAt = this.freeThrough(i, start + minutes, task);
      if (blockedAt < 0) break;
      start = at[blockedAt + 1]!;
    }
    this.take(task, taken);
    this.use(start, start + minutes, task, taken);
    return start;
  }

  /** Fills `least` with who is free from segment `first` until `end`; the segment that blocks, or -1. */
  private freeThrough(first: number, end: number, task: number): number {
    const { at, free, least, problem } = this;
    const people = problem.people[task]!;
    const able = problem.able[task]!;
    least.set(free[first]!);
    for (let j = first; j < at.length; j += 1) {
      // A task of no length still wants its people at its moment.
      if (j > first && at[j]! >= end - MINUTE_TOLERANCE) break;
      const here = free[j]!;
      let all = 0;
      for (let c = 0; c < least.length; c += 1) {
        if (here[c]! < least[c]!) least[c] = here[c]!;
        all += least[c]!;
      }
      if (all < people || !able.some((c) => least[c]! > 0)) return this.blockOf(j, first, task);
    }
    return -1;
  }

  /** Where the wait can end at the earliest: behind `j` where it blocks alone, else behind the first. */
  private blockOf(j: number, first: number, task: number): number {
    const here = this.free[j]!;
    const all = here.reduce((sum, count) => sum + count, 0);
    const isAlone =
      all < this.problem.people[task]! || !this.problem.able[task]!.some((c) => here[c]! > 0);
    return isAlone ? j : first;
  }

  private take(task: number, taken: Int32Array): void {
    const { least, problem } = this;
    const base = task * least.length;
    let rest = problem.people[task]!;
    for (let c = 0; c < least.length; c += 1) taken[base + c] = 0;
    if (problem.skillOf[task]! >= 0) {
      const skilled = problem.able[task]!.find((c) => least[c]! > 0)!;
      taken[base + skilled] = 1;
      rest -= 1;
    }
    for (let c = 0; c < least.length && rest > 0; c += 1) {
      const count = Math.min(rest, least[c]! - taken[base + c]!);
      taken[base + c] = taken[base + c]! + count;
      rest -= count;
    }
  }

  private use(start: number, end: number, task: number, taken: Int32Array): void {
    const first = this.split(start);
    if (end - start <= MINUTE_TOLERANCE) {
      // Of no length: whoever is at something across this moment cannot be at it, which a segment of
      // no width says. Who ends or begins then can.
      this.at.splice(first, 0, start);
      this.free.splice(first, 0, Int32Array.from(this.free[first]!));
    }
    const last = end - start <= MINUTE_TOLERANCE ? first + 1 : this.split(end);
    const base = task * this.least.length;
    for (let j = first; j < last; j += 1) {
      const here = this.free[j]!;
      for (let c = 0; c < here.length; c += 1) here[c] = here[c]! - taken[base + c]!;
    }
  }

  /** The segment that begins at a time; one is cut there where none does. */
  private split(time: number): number {
    const i = this.indexAt(time);
    if (Math.abs(this.at[i]! - time) <= MINUTE_TOLERANCE) return i;
    if (i + 1 < this.at.length && this.at[i + 1]! - time <= MINUTE_TOLERANCE) return i + 1;
    this.at.splice(i + 1, 0, time);
    this.free.splice(i + 1, 0, Int32Array.from(this.free[i]!));
    return i + 1;
  }

  /** The segment that a time lies in. */
  private indexAt(time: number): number {
    const { at } = this;
    let [low, high] = [0, at.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (at[middle]! <= time) low = middle;
      else high = middle - 1;
    }
    return low;
  }
}

/**
 * Starts each task as early as people, windows and what comes before allow, in the order of their
 * ranks (lowest first, of those whose turn can come).
 * Source: serial schedule generation (Kelley 1963; Kolisch 1996). O(n² + n segments).
 */
export function listSchedule(
  problem: ScheduleProblem,
  rank: ArrayLike<number>,
  floor = 0,
): Schedule {
  const { taskCount, minutes, before, behind } = problem;
  const starts = new Float64Array(taskCount);
  const taken = new Int32Array(taskCount * problem.classes.length);
  const free = new FreePeople(problem);
  const open = Int32Array.from(before, (links) => links.length);
  const ready = problem.order.filter((task) => open[task] === 0);
  let endsAt = floor;
  while (ready.length > 0) {
    let k = 0;
    for (let i = 1; i < ready.length; i += 1) if (rank[ready[i]!]! < rank[ready[k]!]!) k = i;
    const task = ready[k]!;
    ready[k] = ready[ready.length - 1]!;
    ready.pop();
    let from = floor;
    for (const link of before[task]!)
      from = Math.max(from, starts[link.task]! + minutes[link.task]! + link.lagMinutes);
    const start = free.place(task, from, taken);
    starts[task] = start;
    endsAt = Math.max(endsAt, start + minutes[task]!);
    for (const link of behind[task]!) {
      open[link.task] = open[link.task]! - 1;
      if (open[link.task] === 0) ready.push(link.task);
    }
  }
  return { starts, taken, endsAt };
}

/** Gives each task its people by name: whoever was free last goes on, so that others stay free. */
export function nameCrew(problem: ScheduleProblem, { starts, taken }: Schedule): string[][] {
  const { classes, minutes } = problem;
  const named = Array.from({ length: problem.taskCount }, (): string[] => []);
  const inTime = [...named.keys()].sort(
    (a, b) => starts[a]! - starts[b]! || minutes[a]! - minutes[b]!,
  );
  classes.forEach(({ crewIds }, c) => {
    const freeAt = crewIds.map(() => -Infinity);
    for (const task of inTime) {
      const start = starts[task]! + MINUTE_TOLERANCE;
      const idle = [...crewIds.keys()]
        .filter((person) => freeAt[person]! <= start)
        .sort((a, b) => freeAt[b]! - freeAt[a]! || a - b)
        .slice(0, taken[task * classes.length + c]);
      for (const person of idle) {
        freeAt[person] = Math.max(freeAt[person]!, starts[task]! + minutes[task]!);
        named[task]!.push(crewIds[person]!);
      }
    }
  });
  return named;
}
