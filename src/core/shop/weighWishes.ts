import type { Clock, Solver } from '../shared';
import type { ShopAnswer } from './shopAnswer';
import type { ShopRequest } from './model';
import { planShop } from './planShop';

export interface WishWeights {
  /** Wishes that the plan leaves out in whole or in part, and what having them in full would add. */
  readonly dropped: readonly { readonly needId: string; readonly moreMinor: number }[];
  /** What a little more money would buy: the smallest of the steps that changes anything. */
  readonly nextStep:
    | {
        readonly stepMinor: number;
        readonly bought: readonly { readonly needId: string; readonly qty: number }[];
      }
    | undefined;
}

/** Ten of the usual money, and twice and five times that. */
const STEPS_MINOR = [1000, 2000, 5000] as const;
const MOST_WEIGHED = 8;
const EACH_MS = 400;

/**
 * What each wish left out would cost beside everything that is bought, and what one more ten of budget
 * would buy. Solves the list again for each; nothing where the plan meets every wish or is infeasible.
 */
export function weighWishes(
  request: ShopRequest,
  answer: ShopAnswer,
  means: { readonly solver: Solver; readonly clock: Clock },
): WishWeights {
  if (answer.objective === null) return { dropped: [], nextStep: undefined };
  const short = answer.met.filter((entry) => entry.short > 0);
  if (short.length === 0) return { dropped: [], nextStep: undefined };
  const gotOf = (needId: string): number =>
    answer.met.find((entry) => entry.needId === needId)?.qty ?? 0;
  const dropped = short.slice(0, MOST_WEIGHED).flatMap(({ needId }) => {
    // Everything that is had stays a must; of the other wishes no more is asked.
    const needs = request.needs.map((need) => ({
      ...need,
      priority: 'must' as const,
      qty: need.id === needId ? need.qty : gotOf(need.id),
    }));
    const owned = request.owned.map((entry) => ({
      ...entry,
      qty: Math.min(entry.qty, needs.find(({ id }) => id === entry.needId)?.qty ?? 0),
    }));
    const whole = planShop(
      { ...request, needs, owned, budgetMinor: 1e9, timeLimitMs: EACH_MS },
      means,
    );
    return whole.objective === null
      ? []
      : [{ needId, moreMinor: whole.payMinor - answer.payMinor }];
  });
  for (const stepMinor of STEPS_MINOR) {
    const richer = planShop(
      { ...request, budgetMinor: request.budgetMinor + stepMinor, timeLimitMs: EACH_MS },
      means,
    );
    const bought = richer.met
      .map(({ needId, qty }) => ({ needId, qty: qty - gotOf(needId) }))
      .filter(({ qty }) => qty > 0);
    if (bought.length > 0) return { dropped, nextStep: { stepMinor, bought } };
  }
  return { dropped, nextStep: undefined };
}
