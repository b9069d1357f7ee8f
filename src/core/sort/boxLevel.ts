import { LIFTING_LIMIT_G } from '../things';
import type { Amount } from './tally';

/** A box that one person carries out. */
const CARRY_BOX = { litres: 50, maxG: LIFTING_LIMIT_G } as const;

/** Which box of a verdict is being filled, and how full it is. */
interface BoxLevel {
  /** Counts from 1; 0 while nothing is in it. */
  readonly boxNumber: number;
  /** 0..1, by litres or weight, whichever is nearer its limit. */
  readonly fillRatio: number;
}

/** Fills boxes one after the other by the more pressing of litres and weight. */
export function boxLevelOf(amount: Pick<Amount, 'litres' | 'massG'>): BoxLevel {
  const boxes = Math.max(amount.litres / CARRY_BOX.litres, amount.massG / CARRY_BOX.maxG);
  if (boxes <= 0) return { boxNumber: 0, fillRatio: 0 };
  const full = Math.ceil(boxes - 1e-9);
  return { boxNumber: full, fillRatio: Math.min(1, boxes - (full - 1)) };
}
