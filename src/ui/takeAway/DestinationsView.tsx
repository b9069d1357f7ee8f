'use client';

import { useState } from 'react';

import type { Car, FairValue, HaulDestination } from '@/core/takeAway';
import { streams, writeExceptions, writeHours, writeRefuses } from '@/core/takeAway';
import { formatLength, formatLitres, formatMass } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { ImportCsv } from '../agree/ImportCsv';
import { Button, buttonClass } from '../primitives/Button';
import { CheckField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';
import { useTypedForm } from '../useTypedForm';
import {
  carFormSchema,
  destinationFormSchema,
  toTypedCar,
  toTypedDestination,
  type CarTyped,
  type DestinationTyped,
} from './takeAwayForms';
import { streamWords } from './takeAwayWords';
import { FairValues } from './FairValues';

interface DestinationsViewProps {
  readonly destinations: readonly HaulDestination[];
  readonly cars: readonly Car[];
  readonly values: readonly FairValue[];
  readonly onSave: (id: string | undefined, typed: DestinationTyped) => Promise<ActionResult>;
  readonly onRemove: (id: string) => Promise<ActionResult>;
  readonly onBetween: (fromId: string, toId: string, minutes: string) => Promise<ActionResult>;
  readonly onCar: (name: string | undefined, typed: CarTyped) => Promise<ActionResult>;
  readonly onRemoveCar: (name: string) => Promise<ActionResult>;
  readonly onValues: (text: string) => Promise<ActionResult>;
}

/** Where things of every home are taken, with which car, and what they are assumed to be worth. */
export function DestinationsView(props: DestinationsViewProps) {
  const { destinations, cars } = props;
  const [changing, setChanging] = useState<HaulDestination | 'new'>();
  const [car, setCar] = useState<Car | 'new'>();
  const { mutate, isPending } = useMutation();
  return (
    <div className="mx-auto grid max-w-[1080px] gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-[26px]">Destinations</h1>
          <p className="max-w-[70ch] text-soft">
            Where things are taken, or who comes for them: once for every home.
          </p>
        </div>
        <div className="flex flex-wrap items-start gap-2">
          <a className={buttonClass('plain')} href="/api/destinations" download>
            Destinations, CSV
          </a>
          <ImportCsv
            address="/api/destinations"
            label="Read destinations, CSV"
            accept=".csv,text/csv"
            outcomeWords="destination"
          />
          <Button look="main" onClick={() => setChanging('new')}>
            Add a destination
          </Button>
        </div>
      </div>
      {destinations.length === 0 && <p className="panel p-4">No destination yet.</p>}
      <ul className="grid gap-3 sm:grid-cols-2">
        {destinations.map((each) => (
          <li key={each.id} className="panel p-4">
            <h2 className="text-[18px]">{each.name}</h2>
            <p className="text-[14.5px]">
              {each.streams.map((stream) => streamWords[stream]).join(', ')}
            </p>
            <p className="text-[14px] whitespace-pre-line text-soft">{factsOf(each)}</p>
            <div className="mt-2 flex flex-wrap gap-2">
              <Button onClick={() => setChanging(each)} aria-label={`Change ${each.name}`}>
                Change
              </Button>
              <Button
                disabled={isPending}
                aria-label={`Remove ${each.name}`}
                onClick={() => void mutate(() => props.onRemove(each.id))}
              >
                Remove
              </Button>
            </div>
          </li>
        ))}
      </ul>
      <section aria-label="Cars" className="panel p-4">
        <div className="flex flex-wrap items-center justify-between gap-2">
          <h2 className="text-[18px]">Cars, measured behind the seats</h2>
          <Button onClick={() => setCar('new')}>Measure a car</Button>
        </div>
        <ul className="mt-1 divide-y divide-line">
          {cars.map((each) => (
            <li key={each.name} className="flex flex-wrap items-center gap-3 py-2">
              <span className="min-w-[220px] flex-1 text-[14.5px]">
                <b>{each.name}</b>{' '}
                <span className="font-mono text-soft">
                  {[each.widthMm, each.heightMm, each.downLengthMm ?? each.lengthMm]
                    .map((mm) => formatLength(mm, 'cm'))
                    .join(' × ')}
                </span>
                , {formatLitres(litresOf(each))}, up to {formatMass(each.maxG)}
                {each.trailer && `, trailer ${formatLitres(each.trailer.litres)}`}
              </span>
              <Button onClick={() => setCar(each)} aria-label={`Change ${each.name}`}>
                Change
              </Button>
              {cars.length > 1 && (
                <Button
                  aria-label={`Remove ${each.name}`}
                  onClick={() => void mutate(() => props.onRemoveCar(each.name))}
                >
                  Remove
                </Button>
              )}
            </li>
          ))}
        </ul>
      </section>
      <FairValues values={props.values} onSave={props.onValues} />
      {changing !== undefined && (
        <DestinationSheet
          key={changing === 'new' ? 'new' : changing.id}
          of={changing === 'new' ? undefined : changing}
          others={destinations.filter((each) => changing === 'new' || each.id !== changing.id)}
          onSave={(typed) => props.onSave(changing === 'new' ? undefined : changing.id, typed)}
          onBetween={props.onBetween}
          onDone={() => setChanging(undefined)}
        />
      )}
      {car !== undefined && (
        <CarForm
          key={car === 'new' ? 'new' : car.name}
          of={car === 'new' ? undefined : car}
          onSave={(typed) => props.onCar(car === 'new' ? undefined : car.name, typed)}
          onDone={() => setCar(undefined)}
        />
      )}
    </div>
  );
}

const litresOf = ({ widthMm, heightMm, lengthMm, downLengthMm }: Car): number =>
  (widthMm * heightMm * (downLengthMm ?? lengthMm)) / 1e6;

const refusesOf = ({ refuses }: HaulDestination): string[] =>
  writeRefuses(refuses)
    .split('\n')
    .filter((line) => line !== '')
    .map((line) =>
      /^(?:longer|heavier) than/.test(line) ? `takes nothing ${line}` : `takes no ${line}`,
    );

/** Of one that is driven to. */
const drivenFacts = (each: HaulDestination): string[] => [
  each.minutes === null ? 'minutes not said' : `${each.minutes} min from a home, as a rule`,
  each.hours.length === 0 ? 'hours not said' : writeHours(each.hours),
];

const factsOf = (each: HaulDestination): string =>
  [
    each.address,
    ...(each.collects ? ['comes for it'] : drivenFacts(each)),
    each.exceptions.length > 0
      ? `but ${writeExceptions(each.exceptions).split('\n').join(', ')}`
      : '',
    ...refusesOf(each),
    each.bagsPerVisit === null ? '' : `at most ${each.bagsPerVisit} bags a visit`,
    each.byAppointment ? 'by appointment' : '',
    each.givesReceipt ? 'gives receipts' : 'no receipts',
    each.note,
  ]
    .filter((part) => part !== '')
    .join('\n');

function DestinationSheet({
  of,
  others,
  onSave,
  onBetween,
  onDone,
}: {
  readonly of: HaulDestination | undefined;
  readonly others: readonly HaulDestination[];
  readonly onSave: (typed: DestinationTyped) => Promise<ActionResult>;
  readonly onBetween: DestinationsViewProps['onBetween'];
  readonly onDone: () => void;
}) {
  const { register, errors, submit, isSaving } = useTypedForm({
    schema: destinationFormSchema,
    start: toTypedDestination(of),
    save: onSave,
    onDone,
  });
  const { mutate } = useMutation();
  const field = (name: keyof DestinationTyped, label: string, hint?: string) => (
    <TextField label={label} hint={hint} error={errors[name]?.message} {...register(name)} />
  );
  const area = (name: 'hours' | 'exceptions' | 'refuses', label: string, placeholder: string) => (
    <label className="grid text-[14px]">
      {label}
      <textarea
        className="input min-h-[74px]"
        placeholder={placeholder}
        aria-invalid={errors[name] !== undefined}
        {...register(name)}
      />
      {errors[name] && (
        <span role="alert" className="text-[13px] text-signal-deep">
          {errors[name].message}
        </span>
      )}
    </label>
  );
  return (
    <Sheet isOpen onOpenChange={onDone} title={of?.name ?? 'A destination'}>
      <form className="grid gap-3" noValidate onSubmit={submit}>
        <TextField label="Name" isNeeded error={errors.name?.message} {...register('name')} />
        <fieldset>
          <legend className="caption">What it takes</legend>
          <div className="grid grid-cols-2 sm:grid-cols-3">
            {streams.map((stream) => (
              <CheckField
                key={stream}
                label={streamWords[stream]}
                value={stream}
                {...register('streams')}
              />
            ))}
          </div>
          {errors.streams && (
            <p role="alert" className="text-[13px] text-signal-deep">
              {errors.streams.message}
            </p>
          )}
        </fieldset>
        {field('address', 'Address')}
        <div className="grid gap-3 sm:grid-cols-3">
          {field('minutes', 'Minutes from a home', 'One way, as a rule')}
          {field('latitude', 'Latitude')}
          {field('longitude', 'Longitude')}
        </div>
        {area('hours', 'Open, a line each', 'Mon-Fri 9:00-12:00, 14:00-17:30\nSat 9:00-12:00')}
        {area('exceptions', 'Days that differ', '2026-12-24 closed')}
        {area('refuses', 'Takes no', 'mattresses\nglass\nwardrobes longer than 180 cm')}
        <div className="grid gap-3 sm:grid-cols-3">
          {field('bagsPerVisit', 'Bags a visit at most')}
          {field('unloadMinutes', 'Minutes to unload')}
          {field('fee', 'Fee')}
        </div>
        <div className="grid sm:grid-cols-3">
          <CheckField label="By appointment" {...register('byAppointment')} />
          <CheckField label="Comes for it" {...register('collects')} />
          <CheckField label="Gives receipts" {...register('givesReceipt')} />
        </div>
        {field('note', 'Note')}
        <div>
          <Button type="submit" look="main" disabled={isSaving}>
            Keep
          </Button>
        </div>
      </form>
      {of && others.length > 0 && (
        <section aria-label="Minutes to the others" className="mt-4">
          <h3 className="text-[15px]">Minutes to the others, one way</h3>
          <ul className="mt-1 grid gap-2">
            {others.map((other) => (
              <li key={other.id} className="flex items-center justify-between gap-3 text-[14.5px]">
                {other.name}
                <TextField
                  label={`Minutes to ${other.name}`}
                  hideLabel
                  measure
                  inputMode="numeric"
                  className="w-[90px]"
                  defaultValue={minutesBetween(of, other)}
                  onBlur={(event) => {
                    if (event.target.value !== minutesBetween(of, other))
                      void mutate(() => onBetween(of.id, other.id, event.target.value));
                  }}
                />
              </li>
            ))}
          </ul>
        </section>
      )}
    </Sheet>
  );
}

const minutesBetween = (a: HaulDestination, b: HaulDestination): string => {
  const known = a.between.find(({ id }) => id === b.id) ?? b.between.find(({ id }) => id === a.id);
  return known ? String(known.minutes) : '';
};

function CarForm({
  of,
  onSave,
  onDone,
}: {
  readonly of: Car | undefined;
  readonly onSave: (typed: CarTyped) => Promise<ActionResult>;
  readonly onDone: () => void;
}) {
  const { register, errors, submit, isSaving } = useTypedForm({
    schema: carFormSchema,
    start: toTypedCar(of),
    save: onSave,
    onDone,
  });
  const length = (name: keyof CarTyped, label: string) => (
    <TextField label={label} isLength error={errors[name]?.message} {...register(name)} />
  );
  return (
    <Sheet isOpen onOpenChange={onDone} title={of?.name ?? 'Measure a car'}>
      <form className="grid gap-3 sm:grid-cols-2" noValidate onSubmit={submit}>
        <TextField
          label="Name of the car"
          isNeeded
          className="sm:col-span-2"
          error={errors.name?.message}
          {...register('name')}
        />
        {length('width', 'Width between the wheels')}
        {length('height', 'Height to the roof')}
        {length('length', 'Length, seats up')}
        {length('downLength', 'Length, seats folded')}
        <TextField
          label="Carries at most, kg"
          measure
          inputMode="decimal"
          error={errors.maxKg?.message}
          {...register('maxKg')}
        />
        <TextField
          label="Trailer, litres"
          measure
          inputMode="decimal"
          error={errors.trailerLitres?.message}
          {...register('trailerLitres')}
        />
        <TextField
          label="Trailer carries, kg"
          measure
          inputMode="decimal"
          error={errors.trailerKg?.message}
          {...register('trailerKg')}
        />
        {length('trailerLength', 'Length of the trailer')}
        <div className="sm:col-span-2">
          <Button type="submit" look="main" disabled={isSaving}>
            Keep
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
