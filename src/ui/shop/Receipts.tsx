'use client';

import { parseISO } from 'date-fns';
import { Camera, X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useId, useState } from 'react';

import { formatCount, formatMoney, type Currency, formatDate } from '@/core/shared';
import type { Receipt, ReceiptCheck } from '@/core/shop';
import type { ActionResult } from '../actionResult';
import { ImportCsv } from '../agree/ImportCsv';
import { Button, buttonClass } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { PrivatePicture } from '../primitives/PrivatePicture';
import { useMutation } from '../useMutation';

interface ReceiptsProps {
  readonly projectId: string;
  /** Lines of receipts come and go by room; undefined: of the whole home. */
  readonly roomId: string | undefined;
  readonly receipts: readonly (Receipt &
    Pick<ReceiptCheck, 'notedMinor' | 'missingMinor'> & { readonly lineCount: number })[];
  readonly shopNames: readonly string[];
  readonly today: string;
  readonly currency: Currency;
  readonly onRemove: (receiptId: string) => Promise<ActionResult>;
}

/**
 * Receipts with their pictures, each against what was noted for its shop and day; lines of receipts
 * come and go as CSV.
 */
export function Receipts({
  projectId,
  roomId,
  receipts,
  shopNames,
  today,
  currency,
  onRemove,
}: ReceiptsProps) {
  const router = useRouter();
  const { mutate } = useMutation();
  const listId = useId();
  const [typed, setTyped] = useState({ shop: '', day: today, total: '' });
  const [picture, setPicture] = useState<File>();
  const [message, setMessage] = useState('');
  const [isSending, setIsSending] = useState(false);
  const set = (change: Partial<typeof typed>) => setTyped((before) => ({ ...before, ...change }));
  const keep = async () => {
    setIsSending(true);
    setMessage('');
    const response = await fetch(
      `/api/projects/${projectId}/receipts?${new URLSearchParams(typed)}`,
      { method: 'POST', body: picture ?? new Blob() },
    ).catch(() => undefined);
    setIsSending(false);
    if (!response?.ok) {
      const body = (await response?.json().catch(() => undefined)) as
        { error?: { message?: string } } | undefined;
      return setMessage(
        body?.error?.message ?? 'The receipt did not arrive; it is still here. Try again.',
      );
    }
    setTyped({ shop: '', day: today, total: '' });
    setPicture(undefined);
    router.refresh();
  };
  return (
    <section aria-label="Receipts" className="panel px-4 py-3">
      <h2 className="mb-1 text-[17px]">Receipts</h2>
      <ul className="divide-y divide-line text-[14px]">
        {receipts.map((receipt) => (
          <li key={receipt.id} className="flex flex-wrap items-center gap-x-3 py-1.5">
            {receipt.pictureId && (
              <a
                href={`/api/pictures/${receipt.pictureId}`}
                target="_blank"
                rel="noreferrer"
                className="size-12 overflow-hidden rounded border border-line"
              >
                <PrivatePicture
                  pictureId={receipt.pictureId}
                  size="thumb"
                  alt={`Receipt of ${receipt.shopName}`}
                  className="size-full object-cover"
                />
              </a>
            )}
            <span className="min-w-[180px] flex-1">
              {receipt.shopName}{' '}
              <span className="text-soft">
                · {formatDate(parseISO(receipt.boughtOn), 'd MMM')},{' '}
                {formatCount(receipt.lineCount, 'line')} noted
                {receipt.pictureId ? '' : ', no picture'}
              </span>
              {receipt.missingMinor !== 0 && (
                <span className="block text-[13.5px] font-[650] text-signal-deep">
                  {formatMoney(Math.abs(receipt.missingMinor), currency)}{' '}
                  {receipt.missingMinor > 0
                    ? 'of it is not noted yet'
                    : 'more is noted than it says'}
                </span>
              )}
            </span>
            <span className="font-mono">{formatMoney(receipt.totalMinor, currency)}</span>
            <button
              type="button"
              aria-label={`Remove the receipt of ${receipt.shopName}`}
              className="no-print grid size-8 place-items-center rounded hover:bg-well max-md:size-12"
              onClick={() => void mutate(() => onRemove(receipt.id), { offersUndo: true })}
            >
              <X size={14} />
            </button>
          </li>
        ))}
      </ul>
      <form
        className="no-print mt-1 flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <datalist id={listId}>
          {shopNames.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
        <TextField
          label="Shop on the receipt"
          list={listId}
          className="min-w-[170px] flex-1"
          value={typed.shop}
          onChange={(event) => set({ shop: event.target.value })}
        />
        <TextField
          label="Its day"
          type="date"
          className="w-[150px]"
          value={typed.day}
          onChange={(event) => set({ day: event.target.value })}
        />
        <TextField
          label="Total"
          isNeeded
          measure
          inputMode="decimal"
          className="w-[100px]"
          value={typed.total}
          onChange={(event) => set({ total: event.target.value })}
        />
        <label className={buttonClass('plain', 'focus-within:outline-3 focus-within:outline-rim')}>
          <Camera size={16} aria-hidden="true" />{' '}
          {picture ? picture.name.slice(0, 24) : 'Its picture'}
          <input
            type="file"
            accept="image/*"
            className="sr-only"
            onChange={(event) => setPicture(event.currentTarget.files?.[0])}
          />
        </label>
        <Button type="submit" look="quiet" disabled={isSending}>
          {isSending ? 'Keeping it …' : 'Keep the receipt'}
        </Button>
      </form>
      {message !== '' && (
        <p role="alert" className="mt-1 text-[13.5px] text-signal-deep">
          {message}
        </p>
      )}
      {roomId !== undefined && (
        <div className="no-print mt-2 flex flex-wrap items-start gap-2">
          <ImportCsv
            address={`/api/projects/${projectId}/purchases?room=${roomId}`}
            label="Read lines of receipts, CSV"
            accept=".csv,text/csv"
            outcomeWords="line"
          />
          <a
            className={buttonClass('plain', 'mt-1')}
            href={`/api/projects/${projectId}/purchases?room=${roomId}`}
            download
          >
            What was bought, CSV
          </a>
        </div>
      )}
    </section>
  );
}
