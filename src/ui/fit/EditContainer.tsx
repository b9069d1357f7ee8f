'use client';

import { Pencil, X } from 'lucide-react';
import { useState } from 'react';
import type { Control, FieldErrors, UseFormRegister } from 'react-hook-form';

import type { ContainerProduct } from '@/core/fit';
import { currencies, formatMoneyInput, type Currency } from '@/core/shared';
import type { Offer, Shop } from '@/core/shop';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';
import { useTypedForm } from '../useTypedForm';
import { ContainerFields, type ContainerTyped } from './ContainerFields';
import {
  catalogueFormSchema,
  offerFormSchema,
  splitPackPrice,
  toTypedContainer,
  type OfferTyped,
} from './containerForm';

export interface CatalogueActs {
  readonly onChange: (containerId: string, typed: unknown) => Promise<ActionResult>;
  readonly onRemove: (containerId: string) => Promise<ActionResult>;
  readonly onSaveOffer: (
    containerId: string,
    offerId: string | null,
    typed: unknown,
  ) => Promise<ActionResult>;
  readonly onRemoveOffer: (offerId: string) => Promise<ActionResult>;
}
interface EditContainerProps {
  readonly container: ContainerProduct;
  readonly offers: readonly Offer[];
  readonly shops: readonly Shop[];
  /** Of a new price, where no shop says another. */
  readonly currency: Currency;
  readonly acts: CatalogueActs;
}

/** A container of the catalogue and its prices, to correct or to take out. */
export function EditContainer(props: EditContainerProps) {
  const [isOpen, setIsOpen] = useState(false);
  const { container } = props;
  return (
    <>
      <button
        type="button"
        aria-label={`Change ${container.name}`}
        onClick={() => setIsOpen(true)}
        className="grid size-9 place-items-center rounded hover:bg-well max-md:size-12"
      >
        <Pencil size={15} />
      </button>
      <Sheet isOpen={isOpen} onOpenChange={setIsOpen} title={container.name}>
        {isOpen && <EditBody {...props} onDone={() => setIsOpen(false)} />}
      </Sheet>
    </>
  );
}

function EditBody({
  container,
  offers,
  shops,
  currency,
  acts,
  onDone,
}: EditContainerProps & { readonly onDone: () => void }) {
  const { mutate } = useMutation();
  const [isSure, setIsSure] = useState(false);
  const { register, control, errors, submit, isSaving } = useTypedForm({
    schema: catalogueFormSchema,
    start: toTypedContainer(container),
    save: (typed) => acts.onChange(container.id, typed),
    onDone,
  });
  const remove = async () => {
    const removed = await mutate(() => acts.onRemove(container.id), { done: 'Taken out.' });
    if (removed.ok) onDone();
    else setIsSure(false);
  };
  return (
    <>
      <form className="grid grid-cols-3 gap-x-3 gap-y-2" noValidate onSubmit={submit}>
        {/* The shared fields are this form's, which its type cannot say. */}
        <ContainerFields
          control={control as unknown as Control<ContainerTyped>}
          register={register as unknown as UseFormRegister<ContainerTyped>}
          errors={errors as FieldErrors<ContainerTyped>}
        />
        <div className="col-span-full flex flex-wrap items-center gap-3 pt-1">
          <Button type="submit" look="main" disabled={isSaving}>
            Keep these
          </Button>
          {isSure ? (
            <>
              <span className="text-[14px]">It leaves the list of every home.</span>
              <Button onClick={() => void remove()}>Remove it</Button>
              <Button look="quiet" onClick={() => setIsSure(false)}>
                Back
              </Button>
            </>
          ) : (
            <Button look="quiet" onClick={() => setIsSure(true)}>
              Remove from the list
            </Button>
          )}
        </div>
      </form>
      <h3 className="mt-4 mb-1 text-[15px]">Prices</h3>
      <ul className="grid gap-2">
        {offers.map((offer) => {
          const shop = shops.find(({ id }) => id === offer.shopId);
          return (
            <li key={offer.id}>
              <OfferForm
                start={{
                  shopName: shop?.name ?? '',
                  currency: shop?.currency ?? currency,
                  packSize: String(offer.packSize),
                  price: formatMoneyInput(offer.priceMinor),
                }}
                label={`Price at ${shop?.name ?? 'a shop'}`}
                onSave={(typed) => acts.onSaveOffer(container.id, offer.id, typed)}
                onRemove={() => acts.onRemoveOffer(offer.id)}
              />
            </li>
          );
        })}
        <li key={`new-${offers.length}`}>
          <OfferForm
            start={{ shopName: '', currency, packSize: '1', price: '' }}
            label="Another price"
            onSave={(typed) => acts.onSaveOffer(container.id, null, typed)}
          />
        </li>
      </ul>
    </>
  );
}

function OfferForm({
  start,
  label,
  onSave,
  onRemove,
}: {
  readonly start: OfferTyped;
  readonly label: string;
  readonly onSave: (typed: OfferTyped) => Promise<ActionResult>;
  readonly onRemove?: () => Promise<ActionResult>;
}) {
  const { mutate } = useMutation();
  const { register, errors, submit, setValue } = useTypedForm({
    schema: offerFormSchema,
    start,
    save: onSave,
  });
  return (
    <form
      aria-label={label}
      className="flex flex-wrap items-end gap-2"
      noValidate
      onSubmit={submit}
    >
      <TextField
        label="Shop"
        className="min-w-[130px] flex-1"
        error={errors.shopName?.message}
        {...register('shopName')}
      />
      <TextField
        label="In a pack"
        measure
        inputMode="numeric"
        className="w-[82px]"
        error={errors.packSize?.message}
        {...register('packSize')}
      />
      <TextField
        label="Pack price"
        measure
        className="w-[110px]"
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
      <SelectField label="Currency" className="w-[92px]" {...register('currency')}>
        {currencies.map((each) => (
          <option key={each}>{each}</option>
        ))}
      </SelectField>
      <Button type="submit">{onRemove ? 'Keep' : 'Add it'}</Button>
      {onRemove && (
        <button
          type="button"
          aria-label={`Remove: ${label}`}
          onClick={() => void mutate(onRemove, { done: 'The price is gone.' })}
          className="grid size-9 place-items-center rounded hover:bg-well max-md:size-12"
        >
          <X size={15} />
        </button>
      )}
    </form>
  );
}
