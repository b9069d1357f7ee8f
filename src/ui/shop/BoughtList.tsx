'use client';

import { differenceInCalendarDays, parseISO } from 'date-fns';
import { useState } from 'react';

import {
  type Currency,
  formatCount,
  formatMoney,
  formatMoneyInput,
  formatDate,
} from '@/core/shared';
import { keptPiecesOf, ownMinorOf, type Purchase } from '@/core/shop';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';
import { useTypedForm } from '../useTypedForm';
import { returnFormSchema, type ReturnTyped } from './shopForms';

interface BoughtListProps {
  readonly purchases: readonly Purchase[];
  readonly currency: Currency;
  readonly onRemove: (purchaseId: string) => Promise<ActionResult>;
  readonly onReturn: (purchaseId: string, typed: unknown) => Promise<ActionResult>;
}

/**
 * What is bought already, with what was paid; a line can be taken back, or its pieces brought back
 * to the shop.
 */
export function BoughtList({ purchases, currency, onRemove, onReturn }: BoughtListProps) {
  const { mutate } = useMutation();
  const [openId, setOpenId] = useState('');
  const link =
    'no-print min-h-9 text-[13.5px] text-rim underline underline-offset-3 max-md:min-h-12';
  return (
    <ul className="divide-y divide-line">
      {purchases.map((purchase) => (
        <li key={purchase.id} className="py-1.5 text-[14px]">
          <div className="flex flex-wrap items-center gap-x-4">
            <span className="min-w-[180px] flex-1">
              {purchase.label}{' '}
              <span className="text-soft">
                · {purchase.shopName}, {formatDate(new Date(purchase.boughtAt), 'd MMM')}
              </span>
              {purchase.deliverOn !== null && (
                <span className="text-soft">
                  , arrives {formatDate(parseISO(purchase.deliverOn), 'd MMM')}
                </span>
              )}
              {purchase.returnBy !== null && keptPiecesOf(purchase) > 0 && (
                <span className="text-soft">
                  , goes back until {formatDate(parseISO(purchase.returnBy), 'd MMM')}
                </span>
              )}
              {(purchase.paidBy !== '' || purchase.cardMinor > 0) && (
                <span className="text-soft">
                  {purchase.paidBy !== '' && `, paid by ${purchase.paidBy}`}
                  {purchase.cardMinor > 0 &&
                    `, ${formatMoney(purchase.cardMinor, currency)} by gift card`}
                </span>
              )}
              {purchase.expectedMinor !== null && purchase.expectedMinor !== purchase.paidMinor && (
                <span className="block text-[13.5px] font-[650] text-signal-deep">
                  {formatMoney(Math.abs(purchase.paidMinor - purchase.expectedMinor), currency)}{' '}
                  {purchase.paidMinor > purchase.expectedMinor ? 'more' : 'less'} than the list said
                </span>
              )}
              {purchase.returnedPieces > 0 && (
                <span className="block text-[13.5px] text-soft">
                  {purchase.returnedPieces} of {purchase.pieces} returned,{' '}
                  {formatMoney(purchase.refundMinor, currency)} paid back
                </span>
              )}
            </span>
            <span className="font-mono">{formatMoney(ownMinorOf(purchase), currency)}</span>
            {purchase.pieces > 0 && (
              <button
                type="button"
                className={link}
                aria-expanded={openId === purchase.id}
                onClick={() => setOpenId(openId === purchase.id ? '' : purchase.id)}
              >
                return
              </button>
            )}
            <button
              type="button"
              className={link}
              onClick={() => void mutate(() => onRemove(purchase.id), { offersUndo: true })}
            >
              remove this purchase
            </button>
          </div>
          {openId === purchase.id && (
            <ReturnForm
              purchase={purchase}
              onReturn={(typed) => onReturn(purchase.id, typed)}
              onDone={() => setOpenId('')}
            />
          )}
        </li>
      ))}
    </ul>
  );
}

function ReturnForm({
  purchase,
  onReturn,
  onDone,
}: {
  purchase: Purchase;
  onReturn: (typed: ReturnTyped) => Promise<ActionResult>;
  onDone: () => void;
}) {
  const { register, errors, submit } = useTypedForm({
    schema: returnFormSchema,
    start: {
      returnBy: purchase.returnBy ?? '',
      deliverOn: purchase.deliverOn ?? '',
      returnedPieces: String(purchase.returnedPieces),
      refund: formatMoneyInput(purchase.refundMinor),
    },
    save: onReturn,
    onDone,
  });
  return (
    <form className="no-print mt-1 flex flex-wrap items-start gap-2" noValidate onSubmit={submit}>
      <TextField
        label="Arrives on, if ordered"
        type="date"
        className="w-[170px]"
        error={errors.deliverOn?.message}
        {...register('deliverOn')}
      />
      <TextField
        label="Goes back until"
        type="date"
        className="w-[160px]"
        error={errors.returnBy?.message}
        {...register('returnBy')}
      />
      <TextField
        label="Pieces returned"
        measure
        inputMode="numeric"
        className="w-[110px]"
        error={errors.returnedPieces?.message}
        {...register('returnedPieces')}
      />
      <TextField
        label="Paid back"
        measure
        inputMode="decimal"
        className="w-[110px]"
        error={errors.refund?.message}
        {...register('refund')}
      />
      <Button type="submit" look="quiet" className="mt-[25px]">
        Note it
      </Button>
    </form>
  );
}

/** How long something can still go back, from today. */
export function returnWords(returnBy: string | null, today = new Date()): string {
  if (returnBy === null) return 'ask the shop until when it goes back';
  const days = differenceInCalendarDays(parseISO(returnBy), today);
  const day = formatDate(parseISO(returnBy), 'd MMM');
  if (days < 0) return `could go back until ${day}`;
  return days === 0
    ? 'goes back today for the last time'
    : `goes back until ${day}, ${formatCount(days, 'day')} left`;
}
