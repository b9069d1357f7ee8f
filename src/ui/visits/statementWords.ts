import type { Terms } from '@/core/agree';
import { ranWords } from './visitWords';

/** `2 h 05`, with a minus where hours were corrected down. */
export const signedRanWords = (minutes: number): string =>
  minutes < 0 ? `−${ranWords(-minutes)}` : ranWords(minutes);

/** How the hours of each visit are rounded. */
export const roundingWords = ({ roundMinutes, roundsUp }: Terms['statement']): string =>
  roundMinutes === 1
    ? 'Hours to the minute.'
    : `Hours of each visit ${roundsUp ? 'up to full' : 'to the nearest'} ${roundMinutes} minutes.`;

/** `VAT, 20 %`. */
export const taxWords = ({ taxLabel, taxBasisPoints }: Terms['statement']): string =>
  `${taxLabel === '' ? 'Tax' : taxLabel}, ${taxBasisPoints / 100} %`;
