import type { ScheduleReason } from './scheduleModel';
import { MINUTE_TOLERANCE, type ScheduleProblem } from './scheduleProblem';

/** The earliest start of a task of some minutes that begins no earlier than `from`, in a window. */
function inWindow({ starts, ends }: ScheduleProblem, from: number, minutes: number): number {
  for (let w = 0; w < starts.length; w += 1) {
    const start = Math.max(from, starts[w]!);
    if (start + minutes <= ends[w]! + MINUTE_TOLERANCE) return start;
  }
  return Infinity;
}

/** The earliest start of each task, as if people were without number. */
export function earliestStarts(problem: ScheduleProblem): Float64Array {
  const { before, minutes, order } = problem;
  const earliest = new Float64Array(problem.taskCount);
  for (const task of order) {
    let from = -Infinity;
    for (const link of before[task]!)
      from = Math.max(from, earliest[link.task]! + minutes[link.task]! + link.lagMinutes);
    earliest[task] = inWindow(problem, from, minutes[task]!);
  }
  return earliest;
}

/** The latest start of each task by which everything can still end by `endsBy`; -Infinity where none. */
export function latestStarts(problem: ScheduleProblem, endsBy: number): Float64Array {
  const { behind, minutes, order, starts, ends } = problem;
  const latest = new Float64Array(problem.taskCount);
  for (let k = order.length - 1; k >= 0; k -= 1) {
    const task = order[k]!;
    let endBy = endsBy;
    for (const link of behind[task]!) endBy = Math.min(endBy, latest[link.task]! - link.lagMinutes);
    latest[task] = -Infinity;
    for (let w = starts.length - 1; w >= 0; w -= 1) {
      const start = Math.min(endBy, ends[w]!) - minutes[task]!;
      if (start < starts[w]! - MINUTE_TOLERANCE) continue;
      latest[task] = start;
      break;
    }
  }
  return latest;
}

/** Tasks of which only so many can run at once, since their people are few. */
interface Narrow {
  /** What runs at once is counted in this: people, or one a task. */
  readonly tasks: readonly number[];
  readonly weight: (task: number) => number;
  readonly atOnce: number;
  readonly subject: string;
}

/** Each skill, and some together, may be asked for by more tasks than there are people with one. */
const MOST_SKILLS_TOGETHER = 6;

/**
 * What can only run beside so much: everything by the crew, what asks for a skill (or one of several)
 * by those who have it, and what wants many people by how often the crew holds them.
 */
function findNarrows(problem: ScheduleProblem): Narrow[] {
  const { classes, people, skillOf, skills, taskCount } = problem;
  const all = Array.from({ length: taskCount }, (_, task) => task);
  const crew = classes.reduce((sum, { crewIds }) => sum + crewIds.length, 0);
  const narrows: Narrow[] = [
    { tasks: all, weight: (task) => people[task]!, atOnce: crew, subject: 'crew' },
  ];
  for (const many of new Set(people))
    if (many > 1)
      narrows.push({
        tasks: all.filter((task) => people[task]! >= many),
        weight: () => 1,
        atOnce: Math.floor(crew / many),
        subject: 'crew',
      });
  const sets =
    skills.length <= MOST_SKILLS_TOGETHER
      ? Array.from({ length: 2 ** skills.length - 1 }, (_, bits) => bits + 1)
      : skills.map((_, s) => 2 ** s);
  for (const bits of sets) {
    const has = (s: number) => s >= 0 && Math.floor(bits / 2 ** s) % 2 === 1;
    const able = classes
      .filter((each) => skills.some((skill, s) => has(s) && each.skills.has(skill)))
      .reduce((sum, { crewIds }) => sum + crewIds.length, 0);
    narrows.push({
      tasks: all.filter((task) => has(skillOf[task]!)),
      weight: () => 1,
      atOnce: able,
      subject: skills.filter((_, s) => has(s)).join(', '),
    });
  }
  return narrows.filter(({ tasks }) => tasks.length > 0);
}

/** Something that cannot be by the time that was asked about. */
type Refusal =
  | { readonly kind: 'chain'; readonly task: number }
  | {
      readonly kind: 'work';
      readonly subject: string;
      readonly needMinutes: number;
      readonly hasMinutes: number;
    };

