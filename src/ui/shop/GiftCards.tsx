'use client';

import { X } from 'lucide-react';
import { useState } from 'react';

import { formatMoney, type Currency } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';

interface GiftCardsProps {
  readonly cards: readonly {
    readonly id: string;
    readonly shopName: string;
    readonly amountMinor: number;
  }[];
  readonly shops: readonly { readonly id: string; readonly name: string }[];
  readonly currency: Currency;
  readonly onAdd: (typed: unknown) => Promise<ActionResult>;
  readonly onRemove: (giftCardId: string) => Promise<ActionResult>;
}

/** Cards that are good at one shop; the plan spends them there first. */
export function GiftCards({ cards, shops, currency, onAdd, onRemove }: GiftCardsProps) {
  const { mutate } = useMutation();
  const [amount, setAmount] = useState('');
  const [shopId, setShopId] = useState(shops[0]?.id ?? '');
  if (shops.length === 0) return null;
  const add = async () => {
    const result = await mutate(() => onAdd({ shopId, amount }));
    if (result.ok) setAmount('');
  };
  return (
    <section>
      <h2 className="caption mb-1 font-text">Gift cards</h2>
      <ul className="text-[14px]">
        {cards.map((card) => (
          <li key={card.id} className="flex items-center gap-2">
            <span className="min-w-0 flex-1">
              <span className="font-mono">{formatMoney(card.amountMinor, currency)}</span> at{' '}
              {card.shopName}
            </span>
            <button
              type="button"
              aria-label={`Remove the card of ${card.shopName}`}
              className="grid size-8 place-items-center rounded hover:bg-well max-md:size-12"
              onClick={() => void mutate(() => onRemove(card.id), { offersUndo: true })}
            >
              <X size={14} />
            </button>
          </li>
        ))}
      </ul>
      <details>
        <summary className="cursor-pointer text-[14px] text-soft">Add a card</summary>
        <form
          className="mt-1 grid gap-1.5"
          onSubmit={(event) => {
            event.preventDefault();
            void add();
          }}
        >
          <SelectField
            label="Good at"
            value={shopId}
            onChange={(event) => setShopId(event.target.value)}
          >
            {shops.map((shop) => (
              <option key={shop.id} value={shop.id}>
                {shop.name}
              </option>
            ))}
          </SelectField>
          <TextField
            label="With"
            isNeeded
            measure
            inputMode="decimal"
            value={amount}
            onChange={(event) => setAmount(event.target.value)}
          />
          <Button type="submit">Add the card</Button>
        </form>
      </details>
    </section>
  );
}
