import { assertNever, formatLitres, formatMass } from '@/core/shared';
import { clockWords as clockOfDay } from '../visits/visitWords';
import type { HaulReason } from '@/core/takeAway';

interface Names {
  readonly load: (id: string) => string;
  readonly place: (id: string) => string;
  readonly length: (mm: number) => string;
}

/** `9:05`; minutes run on over the days of a plan. */
export const clockWords = (minute: number): string => clockOfDay(Math.round(minute) % 1440);

/** Why what leaves cannot be boxed or driven, in a sentence. */
export function haulReasonWords(reason: HaulReason, { load, place, length }: Names): string {
  const name = load(reason.subject);
  switch (reason.code) {
    case 'load_too_large':
      return `${name} takes ${formatLitres(reason.needs)}, the car holds ${formatLitres(reason.has)}.`;
    case 'load_too_heavy':
      return `${name} weighs ${formatMass(reason.needs)}, the car carries ${formatMass(reason.has)}.`;
    case 'load_too_long':
      return `${name} is ${length(reason.needs)} long, in the car goes what is ${length(reason.has)} long.`;
    case 'box_too_large':
      return `A box takes ${formatLitres(reason.needs)}, the car holds ${formatLitres(reason.has)}.`;
    case 'packed_too_full':
      return `The packed box with ${name} holds ${formatLitres(reason.needs)}, a box takes ${formatLitres(reason.has)}.`;
    case 'packed_too_heavy':
      return `The packed box with ${name} weighs ${formatMass(reason.needs)}, nobody lifts more than ${formatMass(reason.has)}.`;
    case 'packed_crushes':
      return `In the packed box with ${name}, ${formatMass(reason.needs)} stand on something fragile, ${formatMass(reason.has)} may.`;
    case 'packed_conflict':
      return `${name} and ${load(reason.other)} are packed in one box and must not be.`;
    case 'never_open': {
      const hours = reason.hours.map(({ from, to }) => `${clockWords(from)} to ${clockWords(to)}`);
      const leaves = reason.departures.map(clockWords).join(', ');
      const open = `${place(reason.subject)} is open ${hours.join(' and ')}`;
      return leaves === ''
        ? `${open}, and no trip is planned.`
        : `${open}; leaving at ${leaves}, ${Math.round(reason.minutes)} min away, nobody gets there in time.`;
    }
    case 'too_few_departures':
      return `It takes ${reason.needs} trips at least, and there are ${reason.has}.`;
    case 'no_arrangement':
      return 'No way to share the boxes among the trips keeps every opening hour and limit.';
    default:
      return assertNever(reason);
  }
}
