import type { FitAnswer } from './model';
import { unmetLitresOf } from './restateLitres';
import { type FitQuestion } from './suitability';

/** What is wanted of a place beside its sizes, as one wish. */
export type OneWish =
  | { readonly kind: 'pin'; readonly groupId: string }
  | { readonly kind: 'use'; readonly containerId: string }
  | { readonly kind: 'air'; readonly mm: number }
  | { readonly kind: 'forbid'; readonly container: FitQuestion['containers'][number] };

/** The question as if a wish had not been made. */
export function withoutWish(question: FitQuestion, wish: OneWish): FitQuestion {
  const { pins = [], uses = [], clearances } = question;
  switch (wish.kind) {
    case 'pin':
      return { ...question, pins: pins.filter(({ groupId }) => groupId !== wish.groupId) };
    case 'use': {
      const at = uses.indexOf(wish.containerId);
      return { ...question, uses: uses.filter((_, i) => i !== at) };
    }
    case 'air':
      return {
        ...question,
        clearances: {
          ...clearances,
          between: Math.max(0, clearances.between - wish.mm),
          side: Math.max(0, clearances.side - wish.mm),
        },
      };
    case 'forbid':
      return { ...question, containers: [...question.containers, wish.container] };
  }
}

/** What a wish costs: litres that have no container because of it, and, where all have, money in minor units. */
export interface WishCost {
  readonly litres: number;
  readonly minor: number;
}

/**
 * The difference between two answers by money, with the wish and without. Never less than nothing: where the answer
 * without it came out dearer in the time it had, the wish costs nothing that is known.
 */
export function costOfWish(withIt: FitAnswer, without: FitAnswer): WishCost {
  const litres = Math.max(0, unmetLitresOf(withIt) - unmetLitresOf(without));
  const isWhole = litres < SAME_LITRES && unmetLitresOf(without) < SAME_LITRES;
  return {
    litres: litres < SAME_LITRES ? 0 : litres,
    minor: isWhole ? Math.max(0, withIt.costMinor - without.costMinor) : 0,
  };
}
const SAME_LITRES = 1e-6;
