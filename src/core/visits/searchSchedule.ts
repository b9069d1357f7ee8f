import type { Random } from '../shared';
import { latestStarts } from './boundSchedule';
import { listSchedule, type Schedule } from './listSchedule';
import { MINUTE_TOLERANCE, mirror, type ScheduleProblem } from './scheduleProblem';

/** Boldness at the start and at the end of a round, as a share of the span that is planned. */
const BOLDEST = 0.02;
const MEEKEST = 0.0005;
const ROUND_STEPS = 400;
const MOST_MOVED = 3;

/** The plain way: what has to begin first is begun first, one pass. */
export function planPlainly(problem: ScheduleProblem): Schedule {
  const endsBy = problem.ends[problem.overflow - 1] ?? 0;
  return listSchedule(problem, latestStarts(problem, endsBy));
}

/**
 * Pushes everything to its latest and back to its earliest, each in the order of where it then
 * stands: never ends later, often earlier.
 * Source: double justification (Valls, Ballestín and Quintanilla 2005).
 */
function justify(problem: ScheduleProblem, mirrored: ScheduleProblem, plan: Schedule): Schedule {
  const { minutes } = problem;
  const late = listSchedule(
    mirrored,
    plan.starts.map((start, task) => -(start + minutes[task]!)),
    -plan.endsAt,
  );
  const back = listSchedule(
    problem,
    late.starts.map((start, task) => -(start + minutes[task]!)),
  );
  return back.endsAt <= plan.endsAt ? back : plan;
}

/**
 * Looks for a schedule that ends earlier: moves some tasks forward or back in the order, lists and
 * justifies again, and goes on from what is better or, the longer the less, from what is a little
 * worse. Calls `onBetter` with each that is the best so far; ends when it or `isOver` says so.
 */
export function searchSchedule(
  problem: ScheduleProblem,
  first: Schedule,
  {
    random,
    onBetter,
    mostSteps,
    isOver,
  }: {
    readonly random: Random;
    readonly onBetter: (plan: Schedule) => void;
    readonly mostSteps: number;
    readonly isOver: () => boolean;
  },
): void {
  const { taskCount } = problem;
  if (taskCount < 2) return;
  const mirrored = mirror(problem);
  const costOf = createCost(problem);
  let best = justify(problem, mirrored, first);
  if (best.endsAt < first.endsAt) onBetter(best);
  let current = best;
  const span = Math.max(1, costOf(best));
  for (let step = 0; step < mostSteps && !isOver(); step += 1) {
    const cooled = (step % ROUND_STEPS) / ROUND_STEPS;
    if (step % ROUND_STEPS === 0) current = best;
    const boldness = span * BOLDEST * (MEEKEST / BOLDEST) ** cooled;
    const next = justify(problem, mirrored, listSchedule(problem, shake(current.starts, random)));
    const worse = costOf(next) - costOf(current);
    if (worse <= 0 || random() < Math.exp(-worse / boldness)) current = next;
    if (next.endsAt < best.endsAt) {
      best = next;
      onBetter(best);
    }
  }
}

/** What still lies in the last window counts beside the end: with the last of it a night is saved. */
const SPILL_WEIGHT = 0.5;
const EARLY_WEIGHT = 0.02;

/** The end in minutes of work, without nights and breaks, and what of the work lies late. */
function createCost(problem: ScheduleProblem): (plan: Schedule) => number {
  const { starts: opens, ends: closes, minutes, people, classes } = problem;
  const opened = new Float64Array(opens.length);
  for (let w = 1; w < opens.length; w += 1)
    opened[w] = opened[w - 1]! + closes[w - 1]! - opens[w - 1]!;
  const crew = classes.reduce((sum, { crewIds }) => sum + crewIds.length, 0);
  const windowOf = (time: number): number => {
    let w = opens.length - 1;
    while (w > 0 && opens[w]! >= time) w -= 1;
    return w;
  };
  return ({ starts, endsAt }) => {
    const last = windowOf(endsAt);
    let [spill, early] = [0, 0];
    for (let task = 0; task < starts.length; task += 1) {
      const window = windowOf(starts[task]! + MINUTE_TOLERANCE);
      if (window === last) spill += minutes[task]! * people[task]!;
      early += opened[window]! + starts[task]! - opens[window]!;
    }
    return (
      opened[last]! +
      endsAt -
      opens[last]! +
      (SPILL_WEIGHT * spill) / crew +
      (EARLY_WEIGHT * early) / starts.length
    );
  };
}

/** Ranks by start, of which a few are moved to where another stands. */
function shake(starts: Float64Array, random: Random): Float64Array {
  const rank = Float64Array.from(starts);
  const moves = 1 + Math.floor(random() * MOST_MOVED);
  for (let k = 0; k < moves; k += 1) {
    const task = Math.floor(random() * starts.length);
    const other = Math.floor(random() * starts.length);
    rank[task] = starts[other]! + (random() - 0.5);
  }
  return rank;
}
