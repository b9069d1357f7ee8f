import { checkFigures, createRandom, type Clock } from '../shared';
import { createRefuter, earliestStarts, latestStarts, raiseBound, toReason } from './boundSchedule';
import { fillWindows } from './fillWindows';
import { listSchedule, nameCrew, type Schedule } from './listSchedule';
import { MOST_PROVEN, proveSchedule } from './proveSchedule';
import type { ScheduleAnswer, ScheduleReason, ScheduleRequest } from './scheduleModel';
import { MINUTE_TOLERANCE, toScheduleProblem, type ScheduleProblem } from './scheduleProblem';
import { planPlainly, searchSchedule } from './searchSchedule';

/** Of the time; small requests get theirs long before. */
const BOUND_SHARE = 0.25;
const FIRST_SEARCH_SHARE = 0.35;
const FILL_SHARE = 0.95;
const FILL_TRIES = [20, 60, 200] as const;
/** Ends it with a clock that stands still. */
const MOST_ROUNDS = 60;
/** So much is tried before a small request is proven: counted, so that two runs are alike. */
const STEPS_BEFORE_PROOF = 300;

/**
 * Plans tasks so that the last ends as early as can be: exactly so many people at each, one of them
 * with its skill, one task at a time, uninterrupted, never across two windows; lags run on outside.
 * Plain list scheduling first, then double justification under annealing; up to 30 tasks branch and
 * bound. `bound` is the best of what comes before and behind, and of people's minutes between
 * heads and tails, by the crew and by skill.
 * Source: docs/engines.md.
 * Ensures: never worse than plain list scheduling; no rule of the format is broken. Deterministic
 * unless the time limit cuts it. `infeasible` only where that is shown; `unknown` where nothing
 * was found in the time.
 */
export function planSchedule(
  request: ScheduleRequest,
  { clock }: { readonly clock: Clock },
): ScheduleAnswer {
  const startMs = clock();
  const elapsed = () => clock() - startMs;
  const isOver = (share: number) => elapsed() > request.timeLimitMs * share;
  const refuse = (reasons: readonly ScheduleReason[]): ScheduleAnswer => ({
    ...NOTHING,
    status: 'infeasible',
    elapsedMs: elapsed(),
    reasons,
  });
  if (request.tasks.length === 0)
    return {
      ...NOTHING,
      status: 'optimal',
      objective: 0,
      bound: 0,
      endsAt: 0,
      elapsedMs: elapsed(),
    };
  const reasons = findImpossible(request);
  if (reasons.length > 0) return refuse(reasons);

  const problem = toScheduleProblem(request);
  const taskIds = request.tasks.map(({ id }) => id);
  const lastEnd = problem.ends[problem.overflow - 1] ?? 0;
  const isDone = (plan: Schedule) => plan.endsAt <= lastEnd + MINUTE_TOLERANCE;
  let best = planPlainly(problem);
  const refute = createRefuter(problem);
  if (!isDone(best)) {
    const refusal = refute(lastEnd);
    if (refusal) return refuse([toReason(refusal, problem, taskIds)]);
  }
  const least = leastEnd(problem);
  let bound = raiseBound(problem, {
    least,
    most: Math.max(least, Math.min(best.endsAt, lastEnd)),
    refute,
    isOver: () => isOver(BOUND_SHARE),
  });
  const isProven = () => best.endsAt <= bound + MINUTE_TOLERANCE;
  const look = (share: number, mostSteps: number) =>
    searchSchedule(problem, best, {
      random: createRandom(request.seed),
      onBetter: (plan) => (best = plan),
      mostSteps,
      isOver: () => isProven() || isOver(share),
    });
  /** Windows filled one by one, in turns hastily and with care, by urgency and by the best so far. */
  const fill = (share: number) => {
    const random = createRandom(request.seed);
    const latest = latestStarts(problem, lastEnd);
    for (let round = 0; round < MOST_ROUNDS && !isProven() && !isOver(share); round += 1) {
      const starts = fillWindows(problem, round % 2 === 0 ? latest : best.starts, {
        random,
        tries: FILL_TRIES[round % FILL_TRIES.length]!,
        isOver: () => isOver(share),
      });
      const plan = starts && listSchedule(problem, starts);
      if (plan && plan.endsAt < best.endsAt) best = plan;
    }
  };
  const canProve = problem.taskCount <= MOST_PROVEN;
  if (!canProve && !isProven()) fill(FILL_SHARE);
  if (!isProven())
    look(canProve ? FIRST_SEARCH_SHARE : 1, canProve ? STEPS_BEFORE_PROOF : Infinity);
  if (canProve && !isProven()) {
    const proof = proveSchedule(problem, {
      known: Math.min(best.endsAt, lastEnd + 1),
      isOver: () => isOver(1),
    });
    best = proof.best ?? best;
    if (proof.isComplete && !isDone(best))
      return refuse([{ code: 'no_arrangement', subject: 'crew' }]);
    if (proof.isComplete) bound = best.endsAt;
  }
  if (!isDone(best)) return { ...NOTHING, status: 'unknown', bound, elapsedMs: elapsed() };
  return answerWith(request, problem, { best, bound, elapsedMs: elapsed() });
}

const NOTHING = {
  objective: null,
  bound: null,
  starts: [],
  endsAt: null,
  reasons: [],
} as const;

function answerWith(
  { tasks }: ScheduleRequest,
  problem: ScheduleProblem,
  {
    best,
    bound,
    elapsedMs,
  }: { readonly best: Schedule; readonly bound: number; readonly elapsedMs: number },
): ScheduleAnswer {
  const { endsAt } = best;
  const isOptimal = endsAt - bound <= Math.max(MINUTE_TOLERANCE, 1e-6 * endsAt);
  checkFigures({ endsAt, bound });
  const crew = nameCrew(problem, best);
  return {
    status: isOptimal ? 'optimal' : 'feasible',
    objective: endsAt,
    bound: isOptimal ? endsAt : bound,
    elapsedMs,
    starts: tasks.map(({ id }, task) => ({
      taskId: id,
      start: best.starts[task]!,
      crewIds: crew[task]!,
    })),
    endsAt,
    reasons: [],
  };
}

/** The end of the longest chain, as if people were without number. */
function leastEnd(problem: ScheduleProblem): number {
  const earliest = earliestStarts(problem);
  return earliest.reduce((most, start, task) => Math.max(most, start + problem.minutes[task]!), 0);
}

/** What one task alone makes impossible. */
function findImpossible({ tasks, crew, windows }: ScheduleRequest): ScheduleReason[] {
  const longestMinutes = windows.reduce((most, { start, end }) => Math.max(most, end - start), 0);
  const hasSkill = (skill: string) => crew.some(({ skills = [] }) => skills.includes(skill));
  return tasks.flatMap(({ id, minutes, people, skill }): ScheduleReason[] => [
    ...(windows.length === 0 || minutes > longestMinutes + MINUTE_TOLERANCE
      ? [{ code: 'task_too_long' as const, subject: id, minutes, longestMinutes }]
      : []),
    ...(people > crew.length
      ? [{ code: 'too_few_people' as const, subject: id, needs: people, has: crew.length }]
      : []),
    ...(skill !== undefined && !hasSkill(skill)
      ? [{ code: 'no_skill' as const, subject: id, skill }]
      : []),
  ]);
}
