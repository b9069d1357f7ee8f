import type { ScheduleRequest } from './scheduleModel';

/** A task that must have ended before, by its number, and the least minutes between. */
export interface Link {
  readonly task: number;
  readonly lagMinutes: number;
}

/** People who can do the same: whoever of them is taken makes no difference. */
export interface CrewClass {
  readonly crewIds: readonly string[];
  readonly skills: ReadonlySet<string>;
}

/**
 * A request with its tasks by number, its windows in order and its crew in classes. Minutes; the
 * last window stands for none: it begins where no schedule may end, so that a search always has
 * an answer to improve.
 */
export interface ScheduleProblem {
  readonly taskCount: number;
  readonly minutes: Float64Array;
  readonly people: Int32Array;
  readonly before: readonly (readonly Link[])[];
  readonly behind: readonly (readonly Link[])[];
  /** Tasks so that each comes behind all it waits for. */
  readonly order: readonly number[];
  readonly starts: Float64Array;
  readonly ends: Float64Array;
  /** Index of the window beyond all others. */
  readonly overflow: number;
  readonly classes: readonly CrewClass[];
  /** By task: the classes of which one has its skill; all where it asks for none. */
  readonly able: readonly (readonly number[])[];
  /** By task: its skill, or -1. */
  readonly skillOf: Int32Array;
  readonly skills: readonly string[];
}

/** A part of a minute below which two times are one. */
export const MINUTE_TOLERANCE = 1e-6;
/** How far beyond the last window the one that stands for none begins. */
const BEYOND_MINUTES = 1e6;

/** Requires: the order of the tasks has no circle, and no windows overlap, as the schema checks. */
export function toScheduleProblem({ tasks, crew, windows }: ScheduleRequest): ScheduleProblem {
  const numberOf = new Map(tasks.map(({ id }, i) => [id, i]));
  const before = tasks.map(({ after = [] }) =>
    after.map(({ task, lagMinutes = 0 }): Link => ({ task: numberOf.get(task) ?? 0, lagMinutes })),
  );
  const behind = tasks.map((): Link[] => []);
  before.forEach((links, task) =>
    links.forEach((link) => behind[link.task]?.push({ task, lagMinutes: link.lagMinutes })),
  );
  const inOrder = [...windows].sort((a, b) => a.start - b.start || a.end - b.end);
  const lastEnd = inOrder.at(-1)?.end ?? 0;
  const allMinutes = tasks.reduce((sum, { minutes }) => sum + minutes, 0);
  const allLags = before.flat().reduce((sum, { lagMinutes }) => sum + lagMinutes, 0);
  const beyond = lastEnd + BEYOND_MINUTES;
  const skills = [...new Set(tasks.flatMap(({ skill }) => (skill === undefined ? [] : [skill])))];
  const classes = toClasses(crew, new Set(skills));
  return {
    taskCount: tasks.length,
    minutes: Float64Array.from(tasks, ({ minutes }) => minutes),
    people: Int32Array.from(tasks, ({ people }) => people),
    before,
    behind,
    order: orderBy(before, behind),
    starts: Float64Array.from([...inOrder.map(({ start }) => start), beyond]),
    ends: Float64Array.from([...inOrder.map(({ end }) => end), beyond + allMinutes + allLags + 1]),
    overflow: inOrder.length,
    classes,
    able: tasks.map(({ skill }) =>
      classes.flatMap((each, c) => (skill === undefined || each.skills.has(skill) ? [c] : [])),
    ),
    skillOf: Int32Array.from(tasks, ({ skill }) =>
      skill === undefined ? -1 : skills.indexOf(skill),
    ),
    skills,
  };
}

/** The same work read from its end: what comes last is first, lags and windows mirrored. */
export function mirror(problem: ScheduleProblem): ScheduleProblem {
  return {
    ...problem,
    before: problem.behind,
    behind: problem.before,
    order: [...problem.order].reverse(),
    starts: problem.ends.map((end) => -end).reverse(),
    ends: problem.starts.map((start) => -start).reverse(),
    overflow: -1,
  };
}

/** Those who have the same of the skills that are asked for. */
function toClasses(crew: ScheduleRequest['crew'], asked: ReadonlySet<string>): CrewClass[] {
  const classes = new Map<string, { crewIds: string[]; skills: Set<string> }>();
  for (const { id, skills = [] } of crew) {
    const own = [...new Set(skills)].filter((skill) => asked.has(skill)).sort();
    const key = JSON.stringify(own);
    const known = classes.get(key);
    if (known) known.crewIds.push(id);
    else classes.set(key, { crewIds: [id], skills: new Set(own) });
  }
  // Those who can least come first: they are taken before those who are needed elsewhere.
  return [...classes.values()].sort((a, b) => a.skills.size - b.skills.size);
}

function orderBy(
  before: readonly (readonly Link[])[],
  behind: readonly (readonly Link[])[],
): number[] {
  const open = before.map((links) => links.length);
  const order = open.flatMap((count, task) => (count === 0 ? [task] : []));
  for (let k = 0; k < order.length; k += 1)
    for (const { task } of behind[order[k] ?? -1] ?? []) {
      open[task] = (open[task] ?? 0) - 1;
      if (open[task] === 0) order.push(task);
    }
  return order;
}