/**
 * Says why no schedule can end by a time, where that is seen: what comes before and behind a task
 * leaves it no start; or between two times more must be done than those who can do it have minutes
 * in the windows, each task counted with what of it lies between them at the least.
 * Source: destructive bounds (Klein and Scholl 1999) by energy between heads and tails (Baptiste,
 * Le Pape and Nuijten 1999).
 */
export function createRefuter(problem: ScheduleProblem): (endsBy: number) => Refusal | undefined {
  const { minutes, starts, ends, taskCount } = problem;
  const earliest = earliestStarts(problem);
  const narrows = findNarrows(problem);
  const froms = thin([...new Set([...earliest, ...starts])].sort((a, b) => a - b));
  return (endsBy) => {
    const latest = latestStarts(problem, endsBy);
    for (let task = 0; task < taskCount; task += 1)
      if (earliest[task]! > latest[task]! + MINUTE_TOLERANCE) return { kind: 'chain', task };
    const latestEnds = Array.from(latest, (start, task) => start + minutes[task]!);
    const tos = thin([...new Set([...latestEnds, endsBy])].sort((a, b) => b - a));
    for (const from of froms) {
      if (from >= endsBy) break;
      for (const to of tos) {
        if (to <= from) continue;
        const open = minutesWithin(starts, ends, from, to);
        for (const { tasks, weight, atOnce, subject } of narrows) {
          let needed = 0;
          for (const task of tasks)
            needed +=
              weight(task) *
              Math.min(
                overlap(earliest[task]!, minutes[task]!, from, to),
                overlap(latest[task]!, minutes[task]!, from, to),
              );
          if (needed > atOnce * open + MINUTE_TOLERANCE * (1 + tasks.length))
            return { kind: 'work', subject, needMinutes: needed, hasMinutes: atOnce * open };
        }
      }
    }
    return undefined;
  };
}

/** In large requests times are asked about in even steps: a bound must not cost the search its time. */
const MOST_TIMES = 60;
const thin = (times: readonly number[]): readonly number[] =>
  times.length <= MOST_TIMES
    ? times
    : Array.from(
        { length: MOST_TIMES },
        (_, i) => times[Math.floor((i * times.length) / MOST_TIMES)]!,
      );

const overlap = (start: number, minutes: number, from: number, to: number): number =>
  Math.max(0, Math.min(start + minutes, to) - Math.max(start, from));

function minutesWithin(starts: Float64Array, ends: Float64Array, from: number, to: number): number {
  let sum = 0;
  for (let w = 0; w < starts.length; w += 1)
    sum += Math.max(0, Math.min(ends[w]!, to) - Math.max(starts[w]!, from));
  return sum;
}

/** Where the times of a request are whole minutes, so is the end of a schedule. */
export const isWhole = ({ minutes, starts, ends, before }: ScheduleProblem): boolean =>
  [...minutes, ...starts, ...ends, ...before.flat().map(({ lagMinutes }) => lagMinutes)].every(
    Number.isInteger,
  );

/**
 * The highest time of which it is shown that no schedule ends before it, between one that is known
 * to be no end and one that is an end; `isOver` stops the search for a better one.
 */
export function raiseBound(
  problem: ScheduleProblem,
  {
    least,
    most,
    refute,
    isOver,
  }: {
    readonly least: number;
    readonly most: number;
    readonly refute: (endsBy: number) => Refusal | undefined;
    readonly isOver: () => boolean;
  },
): number {
  const step = isWhole(problem) ? 1 : Math.max(1e-7, most * 1e-10);
  let [shown, open] = [least, most];
  while (open - shown >= step && !isOver()) {
    const whole = step === 1 ? Math.floor((shown + open) / 2) : (shown + open) / 2;
    const asked = Math.min(whole, open - step);
    if (refute(asked)) shown = asked + (step === 1 ? 1 : 0);
    else open = asked;
  }
  return shown;
}

/** Says what a refusal means for whoever asked, with the end of the last window. */
export function toReason(
  refusal: Refusal,
  problem: ScheduleProblem,
  taskIds: readonly string[],
): ScheduleReason {
  if (refusal.kind === 'work')
    return {
      code: 'too_much_work',
      subject: refusal.subject,
      needMinutes: refusal.needMinutes,
      hasMinutes: refusal.hasMinutes,
    };
  const { task } = refusal;
  return {
    code: 'chain_too_long',
    subject: taskIds[task] ?? '',
    endsAt: earliestStarts(problem)[task]! + problem.minutes[task]!,
    lastEnd: problem.ends[problem.overflow - 1] ?? 0,
  };
}
