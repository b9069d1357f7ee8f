'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useMemo, useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';

import { doorSwings, fixtureKinds, type FixtureKind, type Outline } from '@/core/look';
import { formatLength, type LengthUnit } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Choice } from '../primitives/Choice';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { doorSwingWords, fixtureKindWords } from './lookWords';
import { fixtureFormSchemaFor, type FixtureRead, type FixtureTyped } from './fixtureForm';
import { usualFixture } from './fixtureTyped';
import { LeadsToField, type DoorEnds } from './LeadsToField';
import { MeterStrip } from './MeterStrip';

export interface FixtureSheetProps {
  readonly outline: Outline;
  readonly measureUnit: LengthUnit;
  readonly ends: DoorEnds;
  readonly onSave: (typed: FixtureTyped) => Promise<ActionResult>;
}

/** One of them, along a wall. */
export function FixtureForm({
  outline,
  measureUnit,
  ends,
  onSave,
  onDone,
}: FixtureSheetProps & { readonly onDone: () => void }) {
  const schema = useMemo(() => fixtureFormSchemaFor(measureUnit), [measureUnit]);
  const form = useForm<FixtureTyped, unknown, FixtureRead>({
    resolver: zodResolver(schema),
    defaultValues: usualFixture('door', measureUnit),
  });
  const [message, setMessage] = useState('');
  const kind = useWatch({ control: form.control, name: 'kind' });
  const { errors } = form.formState;
  const pick = (next: FixtureKind) =>
    form.reset({ ...usualFixture(next, measureUnit), wall: form.getValues('wall') });
  const save = form.handleSubmit(async () => {
    const result = await onSave(form.getValues());
    setMessage(result.ok ? '' : result.message);
    if (result.ok) onDone();
  });
  return (
    <form className="grid gap-3" noValidate onSubmit={(event) => void save(event)}>
      <MeterStrip />
      <Choice
        label="What it is"
        value={kind}
        options={fixtureKinds.map((each) => [each, fixtureKindWords[each]])}
        onChange={pick}
        optionClass="min-h-12"
      />
      <div className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-3">
        <TextField
          label={kind === 'station' ? 'What is done there, or with what' : 'Called'}
          className="col-span-2 sm:col-span-1"
          placeholder={
            kind === 'station' ? 'e.g. kettle, bench, bed' : fixtureKindWords[kind].toLowerCase()
          }
          error={errors.name?.message}
          {...form.register('name')}
        />
        <SelectField label="Along wall" {...form.register('wall')}>
          {outline.walls.map((wall) => (
            <option key={wall.wallIndex} value={wall.wallIndex}>
              {wall.wallIndex + 1}, {formatLength(wall.lengthMm, measureUnit)}
            </option>
          ))}
        </SelectField>
        <TextField
          label="From its corner"
          isLength
          error={errors.along?.message}
          {...form.register('along')}
        />
        <TextField
          label="Width"
          isNeeded
          isLength
          error={errors.width?.message}
          {...form.register('width')}
        />
        <TextField
          label="Stands out from the wall"
          isLength
          error={errors.depth?.message}
          {...form.register('depth')}
        />
        <TextField
          label="Lower edge, from the floor"
          isLength
          error={errors.bottom?.message}
          {...form.register('bottom')}
        />
        <TextField
          label="Upper edge"
          isLength
          error={errors.top?.message}
          {...form.register('top')}
        />
        {kind === 'door' && (
          <SelectField label="Opens" className="col-span-2" {...form.register('swing')}>
            {doorSwings.map((swing) => (
              <option key={swing} value={swing}>
                {doorSwingWords[swing]}
              </option>
            ))}
          </SelectField>
        )}
        {kind === 'door' && <LeadsToField ends={ends} {...form.register('leadsTo')} />}
      </div>
      <p className="text-[13px] text-soft">
        Left and right as you stand in the room and face it. The corner is the left end of the wall.
      </p>
      {message !== '' && (
        <p role="alert" className="warn">
          {message}
        </p>
      )}
      <Button type="submit" look="main">
        Put it in the plan
      </Button>
    </form>
  );
}
