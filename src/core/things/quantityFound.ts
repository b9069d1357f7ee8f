import type { Holder } from './holders';
import { setOf } from './tokens';

/** What was read of number and holder so far; readers of single forms add to it. */
export interface QuantityFound {
  count?: number;
  holder?: Holder;
  holderWord?: string;
  per?: number;
  unit?: 'pair' | 'set';
  isFull?: boolean;
  isPieces?: boolean;
  /** Indexes of tokens that are not part of what is counted: from, to. */
  cut: [number, number][];
  /** Of those, what is number and not name. */
  numbers: [number, number][];
  packing?: string;
}

export const isCut = (found: QuantityFound, at: number): boolean =>
  found.cut.some(([from, to]) => at >= from && at < to);

/** "about 30", "the 6 chairs". */
export const BEFORE_NUMBER = setOf(
  'about approx approximately ca circa roughly some around over nearly the my our all these those at least ' +
    'another also still plus ~',
);
