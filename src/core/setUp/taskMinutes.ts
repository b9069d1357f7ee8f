import type { SetUp, TaskKind } from './model';

/** Minutes of each kind of task: our own stated assumptions, by what there is of it. */
export const TASK_MINUTES = {
  takeDown: { start: 15, each: 3 },
  wipe: { start: 5, each: 4 },
  fill: { start: 10, each: 2 },
  sandPerSquareMetre: 4,
  paintPerSquareMetre: 10,
  paintStart: 15,
  cut: { start: 10, each: 4 },
  assemble: { start: 25, each: 6 },
  /** The second of the same goes faster. */
  alikeShare: 0.7,
  anchor: { start: 10, each: 12 },
  wash: { start: 3, each: 2 },
  line: { start: 5, each: 6 },
  fit: { start: 3, each: 1 },
  move: { start: 5, each: 3 },
  load: { start: 5, perLitre: 0.12 },
  label: { start: 5, each: 1.5 },
  photographEach: 3,
} as const;

/** One tick is not believed more than so far from what was assumed. */
const MOST_FACTOR = 3;

/** What tasks of a kind took, over what the list said: 1 where nobody said. */
export function minutesFactorOf(kind: TaskKind, done: SetUp['done']): number {
  const timed = done.filter(
    (each) => each.kind === kind && each.tookMinutes !== null && each.listedMinutes !== null,
  );
  const listed = timed.reduce((sum, { listedMinutes }) => sum + (listedMinutes ?? 0), 0);
  const took = timed.reduce((sum, { tookMinutes }) => sum + (tookMinutes ?? 0), 0);
  if (listed === 0) return 1;
  return Math.min(MOST_FACTOR, Math.max(1 / MOST_FACTOR, took / listed));
}
