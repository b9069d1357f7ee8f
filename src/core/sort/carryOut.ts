import type { Carry } from './session';
import { type Verdict, isGone, verdicts } from './verdicts';
import type { Amount } from './tally';

/** What stands in a verdict's box now, and whether it has to go out. */
interface BoxNow {
  readonly verdict: Verdict;
  readonly litres: number;
  readonly massG: number;
  /** 0..1 and beyond, by litres or weight, whichever is nearer its limit. */
  readonly fullRatio: number;
  readonly isDue: boolean;
}

/** The basket or box that is carried. */
const CARRY_LITRES = 45;
/** Called for a little before it is full: the last handful has to go in as well. */
const DUE_FROM = 0.9;

/**
 * What is left in each box that leaves the room, after what was carried out of it. Carries never
 * make a box negative.
 */
export function boxesNow(
  tally: Readonly<Record<Verdict, Amount>>,
  carries: readonly Carry[],
  liftLimitG: number,
): BoxNow[] {
  return verdicts
    .filter((verdict) => isGone({ verdict }))
    .map((verdict) => {
      const out = carries.filter((carry) => carry.verdict === verdict);
      const litres = Math.max(
        0,
        tally[verdict].litres - out.reduce((sum, carry) => sum + carry.litres, 0),
      );
      const massG = Math.max(
        0,
        tally[verdict].massG - out.reduce((sum, carry) => sum + carry.massG, 0),
      );
      const fullRatio = Math.max(litres / CARRY_LITRES, massG / liftLimitG);
      return { verdict, litres, massG, fullRatio, isDue: fullRatio >= DUE_FROM };
    });
}

/** Into how many carries a box goes: by litres and by what one person lifts. */
export const carryCountOf = (box: Pick<BoxNow, 'litres' | 'massG'>, liftLimitG: number): number =>
  Math.max(
    1,
    Math.ceil(box.litres / CARRY_LITRES - 1e-9),
    Math.ceil(box.massG / liftLimitG - 1e-9),
  );

/** What was carried out unsorted and is not settled, the most pressing first. */
export const openDebts = (carries: readonly Carry[]): Carry[] =>
  carries
    .filter((carry) => carry.verdict === null && carry.settledAt === null)
    .sort(
      (a, b) =>
        (a.dueOn ?? '9999').localeCompare(b.dueOn ?? '9999') ||
        a.carriedAt.localeCompare(b.carriedAt),
    );
