'use client';

import type { Leaving } from '@/core/takeAway';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { CheckField, SelectField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useTypedForm } from '../useTypedForm';
import { termsFormSchema, type TermsTyped } from './takeAwayForms';

/** Which car, how it is set, and how large the boxes are. */
export function CarSheet({
  home,
  carNames,
  carName,
  onSave,
  onDone,
}: {
  readonly home: Leaving;
  readonly carNames: readonly string[];
  readonly carName: string;
  readonly onSave: (typed: TermsTyped) => Promise<ActionResult>;
  readonly onDone: () => void;
}) {
  const { register, errors, submit, isSaving } = useTypedForm({
    schema: termsFormSchema,
    start: {
      carName,
      seatsDown: home.seatsDown,
      withTrailer: home.withTrailer,
      boxLitres: String(home.boxLitres),
      wantsValues: home.wantsValues,
      latitude: home.position ? String(home.position.latitude) : '',
      longitude: home.position ? String(home.position.longitude) : '',
    },
    save: onSave,
    onDone,
  });
  return (
    <Sheet isOpen onOpenChange={onDone} title="Car and boxes">
      <form className="grid gap-3" noValidate onSubmit={submit}>
        <SelectField label="Which car" {...register('carName')}>
          {carNames.map((name) => (
            <option key={name} value={name}>
              {name}
            </option>
          ))}
        </SelectField>
        <CheckField label="Seats folded down" {...register('seatsDown')} />
        <CheckField label="With its trailer" {...register('withTrailer')} />
        <TextField
          label="Litres of a box"
          measure
          inputMode="decimal"
          error={errors.boxLitres?.message}
          {...register('boxLitres')}
        />
        <CheckField
          label="The client wants a fair value beside what is given"
          {...register('wantsValues')}
        />
        <div className="grid gap-3 sm:grid-cols-2">
          <TextField
            label="Latitude of this home"
            hint="By these, ways are estimated where nobody typed minutes."
            measure
            error={errors.latitude?.message}
            {...register('latitude')}
          />
          <TextField
            label="Longitude"
            measure
            error={errors.longitude?.message}
            {...register('longitude')}
          />
        </div>
        <div>
          <Button type="submit" look="main" disabled={isSaving}>
            Keep
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
