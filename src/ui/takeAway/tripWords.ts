import { assertNever, formatCount, formatLitres, formatMass } from '@/core/shared';
import type { BoxFault, Leaving, TripFault } from '@/core/takeAway';
import { clockWords } from './haulWords';
import { meetWords, minutesWords } from './takeAwayWords';

export { longWords, minutesWords, rangeOfMinutes } from './takeAwayWords';

const sumWords = (sum: {
  readonly boxes: number;
  readonly trips: number;
  readonly minutes: number;
}): string =>
  `${formatCount(sum.boxes, 'box', 'boxes')}, ${formatCount(sum.trips, 'trip')}, ${minutesWords(sum.minutes)}`;

/** What the plan came to, and what is proven; where somebody changed it since, that too. */
export function proofWords(
  proof: Leaving['proof'],
  now: { readonly boxes: number; readonly trips: number },
): string {
  if (!proof || now.boxes === 0)
    return 'Nothing is packed yet. Boxes are filled to what one person lifts, trips planned around opening hours.';
  const whole = sumWords(proof);
  const isProven =
    proof.boxes === proof.boxBound &&
    proof.trips === proof.tripBound &&
    proof.minutes - proof.minuteBound < 0.5;
  const sure = isProven
    ? 'proven: no fewer boxes, no fewer trips, no less time'
    : `at least ${sumWords({ boxes: proof.boxBound, trips: proof.tripBound, minutes: proof.minuteBound })}`;
  const hours = proof.isTimed ? '' : ' No day is known yet, so opening hours are not looked at.';
  const isChanged = now.boxes !== proof.boxes || now.trips !== proof.trips;
  const since = isChanged
    ? ` It stands now at ${formatCount(now.boxes, 'box', 'boxes')} and ${formatCount(now.trips, 'trip')}.`
    : '';
  return `Planned: ${whole}; ${sure}.${since}${hours}`;
}

export function boxFaultWords(fault: BoxFault): string {
  switch (fault.code) {
    case 'no_destination':
      return 'Its destination is no longer on the list.';
    case 'no_longer_leaves':
      return `${formatCount(Number(fault.names[0]), 'pile')} of it no longer leaves: take it out.`;
    case 'goes_elsewhere':
      return `${fault.names.join(', ')} goes somewhere else now.`;
    case 'too_full':
      return `Holds ${formatLitres(fault.litres)}, a box takes ${formatLitres(fault.mostLitres)}.`;
    case 'too_heavy':
      return `Weighs ${formatMass(fault.massG)}, one person lifts ${formatMass(fault.mostG)}.`;
    default:
      return assertNever(fault);
  }
}

export function tripFaultWords(fault: TripFault): string {
  switch (fault.code) {
    case 'too_full':
      return `Takes ${formatLitres(fault.litres)}, the car holds ${formatLitres(fault.mostLitres)}.`;
    case 'too_heavy':
      return `Weighs ${formatMass(fault.massG)}, the car carries ${formatMass(fault.mostG)}.`;
    case 'too_many':
      return `${fault.name} takes ${formatCount(fault.most, 'bag')} a visit.`;
    case 'too_long':
      return `What is in box ${fault.number} is too long for the car.`;
    case 'never_meet':
      return `${fault.a} and ${fault.b} never on one trip: ${meetWords[fault.rule] ?? 'they must not meet'}.`;
    case 'closed':
      return `${fault.name} is closed at ${clockWords(fault.arrives)}.`;
    case 'waits':
      return `${minutesWords(fault.minutes)} before ${fault.name} opens.`;
    default:
      return assertNever(fault);
  }
}
