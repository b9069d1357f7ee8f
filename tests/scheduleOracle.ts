import type { ScheduleRequestInput } from '@/core/visits';

type Starts = readonly {
  readonly taskId: string;
  readonly start: number;
  readonly crewIds: readonly string[];
}[];
const NEAR = 1e-5;

/** What is wrong with a schedule, rule by rule. Shares no code with the engine. */
export function scheduleFaults(
  { tasks, crew, windows }: ScheduleRequestInput,
  answer: { readonly starts: Starts; readonly endsAt: number | null },
): string[] {
  const faults: string[] = [];
  const lengthOf = (id: string) => tasks.find((task) => task.id === id)?.minutes ?? NaN;
  const startOf = (id: string) => answer.starts.find(({ taskId }) => taskId === id)?.start ?? NaN;
  for (const { id, minutes, after = [], people = 1, skill } of tasks) {
    const own = answer.starts.filter(({ taskId }) => taskId === id);
    const [first] = own;
    if (!first || own.length > 1) {
      faults.push(`${id} is planned ${own.length} times`);
      continue;
    }
    const { start, crewIds } = first;
    if (crewIds.length !== people || new Set(crewIds).size !== people)
      faults.push(`${id} has ${crewIds.join(' ')}`);
    const persons = crewIds.map((crewId) => crew.find((one) => one.id === crewId));
    if (persons.includes(undefined)) faults.push(`${id} has somebody who is not there`);
    if (skill !== undefined && !persons.some((person) => person?.skills?.includes(skill)))
      faults.push(`nobody at ${id} has ${skill}`);
    if (!windows.some((at) => start >= at.start - NEAR && start + minutes <= at.end + NEAR))
      faults.push(`${id} is not within a window`);
    for (const { task, lagMinutes = 0 } of after)
      if (!(start >= startOf(task) + lengthOf(task) + lagMinutes - NEAR))
        faults.push(`${id} begins too soon after ${task}`);
  }
  for (const person of crew) {
    const busy = answer.starts.filter(({ crewIds }) => crewIds.includes(person.id));
    for (const a of busy)
      for (const b of busy)
        if (
          a.taskId < b.taskId &&
          a.start < b.start + lengthOf(b.taskId) - NEAR &&
          b.start < a.start + lengthOf(a.taskId) - NEAR
        )
          faults.push(`${person.id} is at ${a.taskId} and ${b.taskId} at once`);
  }
  const ends = answer.starts.map(({ taskId, start }) => start + lengthOf(taskId));
  const last = ends.length === 0 ? 0 : Math.max(...ends);
  if (Math.abs(last - (answer.endsAt ?? NaN)) > NEAR || answer.endsAt === null)
    faults.push(`endsAt is ${answer.endsAt}, the last ends at ${last}`);
  return faults;
}

/**
 * The earliest end over every start at a whole minute and every choice of people; undefined where
 * there is none. For a few tasks of whole minutes in short windows.
 */
export function earliestEnd({ tasks, crew, windows }: ScheduleRequestInput): number | undefined {
  let best: number | undefined;
  const placed: { id: string; start: number; end: number; people: readonly string[] }[] = [];
  const open = [...tasks];
  const step = (endsAt: number): void => {
    if (best !== undefined && endsAt >= best) return;
    if (placed.length === tasks.length) {
      best = endsAt;
      return;
    }
    // One task whose turn can come: which of them makes no difference, every start is tried.
    const task = open.find(
      ({ id, after = [] }) =>
        !placed.some((one) => one.id === id) &&
        after.every((link) => placed.some((one) => one.id === link.task)),
    );
    if (!task) return;
    for (const people of choose(crew, task.people ?? 1)) {
      const { skill } = task;
      if (skill !== undefined && !people.some(({ skills = [] }) => skills.includes(skill)))
        continue;
      const ids = people.map(({ id }) => id);
      for (const window of windows)
        for (let start = window.start; start + task.minutes <= window.end; start += 1) {
          const end = start + task.minutes;
          const isLate = (task.after ?? []).every(
            ({ task: id, lagMinutes = 0 }) =>
              start >= (placed.find((one) => one.id === id)?.end ?? Infinity) + lagMinutes,
          );
          const isFree = placed.every(
            (one) =>
              start >= one.end || end <= one.start || !one.people.some((id) => ids.includes(id)),
          );
          if (!isLate || !isFree) continue;
          placed.push({ id: task.id, start, end, people: ids });
          step(Math.max(endsAt, end));
          placed.pop();
        }
    }
  };
  step(0);
  return best;
}

function choose<T>(from: readonly T[], count: number): T[][] {
  if (count === 0) return [[]];
  return from.flatMap((one, i) =>
    choose(from.slice(i + 1), count - 1).map((others) => [one, ...others]),
  );
}
