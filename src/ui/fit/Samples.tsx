'use client';

import { useState } from 'react';

import { currencies, formatCount, type Currency } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { SelectField } from '../primitives/Field';
import { showNotice } from '../primitives/notices';
import { useMutation } from '../useMutation';

interface SamplesProps {
  /** Samples that are in the catalogue now. */
  readonly count: number;
  readonly currency: Currency;
  readonly onAdd: (currency: string) => Promise<ActionResult>;
  readonly onRemove: () => Promise<ActionResult & { readonly words?: string }>;
}

/** Sample containers are there where somebody asked for them, and go when somebody says so. */
export function Samples({ count, currency, onAdd, onRemove }: SamplesProps) {
  const { mutate, isPending } = useMutation();
  const [chosen, setChosen] = useState(currency);
  const remove = () =>
    mutate(async () => {
      const result = await onRemove();
      if (result.ok && result.words !== undefined)
        showNotice({ kind: 'done', words: result.words });
      return result;
    });
  if (count > 0)
    return (
      <p className="flex flex-wrap items-center gap-x-3 text-[14px] text-soft">
        {formatCount(count, 'sample')} with made-up shops and prices among them.
        <Button look="quiet" disabled={isPending} onClick={() => void remove()}>
          Remove the samples
        </Button>
      </p>
    );
  return (
    <div className="panel flex flex-wrap items-end gap-3 border-t-4 border-t-rim p-4">
      <p className="min-w-[240px] flex-1 self-center">
        Add what you really buy, or read a price list. To try things first, put samples in: made-up
        containers, shops and prices.
      </p>
      <SelectField
        label="Priced in"
        className="w-[110px]"
        value={chosen}
        onChange={(event) =>
          setChosen(currencies.find((each) => each === event.target.value) ?? currency)
        }
      >
        {currencies.map((each) => (
          <option key={each}>{each}</option>
        ))}
      </SelectField>
      <Button disabled={isPending} onClick={() => void mutate(() => onAdd(chosen))}>
        Put samples in
      </Button>
    </div>
  );
}
