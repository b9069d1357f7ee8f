'use client';

import { parseISO } from 'date-fns';
import { Check } from 'lucide-react';
import { useState } from 'react';

import {
  formatCount,
  formatMoney,
  formatMoneyInput,
  type Currency,
  formatDate,
} from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { WAITS_WORDS } from '../field/fieldWords';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';

/**
 * One line at a shop: packs of a container, of a thing put down by hand or of a material, or its
 * delivery.
 */
export interface ShopLine {
  readonly key: string;
  /** What it serves; null: a delivery. */
  readonly needId: string | null;
  readonly containerId: string | null;
  readonly handNeedId: string | null;
  readonly materialKey: string | null;
  readonly aisle: string;
  /** When the shop's service gave the price; null: from the list kept by hand. */
  readonly checkedAt: string | null;
  readonly label: string;
  /** "2 packs of 3: 6 for 5 wanted". */
  readonly packs: string;
  readonly pieces: number;
  readonly priceMinor: number;
  /** Which room gets how many of it, on a list of several rooms. */
  readonly goesTo?: string;
}
export interface ShopList {
  readonly shopId: string;
  readonly shopName: string;
  readonly payMinor: number;
  /** Still on the gift cards of this shop. */
  readonly cardLeftMinor: number;
  readonly lines: readonly ShopLine[];
}

export interface Bought {
  readonly key: string;
  readonly containerId: string | null;
  readonly handNeedId: string | null;
  readonly materialKey: string | null;
  readonly shopName: string;
  readonly label: string;
  readonly pieces: number;
  readonly paid: string;
  readonly card: string;
  readonly paidBy: string;
  readonly expectedMinor: number | null;
}
interface ShopListsProps {
  readonly lists: readonly ShopList[];
  readonly currency: Currency;
  /** What was said of it waits on this device. */
  readonly isWaiting?: (line: ShopLine, list: ShopList) => boolean;
  readonly onBuy: (purchase: Bought) => Promise<ActionResult>;
  readonly onMissing: (line: { needId: string; shopId: string }) => Promise<ActionResult>;
}

