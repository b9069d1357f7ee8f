'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useForm, type Control, type FieldErrors, type UseFormRegister } from 'react-hook-form';
import type { z } from 'zod';

import { commonContainers } from '@/core/fit';
import { formatLength, type LengthUnit } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { ContainerFields, type ContainerTyped } from './ContainerFields';
import { blankContainer, ownedFormSchemaFor, type OwnedTyped } from './containerForm';
import { useMutation } from '../useMutation';

interface AddOwnedProps {
  readonly measureUnit: LengthUnit;
  readonly onAdd: (typed: unknown) => Promise<ActionResult>;
}

/** Adds boxes, tins and tubs that the home has already, at their real sizes. */
export function AddOwned({ measureUnit, onAdd }: AddOwnedProps) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <Button className="mt-2 w-full" onClick={() => setIsOpen(true)}>
        <Plus size={16} aria-hidden="true" /> Something that is here
      </Button>
      <Sheet isOpen={isOpen} onOpenChange={setIsOpen} title="A container that is here already">
        <OwnedForm
          measureUnit={measureUnit}
          start={{ ...blankContainer, count: '1' }}
          submitWords="Add to what is here"
          onSave={onAdd}
          onDone={() => setIsOpen(false)}
        />
      </Sheet>
    </>
  );
}

/** A container that is here: what it measures, and how many. */
export function OwnedForm({
  measureUnit,
  start,
  submitWords,
  onSave,
  onDone,
}: {
  readonly measureUnit: LengthUnit;
  readonly start: OwnedTyped;
  readonly submitWords: string;
  readonly onSave: (typed: unknown) => Promise<ActionResult>;
  readonly onDone: () => void;
}) {
  const { mutate } = useMutation();
  const schema = useMemo(() => ownedFormSchemaFor(measureUnit), [measureUnit]);
  const { register, control, handleSubmit, getValues, setValue, formState } = useForm<
    OwnedTyped,
    unknown,
    z.output<typeof schema>
  >({ resolver: zodResolver(schema), defaultValues: start });
  /** Fills the fields with a usual size, which can be corrected by the tape. */
  const pick = (name: string) => {
    const common = commonContainers.find((candidate) => candidate.name === name);
    if (!common) return;
    const { sizeMm, ...facts } = common;
    const [width, depth, height] = sizeMm.map((mm) => formatLength(mm, measureUnit));
    for (const [field, value] of Object.entries({ ...facts, width, depth, height, litres: '' }))
      setValue(field as keyof OwnedTyped, value as never);
  };
  const save = handleSubmit(async () => {
    if ((await mutate(() => onSave(getValues()))).ok) onDone();
  });
  return (
    <form
      onSubmit={(event) => void save(event)}
      noValidate
      className="grid grid-cols-3 gap-x-3 gap-y-2"
    >
      <SelectField
        label="Start from something common"
        className="col-span-full"
        defaultValue=""
        onChange={(event) => pick(event.target.value)}
      >
        <option value="">or measure it below</option>
        <optgroup label="Made from what would be thrown away">
          {commonContainers
            .filter(({ howTo }) => howTo !== '')
            .map(({ name }) => (
              <option key={name}>{name}</option>
            ))}
        </optgroup>
        <optgroup label="As it is">
          {commonContainers
            .filter(({ howTo }) => howTo === '')
            .map(({ name }) => (
              <option key={name}>{name}</option>
            ))}
        </optgroup>
      </SelectField>
      {/* The shared fields are a part of this form's, which its type cannot say. */}
      <ContainerFields
        control={control as unknown as Control<ContainerTyped>}
        register={register as unknown as UseFormRegister<ContainerTyped>}
        errors={formState.errors as FieldErrors<ContainerTyped>}
      />
      <TextField
        label="How many"
        measure
        inputMode="numeric"
        error={formState.errors.count?.message}
        {...register('count')}
      />
      <label className="col-span-full grid gap-0.5 text-[13.5px]">
        <span className="font-bold">How it is made, a line a step</span>
        <textarea rows={3} className="input h-auto py-1.5" {...register('howTo')} />
      </label>
      <div className="col-span-full flex items-center gap-3 pt-1">
        <Button type="submit" look="main" disabled={formState.isSubmitting}>
          {submitWords}
        </Button>
      </div>
    </form>
  );
}
