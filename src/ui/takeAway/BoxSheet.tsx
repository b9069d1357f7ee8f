'use client';

import { formatLitres, formatMass } from '@/core/shared';
import type { BoxState } from '@/core/takeAway';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { SelectField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';
import { boxFaultWords } from './tripWords';

export type BoxDeed =
  | { readonly do: 'pack' | 'unpack' | 'leave_out' | 'take_in' | 'toggle_pin' }
  | { readonly do: 'to_trip'; readonly tripId?: string | undefined };

/** One box: what goes in from the bottom up, whether it is packed, and on which trip it goes. */
export function BoxSheet({
  state,
  trips,
  onDeed,
  onDone,
}: {
  readonly state: BoxState;
  readonly trips: readonly { readonly id: string; readonly name: string }[];
  readonly onDeed: (deed: BoxDeed) => Promise<ActionResult>;
  readonly onDone: () => void;
}) {
  const { box, destination, lines } = state;
  const { mutate, isPending } = useMutation();
  const act = (deed: BoxDeed) => void mutate(() => onDeed(deed));
  return (
    <Sheet
      isOpen
      onOpenChange={onDone}
      title={`Box ${box.number}, ${destination?.name ?? 'no destination'}`}
    >
      <p className="font-mono text-[14.5px]">
        {formatLitres(state.litres)} · {formatMass(state.massG)}
        {state.isForTwo && ' · two people'}
      </p>
      {state.faults.map((fault) => (
        <p key={fault.code} className="text-[14.5px] text-signal-deep">
          {boxFaultWords(fault)}
        </p>
      ))}
      <h3 className="mt-2 text-[15px]">From the bottom up</h3>
      <ol className="list-decimal pl-6 text-[15px]">
        {lines.map((line) => (
          <li key={line.thingId}>
            {line.count} {line.name}
            {line.isFragile && ', fragile: nothing heavy on it'}
            {line.isFluid && ', upright'}
          </li>
        ))}
      </ol>
      <SelectField
        label="On which trip"
        className="mt-3"
        disabled={isPending}
        value={box.tripId ?? ''}
        onChange={(event) =>
          act(
            event.target.value === 'new'
              ? { do: 'to_trip' }
              : { do: 'to_trip', tripId: event.target.value },
          )
        }
      >
        {box.tripId === null && <option value="">on none</option>}
        {trips.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
        <option value="new">a trip of its own</option>
      </SelectField>
      <div className="mt-3 flex flex-wrap gap-2">
        <Button
          look={box.packedAt === null ? 'main' : 'plain'}
          disabled={isPending}
          onClick={() => act({ do: box.packedAt === null ? 'pack' : 'unpack' })}
        >
          {box.packedAt === null ? 'Packed' : 'Open it again'}
        </Button>
        <Button
          aria-pressed={box.isPinned}
          disabled={isPending || box.tripId === null}
          onClick={() => act({ do: 'toggle_pin' })}
        >
          {box.isPinned ? 'No longer pinned' : 'Pin to its trip'}
        </Button>
        <Button
          disabled={isPending}
          onClick={() => act({ do: box.isLeftOut ? 'take_in' : 'leave_out' })}
        >
          {box.isLeftOut ? 'Take it along again' : 'Leave it out'}
        </Button>
      </div>
    </Sheet>
  );
}
