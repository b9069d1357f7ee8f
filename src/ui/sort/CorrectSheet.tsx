'use client';

import { useState } from 'react';
import { useWatch } from 'react-hook-form';

import { formatLitres, formatMass } from '@/core/shared';
import { readCorrection } from '@/core/things';
import { vocabulary } from '@/core/things/vocabulary';
import {
  type Thing,
  type Verdict,
  type VerdictTraits,
  traitsOf,
  verdicts,
  wayOutOf,
  waysOut,
  withCorrection,
  withCount,
} from '@/core/sort';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { verdictWords, wayOutWords } from './sortWords';
import { correctFormSchema } from './correctForm';
import { hundredths } from './handLine';
import { SplitPanel } from './SplitPanel';
import type { Bench } from './useBench';
import { PrivatePicture } from '../primitives/PrivatePicture';
import { useTypedForm } from '../useTypedForm';

interface CorrectSheetProps {
  readonly bench: Bench;
  readonly thing: Thing;
  readonly roomNames: readonly string[];
  readonly onDone: () => void;
}

/** Decides a thing anew, splits it, or puts another pile into it; what was said before stays in the log. */
export function CorrectSheet({ bench, thing, roomNames, onDone }: CorrectSheetProps) {
  const { register, control, errors, submit, setValue } = useTypedForm({
    schema: correctFormSchema,
    start: {
      name: thing.name,
      count: String(thing.count),
      size: '',
      verdict: thing.verdict as Verdict,
      to: traitsOf(thing.verdict).asks === 'way_out' ? (wayOutOf(thing.to) ?? '') : thing.to,
      groupId: thing.groupId ?? '',
      expiresOn: thing.expiresOn ?? '',
    },
    save: (_, { groupId, expiresOn, size, ...facts }) => {
      const sized = readSize(size, thing, facts.count, bench);
      if (sized === undefined)
        return Promise.resolve({
          ok: false,
          message: 'The size was not read',
          fields: { size: 'Write it like 12 l, 3.4 kg or 40 x 30 x 20' },
        });
      bench.correct(thing, {
        ...facts,
        ...sized,
        groupId: bench.roomGroups.find(({ id }) => id === groupId)?.id ?? null,
        expiresOn: expiresOn === '' ? undefined : expiresOn,
      });
      return Promise.resolve({ ok: true, value: undefined });
    },
    onDone,
  });
  const verdict = useWatch({ control, name: 'verdict' });
  const [isSplitting, setIsSplitting] = useState(false);
  const others = bench.recent.filter(({ id }) => id !== thing.id);
  const { asks } = traitsOf(verdict);
  const destinations = destinationChoices(asks, roomNames);
  return (
    <Sheet isOpen onOpenChange={onDone} title="Decide again">
      {isSplitting ? (
        <SplitPanel
          name={thing.name}
          count={thing.count}
          onSplit={(parts) => {
            bench.splitThing(thing, parts);
            onDone();
          }}
          onBack={() => setIsSplitting(false)}
        />
      ) : (
        <form className="grid gap-3 sm:grid-cols-4" noValidate onSubmit={submit}>
          <TextField
            label="Thing"
            className="sm:col-span-3"
            error={errors.name?.message}
            {...register('name')}
          />
          <TextField
            label="Pieces"
            measure
            inputMode="numeric"
            error={errors.count?.message}
            {...register('count')}
          />
          <TextField
            label={`Size or weight, now ${formatLitres(thing.litres)}, ${formatMass(thing.massG)}`}
            placeholder="12 l, 3.4 kg, 40 x 30 x 20"
            className="sm:col-span-4"
            autoComplete="off"
            error={errors.size?.message}
            {...register('size')}
          />
          <SelectField
            label="Verdict"
            className="sm:col-span-2"
            {...register('verdict', { onChange: () => setValue('to', '') })}
          >
            {verdicts.map((verdict) => (
              <option key={verdict} value={verdict}>
                {verdictWords[verdict]}
              </option>
            ))}
          </SelectField>
          <SelectField label="Group" className="sm:col-span-2" {...register('groupId')}>
            <option value="">no group</option>
            {bench.roomGroups.map((group) => (
              <option key={group.id} value={group.id}>
                {group.name}
              </option>
            ))}
          </SelectField>
          {(asks === 'person' || destinations.length > 0) && (
            <div className="sm:col-span-4">
              {asks === 'person' ? (
                <TextField label="To whom" error={errors.to?.message} {...register('to')} />
              ) : (
                <SelectField label="Where it goes" {...register('to')}>
                  <option value="">{asks === 'room' ? 'no home yet' : 'not said'}</option>
                  {destinations.map(({ to, label }) => (
                    <option key={to} value={to}>
                      {label}
                    </option>
                  ))}
                </SelectField>
              )}
            </div>
          )}
          <TextField
            label="Use by"
            type="date"
            className="sm:col-span-2"
            error={errors.expiresOn?.message}
            {...register('expiresOn')}
          />
          {thing.pictureId !== undefined && (
            <PrivatePicture
              pictureId={thing.pictureId}
              size="thumb"
              alt={`Picture of ${thing.name}`}
              className="max-h-36 rounded-[5px] border border-line sm:col-span-2"
            />
          )}
          <div className="flex flex-wrap gap-2 sm:col-span-4">
            <Button type="submit" look="main">
              Keep this decision
            </Button>
            {thing.count > 1 && <Button onClick={() => setIsSplitting(true)}>Split it</Button>}
          </div>
          {others.length > 0 && (
            <div className="sm:col-span-4">
              <SelectField
                label="Or put it into another pile, counted with it there"
                value=""
                onChange={(event) => {
                  const into = others.find(({ id }) => id === event.target.value);
                  if (into) {
                    bench.merge(into, thing);
                    onDone();
                  }
                }}
              >
                <option value="">choose a pile</option>
                {others.map((other) => (
                  <option key={other.id} value={other.id}>
                    {other.count} {other.name}, {verdictWords[other.verdict].toLowerCase()}
                  </option>
                ))}
              </SelectField>
            </div>
          )}
        </form>
      )}
    </Sheet>
  );
}

