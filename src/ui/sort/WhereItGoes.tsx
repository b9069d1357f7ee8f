import type { LengthUnit } from '@/core/shared';
import { placesFor, type HaulDestination, type Leaving } from '@/core/takeAway';
import { refusalWords, wayWords } from '../takeAway/takeAwayWords';
import type { InHand } from './benchData';

/** What destinations do not take of the thing in hand, should it leave, and where it would go instead. */
export function WhereItGoes({
  inHand,
  destinations,
  leaving,
  unit,
}: {
  readonly inHand: InHand | undefined;
  readonly destinations: readonly HaulDestination[];
  readonly leaving: Leaving;
  readonly unit: LengthUnit;
}) {
  if (!inHand) return null;
  const stream = inHand.goesTo[0] ?? 'give';
  const places = placesFor(destinations, leaving, { stream, asked: inHand });
  const refusing = places.filter(({ refusal }) => refusal !== undefined);
  if (refusing.length === 0) return null;
  const next = places.find(({ refusal }) => refusal === undefined);
  return (
    <p className="mt-2 text-[14px]" role="note">
      If it leaves:{' '}
      {refusing
        .map(({ destination, refusal }) =>
          refusal ? `${destination.name} ${refusalWords(refusal, unit)}` : '',
        )
        .join('; ')}
      .{' '}
      {next
        ? `Next best: ${next.destination.name}${next.destination.collects ? '' : `, ${wayWords(next.way)}`}.`
        : 'Nobody else on the list takes it.'}
    </p>
  );
}
