'use client';

import { DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { useState } from 'react';

import {
  formatCount,
  formatLength,
  formatLitres,
  formatMass,
  type Currency,
  type LengthUnit,
} from '@/core/shared';
import {
  AIR,
  howLongLies,
  type BoxState,
  type Car,
  type CarRoom,
  type Leaving,
} from '@/core/takeAway';
import type { TripOnPage } from '@/core/takeAway';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { Link } from '../primitives/Link';
import { useMutation } from '../useMutation';
import { BoxSheet, type BoxDeed } from './BoxSheet';
import { CarSheet } from './CarSheet';
import { Departures } from './Departures';
import { clockWords } from './haulWords';
import { LoadOfCar } from './LoadOfCar';
import { PickUps, type PickUpDeeds } from './PickUps';
import { TripHead } from './TripHead';
import { boxFaultWords, longWords, minutesWords, proofWords, tripFaultWords } from './tripWords';
import type { TermsTyped } from './takeAwayForms';

export interface TripsViewProps {
  readonly projectId: string;
  readonly unit: LengthUnit;
  readonly currency: Currency;
  readonly home: Leaving;
  readonly boxes: readonly BoxState[];
  readonly trips: readonly TripOnPage[];
  readonly unboxedCount: number;
  /** What no trip with this car takes, a piece of it alone. */
  readonly tooMuch: readonly {
    readonly id: string;
    readonly name: string;
    readonly longestMm: number;
    readonly litres: number;
    readonly massG: number;
  }[];
  readonly room: CarRoom;
  readonly car: Car;
  readonly carNames: readonly string[];
  readonly isCarUsual: boolean;
  readonly liftG: number;
  readonly hourlyRateMinor: number;
  readonly departures: readonly {
    readonly day: string;
    readonly minute: number;
    readonly visitId: string | null;
  }[];
  readonly collectors: readonly {
    readonly id: string;
    readonly name: string;
    readonly feeMinor: number;
    readonly litres: number;
    readonly massG: number;
    readonly pileCount: number;
  }[];
  readonly onPlan: () => Promise<ActionResult>;
  readonly onBox: (boxId: string, deed: BoxDeed) => Promise<ActionResult>;
  readonly onTerms: (typed: TermsTyped) => Promise<ActionResult>;
  readonly onDeparture: (change: {
    readonly day: string;
    readonly minute: number;
    readonly isAdded: boolean;
  }) => Promise<ActionResult>;
  readonly onTrip: (
    tripId: string,
    change: { readonly day?: string | null; readonly departMinute?: number | null },
  ) => Promise<ActionResult>;
  readonly pickUps: PickUpDeeds;
}

/** Boxes that one person lifts, and the fewest trips that take them where they go. */
export function TripsView(props: TripsViewProps) {
  const { home, boxes, trips, unboxedCount, room, car, unit, liftG } = props;
  const [openBox, setOpenBox] = useState<string>();
  const [isCarOpen, setIsCarOpen] = useState(false);
  const { mutate, isPending } = useMutation();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const ownTrips = trips.filter(({ trip }) => trip.pickUp === null);
  const loose = boxes.filter(
    ({ box }) => box.tripId === null || !trips.some(({ trip }) => trip.id === box.tripId),
  );
  const onDrop = ({ active, over }: DragEndEvent) => {
    const box = boxes.find((each) => each.box.id === active.id);
    if (!box || !over || over.id === box.box.tripId) return;
    const deed: BoxDeed =
      over.id === 'left-out' ? { do: 'leave_out' } : { do: 'to_trip', tripId: String(over.id) };
    void mutate(() => props.onBox(box.box.id, deed), { offersUndo: true });
  };
  const shown = boxes.find(({ box }) => box.id === openBox);
  const long = boxes.filter(({ longestMm }) => (longestMm ?? 0) > 600);
  return (
    <DndContext id="load" sensors={sensors} onDragEnd={onDrop}>
      <div className="grid gap-4">
        <div className="flex flex-wrap items-end justify-between gap-3">
          <div>
            <h1 className="text-[24px]">Boxes and trips</h1>
            <p className="max-w-[72ch] text-[14.5px]" role="status">
              {proofWords(home.proof, { boxes: boxes.length, trips: ownTrips.length })}
            </p>
          </div>
          <div className="flex flex-wrap gap-2">
            {boxes.length > 0 && (
              <a
                className={buttonClass('quiet')}
                href={`/api/projects/${props.projectId}/box-labels`}
                target="_blank"
              >
                Box labels to print
              </a>
            )}
            <Button look="main" disabled={isPending} onClick={() => void mutate(props.onPlan)}>
              {boxes.length === 0 ? 'Pack and plan' : 'Work it out anew'}
            </Button>
          </div>
        </div>
        {unboxedCount > 0 && boxes.length > 0 && (
          <p className="warn">
            {formatCount(unboxedCount, 'pile')} joined since, or wait outside the boxes: work it out
            anew to take them along. What is packed or pinned stays.
          </p>
        )}
        {props.tooMuch.length > 0 && (
          <p className="warn">
            <b>Does not go in this car:</b>{' '}
            {props.tooMuch
              .map(({ name, longestMm, litres, massG }) =>
                longestMm > room.longMm
                  ? `${name} (${formatLength(longestMm, unit)} long, ${formatLength(room.longMm, unit)} goes in)`
                  : `${name} (${formatLitres(litres)}, ${formatMass(massG)})`,
              )
              .join(', ')}
            . Take a trailer, or let a collector come.
          </p>
        )}
        <section
          aria-label="The car"
          className="panel flex flex-wrap items-center gap-x-5 gap-y-2 p-4"
        >
          <div className="min-w-[240px] flex-1">
            <h2 className="text-[17px]">{car.name}</h2>
            <p className="text-[14.5px]">
              <span className="font-mono">{formatLitres(room.lowLitres)}</span> to{' '}
              <span className="font-mono">{formatLitres(room.highLitres)}</span> of{' '}
              {formatLitres(room.grossLitres)}: between {Math.round(AIR.low * 100)} and{' '}
              {Math.round(AIR.high * 100)} % stays air, planned with {formatLitres(room.litres)}. Up
              to {formatMass(room.maxG)}. A box takes {home.boxLitres} l and weighs at most{' '}
              {formatMass(liftG)}.
            </p>
            {props.isCarUsual && (
              <p className="text-[14px] text-signal-deep">
                These are usual sizes, not yours: measure the car once.
              </p>
            )}
            {long.map(({ box, longestMm }) => (
              <p key={box.id} className="text-[14px] text-soft">
                Box {box.number}:{' '}
                {longWords(
                  howLongLies(longestMm ?? 0, car, {
                    seatsDown: home.seatsDown,
                    withTrailer: home.withTrailer,
                  }),
                  unit,
                )}
              </p>
            ))}
          </div>
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => setIsCarOpen(true)}>Car and boxes</Button>
            <Link href="/destinations" className={buttonClass('plain')}>
              Measure a car
            </Link>
          </div>
        </section>
        <Departures
          departures={props.departures}
          disabled={isPending}
          onChange={(change) => void mutate(() => props.onDeparture(change))}
        />
        {ownTrips.map((state, i) => (
          <section key={state.trip.id} aria-label={`Trip ${i + 1}`} className="panel p-4">
            <TripHead state={state} index={i} projectId={props.projectId} onTrip={props.onTrip} />
            {state.faults.map((fault) => (
              <p key={JSON.stringify(fault)} className="mt-1 text-[14.5px] text-signal-deep">
                {tripFaultWords(fault)}
              </p>
            ))}
            <div className="mt-2">
              <LoadOfCar
                tripId={state.trip.id}
                title={`Load of trip ${i + 1}, from the seats to the tailgate`}
                slices={state.slices}
                boxes={boxes}
                stopIds={state.trip.stopIds}
                roomLitres={room.litres}
                onOpen={setOpenBox}
              />
            </div>
            <ol className="mt-2 grid gap-2 sm:grid-cols-2">
              {state.stops.map((stop) => (
                <li key={stop.destination.id} className="text-[14.5px]">
                  <b>{stop.destination.name}</b>
                  {stop.arrives !== undefined && (
                    <span className="font-mono text-soft"> {clockWords(stop.arrives)}</span>
                  )}
                  <span className="block text-soft">
                    {stop.boxes.length === 0
                      ? 'nothing of it in the car'
                      : `boxes ${stop.boxes.map(({ box }) => box.number).join(', ')}`}
                  </span>
                </li>
              ))}
            </ol>
            {state.isAfterVisit && state.saved.high > 0 && (
              <p className="mt-1 text-[14px] text-soft">
                Leaves when that visit ends. Driving on home from the last stop instead of coming
                back saves up to {minutesWords(state.saved.high)}.
              </p>
            )}
          </section>
        ))}
        {loose.length > 0 && (
          <section aria-label="On no trip" className="panel p-4">
            <h2 className="text-[17px]">On no trip</h2>
            <ul className="mt-1.5 flex flex-wrap gap-2">
              {loose.map(({ box, destination }) => (
                <li key={box.id}>
                  <Button onClick={() => setOpenBox(box.id)}>
                    Box {box.number}, {destination?.name ?? 'no destination'}
                    {box.isLeftOut && ', left out'}
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        )}
        <PickUps
          collectors={props.collectors}
          trips={trips.filter(({ trip }) => trip.pickUp !== null)}
          currency={props.currency}
          ownMinutes={ownTrips.reduce((sum, { minutes }) => sum + minutes.likely, 0)}
          hourlyRateMinor={props.hourlyRateMinor}
          {...props.pickUps}
        />
        <BoxList boxes={boxes} onOpen={setOpenBox} />
      </div>
      {shown && (
        <BoxSheet
          state={shown}
          trips={ownTrips.map(({ trip }, i) => ({ id: trip.id, name: `Trip ${i + 1}` }))}
          onDeed={(deed) => props.onBox(shown.box.id, deed)}
          onDone={() => setOpenBox(undefined)}
        />
      )}
      {isCarOpen && (
        <CarSheet
          home={home}
          carNames={props.carNames}
          carName={car.name}
          onSave={props.onTerms}
          onDone={() => setIsCarOpen(false)}
        />
      )}
    </DndContext>
  );
}

function BoxList({
  boxes,
  onOpen,
}: {
  readonly boxes: readonly BoxState[];
  readonly onOpen: (boxId: string) => void;
}) {
  if (boxes.length === 0) return null;
  return (
    <section aria-label="Boxes" className="panel p-4">
      <h2 className="text-[18px]">Box by box</h2>
      <ul className="mt-1.5 grid gap-3 sm:grid-cols-2">
        {boxes.map((state) => (
          <li key={state.box.id} className="rounded-[6px] border border-line bg-sheet p-3">
            <div className="flex items-baseline justify-between gap-2">
              <button
                type="button"
                className="min-h-9 text-left font-head text-[16px] font-[650] text-rim underline max-md:min-h-12"
                onClick={() => onOpen(state.box.id)}
              >
                Box {state.box.number}
              </button>
              <span className="font-mono text-[13.5px]">
                {formatLitres(state.litres)} · {formatMass(state.massG)}
              </span>
            </div>
            <p className="text-[14px] text-soft">
              {[
                state.destination?.name ?? 'no destination',
                state.box.packedAt === null ? 'to pack' : 'packed',
                state.isFragile ? 'fragile' : '',
                state.isForTwo ? 'two people' : '',
              ]
                .filter((part) => part !== '')
                .join(' · ')}
            </p>
            <ol className="mt-1 text-[14.5px]" aria-label="From the top down">
              {[...state.lines].reverse().map((line) => (
                <li key={line.thingId}>
                  {line.count} {line.name}
                  {line.isFragile && <span className="text-soft"> · on top</span>}
                  {line.isFluid && <span className="text-soft"> · upright</span>}
                </li>
              ))}
            </ol>
            {state.faults.map((fault) => (
              <p key={fault.code} className="text-[14px] text-signal-deep">
                {boxFaultWords(fault)}
              </p>
            ))}
          </li>
        ))}
      </ul>
    </section>
  );
}
