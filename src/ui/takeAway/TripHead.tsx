'use client';

import { useState } from 'react';

import { formatMass } from '@/core/shared';
import type { TripOnPage } from '@/core/takeAway';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { Link } from '../primitives/Link';
import { useMutation } from '../useMutation';
import { clockWords } from './haulWords';
import { dayWords, rangeOfMinutes } from './takeAwayWords';

/** When a trip leaves and how long it takes, and a way to say another time. */
export function TripHead({
  state,
  index,
  projectId,
  onTrip,
}: {
  readonly state: TripOnPage;
  readonly index: number;
  readonly projectId: string;
  readonly onTrip: (
    tripId: string,
    change: { readonly day?: string | null; readonly departMinute?: number | null },
  ) => Promise<ActionResult>;
}) {
  const { trip, minutes, massG } = state;
  const [isOpen, setIsOpen] = useState(false);
  const [day, setDay] = useState(trip.day ?? '');
  const [time, setTime] = useState(clockOf(trip.departMinute));
  const { mutate, isPending } = useMutation();
  const keep = async () => {
    const [hours, rest] = time.split(':').map(Number);
    const departMinute =
      time === '' || hours === undefined || rest === undefined ? null : hours * 60 + rest;
    const result = await mutate(() =>
      onTrip(trip.id, { day: day === '' ? null : day, departMinute }),
    );
    if (result.ok) setIsOpen(false);
  };
  return (
    <>
      <div className="flex flex-wrap items-start justify-between gap-2">
        <div>
          <h2 className="text-[18px]">
            Trip {index + 1}
            <span className="text-[15px] font-normal text-soft">
              {' '}
              {trip.day === null
                ? 'no day yet'
                : `${dayWords(trip.day)}${trip.departMinute === null ? '' : `, leaves ${clockWords(trip.departMinute)}`}`}
              {state.isAfterVisit && ', after the visit'}
            </span>
          </h2>
          <p className="font-mono text-[14px]">
            {rangeOfMinutes(minutes.low, minutes.high)} · {formatMass(massG)}
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          <Button aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
            When
          </Button>
          <Link
            href={`/projects/${projectId}/home/take-away/drive?trip=${trip.id}`}
            className={buttonClass('quiet')}
          >
            Drive it
          </Link>
        </div>
      </div>
      {isOpen && (
        <div className="mt-2 flex flex-wrap items-end gap-2">
          <TextField
            label="Day of the trip"
            type="date"
            value={day}
            onChange={(event) => setDay(event.target.value)}
          />
          <TextField
            label="Leaves at"
            type="time"
            value={time}
            onChange={(event) => setTime(event.target.value)}
          />
          <Button look="main" disabled={isPending} onClick={() => void keep()}>
            Keep
          </Button>
        </div>
      )}
    </>
  );
}

const clockOf = (minute: number | null): string =>
  minute === null
    ? ''
    : `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
