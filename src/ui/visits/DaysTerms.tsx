'use client';

import { useWatch } from 'react-hook-form';

import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { useTypedForm } from '../useTypedForm';
import { daysFormSchema, type DaysTyped } from './visitForm';
import { Weekdays } from './Weekdays';

interface DaysTermsProps {
  readonly typed: DaysTyped;
  readonly onSave: (typed: DaysTyped) => Promise<ActionResult>;
}

/** When this home can be visited, and who comes. */
export function DaysTerms({ typed, onSave }: DaysTermsProps) {
  const { register, control, errors, submit, setValue, isSaving } = useTypedForm({
    schema: daysFormSchema,
    start: typed,
    save: onSave,
  });
  const weekdays = useWatch({ control, name: 'weekdays' });
  return (
    <details className="panel p-4">
      <summary className="min-h-9 content-center font-head text-[17px] font-[650] max-md:min-h-12">
        When, and who comes
      </summary>
      <form className="mt-1 grid gap-3" noValidate onSubmit={submit}>
        <Weekdays
          chosen={weekdays}
          error={errors.weekdays?.message}
          onChange={(days) => setValue('weekdays', days)}
        />
        <div className="grid gap-3 sm:grid-cols-[120px_1fr_150px]">
          <TextField label="Begins at" measure error={errors.from?.message} {...register('from')} />
          <TextField
            label="Who comes, with commas between"
            hint="The first one leads each visit, the others come on their days"
            error={errors.people?.message}
            {...register('people')}
          />
          <TextField
            label="Minutes to get there"
            measure
            inputMode="numeric"
            error={errors.travelMinutes?.message}
            {...register('travelMinutes')}
          />
        </div>
        <div className="grid gap-3 sm:grid-cols-2">
          <TextField
            label="At work without a break, minutes"
            measure
            inputMode="numeric"
            error={errors.stretchMinutes?.message}
            {...register('stretchMinutes')}
          />
          <TextField
            label="Papers and keepsakes on one visit, minutes"
            measure
            inputMode="numeric"
            error={errors.mostHardMinutes?.message}
            {...register('mostHardMinutes')}
          />
        </div>
        <TextField
          label="From ordering to having it there, days"
          hint="An assumption until you set it: the latest day to order follows from it"
          measure
          className="sm:max-w-[300px]"
          error={errors.orderDays?.message}
          {...register('orderDays')}
        />
        <TextField
          label="Days on which the client cannot"
          placeholder="2026-12-24, 2026-12-27"
          error={errors.clientAway?.message}
          {...register('clientAway')}
        />
        <Button type="submit" className="justify-self-start" disabled={isSaving}>
          Keep
        </Button>
      </form>
    </details>
  );
}
