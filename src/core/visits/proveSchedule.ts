import { latestStarts } from './boundSchedule';
import type { Schedule } from './listSchedule';
import { MINUTE_TOLERANCE, type ScheduleProblem } from './scheduleProblem';

/** More tasks than this are not gone through: the sets of those that are done are kept as bits. */
export const MOST_PROVEN = 30;
/** So many states of one set are kept to be compared with. */
const MOST_KEPT = 8;
/** One takes some hundred bytes. */
const MOST_KEPT_IN_ALL = 300_000;
const STEPS_BETWEEN_LOOKS = 200;

/** How the people of a task may be taken: how many of each class. */
type Mode = readonly number[];

/** Who is free from when on, class by class and in order, after some tasks. */
interface State {
  readonly freeAt: readonly (readonly number[])[];
  /** Ends of what is done and still waited for, by task. */
  readonly ends: Float64Array;
  readonly lastStart: number;
  readonly lastTask: number;
}

export interface Proof {
  /** Better than what was known, or undefined. */
  readonly best: Schedule | undefined;
  /** Whether every order was looked at: nothing better exists than `best`, or than what was known. */
  readonly isComplete: boolean;
}

/**
 * Goes through all schedules in the order of their starts, and cuts off what cannot beat the best:
 * a task is started only where no other could end before it; a state is left that is no better in
 * anything than one with the same tasks done; and one from which something cannot be done in time.
 * Source: branch and bound by time (Demeulemeester and Herroelen 1992), left shifts and cut sets.
 * Requires: at most `MOST_PROVEN` tasks.
 */
export function proveSchedule(
  problem: ScheduleProblem,
  { known, isOver }: { readonly known: number; readonly isOver: () => boolean },
): Proof {
  const search = new Search(problem, known, isOver);
  search.go();
  return { best: search.best, isComplete: !search.isStopped };
}

class Search {
  best: Schedule | undefined;
  isStopped = false;
  private latest: Float64Array;
  private steps = 0;
  private keptCount = 0;
  private readonly modes: readonly (readonly Mode[])[];
  private readonly starts: Float64Array;
  private readonly taken: Int32Array;
  private readonly seen = new Map<number, State[]>();

  constructor(
    private readonly problem: ScheduleProblem,
    private endsAt: number,
    private readonly isOver: () => boolean,
  ) {
    this.modes = Array.from({ length: problem.taskCount }, (_, task) => modesOf(problem, task));
    this.starts = new Float64Array(problem.taskCount);
    this.taken = new Int32Array(problem.taskCount * problem.classes.length);
    this.latest = this.latestToBeat();
  }

  go(): void {
    this.step(0, {
      freeAt: this.problem.classes.map(({ crewIds }) => crewIds.map(() => -Infinity)),
      ends: new Float64Array(this.problem.taskCount),
      lastStart: -Infinity,
      lastTask: -1,
    });
  }

  private latestToBeat(): Float64Array {
    return latestStarts(this.problem, this.endsAt - 2 * MINUTE_TOLERANCE);
  }

  private step(done: number, state: State): void {
    if (this.isStopped) return;
    this.steps += 1;
    if (this.steps % STEPS_BETWEEN_LOOKS === 0 && this.isOver()) this.isStopped = true;
    const { taskCount } = this.problem;
    if (done === 2 ** taskCount - 1) return this.keep(state);
    if (!this.canBeat(done, state) || this.isBeaten(done, state)) return;
    for (const { task, mode, start } of this.branches(done, state)) {
      // What was found meanwhile may have made this one late.
      if (start > this.latest[task]! + MINUTE_TOLERANCE) continue;
      this.starts[task] = start;
      mode.forEach((count, c) => (this.taken[task * mode.length + c] = count));
      this.step(done | (1 << task), this.after(state, { task, mode, start }));
      if (this.isStopped) return;
    }
  }

  private keep(state: State): void {
    const endsAt = state.ends.reduce((most, end) => Math.max(most, end), -Infinity);
    if (endsAt >= this.endsAt - MINUTE_TOLERANCE) return;
    this.endsAt = endsAt;
    this.best = {
      starts: Float64Array.from(this.starts),
      taken: Int32Array.from(this.taken),
      endsAt,
    };
    this.latest = this.latestToBeat();
  }

  /** What may be started next, earliest first: only what no other could end before. */
  private branches(done: number, state: State) {
    const found: { task: number; mode: Mode; start: number }[] = [];
    let firstEnd = Infinity;
    for (let task = 0; task < this.problem.taskCount; task += 1) {
      if (!this.isReady(done, task)) continue;
      for (const mode of this.modes[task]!) {
        const start = this.startOf(task, mode, state);
        firstEnd = Math.min(firstEnd, start + this.problem.minutes[task]!);
        found.push({ task, mode, start });
      }
    }
    return found
      .filter(
        ({ task, start }) =>
          (start < firstEnd - MINUTE_TOLERANCE ||
            start + this.problem.minutes[task]! <= firstEnd + MINUTE_TOLERANCE) &&
          !this.isTurned(task, start, state),
      )
      .sort((a, b) => a.start - b.start || this.latest[a.task]! - this.latest[b.task]!);
  }

