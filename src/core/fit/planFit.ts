import { explainMissing } from './explainMissing';
import { isWhole } from './answerFacts';
import type { FitAnswer } from './model';
import { planFlat, type FitMeans } from './planFlat';
import { hasLevels, planLevels } from './planLevels';
import type { FitQuestion } from './suitability';
import { isPlain } from './unfold';

/**
 * Chooses containers for the groups of one bay and says where each stands: on its floor, and, where the request has
 * risers, turntables and the like, on levels.
 *
 * Method: what asks for nothing but boxes on a floor goes to `planFlat`; everything else to `planLevels`, which asks
 * `planFlat` too and is never worse than it.
 * Requires: a parsed request. Ensures: no hard rule of docs/engines.md is broken. Deterministic unless `timeLimitMs`
 * cuts it.
 */
export function planFit(request: FitQuestion, means: FitMeans): FitAnswer {
  const answer =
    isPlain(request) && !hasLevels(request) ? planFlat(request, means) : planLevels(request, means);
  return isWhole(answer) ? answer : withProof(request, answer);
}

/** Where it can be proven that a group has no container, the answer says so, and of which group. */
function withProof(request: FitQuestion, answer: FitAnswer): FitAnswer {
  const missing = explainMissing(request, answer.unmet);
  if (missing.length === 0) return answer;
  const isMissing = (subject: string) => missing.some((reason) => reason.subject === subject);
  return {
    ...answer,
    status: 'infeasible',
    bound: null,
    reasons: [
      ...missing,
      ...answer.reasons.filter(
        (reason) => reason.code !== 'not_enough_floor' || !isMissing(reason.subject),
      ),
    ],
  };
}
