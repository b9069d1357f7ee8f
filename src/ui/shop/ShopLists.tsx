'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';

import { formatCount, formatMoney, formatMoneyInput, type Currency } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';

/** One line at a shop: packs of a container, or its delivery. */
export interface ShopLine {
  readonly key: string;
  readonly containerId: string | null;
  readonly label: string;
  /** "2 packs of 3: 6 for 5 wanted". */
  readonly packs: string;
  readonly pieces: number;
  readonly priceMinor: number;
}
export interface ShopList {
  readonly shopId: string;
  readonly shopName: string;
  readonly payMinor: number;
  readonly lines: readonly ShopLine[];
}

interface ShopListsProps {
  readonly lists: readonly ShopList[];
  readonly currency: Currency;
  readonly onBuy: (purchase: { containerId: string | null; shopName: string; label: string; pieces: number; paid: string }) => Promise<ActionResult>;
}

/** What to buy where; each line is ticked off with what the till said. */
export function ShopLists({ lists, currency, onBuy }: ShopListsProps) {
  return (
    <div className="grid gap-3">
      {lists.map((list) => (
        <section key={list.shopId} className="panel">
          <div className="flex flex-wrap items-baseline justify-between gap-x-4 px-4 pt-3 pb-2">
            <h2 className="text-[17px]">{list.shopName}</h2>
            <p className="text-[14px] text-soft">{formatCount(list.lines.length, 'line')} · <b className="font-mono text-ink">{formatMoney(list.payMinor, currency)}</b></p>
          </div>
          <ul className="divide-y divide-line border-t border-line">
            {list.lines.map((line) => <Line key={line.key} line={line} shopName={list.shopName} currency={currency} onBuy={onBuy} />)}
          </ul>
        </section>
      ))}
    </div>
  );
}

function Line({ line, shopName, currency, onBuy }: { line: ShopLine; shopName: string } & Pick<ShopListsProps, 'currency' | 'onBuy'>) {
  const router = useRouter();
  const [paid, setPaid] = useState(formatMoneyInput(line.priceMinor));
  const [message, setMessage] = useState('');
  const buy = async () => {
    const result = await onBuy({ containerId: line.containerId, shopName, label: line.label, pieces: line.pieces, paid });
    setMessage(result.ok ? '' : result.message);
    router.refresh();
  };
  return (
    <li className="px-4 py-2">
      <form
        className="flex flex-wrap items-center gap-x-4 gap-y-2"
        onSubmit={(event) => {
          event.preventDefault();
          void buy();
        }}
      >
        <span className="min-w-[180px] flex-1"><b className="font-[650]">{line.label}</b> <span className="block text-[13.5px] text-soft">{line.packs}</span></span>
        <span className="w-[84px] text-right font-mono text-[14.5px]">{formatMoney(line.priceMinor, currency)}</span>
        <label className="no-print flex items-center gap-1.5 text-[13.5px] text-soft">paid <input className="input measure w-[88px]" inputMode="decimal" aria-label={`Paid for ${line.label}`} value={paid} onChange={(event) => setPaid(event.target.value)} /></label>
        <Button type="submit" look="quiet" className="no-print">Bought</Button>
      </form>
      {message !== '' && <p role="alert" className="mt-1 text-[13.5px] text-signal-deep">{message}</p>}
    </li>
  );
}
