'use client';

import { useState } from 'react';

import { formatMoney, type Currency } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';

interface RoomBudgetProps {
  readonly shareMinor: number;
  /** What the home has, and what all rooms together were given of it. */
  readonly homeMinor: number;
  readonly givenMinor: number;
  readonly currency: Currency;
  readonly onSave: (typed: string) => Promise<ActionResult>;
}

/** The room's share of the home's budget, in one field. */
export function RoomBudget({
  shareMinor,
  homeMinor,
  givenMinor,
  currency,
  onSave,
}: RoomBudgetProps) {
  const { mutate, isPending } = useMutation();
  const [typed, setTyped] = useState(String(shareMinor / 100));
  const [error, setError] = useState<string>();
  const over = givenMinor - homeMinor;
  const save = async () => {
    const result = await mutate(() => onSave(typed), { done: 'The share is kept.' });
    setError(result.ok ? undefined : (result.fields?.budget ?? result.message));
  };
  return (
    <form
      aria-label="Share of the budget"
      className="panel flex flex-wrap items-end gap-3 p-4"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <TextField
        label="This room’s share of the budget"
        measure
        inputMode="decimal"
        className="w-[200px]"
        value={typed}
        error={error}
        onChange={(event) => setTyped(event.target.value)}
      />
      <Button type="submit" disabled={isPending}>
        Keep
      </Button>
      <p
        className={`min-w-[200px] flex-1 text-[14px] ${over > 0 ? 'text-signal-deep' : 'text-soft'}`}
      >
        All rooms together have {formatMoney(givenMinor, currency)} of{' '}
        {formatMoney(homeMinor, currency)}
        {over > 0 && `: ${formatMoney(over, currency)} more than there is`}.
      </p>
    </form>
  );
}
