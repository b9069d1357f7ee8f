import type { LinearModel, Solver } from '../shared';
import type { ShopRequest } from './model';
import { payTerms, type ShopVariables } from './shopModel';

/**
 * What the musts cost at least, in minor units: packs may be divided. Whatever is bought beside them, no answer pays
 * less, so that it bounds an answer of which nothing better is known. 0 where the time ended it.
 * Requires: a model in which the musts are asked for.
 */
export function leastForMusts(
  request: ShopRequest,
  { model, variables }: { readonly model: LinearModel; readonly variables: ShopVariables },
  { solver, timeLimitMs }: { readonly solver: Solver; readonly timeLimitMs: number },
): number {
  const least = model.minimise(solver, payTerms(request, variables), {
    timeLimitMs,
    seed: request.seed,
    isRelaxed: true,
  });
  return least.status === 'optimal' ? Math.max(0, least.objective) : 0;
}
