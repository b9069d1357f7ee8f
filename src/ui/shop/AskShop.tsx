'use client';

import { parseISO } from 'date-fns';

import { formatDate } from '@/core/shared';
import { useState } from 'react';

import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';

/** Asks the shop's service for its prices; what was read last stays where it does not answer. */
export function AskShop({
  checkedAt,
  onAsk,
}: {
  readonly checkedAt: string | null;
  readonly onAsk: () => Promise<ActionResult & { readonly words?: string }>;
}) {
  const { mutate, isPending: isAsking } = useMutation();
  const [words, setWords] = useState('');
  const ask = async () => {
    setWords('');
    await mutate(async () => {
      const result = await onAsk();
      if (result.ok) setWords(result.words ?? '');
      return result;
    });
  };
  return (
    <section>
      <h2 className="caption mb-1 font-text">Prices by post (simulated shop)</h2>
      <p className="text-[14px] text-soft" suppressHydrationWarning>
        {checkedAt
          ? `last read ${formatDate(parseISO(checkedAt), 'd MMM, HH:mm')}`
          : 'from the price list; never asked'}
      </p>
      <Button className="mt-1.5 w-full" disabled={isAsking} onClick={() => void ask()}>
        {isAsking ? 'Asking…' : 'Ask for prices and stock'}
      </Button>
      <p role="status" className="mt-1 text-[13.5px] text-soft empty:hidden">
        {words}
      </p>
    </section>
  );
}