  /**
   * Two that start at once are taken in the order of their numbers, unless one waits for the other,
   * or the first takes no time and so had to come first.
   */
  private isTurned(task: number, start: number, { lastStart, lastTask }: State): boolean {
    return (
      start === lastStart &&
      task < lastTask &&
      this.problem.minutes[lastTask]! > 0 &&
      !this.problem.before[task]!.some((link) => link.task === lastTask)
    );
  }

  private isReady = (done: number, task: number): boolean =>
    (done & (1 << task)) === 0 &&
    this.problem.before[task]!.every((link) => (done & (1 << link.task)) !== 0);

  private startOf(task: number, mode: Mode, { freeAt, ends, lastStart }: State): number {
    let from = Math.max(0, lastStart);
    for (const link of this.problem.before[task]!)
      from = Math.max(from, ends[link.task]! + link.lagMinutes);
    mode.forEach((count, c) => {
      if (count > 0) from = Math.max(from, freeAt[c]![count - 1]!);
    });
    return this.inWindow(from, this.problem.minutes[task]!);
  }

  private inWindow(from: number, minutes: number): number {
    const { starts, ends, overflow } = this.problem;
    for (let w = 0; w < overflow; w += 1) {
      const start = Math.max(from, starts[w]!);
      if (start + minutes <= ends[w]! + MINUTE_TOLERANCE) return start;
    }
    return Infinity;
  }

  private after(
    state: State,
    { task, mode, start }: { task: number; mode: Mode; start: number },
  ): State {
    const end = start + this.problem.minutes[task]!;
    const ends = Float64Array.from(state.ends);
    ends[task] = end;
    // Of those who are free by then it makes no difference who is taken, nor since when they were.
    const freeAt = state.freeAt.map((times, c) =>
      [...times.slice(mode[c]), ...Array.from({ length: mode[c]! }, () => end)]
        .map((time) => Math.max(time, start))
        .sort((a, b) => a - b),
    );
    return { freeAt, ends, lastStart: start, lastTask: task };
  }

  /** Whether all that is left can still start in time, and its people's minutes are there. */
  private canBeat(done: number, state: State): boolean {
    const { before, minutes, order, people } = this.problem;
    const earliest = Float64Array.from(state.ends);
    let left = 0;
    for (const task of order) {
      if ((done & (1 << task)) !== 0) continue;
      let from = Math.max(0, state.lastStart);
      for (const link of before[task]!)
        from = Math.max(from, earliest[link.task]! + link.lagMinutes);
      const start = this.inWindow(from, minutes[task]!);
      if (start > this.latest[task]! + MINUTE_TOLERANCE) return false;
      earliest[task] = start + minutes[task]!;
      left += minutes[task]! * people[task]!;
    }
    let free = 0;
    for (const times of state.freeAt)
      for (const time of times) free += this.minutesFrom(Math.max(time, state.lastStart));
    return left <= free + MINUTE_TOLERANCE;
  }

  private minutesFrom(from: number): number {
    const { starts, ends, overflow } = this.problem;
    let sum = 0;
    for (let w = 0; w < overflow; w += 1)
      sum += Math.max(0, Math.min(ends[w]!, this.endsAt) - Math.max(starts[w]!, from));
    return sum;
  }

  /** Whether a state with the same tasks done was no worse in anything; else this one is kept. */
  private isBeaten(done: number, state: State): boolean {
    const waited = [...this.problem.behind.keys()].filter(
      (task) =>
        (done & (1 << task)) !== 0 &&
        this.problem.behind[task]!.some((link) => (done & (1 << link.task)) === 0),
    );
    const seen = this.seen.get(done) ?? [];
    const beats = (a: State, b: State) =>
      a.lastStart <= b.lastStart &&
      (a.lastStart < b.lastStart || a.lastTask <= b.lastTask) &&
      waited.every((task) => a.ends[task]! <= b.ends[task]!) &&
      a.freeAt.every((times, c) => times.every((time, i) => time <= b.freeAt[c]![i]!));
    if (seen.some((other) => beats(other, state))) return true;
    const kept = seen.filter((other) => !beats(state, other));
    this.keptCount += kept.length - seen.length;
    if (kept.length < MOST_KEPT && this.keptCount < MOST_KEPT_IN_ALL) {
      kept.push(state);
      this.keptCount += 1;
    }
    this.seen.set(done, kept);
    return false;
  }
}

/** Every way to take the people of a task from the classes, with one who has its skill. */
function modesOf({ classes, people, able, skillOf }: ScheduleProblem, task: number): Mode[] {
  const modes: Mode[] = [];
  const choose = (c: number, rest: number, chosen: readonly number[]) => {
    const size = classes[c]?.crewIds.length;
    if (size === undefined) {
      if (rest === 0 && (skillOf[task]! < 0 || able[task]!.some((k) => chosen[k]! > 0)))
        modes.push(chosen);
      return;
    }
    for (let count = Math.min(size, rest); count >= 0; count -= 1)
      choose(c + 1, rest - count, [...chosen, count]);
  };
  choose(0, people[task]!, []);
  return modes;
}
