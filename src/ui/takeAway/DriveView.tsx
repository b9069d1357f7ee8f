'use client';

import { Check } from 'lucide-react';
import { useState } from 'react';

import { formatCount, formatMass } from '@/core/shared';
import type { TripOnPage } from '@/core/takeAway';
import type { ActionResult } from '../actionResult';
import { useOutbox } from '../outbox/useOutbox';
import { Checkbox } from '../primitives/Checkbox';
import { Button } from '../primitives/Button';
import { Link } from '../primitives/Link';
import { useMutation } from '../useMutation';
import { AtStopSheet, type Stop } from './AtStopSheet';
import { handoverOutbox } from './handoverOutbox';
import { clockWords } from './haulWords';
import { dayWords, minutesWords } from './takeAwayWords';

interface DriveViewProps {
  readonly projectId: string;
  readonly trips: readonly TripOnPage[];
  readonly activeId: string | undefined;
  /** Of a pick-up, which takes what goes to its collector. */
  readonly pilesOf: Readonly<
    Record<
      string,
      readonly { readonly id: string; readonly name: string; readonly count: number }[]
    >
  >;
  readonly unwiped: readonly string[];
  readonly onStart: (tripId: string, startedAt: string | null) => Promise<ActionResult>;
}

/** A trip on the phone: load in reverse order of the stops, then one tap a stop. */
export function DriveView({
  projectId,
  trips,
  activeId,
  pilesOf,
  unwiped,
  onStart,
}: DriveViewProps) {
  const { open } = useOutbox(handoverOutbox);
  const [stop, setStop] = useState<Stop>();
  const [loaded, setLoaded] = useState<ReadonlySet<string>>(new Set());
  const { mutate, isPending } = useMutation();
  const state = trips.find(({ trip }) => trip.id === activeId) ?? trips[0];
  if (!state)
    return (
      <p className="panel p-4">
        No trip is planned.{' '}
        <Link className="text-rim underline" href={`/projects/${projectId}/home/take-away/trips`}>
          Pack and plan
        </Link>
      </p>
    );
  const { trip, stops } = state;
  const isSaid = (destinationId: string) =>
    open.some(({ said }) => said.tripId === trip.id && said.destinationId === destinationId);
  const loading = stops
    .flatMap((each) => each.boxes.map((box) => ({ ...box, stopName: each.destination.name })))
    .reverse();
  const toggle = (id: string) =>
    setLoaded((before) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  return (
    <div className="mx-auto grid max-w-[640px] gap-4">
      <nav aria-label="Trips" className="flex flex-wrap gap-2">
        {trips.map(({ trip: each }, i) => (
          <Link
            key={each.id}
            href={`/projects/${projectId}/home/take-away/drive?trip=${each.id}`}
            aria-current={each.id === trip.id ? 'page' : undefined}
            className={
              each.id === trip.id
                ? 'min-h-12 content-center rounded border-[1.5px] border-rim bg-rim-wash px-3 font-[650]'
                : 'min-h-12 content-center rounded border-[1.5px] border-line px-3'
            }
          >
            {each.pickUp ? 'Pick-up' : `Trip ${i + 1}`}
          </Link>
        ))}
      </nav>
      <div>
        <h1 className="text-[24px]">
          {trip.pickUp ? 'Pick-up' : 'On the road'}
          {trip.day !== null && `, ${dayWords(trip.day)}`}
        </h1>
        <p className="text-[15px]">
          {formatCount(stops.length, 'stop')} · {minutesWords(state.minutes.likely)} ·{' '}
          {formatMass(state.massG)}
        </p>
      </div>
      {loading.length > 0 && (
        <section aria-label="Load the car" className="panel p-4">
          <h2 className="text-[18px]">Load, the last stop first</h2>
          <ul className="mt-1 divide-y divide-line">
            {loading.map((box) => (
              <li key={box.box.id}>
                <label className="flex min-h-12 items-center gap-3 text-[16px]">
                  <Checkbox
                    isLarge
                    checked={loaded.has(box.box.id)}
                    onChange={() => toggle(box.box.id)}
                  />
                  <span className="flex-1">
                    <b>Box {box.box.number}</b>, {box.stopName}
                    <span className="block text-[14px] text-soft">
                      {[
                        formatMass(box.massG),
                        box.isForTwo ? 'two people' : '',
                        box.isFragile ? 'fragile' : '',
                        box.lines.some(({ isFluid }) => isFluid) ? 'upright' : '',
                      ]
                        .filter((part) => part !== '')
                        .join(' · ')}
                    </span>
                  </span>
                </label>
              </li>
            ))}
          </ul>
          <p className="mt-1.5 text-[14px] text-soft">
            Lift from the knees, two people for what is heavy, nothing loose behind the driver.
          </p>
          <Button
            look={trip.startedAt === null ? 'main' : 'plain'}
            className="mt-2 w-full"
            disabled={isPending}
            onClick={() =>
              void mutate(() =>
                onStart(trip.id, trip.startedAt === null ? new Date().toISOString() : null),
              )
            }
          >
            {trip.startedAt === null ? 'Loaded, we drive' : 'Not driving yet'}
          </Button>
        </section>
      )}
      <ol className="grid gap-3">
        {stops.map(({ destination, boxes, arrives }, i) => {
          const piles =
            trip.pickUp !== null
              ? (pilesOf[destination.id] ?? [])
              : boxes.flatMap(({ lines }) =>
                  lines.map(({ thingId, name, count }) => ({ id: thingId, name, count })),
                );
          const isWaiting = isSaid(destination.id);
          return (
            <li key={destination.id} className="panel border-t-4 border-t-rim p-4">
              <h2 className="text-[19px]">
                {i + 1}. {destination.name}
              </h2>
              <p className="text-[15px]">
                {[
                  arrives === undefined ? '' : `about ${clockWords(arrives)}`,
                  destination.address,
                  destination.note,
                ]
                  .filter((part) => part !== '')
                  .join(' · ')}
              </p>
              <p className="text-[14.5px] text-soft">
                {boxes.length > 0
                  ? `${boxes.length === 1 ? 'Box' : 'Boxes'} ${boxes.map(({ box }) => box.number).join(', ')}`
                  : formatCount(piles.length, 'pile')}
              </p>
              {isWaiting ? (
                <p className="mt-2 flex items-center gap-2 text-[15px]">
                  <Check size={18} aria-hidden="true" /> Handed over; kept on this device until
                  there is a connection.
                </p>
              ) : (
                <Button
                  look="main"
                  className="mt-2 min-h-12 w-full"
                  disabled={piles.length === 0}
                  onClick={() =>
                    setStop({
                      key: destination.id,
                      destinationId: destination.id,
                      name: destination.name,
                      tripId: trip.id,
                      boxIds: boxes.map(({ box }) => box.id),
                      piles: addUp(piles),
                      givesReceipt: destination.givesReceipt,
                      unwipedIds: piles.map(({ id }) => id).filter((id) => unwiped.includes(id)),
                    })
                  }
                >
                  Handed over
                </Button>
              )}
            </li>
          );
        })}
      </ol>
      {stop && (
        <AtStopSheet
          key={stop.key}
          projectId={projectId}
          stop={stop}
          onDone={() => setStop(undefined)}
        />
      )}
    </div>
  );
}

/** A pile in several boxes is one line. */
function addUp(piles: Stop['piles']): Stop['piles'] {
  const sums = new Map<string, Stop['piles'][number]>();
  for (const pile of piles) {
    const before = sums.get(pile.id);
    sums.set(pile.id, before ? { ...before, count: before.count + pile.count } : pile);
  }
  return [...sums.values()];
}
