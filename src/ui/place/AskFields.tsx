import type { FieldErrors, UseFormRegister } from 'react-hook-form';

import { CheckField, TextField } from '../primitives/Field';
import type { WishTyped } from './wishForm';

interface AskFieldsProps {
  readonly register: UseFormRegister<WishTyped>;
  readonly errors: FieldErrors<WishTyped>;
  /** Used by one person alone. */
  readonly hasOwner: boolean;
}

/** What the things of a group are like, as far as it decides what they stand in. */
export function AskFields({ register, errors, hasOwner }: AskFieldsProps) {
  return (
    <details>
      <summary className="min-h-9 py-1.5 text-[14px] text-rim">
        What is in it: kinds, pieces, what crushes
      </summary>
      <div className="grid gap-2 pb-1">
        <label className="grid gap-0.5 text-[13.5px]">
          <span className="font-bold">Kinds that each want their own, with litres</span>
          <textarea
            rows={3}
            placeholder={'cumin 0.2\nchilli 0.2'}
            className="input h-auto py-1.5"
            aria-invalid={errors.kinds !== undefined}
            {...register('kinds')}
          />
          {errors.kinds && (
            <span role="alert" className="text-signal-deep">
              {errors.kinds.message}
            </span>
          )}
        </label>
        <TextField
          label="Or pieces of one size, in cm"
          placeholder="6 of 8 × 8 × 30"
          error={errors.pieces?.message}
          {...register('pieces')}
        />
        <div className="flex flex-wrap gap-x-4">
          <CheckField label="round: bottles, rolls, jars" {...register('isRound')} />
          <CheckField label="may lie on their side" {...register('mayLie')} />
          <CheckField label="stays below the rim" {...register('belowRim')} />
          <CheckField label="crushed by what stands on it" {...register('crushable')} />
          <CheckField label="looked for by eye" {...register('seen')} />
          {hasOwner && <CheckField label="one colour for its person" {...register('oneColour')} />}
        </div>
        <div className="grid grid-cols-2 gap-2">
          <TextField
            label="Hangs down, cm"
            measure
            inputMode="decimal"
            error={errors.dropCm?.message}
            {...register('dropCm')}
          />
          <TextField
            label="Poured from packs of, litres"
            measure
            inputMode="decimal"
            error={errors.packLitres?.message}
            {...register('packLitres')}
          />
        </div>
        <TextField label="Only of the line" error={errors.line?.message} {...register('line')} />
      </div>
    </details>
  );
}
