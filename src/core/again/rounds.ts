import { daysBetween } from '../shared';
import type { PutAwayTest } from './model';

/** Tests of the same days are one round. */
const ROUND_DAYS = 10;

/**
 * The last two rounds, the older first: tests that lie no more than ten days before the newest one are the last
 * round, what lies before is the one before it. Without earlier ones the first list is empty.
 */
export function roundsOf(
  tests: readonly PutAwayTest[],
): readonly [before: readonly PutAwayTest[], after: readonly PutAwayTest[]] {
  const newest = tests
    .map(({ at }) => at.slice(0, 10))
    .sort()
    .at(-1);
  if (newest === undefined) return [[], []];
  const isLast = ({ at }: PutAwayTest) => daysBetween(at.slice(0, 10), newest) <= ROUND_DAYS;
  return [tests.filter((test) => !isLast(test)), tests.filter(isLast)];
}
