'use client';

import { Plus } from 'lucide-react';
import { useState } from 'react';

import type { Currency } from '@/core/shared';
import { priorities } from '@/core/shop';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { PRIORITY_WORDS } from './NeedList';
import { useMutation } from '../useMutation';

interface ByHandProps {
  readonly shops: readonly { readonly id: string; readonly name: string }[];
  readonly currency: Currency;
  readonly onAdd: (typed: unknown) => Promise<ActionResult>;
}

const BLANK = { name: '', qty: '1', packSize: '1', price: '', priority: 'must' };

/** Hooks, bands, whatever no fit and no material calls for: bought in the same plan. */
export function ByHand({ shops, currency, onAdd }: ByHandProps) {
  const { mutate } = useMutation();
  const [typed, setTyped] = useState(BLANK);
  const [shopId, setShopId] = useState(shops[0]?.id ?? '');
  const set = (change: Partial<typeof BLANK>) => setTyped((before) => ({ ...before, ...change }));
  const add = async () => {
    const result = await mutate(() => onAdd({ ...typed, shopId }));
    if (result.ok) setTyped(BLANK);
  };
  return (
    <section aria-label="Also needed" className="panel no-print px-4 py-3">
      <h2 className="mb-1 text-[17px]">Also needed: hooks, bands, anything else</h2>
      {shops.length === 0 ? (
        <p className="text-[14px] text-soft">
          No shop prices in {currency} yet. Add one with its first container under Containers and
          prices.
        </p>
      ) : (
        <form
          className="mt-1 flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void add();
          }}
        >
          <TextField
            label="What"
            className="min-w-[170px] flex-1"
            value={typed.name}
            onChange={(event) => set({ name: event.target.value })}
          />
          <TextField
            label="How many"
            measure
            inputMode="numeric"
            className="w-[86px]"
            value={typed.qty}
            onChange={(event) => set({ qty: event.target.value })}
          />
          <TextField
            label="In a pack"
            measure
            inputMode="numeric"
            className="w-[82px]"
            value={typed.packSize}
            onChange={(event) => set({ packSize: event.target.value })}
          />
          <TextField
            label="Pack price"
            measure
            inputMode="decimal"
            className="w-[92px]"
            value={typed.price}
            onChange={(event) => set({ price: event.target.value })}
          />
          <SelectField
            label="Shop"
            className="w-[190px]"
            value={shopId}
            onChange={(event) => setShopId(event.target.value)}
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
            value={typed.priority}
            onChange={(event) => set({ priority: event.target.value })}
          >
            {priorities.map((priority) => (
              <option key={priority} value={priority}>
                {PRIORITY_WORDS[priority]}
              </option>
            ))}
          </SelectField>
          <Button type="submit">
            <Plus size={16} aria-hidden="true" /> Put it on the list
          </Button>
        </form>
      )}
    </section>
  );
}
