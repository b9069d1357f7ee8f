'use client';

import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { useTypedForm } from '../useTypedForm';
import { kindFormSchema } from './kindForm';

/** A kind that the vocabulary does not have. */
export function AddKind({ onAdd }: { readonly onAdd: (typed: unknown) => Promise<ActionResult> }) {
  const { register, errors, submit, isSaving, reset } = useTypedForm({
    schema: kindFormSchema,
    start: { names: '', litres: '', massG: '' },
    save: (typed) => onAdd(typed),
    onDone: () => reset(),
  });
  return (
    <form className="panel grid gap-3 p-4 sm:grid-cols-2" noValidate onSubmit={submit}>
      <h2 className="text-[17px] sm:col-span-2">A kind of your own</h2>
      <TextField
        label="What it is called, other names after a comma"
        isNeeded
        className="sm:col-span-2"
        placeholder="sourdough crock, bread crock"
        error={errors.names?.message}
        {...register('names')}
      />
      <TextField
        label="Litres of one"
        isNeeded
        measure
        inputMode="decimal"
        error={errors.litres?.message}
        {...register('litres')}
      />
      <TextField
        label="Grams of one"
        measure
        inputMode="decimal"
        error={errors.massG?.message}
        {...register('massG')}
      />
      <Button type="submit" look="main" disabled={isSaving}>
        Add it
      </Button>
    </form>
  );
}
