import { learnFactor, learnWithin, type Learned } from '../shared';
import type { SetUp } from './model';
import type { TaskKind } from './taskKinds';

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
  floor: { start: 3, each: 4 },
  line: { start: 5, each: 6 },
  fit: { start: 3, each: 1 },
  move: { start: 5, each: 3 },
  load: { start: 5, perLitre: 0.12 },
  label: { start: 5, each: 1.5 },
  photographEach: 3,
} as const;

/** One tick is not believed more than so far from what was assumed. */
const MOST_FACTOR = 3;

/**
 * What tasks of a kind take against the assumptions: as in other rooms (`elsewhere`), corrected by what was timed in
 * this room, which counts as much from its first tick on.
 */
export function learnTask(
  kind: TaskKind,
  done: SetUp['done'],
  elsewhere: Learned = learnFactor([]),
): Learned {
  const timed = done.flatMap((each) => {
    const { tookMinutes, listedMinutes } = each;
    if (each.kind !== kind || tookMinutes === null || listedMinutes === null) return [];
    const actual = Math.min(
      MOST_FACTOR * listedMinutes,
      Math.max(listedMinutes / MOST_FACTOR, tookMinutes),
    );
    return [{ estimated: listedMinutes, actual }];
  });
  const here = learnWithin(elsewhere, timed, 1);
  return { ...here, count: here.count + elsewhere.count };
}
