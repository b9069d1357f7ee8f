'use client';

import { useState } from 'react';

import { formatCount, formatLitres, formatMass, formatMoney, type Currency } from '@/core/shared';
import type { PickUpSlot } from '@/core/takeAway';
import type { TripOnPage } from '@/core/takeAway';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { Link } from '../primitives/Link';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';
import { clockWords } from './haulWords';
import { dayWords, minutesWords, wholeMoney } from './takeAwayWords';

export interface PickUpDeeds {
  readonly onSlots: () => Promise<ActionResult<readonly PickUpSlot[]>>;
  readonly onBook: (destinationId: string, slot: Omit<PickUpSlot, 'left'>) => Promise<ActionResult>;
  readonly onAsk: (tripId: string) => Promise<ActionResult>;
  readonly onCancel: (tripId: string) => Promise<ActionResult>;
}
interface PickUpsProps extends PickUpDeeds {
  readonly projectId?: string;
  readonly collectors: readonly {
    readonly id: string;
    readonly name: string;
    readonly feeMinor: number;
    readonly litres: number;
    readonly massG: number;
    readonly pileCount: number;
  }[];
  readonly trips: readonly TripOnPage[];
  readonly currency: Currency;
  /** Of the trips of one's own that are planned. */
  readonly ownMinutes: number;
  readonly hourlyRateMinor: number;
}

const STATE_WORDS = {
  asked: 'asked, no answer yet',
  booked: 'booked',
  called_off: 'called off',
  refused: 'refused',
} as const;

/** Collectors: what waits for them, slots of the simulated service, what is booked. */
export function PickUps(props: PickUpsProps) {
  const { collectors, trips, currency } = props;
  const [slots, setSlots] = useState<readonly PickUpSlot[]>();
  const [forId, setForId] = useState<string>();
  const { mutate, isPending } = useMutation();
  if (collectors.length === 0 && trips.length === 0) return null;
  const ask = async (id: string) => {
    const result = await mutate(props.onSlots);
    if (!result.ok) return;
    setSlots(result.value);
    setForId(id);
  };
  const book = async (slot: PickUpSlot) => {
    if (forId === undefined) return;
    const { id, day, from, to } = slot;
    const result = await mutate(() => props.onBook(forId, { id, day, from, to }));
    if (result.ok) setForId(undefined);
    else {
      const again = await props.onSlots();
      if (again.ok) setSlots(again.value);
    }
  };
  return (
    <section aria-label="Pick-ups" className="panel p-4">
      <h2 className="text-[18px]">Pick-ups</h2>
      <p className="text-[14px] text-soft">
        Slots come from the collection service; the one that ships with the app is simulated, and
        nobody comes.
      </p>
      <ul className="mt-2 divide-y divide-line">
        {collectors.map((collector) => (
          <li key={collector.id} className="flex flex-wrap items-center gap-3 py-2">
            <span className="min-w-[220px] flex-1 text-[14.5px]">
              <b>{collector.name}</b>, {formatCount(collector.pileCount, 'pile')},{' '}
              {formatLitres(collector.litres)}, {formatMass(collector.massG)}
              <span className="block text-soft">
                A pick-up: {formatMoney(collector.feeMinor, currency)}, nobody drives, somebody is
                there. Trips of one’s own: {minutesWords(props.ownMinutes)}
                {props.hourlyRateMinor > 0 &&
                  `, about ${wholeMoney((props.ownMinutes * props.hourlyRateMinor) / 60, currency)} at the hourly rate`}
                .
              </span>
            </span>
            <Button disabled={isPending} onClick={() => void ask(collector.id)}>
              Ask for a slot
            </Button>
          </li>
        ))}
        {trips.map(({ trip, stops }) => (
          <li key={trip.id} className="flex flex-wrap items-center gap-3 py-2">
            <span className="min-w-[220px] flex-1 text-[14.5px]">
              <b>{stops[0]?.destination.name ?? 'A collector'}</b>,{' '}
              {trip.day !== null && dayWords(trip.day)}{' '}
              {trip.pickUp && `${clockWords(trip.pickUp.from)} to ${clockWords(trip.pickUp.to)}`}
              <span
                className={
                  trip.pickUp?.state === 'booked' ? 'block text-soft' : 'block text-signal-deep'
                }
              >
                {trip.pickUp && STATE_WORDS[trip.pickUp.state]}
                {trip.pickUp && trip.pickUp.said !== '' && `: ${trip.pickUp.said}`}
              </span>
            </span>
            <Button disabled={isPending} onClick={() => void mutate(() => props.onAsk(trip.id))}>
              Ask how it stands
            </Button>
            <Link
              href={`/projects/${trip.projectId}/home/take-away/drive?trip=${trip.id}`}
              className={buttonClass('quiet')}
            >
              They are here
            </Link>
            <Button
              disabled={isPending}
              onClick={() => void mutate(() => props.onCancel(trip.id), { offersUndo: true })}
            >
              Call it off
            </Button>
          </li>
        ))}
      </ul>
      <Sheet
        isOpen={forId !== undefined}
        onOpenChange={() => setForId(undefined)}
        title="Slots of the simulated collection service"
      >
        <ul className="grid gap-2">
          {(slots ?? []).map((slot) => (
            <li key={slot.id}>
              <Button
                className="w-full justify-between"
                disabled={slot.left === 0 || isPending}
                onClick={() => void book(slot)}
              >
                {dayWords(slot.day)}, {clockWords(slot.from)} to {clockWords(slot.to)}
                <span className="text-soft">{slot.left === 0 ? 'full' : `${slot.left} free`}</span>
              </Button>
            </li>
          ))}
        </ul>
      </Sheet>
    </section>
  );
}
