'use client';

import { Plus, X } from 'lucide-react';
import { useFieldArray, useFormContext } from 'react-hook-form';

import { wantsAnchoring, type Unit } from '@/core/look';
import { formatCount } from '@/core/shared';
import { fixingNeedsOf, wallKinds } from '@/core/shop';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { REMOVE, type Fields } from './MaterialFields';
import { wallWords, type MaterialsTyped } from './materialsForm';

/** What is fixed to which wall; a unit that tips is asked for. */
export function FixingFields({ kept, units }: Fields & { readonly units: readonly Unit[] }) {
  const {
    register,
    control,
    watch,
    formState: { errors },
  } = useFormContext<MaterialsTyped>();
  const rows = useFieldArray({ control, name: 'rows' });
  const typed = watch('rows');
  const tipping = units.filter(
    (unit) => wantsAnchoring(unit) && !typed.some(({ name }) => name === unit.name),
  );
  const needs = fixingNeedsOf(kept.fixings);
  const packless = needs.filter(({ wall }) =>
    kept.fixings.packs.every((pack) => pack.wall !== wall),
  );
  return (
    <>
      <div className="no-print grid gap-1.5">
        {tipping.map((unit) => (
          <p key={unit.id} className="warn flex flex-wrap items-center gap-x-3 text-[14px]">
            {unit.name} is high for its depth and can tip: fix it to the wall.{' '}
            <Button
              look="quiet"
              onClick={() =>
                rows.append({ name: unit.name, things: '1', each: '2', wall: 'brick' })
              }
            >
              Put its two fixings down
            </Button>
          </p>
        ))}
        {rows.fields.map((field, i) => (
          <div
            key={field.id}
            className="grid grid-cols-[1fr_76px_64px_170px_36px] gap-1.5 max-md:grid-cols-[1fr_1fr_48px]"
          >
            <TextField
              className="max-md:col-span-3"
              label={i === 0 ? 'Fixed to the wall' : `Fixed thing ${i + 1}`}
              hideLabel={i > 0}
              error={errors.rows?.[i]?.name?.message}
              {...register(`rows.${i}.name`)}
            />
            <TextField
              label={i === 0 ? 'How many' : `How many of fixed thing ${i + 1}`}
              hideLabel={i > 0}
              measure
              inputMode="numeric"
              error={errors.rows?.[i]?.things?.message}
              {...register(`rows.${i}.things`)}
            />
            <TextField
              label={i === 0 ? 'Fixings' : `Fixings of fixed thing ${i + 1}`}
              hideLabel={i > 0}
              measure
              inputMode="numeric"
              error={errors.rows?.[i]?.each?.message}
              {...register(`rows.${i}.each`)}
            />
            <SelectField
              label={i === 0 ? 'In' : `Wall of fixed thing ${i + 1}`}
              hideLabel={i > 0}
              {...register(`rows.${i}.wall`)}
            >
              {wallKinds.map((wall) => (
                <option key={wall} value={wall}>
                  {wallWords[wall]}
                </option>
              ))}
            </SelectField>
            <button
              type="button"
              className={REMOVE}
              aria-label={`Remove fixed thing ${i + 1}`}
              onClick={() => rows.remove(i)}
            >
              <X size={16} />
            </button>
          </div>
        ))}
        <div>
          <Button onClick={() => rows.append({ name: '', things: '1', each: '2', wall: 'brick' })}>
            <Plus size={16} aria-hidden="true" /> A shelf, a rail, hooks
          </Button>
        </div>
        {(rows.fields.length > 0 || errors.packs) && (
          <div className="flex flex-wrap gap-x-4 gap-y-1.5">
            {wallKinds.map((wall, i) => (
              <fieldset key={wall} className="flex gap-1.5">
                <legend className="caption">For {wallWords[wall]}</legend>
                <TextField
                  label={`In a pack, for ${wallWords[wall]}`}
                  hideLabel
                  measure
                  inputMode="numeric"
                  className="w-[70px]"
                  error={errors.packs?.[i]?.packSize?.message}
                  {...register(`packs.${i}.packSize`)}
                />
                <TextField
                  label={`Price a pack, for ${wallWords[wall]}`}
                  hideLabel
                  measure
                  inputMode="decimal"
                  placeholder="price"
                  className="w-[90px]"
                  error={errors.packs?.[i]?.price?.message}
                  {...register(`packs.${i}.price`)}
                />
              </fieldset>
            ))}
          </div>
        )}
      </div>
      {needs.length > 0 && (
        <p className="mt-2 text-[14.5px]">
          {needs
            .map(({ wall, qty }) => `${formatCount(qty, 'fixing')} in ${wallWords[wall]}`)
            .join(', ')}
          .
          {packless.length > 0 && (
            <span className="text-signal-deep">
              {' '}
              No pack has a price for {packless.map(({ wall }) => wallWords[wall]).join(', ')}.
            </span>
          )}
        </p>
      )}
    </>
  );
}
