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
export const planFit = (request: FitQuestion, means: FitMeans): FitAnswer =>
  isPlain(request) && !hasLevels(request) ? planFlat(request, means) : planLevels(request, means);
