import type { PlanClash } from './findPlanClashes';
import type { RoomCheck, Unit } from './model';

/** How a check stands: what the plan proves, what the household said, or nothing yet. */
export interface CheckAnswer {
  readonly check: RoomCheck;
  readonly isMet: boolean | undefined;
  /** Worked out from the plan rather than said. */
  readonly isComputed: boolean;
  /** The plan has such a floor, but nobody has said where it is wanted. */
  readonly isFreeSomewhere: boolean;
}

/** What a room's plan knows: what is in the way, and which units have a place in it. */
export interface PlanFacts {
  readonly clashes: readonly PlanClash[];
  readonly units: readonly Pick<Unit, 'id' | 'place'>[];
}

/**
 * Answers a room's checks. What was said counts; a clear space that nobody spoke of is read off the
 * plan, where there is one. That it is taken is proven by the plan; that it is free only where the plan knows
 * where it is wanted: floor on the other side of the room is no yes.
 */
export function answerChecks(
  checks: readonly RoomCheck[],
  plan: PlanFacts | undefined,
): CheckAnswer[] {
  return checks.map((check) => {
    const said = { check, isComputed: false, isFreeSomewhere: false };
    if (check.answer !== null) return { ...said, isMet: check.answer === 'yes' };
    const { clear } = check;
    if (!clear || !plan) return { ...said, isMet: undefined };
    const isTaken = plan.clashes.some((clash) => 'checkId' in clash && clash.checkId === check.id);
    if (isTaken) return { ...said, isMet: false, isComputed: true };
    if (clear.place) return { ...said, isMet: true, isComputed: true };
    if (clear.unitId === null) return { ...said, isMet: undefined, isFreeSomewhere: true };
    const isPlaced = plan.units.some(({ id, place }) => id === clear.unitId && place !== null);
    return { ...said, isMet: isPlaced ? true : undefined, isComputed: isPlaced };
  });
}