/** What to buy where, as one walks; a line is ticked off with one thumb, or with what the till said. */
export function ShopLists({
  lists,
  currency,
  isWaiting = () => false,
  onBuy,
  onMissing,
}: ShopListsProps) {
  const [paidBy, setPaidBy] = useState('');
  return (
    <div className="grid gap-3">
      {lists.length > 0 && (
        <label className="no-print flex items-center gap-2 text-[14.5px]">
          <b>Who pays</b>{' '}
          <input
            className="input w-[180px]"
            placeholder="the client"
            value={paidBy}
            onChange={(event) => setPaidBy(event.target.value)}
          />
        </label>
      )}
      {lists.map((list) => (
        <section key={list.shopId} aria-label={list.shopName} className="panel">
          <div className="flex flex-wrap items-baseline justify-between gap-x-4 px-4 pt-3 pb-2">
            <h2 className="text-[17px]">{list.shopName}</h2>
            <p className="text-[14px] text-soft">
              {formatCount(list.lines.length, 'line')} ·{' '}
              <b className="font-mono text-ink">{formatMoney(list.payMinor, currency)}</b>
              {list.cardLeftMinor > 0 && (
                <>
                  {' '}
                  · gift card with{' '}
                  <span className="font-mono">
                    {formatMoney(list.cardLeftMinor, currency)}
                  </span>{' '}
                  counted
                </>
              )}
            </p>
          </div>
          <ul className="divide-y divide-line border-t border-line">
            {list.lines.map((line) => (
              <Line
                key={`${line.key}-${line.priceMinor}-${list.cardLeftMinor}`}
                line={line}
                list={list}
                currency={currency}
                isWaiting={isWaiting(line, list)}
                onBuy={(typed) => onBuy({ ...typed, paidBy })}
                onMissing={onMissing}
              />
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

function Line({
  line,
  list,
  currency,
  isWaiting,
  onBuy,
  onMissing,
}: Pick<ShopListsProps, 'onMissing'> & {
  isWaiting: boolean;
  line: ShopLine;
  list: ShopList;
  currency: Currency;
  onBuy: (purchase: Omit<Bought, 'paidBy'>) => Promise<ActionResult>;
}) {
  const { mutate } = useMutation();
  const [paid, setPaid] = useState(formatMoneyInput(line.priceMinor));
  // A card pays goods, not the way to the door.
  const [card, setCard] = useState(() =>
    line.pieces > 0 && list.cardLeftMinor > 0
      ? formatMoneyInput(Math.min(list.cardLeftMinor, line.priceMinor))
      : '',
  );
  const [pieces, setPieces] = useState(String(line.pieces));
  // What is no whole number of pieces of this line is all of them.
  const typedCount = /^\d+$/.test(pieces.trim()) ? Number(pieces) : line.pieces;
  const count = line.pieces === 0 ? 0 : Math.min(line.pieces, Math.max(1, typedCount));
  const buy = async () => {
    await mutate(() =>
      onBuy({
        key: line.key,
        containerId: line.containerId,
        handNeedId: line.handNeedId,
        materialKey: line.materialKey,
        shopName: list.shopName,
        label: line.label,
        pieces: count,
        paid,
        card,
        expectedMinor: Math.round((line.priceMinor * count) / Math.max(1, line.pieces)),
      }),
    );
  };
  const sayMissing = async (needId: string) => {
    await mutate(() => onMissing({ needId, shopId: list.shopId }), {
      done: `${line.label} is not at ${list.shopName}; the rest of the list stays.`,
      offersUndo: true,
    });
  };
  return (
    <li className="px-4 py-2">
      <form
        className="flex flex-wrap items-center gap-x-3 gap-y-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          void buy();
        }}
      >
        <span className="min-w-[108px] flex-1">
          <b className="font-[650]">{line.label}</b>
          <span className="block text-[13.5px] text-soft">
            {line.packs}
            {line.aisle !== '' && `, aisle ${line.aisle}`}
            {line.goesTo !== undefined && <span className="block">{line.goesTo}</span>}
            {line.checkedAt && (
              <span suppressHydrationWarning>
                , price of {formatDate(parseISO(line.checkedAt), 'd MMM, HH:mm')}
              </span>
            )}
          </span>
        </span>
        <span className="w-[78px] text-right font-mono text-[14.5px]">
          {formatMoney(line.priceMinor, currency)}
        </span>
        {isWaiting ? (
          <b className="text-[13.5px] text-signal-deep">{WAITS_WORDS}</b>
        ) : (
          <Button
            type="submit"
            look="quiet"
            className="no-print max-md:min-h-12 max-md:min-w-[108px]"
          >
            <Check size={16} aria-hidden="true" /> Bought
          </Button>
        )}
        {line.needId !== null && !isWaiting && (
          <Button
            look="quiet"
            className="no-print max-md:min-h-12"
            aria-label={`${line.label} is not to be had here`}
            onClick={() => void sayMissing(line.needId ?? '')}
          >
            Not here
          </Button>
        )}
        <details className="no-print basis-full text-[13.5px]">
          <summary className="cursor-pointer text-soft max-md:py-2">
            the till said otherwise{line.pieces > 1 && ', or not all of it was there'}
            {list.cardLeftMinor > 0 && line.pieces > 0 ? ', or the card pays less' : ''}
          </summary>
          <div className="mt-1 flex flex-wrap gap-2">
            <TextField
              label="Paid"
              aria-label={`Paid for ${line.label}`}
              measure
              inputMode="decimal"
              className="w-[110px]"
              value={paid}
              onChange={(event) => setPaid(event.target.value)}
            />
            {line.pieces > 1 && (
              <TextField
                label={`Pieces, of ${line.pieces}`}
                aria-label={`Pieces bought of ${line.label}`}
                measure
                inputMode="numeric"
                className="w-[110px]"
                value={pieces}
                onChange={(event) => {
                  const { value } = event.target;
                  setPieces(value);
                  const some = Math.min(line.pieces, Math.max(1, Number(value) || line.pieces));
                  setPaid(formatMoneyInput(Math.round((line.priceMinor * some) / line.pieces)));
                }}
              />
            )}
            {list.cardLeftMinor > 0 && line.pieces > 0 && (
              <TextField
                label="Paid by gift card"
                measure
                inputMode="decimal"
                className="w-[130px]"
                value={card}
                onChange={(event) => setCard(event.target.value)}
              />
            )}
          </div>
        </details>
      </form>
    </li>
  );
}
