'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';

import { createUuid } from '../createUuid';
import { Checkbox } from '../primitives/Checkbox';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { showNotice } from '../primitives/notices';
import { Sheet } from '../primitives/Sheet';
import { handoverOutbox } from './handoverOutbox';

/** Where something is handed over, and what was brought. */
export interface Stop {
  readonly key: string;
  readonly destinationId: string | null;
  readonly name: string;
  readonly tripId: string | null;
  readonly boxIds: readonly string[];
  readonly piles: readonly { readonly id: string; readonly name: string; readonly count: number }[];
  readonly givesReceipt: boolean;
  /** Piles whose data nobody has wiped: they are not taken along. */
  readonly unwipedIds: readonly string[];
}

/** What is said at a stop: refused piles with their reason, the receipt's number. */
export function AtStopSheet({
  projectId,
  stop,
  onDone,
}: {
  readonly projectId: string;
  readonly stop: Stop;
  readonly onDone: () => void;
}) {
  const router = useRouter();
  const [refused, setRefused] = useState<Readonly<Record<string, string>>>({});
  const [receiptNumber, setReceiptNumber] = useState('');
  const isRefused = (id: string) => refused[id] !== undefined;
  const isTaken = (id: string) => !isRefused(id) && !stop.unwipedIds.includes(id);
  const toggle = (id: string) =>
    setRefused(({ [id]: before, ...others }) =>
      before === undefined ? { ...others, [id]: '' } : others,
    );
  const send = () => {
    const stopListening = handoverOutbox.onKept(({ said }) => {
      if (said.id !== id) return;
      stopListening();
      router.refresh();
    });
    const id = createUuid();
    void handoverOutbox
      .add([
        {
          id,
          projectId,
          problem: '',
          said: {
            id,
            destinationId: stop.destinationId,
            destinationName: stop.name,
            tripId: stop.tripId,
            boxIds: stop.boxIds,
            thingIds: stop.boxIds.length > 0 ? [] : stop.piles.map((pile) => pile.id),
            refused: Object.entries(refused).map(([thingId, reason]) => ({ thingId, reason })),
            at: new Date().toISOString(),
            by: '',
            receiptNumber,
          },
        },
      ])
      .catch(() => undefined);
    showNotice({ kind: 'done', words: `Said: handed over at ${stop.name}.` });
    onDone();
  };
  const unwiped = stop.piles.filter(({ id }) => stop.unwipedIds.includes(id));
  const takenCount = stop.piles.filter(({ id }) => isTaken(id)).length;
  return (
    <Sheet isOpen isAtFoot onOpenChange={onDone} title={stop.name}>
      {unwiped.length > 0 && (
        <p className="warn mb-2">
          Nobody has said that the data are wiped: {unwiped.map(({ name }) => name).join(', ')}.
          They are not taken along.
        </p>
      )}
      <ul className="divide-y divide-line">
        {stop.piles.map((pile) => (
          <li key={pile.id} className="py-1">
            <label className="flex min-h-12 items-center gap-2.5 text-[15px]">
              <Checkbox
                isLarge
                checked={isTaken(pile.id)}
                disabled={stop.unwipedIds.includes(pile.id)}
                onChange={() => toggle(pile.id)}
              />
              {pile.count} {pile.name}
            </label>
            {isRefused(pile.id) && (
              <TextField
                label={`Why ${pile.name} was refused`}
                placeholder="e.g. no glass today"
                value={refused[pile.id]}
                onChange={(event) =>
                  setRefused((before) => ({ ...before, [pile.id]: event.target.value }))
                }
              />
            )}
          </li>
        ))}
      </ul>
      <p className="my-2 text-[14px] text-soft">
        Untick what was refused: it waits on, with the reason.
      </p>
      <TextField
        label="Receipt number"
        hint={stop.givesReceipt ? 'Ask for it: this place gives receipts.' : undefined}
        value={receiptNumber}
        onChange={(event) => setReceiptNumber(event.target.value)}
      />
      <div className="act-bar mt-3">
        <Button look="main" className="w-full" onClick={send}>
          {takenCount === stop.piles.length
            ? 'Handed over, all of it'
            : `Handed over, ${takenCount} of ${stop.piles.length} piles`}
        </Button>
      </div>
    </Sheet>
  );
}
