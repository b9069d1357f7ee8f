'use client';

import { useWatch, type Control, type FieldErrors, type UseFormRegister } from 'react-hook-form';

import { materials, productKinds } from '@/core/fit';
import { CheckField, SelectField, TextField } from '../primitives/Field';
import { LEVEL_FIELDS, type OwnedTyped } from './containerForm';

export type ContainerTyped = Omit<OwnedTyped, 'count'>;

interface ContainerFieldsProps {
  readonly control: Control<ContainerTyped>;
  readonly register: UseFormRegister<ContainerTyped>;
  readonly errors: FieldErrors<ContainerTyped>;
}

/** The fields that owned and sold containers share. */
export function ContainerFields({ control, register, errors }: ContainerFieldsProps) {
  const kind = useWatch({ control, name: 'kind' });
  const level = LEVEL_FIELDS.filter(([, , kinds]) => kinds.includes(kind));
  return (
    <>
      <TextField
        label="What it is"
        isNeeded
        className="col-span-full"
        placeholder="e.g. wooden wine box"
        error={errors.name?.message}
        {...register('name')}
      />
      <TextField
        label="Width"
        isNeeded
        isLength
        error={errors.width?.message}
        {...register('width')}
      />
      <TextField
        label="Depth"
        isNeeded
        isLength
        error={errors.depth?.message}
        {...register('depth')}
      />
      <TextField
        label="Height"
        isNeeded
        isLength
        error={errors.height?.message}
        {...register('height')}
      />
      <TextField
        label="Litres inside"
        measure
        inputMode="decimal"
        placeholder="from sizes"
        error={errors.litres?.message}
        {...register('litres')}
      />
      <SelectField label="Kind" {...register('kind')}>
        {productKinds.map((kind) => (
          <option key={kind}>{kind}</option>
        ))}
      </SelectField>
      <SelectField label="Of" {...register('material')}>
        {materials.map((material) => (
          <option key={material}>{material}</option>
        ))}
      </SelectField>
      {level.length > 0 && (
        <fieldset className="col-span-full grid grid-cols-3 gap-x-3 gap-y-2">
          <legend className="mb-1 text-[13.5px] text-soft">
            As a {kind}, in cm; what is left empty is taken as usual for one
            {kind === 'divider' && '. Its width is how long the board is, its depth how thick'}
          </legend>
          {level.map(([field, label]) => (
            <TextField
              key={field}
              label={label}
              measure
              inputMode="decimal"
              error={errors.level?.[field]?.message}
              {...register(`level.${field}`)}
            />
          ))}
        </fieldset>
      )}
      <div className="col-span-full flex flex-wrap gap-x-4">
        <CheckField label="lid" {...register('lid')} />
        <CheckField label="see-through" {...register('clear')} />
        <CheckField label="stacks" {...register('stackable')} />
      </div>
    </>
  );
}
