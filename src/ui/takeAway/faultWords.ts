import { assertNever, formatLength, formatLitres, formatMass } from '@/core/shared';
import type { CollectionFault, HandOverFault, PlanFault } from '@/core/takeAway';
import { haulReasonWords } from './haulWords';

/** Why nothing was planned. */
export function planFaultWords(fault: PlanFault): string {
  switch (fault.code) {
    case 'nothing':
      return 'Nothing waits that is driven somewhere.';
    case 'unknown':
      return 'No plan was found in the time. Leave something out, or add a time to drive.';
    case 'changed_meanwhile':
      return 'Something in the home changed meanwhile. Plan once more.';
    case 'impossible': {
      const nameOf = (id: string) => fault.names[id] ?? 'Something';
      return fault.reasons
        .slice(0, 3)
        .map((reason) =>
          haulReasonWords(reason, {
            load: nameOf,
            place: nameOf,
            length: (mm) => formatLength(mm, 'cm'),
          }),
        )
        .join(' ');
    }
    default:
      return assertNever(fault);
  }
}

export const handOverFaultWords = (fault: HandOverFault): string =>
  fault.code === 'nothing'
    ? 'Nothing of this waits any more: it was handed over, or is no longer leaving.'
    : `Nobody has said that the data are wiped: ${fault.names.join(', ')}.`;

/** What went wrong at the collection service. */
export function collectionFaultWords(fault: CollectionFault): string {
  switch (fault.code) {
    case 'no_answer':
      return (
        'The collection service does not answer. What was asked stays, and is asked again under the ' +
        'same number: nothing is booked twice.'
      );
    case 'unreadable':
      return 'The collection service answered something that makes no sense here.';
    case 'full':
      return 'Somebody else took that slot. Choose another.';
    case 'unknown_slot':
      return 'The collection service does not know that slot any more.';
    case 'unknown_booking':
      return 'The collection service knows nothing of this booking: it may have begun anew. Call it off and book again.';
    case 'nothing':
      return 'Nothing waits for this collector.';
    case 'too_heavy':
      return `Too heavy: the collector takes pieces up to ${formatMass(fault.mostG)}.`;
    case 'too_much':
      return `Too much: the van takes up to ${formatLitres(fault.mostLitres)} at a stop.`;
    default:
      return assertNever(fault);
  }
}
