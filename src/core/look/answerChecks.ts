import type { PlanClash } from './findPlanClashes';
import type { RoomCheck } from './model';

/** How a check stands: what the plan proves, what the household said, or nothing yet. */
export interface CheckAnswer {
  readonly check: RoomCheck;
  readonly isMet: boolean | undefined;
  /** Worked out from the plan rather than said. */
  readonly isComputed: boolean;
}

/**
 * Answers a room's checks. What was said counts; a clear space that nobody spoke of is read off the
 * plan, where there is one.
 */
export function answerChecks(
  checks: readonly RoomCheck[],
  clashes: readonly PlanClash[] | undefined,
): CheckAnswer[] {
  return checks.map((check) => {
    if (check.answer !== null) return { check, isMet: check.answer === 'yes', isComputed: false };
    if (!check.clear || !clashes) return { check, isMet: undefined, isComputed: false };
    const isTaken = clashes.some((clash) => 'checkId' in clash && clash.checkId === check.id);
    return { check, isMet: !isTaken, isComputed: true };
  });
}
