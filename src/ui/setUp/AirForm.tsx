'use client';

import type { SetUp } from '@/core/setUp';
import { useFieldAct } from '../field/useFieldAct';
import { Waits } from '../field/Waits';
import { Button } from '../primitives/Button';
import { CheckField, TextField } from '../primitives/Field';
import { useTypedForm } from '../useTypedForm';
import { airFormSchema, toTypedAir } from './airForm';

/** The air in which paint dries, which makes it longer than the tin says, and what is done before the first coat. */
export function AirForm({ setUp }: { readonly setUp: SetUp }) {
  const { send } = useFieldAct();
  const { register, errors, submit, isSaving } = useTypedForm({
    schema: airFormSchema,
    start: toTypedAir(setUp),
    save: (_, air) => send({ kind: 'air_noted', roomId: setUp.id, air }),
  });
  return (
    <form className="panel flex flex-wrap items-end gap-3 p-4" noValidate onSubmit={submit}>
      <TextField
        label="Air where the paint dries, °C"
        hint="Nothing: as on the tin, for 20 °C"
        measure
        inputMode="decimal"
        className="w-[230px]"
        error={errors.celsius?.message}
        {...register('celsius')}
      />
      <CheckField label="the room is damp" {...register('isDamp')} />
      <TextField
        label="Holes to fill"
        measure
        inputMode="numeric"
        className="w-[110px]"
        error={errors.holes?.message}
        {...register('holes')}
      />
      <CheckField label="a coat of primer" {...register('primes')} />
      <Button type="submit" disabled={isSaving}>
        Keep
      </Button>
      <p className="basis-full text-[14px] text-soft">
        Assumed: twice as long for every 10 degrees less, half more where it is damp; never shorter
        than the tin says.
        <Waits of={(each) => each.kind === 'air_noted' && each.roomId === setUp.id} />
      </p>
    </form>
  );
}
