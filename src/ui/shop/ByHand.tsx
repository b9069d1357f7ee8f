'use client';

import { Plus } from 'lucide-react';
import { useSearchParams } from 'next/navigation';
import type { Currency } from '@/core/shared';
import { priorities } from '@/core/shop';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { PRIORITY_WORDS } from './NeedList';
import { splitPackPrice } from '../fit/containerForm';
import { useTypedForm } from '../useTypedForm';
import { handNeedFormSchema, type HandNeedTyped } from './shopForms';

interface ByHandProps {
  readonly shops: readonly { readonly id: string; readonly name: string }[];
  readonly currency: Currency;
  readonly onAdd: (typed: HandNeedTyped) => Promise<ActionResult>;
}

const BLANK = { name: '', qty: '1', packSize: '1', price: '', priority: 'must' } as const;

/** Hooks, bands, whatever no fit and no material calls for: bought in the same plan. */
export function ByHand({ shops, currency, onAdd }: ByHandProps) {
  const asked = useSearchParams();
  const { register, errors, submit, reset, getValues, setValue } = useTypedForm({
    schema: handNeedFormSchema,
    // What another page found that is needed.
    start: { ...BLANK, name: asked.get('need') ?? '', shopId: shops[0]?.id ?? '' },
    save: onAdd,
    onDone: () => reset({ ...BLANK, shopId: getValues('shopId') }),
  });
  return (
    <section aria-label="Also needed" className="panel no-print px-4 py-3">
      <h2 className="mb-1 text-[17px]">Also needed: hooks, bands, anything else</h2>
      {shops.length === 0 ? (
        <p className="text-[14px] text-soft">
          No shop prices in {currency} yet. Add one with its first container under Containers and
          prices.
        </p>
      ) : (
        <form className="mt-1 flex flex-wrap items-start gap-2" noValidate onSubmit={submit}>
          <TextField
            label="What"
            isNeeded
            className="min-w-[170px] flex-1"
            error={errors.name?.message}
            {...register('name')}
          />
          <TextField
            label="How many"
            isNeeded
            measure
            inputMode="numeric"
            className="w-[86px]"
            error={errors.qty?.message}
            {...register('qty')}
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
            isNeeded
            measure
            className="w-[92px]"
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
          <SelectField
            label="Shop"
            className="w-[190px]"
            error={errors.shopId?.message}
            {...register('shopId')}
          >
            {shops.map((shop) => (
              <option key={shop.id} value={shop.id}>
                {shop.name}
              </option>
            ))}
          </SelectField>
          <SelectField
            label="How much"
            className="w-[130px]"
            error={errors.priority?.message}
            {...register('priority')}
          >
            {priorities.map((priority) => (
              <option key={priority} value={priority}>
                {PRIORITY_WORDS[priority]}
              </option>
            ))}
          </SelectField>
          <Button type="submit" className="mt-[25px]">
            <Plus size={16} aria-hidden="true" /> Put it on the list
          </Button>
        </form>
      )}
    </section>
  );
}
