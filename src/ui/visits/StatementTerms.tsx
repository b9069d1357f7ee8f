'use client';

import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { CheckField, SelectField, TextField } from '../primitives/Field';
import { useTypedForm } from '../useTypedForm';
import { statementFormSchema, type StatementTyped } from './visitForm';

/** How hours are rounded, and the tax line. */
export function StatementTerms({
  typed,
  onSave,
}: {
  readonly typed: StatementTyped;
  readonly onSave: (typed: StatementTyped) => Promise<ActionResult>;
}) {
  const { register, errors, submit, isSaving } = useTypedForm({
    schema: statementFormSchema,
    start: typed,
    save: onSave,
  });
  return (
    <details className="panel p-4">
      <summary className="min-h-9 content-center font-head text-[17px] font-[650] max-md:min-h-12">
        Rounding and tax
      </summary>
      <form className="mt-1 grid gap-3 sm:grid-cols-2" noValidate onSubmit={submit}>
        <SelectField
          label="Hours of each visit go to"
          error={errors.roundMinutes?.message}
          {...register('roundMinutes')}
        >
          <option value="1">the minute</option>
          <option value="5">5 minutes</option>
          <option value="6">6 minutes, a tenth of an hour</option>
          <option value="15">15 minutes</option>
          <option value="30">30 minutes</option>
        </SelectField>
        <div className="self-end">
          <CheckField label="always up, not to the nearest" {...register('roundsUp')} />
        </div>
        <TextField
          label="Tax line says"
          placeholder="VAT"
          error={errors.taxLabel?.message}
          {...register('taxLabel')}
        />
        <TextField
          label="Tax on the fee, per cent"
          hint="Nothing: no tax line. Whether tax is due is for your accountant to say"
          measure
          inputMode="decimal"
          error={errors.taxPercent?.message}
          {...register('taxPercent')}
        />
        <Button type="submit" className="justify-self-start" disabled={isSaving}>
          Keep
        </Button>
      </form>
    </details>
  );
}
