import { z } from 'zod';

const requestId = z.string().min(1).max(100);
const amount = z.number().min(0).max(1e9);

const taskSchema = z.strictObject({
  id: requestId,
  /** At work, without a break. */
  minutes: amount,
  /** What must have ended before, and by how many minutes. */
  after: z.array(z.strictObject({ task: requestId, lagMinutes: amount.optional() })).optional(),
  /** Exactly so many are at it. */
  people: z.number().int().positive('must be more than 0').max(100).default(1),
  /** At least one of its people has it. */
  skill: requestId.optional(),
});

/**
 * What the `schedule` engine is asked: tasks, who is there, and when work can be done, in minutes
 * from the first day's midnight. Source: docs/engines.md.
 */
export const scheduleRequestSchema = z
  .strictObject({
    tasks: z.array(taskSchema).max(1000),
    crew: z
      .array(z.strictObject({ id: requestId, skills: z.array(requestId).max(50).optional() }))
      .max(100),
    windows: z.array(z.strictObject({ start: amount, end: amount })).max(1000),
    seed: z.number().int().min(0).max(1e9).default(1),
    timeLimitMs: amount.default(1000),
  })
  .superRefine((request, context) => {
    const refuse = (message: string, path: (string | number)[]) =>
      context.addIssue({ code: 'custom', message, path });
    const tasks = new Set<string>();
    request.tasks.forEach(({ id }, i) => {
      if (tasks.has(id)) refuse(`the id "${id}" occurs twice`, ['tasks', i, 'id']);
      tasks.add(id);
    });
    request.tasks.forEach(({ id, after = [] }, i) =>
      after.forEach(({ task }, j) => {
        const path = ['tasks', i, 'after', j, 'task'];
        if (task === id) refuse(`"${id}" waits for itself`, path);
        else if (!tasks.has(task)) refuse(`there is no task "${task}"`, path);
      }),
    );
    const crew = new Set<string>();
    request.crew.forEach(({ id }, i) => {
      if (crew.has(id)) refuse(`the id "${id}" occurs twice`, ['crew', i, 'id']);
      crew.add(id);
    });
    request.windows.forEach(({ start, end }, i) => {
      if (end < start) refuse('the window ends before it begins', ['windows', i, 'end']);
    });
    findOverlaps(request.windows).forEach(([i, j]) =>
      refuse(`the window overlaps window ${j}`, ['windows', i, 'start']),
    );
    const circle = findCircle(request.tasks);
    if (circle)
      refuse(`${circle.map((id) => `"${id}"`).join(' waits for ')} in a circle`, [
        'tasks',
        request.tasks.findIndex(({ id }) => id === circle[0]),
        'after',
      ]);
  });
export type ScheduleRequest = Readonly<z.infer<typeof scheduleRequestSchema>>;
export type ScheduleRequestInput = z.input<typeof scheduleRequestSchema>;

/** When a task begins, and who is at it. */
export interface TaskStart {
  readonly taskId: string;
  readonly start: number;
  readonly crewIds: readonly string[];
}
/**
 * What the `schedule` engine answers. `objective` is `endsAt`, when the last task ends; `bound` is
 * proven below it. Where nothing was found in the time the status is `unknown`.
 */
export interface ScheduleAnswer {
  readonly status: 'optimal' | 'feasible' | 'infeasible' | 'unknown';
  readonly objective: number | null;
  readonly bound: number | null;
  readonly elapsedMs: number;
  readonly starts: readonly TaskStart[];
  readonly endsAt: number | null;
  readonly reasons: readonly ScheduleReason[];
}
/** Why no schedule exists. `subject` is the task, or the skill, or `crew`. */
export type ScheduleReason =
  | {
      readonly code: 'task_too_long';
      readonly subject: string;
      readonly minutes: number;
      readonly longestMinutes: number;
    }
  | {
      readonly code: 'too_few_people';
      readonly subject: string;
      readonly needs: number;
      readonly has: number;
    }
  | { readonly code: 'no_skill'; readonly subject: string; readonly skill: string }
  /** With all that comes before it, it ends after the last window. */
  | {
      readonly code: 'chain_too_long';
      readonly subject: string;
      readonly endsAt: number;
      readonly lastEnd: number;
    }
  /** More people's minutes than the windows hold, by the whole crew or those with a skill. */
  | {
      readonly code: 'too_much_work';
      readonly subject: string;
      readonly needMinutes: number;
      readonly hasMinutes: number;
    }
  /** Every order was looked at, or none can keep to the windows. */
  | { readonly code: 'no_arrangement'; readonly subject: string };

type Task = z.infer<typeof taskSchema>;

/** Pairs of windows that share time; touching ones do not. */
function findOverlaps(
  windows: readonly { readonly start: number; readonly end: number }[],
): [later: number, earlier: number][] {
  const order = windows.map((_, i) => i);
  const at = (i: number) => windows[i] ?? { start: 0, end: 0 };
  order.sort((a, b) => at(a).start - at(b).start || at(a).end - at(b).end);
  return order.flatMap((i, k): [number, number][] => {
    const before = order[k - 1];
    return before !== undefined && at(i).start < at(before).end ? [[i, before]] : [];
  });
}

/** Tasks that wait for each other, by their ids; undefined where the order has no circle. */
function findCircle(tasks: readonly Pick<Task, 'id' | 'after'>[]): string[] | undefined {
  const waitsFor = new Map(tasks.map(({ id, after = [] }) => [id, after.map(({ task }) => task)]));
  const state = new Map<string, 'open' | 'done'>();
  for (const { id: root } of tasks) {
    // A path of its own, since a chain may be as long as there are tasks.
    const path: { readonly id: string; next: number }[] = [];
    const enter = (id: string) => {
      state.set(id, 'open');
      path.push({ id, next: 0 });
    };
    if (!state.has(root)) enter(root);
    for (let top = path.at(-1); top; top = path.at(-1)) {
      const next = (waitsFor.get(top.id) ?? [])[top.next];
      top.next += 1;
      if (next === undefined) {
        state.set(top.id, 'done');
        path.pop();
      } else if (state.get(next) === 'open' && next !== top.id)
        return path.slice(path.findIndex(({ id }) => id === next)).map(({ id }) => id);
      else if (!state.has(next) && waitsFor.has(next)) enter(next);
    }
  }
  return undefined;
}
