'use client';

import { useMemo } from 'react';
import { useWatch } from 'react-hook-form';

import { type LengthUnit } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { useTypedForm } from '../useTypedForm';
import { checkFormSchemaFor, type CheckTyped } from './checkForm';

interface CheckFormProps {
  readonly typed: CheckTyped;
  /** Units whose top can be a table. */
  readonly tables: readonly { readonly id: string; readonly name: string }[];
  readonly measureUnit: LengthUnit;
  readonly onSave: (typed: CheckTyped) => Promise<ActionResult>;
  readonly onDone: () => void;
}

/** Something that should be possible again, and what it needs. */
export function CheckForm({ typed: given, tables, measureUnit, onSave, onDone }: CheckFormProps) {
  const schema = useMemo(() => checkFormSchemaFor(measureUnit), [measureUnit]);
  const { register, control, errors, submit } = useTypedForm({
    schema,
    start: given,
    save: onSave,
    onDone,
  });
  const needs = useWatch({ control, name: 'needs' });
  return (
    <form
      className="panel mt-2 grid gap-x-3 gap-y-2 p-3 sm:grid-cols-4"
      noValidate
      onSubmit={submit}
    >
      <TextField
        label="Should be possible here again"
        isNeeded
        className="sm:col-span-3"
        autoFocus
        placeholder="e.g. the guest bed folds out"
        error={errors.text?.message}
        {...register('text')}
      />
      <SelectField label="It needs" {...register('needs')}>
        <option value="words">nothing measured</option>
        <option value="floor">clear floor</option>
        <option value="table">a clear table top</option>
      </SelectField>
      {needs !== 'words' && (
        <>
          <TextField
            label="Width kept clear"
            isLength
            error={errors.width?.message}
            {...register('width')}
          />
          <TextField
            label="Depth kept clear"
            isLength
            error={errors.depth?.message}
            {...register('depth')}
          />
        </>
      )}
      {needs !== 'words' && (
        <SelectField
          label={needs === 'table' ? 'On which unit' : 'Before which unit'}
          className="sm:col-span-2"
          error={errors.unitId?.message}
          {...register('unitId')}
        >
          <option value="">{needs === 'table' ? 'choose' : 'anywhere in the room'}</option>
          {tables.map((table) => (
            <option key={table.id} value={table.id}>
              {table.name}
            </option>
          ))}
        </SelectField>
      )}
      <div className="flex items-center gap-2 sm:col-span-4">
        <Button type="submit" look="main">
          Keep
        </Button>
        <Button onClick={onDone}>Back</Button>
      </div>
    </form>
  );
}