/** What was typed of a size; nothing where nothing was, undefined where it cannot be read. */
function readSize(typed: string, thing: Thing, count: number, bench: Bench) {
  if (typed === '') return {};
  const correction = readCorrection(typed, {
    vocabulary,
    own: bench.own,
    bareUnit: bench.lengthUnit,
    count,
  });
  if (!correction) return undefined;
  const { litres, massG, ranges, uprightMm, longestMm } = withCorrection(
    withCount(
      {
        count: thing.count,
        litres: thing.litres,
        massG: thing.massG,
        // Decided before ranges were kept: what is not typed now is known within twice.
        ranges: thing.ranges ?? {
          litres: withinTwice(thing.litres),
          massG: withinTwice(thing.massG),
        },
        uprightMm: thing.uprightMm,
        longestMm: thing.longestMm,
      },
      count,
    ),
    correction,
  );
  return {
    litres: hundredths(litres),
    massG: Math.round(massG),
    ranges,
    ...(uprightMm === undefined ? {} : { uprightMm }),
    ...(longestMm === undefined ? {} : { longestMm }),
  };
}
const withinTwice = (value: number) =>
  ({ low: value / 2, high: value * 2, from: 'family' }) as const;

/** What can be chosen where a verdict asks for a room or a way out. */
function destinationChoices(
  asks: VerdictTraits['asks'],
  roomNames: readonly string[],
): readonly { readonly to: string; readonly label: string }[] {
  if (asks === 'room') return roomNames.map((name) => ({ to: name, label: name }));
  if (asks === 'way_out') return waysOut.map((way) => ({ to: way, label: wayOutWords[way] }));
  return [];
}
