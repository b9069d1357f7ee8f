import type { Clock } from '../shared';
import { planSchedule, scheduleRequestSchema, type ScheduleReason } from '../visits';
import type { DoneTask, SetUpTask } from './taskKinds';

const MINUTE_MS = 60_000;
/** Stands for this moment: what has to dry since a tick counts from it. */
const NOW = 'now';

/** When work can be done, as instants. */
export interface WorkWindow {
  readonly from: string;
  readonly to: string;
}
export interface SetUpQuestion {
  readonly tasks: readonly SetUpTask[];
  readonly done: readonly DoneTask[];
  /** Whoever comes; the first ones have the drill. */
  readonly people: readonly { readonly name: string; readonly hasDrill: boolean }[];
  readonly windows: readonly WorkWindow[];
  readonly now: string;
  readonly timeLimitMs?: number;
}

/** A task that is still to be done, with its time and its people. */
export interface PlannedTask {
  readonly task: SetUpTask;
  readonly startsAt: string;
  readonly endsAt: string;
  readonly people: readonly string[];
}
export interface SetUpPlan {
  readonly status: 'optimal' | 'feasible' | 'infeasible' | 'unknown';
  readonly tasks: readonly PlannedTask[];
  readonly endsAt: string | null;
  readonly reasons: readonly ScheduleReason[];
  /** From when on the last coat bears weight, where paint is wet or still to come; null: no wait. */
  readonly loadFrom: string | null;
  readonly elapsedMs: number;
}

/**
 * Lays out what is left of a working list from now on: for everybody who comes, in the times of the
 * visits, as early as can be. What was ticked is done; paint dries from its tick. Uses `schedule`.
 */
export function layOutTasks(
  { tasks, done, people, windows, now, timeLimitMs = 250 }: SetUpQuestion,
  { clock }: { readonly clock: Clock },
): SetUpPlan {
  const doneAt = new Map(done.map((each) => [each.taskId, Date.parse(each.doneAt)]));
  const open = tasks.filter(({ id }) => !doneAt.has(id));
  const nowMs = Date.parse(now);
  // Minutes from a midnight well before: the engine knows no negative times.
  const base = nowMs - (nowMs % (1440 * MINUTE_MS));
  const minuteOf = (ms: number) => (ms - base) / MINUTE_MS;
  const instantOf = (minute: number) =>
    new Date(base + Math.round(minute * MINUTE_MS)).toISOString();
  const later = windows
    .map(({ from, to }) => ({ from: Math.max(Date.parse(from), nowMs), to: Date.parse(to) }))
    .filter(({ from, to }) => to > from);
  const answer = planSchedule(
    scheduleRequestSchema.parse({
      tasks: [
        { id: NOW, minutes: 0 },
        ...open.map(({ id, minutes, people: count, skill, after }) => ({
          id,
          minutes,
          people: count,
          ...(skill ? { skill } : {}),
          after: after.map(({ taskId, lagMinutes }) => {
            const ticked = doneAt.get(taskId);
            if (ticked === undefined) return { task: taskId, lagMinutes };
            return {
              task: NOW,
              lagMinutes: Math.max(0, lagMinutes - (nowMs - ticked) / MINUTE_MS),
            };
          }),
        })),
      ],
      crew: people.map(({ name, hasDrill }) => ({ id: name, skills: hasDrill ? ['drill'] : [] })),
      windows: [
        { start: minuteOf(nowMs), end: minuteOf(nowMs) },
        ...later.map(({ from, to }) => ({ start: minuteOf(from), end: minuteOf(to) })),
      ],
      timeLimitMs,
    }),
    { clock },
  );
  const planned = answer.starts.flatMap(({ taskId, start, crewIds }): PlannedTask[] => {
    const task = open.find(({ id }) => id === taskId);
    return task
      ? [
          {
            task,
            startsAt: instantOf(start),
            endsAt: instantOf(start + task.minutes),
            people: crewIds,
          },
        ]
      : [];
  });
  return {
    status: answer.status,
    tasks: planned.sort((a, b) => a.startsAt.localeCompare(b.startsAt)),
    endsAt:
      planned.length === 0
        ? null
        : planned
            .map(({ endsAt }) => endsAt)
            .sort()
            .at(-1)!,
    reasons: answer.reasons,
    loadFrom: loadFromOf(tasks, planned, { doneAt, nowMs }),
    elapsedMs: answer.elapsedMs,
  };
}

/** When the last coat is hard: from its tick, or from where it is planned. */
function loadFromOf(
  tasks: readonly SetUpTask[],
  planned: readonly PlannedTask[],
  { doneAt, nowMs }: { readonly doneAt: ReadonlyMap<string, number>; readonly nowMs: number },
): string | null {
  // Of what waits for paint to harden, the latest; drying between coats is shorter.
  const waits = tasks
    .filter(({ kind }) => kind === 'load' || kind === 'fit')
    .flatMap(({ after }) => after)
    .filter(({ taskId, lagMinutes }) => lagMinutes > 0 && /^paint\b/.test(taskId))
    .map(({ taskId, lagMinutes }) => {
      const ended =
        doneAt.get(taskId) ??
        Date.parse(planned.find(({ task }) => task.id === taskId)?.endsAt ?? 'never');
      return ended + lagMinutes * MINUTE_MS;
    });
  const from = Math.max(...waits);
  return !Number.isFinite(from) || from <= nowMs ? null : new Date(from).toISOString();
}

/** What each person does now, next and then: at most three tasks each, in time. */
export function nowNextThen(
  plan: SetUpPlan,
  people: readonly string[],
): readonly { readonly name: string; readonly tasks: readonly PlannedTask[] }[] {
  return people.map((name) => ({
    name,
    tasks: plan.tasks.filter((each) => each.people.includes(name)).slice(0, 3),
  }));
}

/** Ticked before something that it waits for: said, and allowed. */
export function findEarlyTicks(
  tasks: readonly SetUpTask[],
  done: readonly DoneTask[],
): readonly { readonly taskId: string; readonly waitsForId: string }[] {
  const doneIds = new Set(done.map(({ taskId }) => taskId));
  return tasks
    .filter(({ id }) => doneIds.has(id))
    .flatMap(({ id, after }) => {
      const missing = after.find(({ taskId }) => !doneIds.has(taskId));
      return missing ? [{ taskId: id, waitsForId: missing.taskId }] : [];
    });
}
