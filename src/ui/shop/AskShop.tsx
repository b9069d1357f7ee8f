'use client';

import { format, parseISO } from 'date-fns';
import { useRouter } from 'next/navigation';
import { useState } from 'react';

import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';

/** Asks the shop's service for its prices; what was read last stays where it does not answer. */
export function AskShop({
  checkedAt,
  onAsk,
}: {
  readonly checkedAt: string | null;
  readonly onAsk: () => Promise<ActionResult & { readonly words?: string }>;
}) {
  const router = useRouter();
  const [isAsking, setIsAsking] = useState(false);
  const [words, setWords] = useState<{ readonly isFault: boolean; readonly text: string }>();
  const ask = async () => {
    setIsAsking(true);
    const result = await onAsk().catch(() => ({
      ok: false as const,
      message: 'Tin Box itself does not answer. Prices stay as they were last read.',
    }));
    setIsAsking(false);
    setWords(
      result.ok
        ? { isFault: false, text: result.words ?? '' }
        : { isFault: true, text: result.message },
    );
    router.refresh();
  };
  return (
    <section>
      <h2 className="caption mb-1 font-text">Prices by post (simulated shop)</h2>
      <p className="text-[14px] text-soft" suppressHydrationWarning>
        {checkedAt
          ? `last read ${format(parseISO(checkedAt), 'd MMM, HH:mm')}`
          : 'from the price list; never asked'}
      </p>
      <Button className="mt-1.5 w-full" disabled={isAsking} onClick={() => void ask()}>
        {isAsking ? 'Asking…' : 'Ask for prices and stock'}
      </Button>
      <p
        role="status"
        className={`mt-1 text-[13.5px] empty:hidden ${words?.isFault ? 'text-signal-deep' : 'text-soft'}`}
      >
        {words?.text}
      </p>
    </section>
  );
}
