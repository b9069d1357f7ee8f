'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm, type Control, type FieldErrors, type UseFormRegister } from 'react-hook-form';
import type { z } from 'zod';

import { parseProduct } from '@/core/fit';
import { currencies, type Currency } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { ContainerFields, type ContainerTyped } from './ContainerFields';
import { blankContainer, soldFormSchemaFor, splitPackPrice, type SoldTyped } from './containerForm';
import { useMutation } from '../useMutation';

const schema = soldFormSchemaFor('cm');

interface AddSoldProps {
  /** Where the line says no other. */
  readonly currency: Currency;
  readonly onAdd: (typed: unknown) => Promise<ActionResult>;
}

/** Adds a container that a shop sells. */
export function AddSold({ currency, onAdd }: AddSoldProps) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <Button look="main" onClick={() => setIsOpen(true)}>
        Add a container
      </Button>
      <Sheet isOpen={isOpen} onOpenChange={setIsOpen} title="A container and its price">
        <SoldForm currency={currency} onAdd={onAdd} onDone={() => setIsOpen(false)} />
      </Sheet>
    </>
  );
}

function SoldForm({ currency, onAdd, onDone }: AddSoldProps & { readonly onDone: () => void }) {
  const { mutate } = useMutation();
  const { register, control, handleSubmit, getValues, setValue, formState } = useForm<
    SoldTyped,
    unknown,
    z.output<typeof schema>
  >({
    resolver: zodResolver(schema),
    defaultValues: {
      ...blankContainer,
      material: 'plastic',
      shopName: '',
      currency,
      packSize: '1',
      price: '',
    },
  });
  const { errors } = formState;
  const fill = (text: string) => {
    for (const [field, value] of Object.entries(parseProduct(text)))
      setValue(field as keyof SoldTyped, value as never);
  };
  const save = handleSubmit(async () => {
    if ((await mutate(() => onAdd(getValues()))).ok) onDone();
  });
  return (
    <form
      onSubmit={(event) => void save(event)}
      noValidate
      className="grid grid-cols-3 gap-x-3 gap-y-2"
    >
      <TextField
        label="In one line"
        className="col-span-full"
        placeholder="oat basket 30 × 28 × 16 cm, stacks, 3 for 18.00 at The Bin Loft"
        hint="It fills in what stands below; Enter adds it."
        onChange={(event) => fill(event.target.value)}
      />
      {/* The shared fields are a part of this form's, which its type cannot say. */}
      <ContainerFields
        control={control as unknown as Control<ContainerTyped>}
        register={register as unknown as UseFormRegister<ContainerTyped>}
        errors={errors as FieldErrors<ContainerTyped>}
      />
      <TextField
        label="Shop"
        className="col-span-full"
        error={errors.shopName?.message}
        {...register('shopName')}
      />
      <TextField
        label="Pieces in a pack"
        measure
        inputMode="numeric"
        error={errors.packSize?.message}
        {...register('packSize')}
      />
      <TextField
        label="Price of the pack"
        measure
        error={errors.price?.message}
        {...register('price', {
          onBlur: (event: { target: { value: string } }) => {
            const pack = splitPackPrice(event.target.value);
            if (!pack) return;
            setValue('packSize', pack.packSize);
            setValue('price', pack.price);
          },
        })}
      />
      <SelectField label="Currency" {...register('currency')}>
        {currencies.map((each) => (
          <option key={each}>{each}</option>
        ))}
      </SelectField>
      <div className="col-span-full flex items-center gap-3 pt-1">
        <Button type="submit" look="main" disabled={formState.isSubmitting}>
          Add it
        </Button>
      </div>
    </form>
  );
}
