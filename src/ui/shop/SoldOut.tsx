'use client';

import { useState } from 'react';

import { formatMoney, type Currency } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';

interface SoldOutRow {
  readonly containerId: string;
  readonly name: string;
  /** Undefined until it is asked for: each takes the solver a while. */
  readonly instead: readonly WayInstead[] | undefined;
}
export interface WayInstead {
  readonly bayId: string;
  readonly bayName: string;
  readonly names: readonly string[];
  readonly moreMinor: number;
}

/** What no shop has any more, and what goes into the same place instead, from the same solver. */
export function SoldOut({
  rows,
  currency,
  onFind,
  onTake,
}: {
  readonly rows: readonly SoldOutRow[];
  readonly currency: Currency;
  readonly onFind: (containerId: string) => Promise<readonly WayInstead[]>;
  readonly onTake: (containerId: string, bayId: string) => Promise<ActionResult>;
}) {
  const { mutate } = useMutation();
  const [asked, setAsked] = useState<Readonly<Record<string, readonly WayInstead[] | 'working'>>>(
    {},
  );
  const [message, setMessage] = useState('');
  if (rows.length === 0) return null;
  const take = async (containerId: string, bayId: string) => {
    await mutate(() => onTake(containerId, bayId), {
      done: 'Taken instead; the list is worked out anew.',
    });
  };
  const find = async (containerId: string) => {
    setAsked((before) => ({ ...before, [containerId]: 'working' }));
    const ways = await onFind(containerId).catch(() => undefined);
    setAsked(({ [containerId]: _gone, ...before }) =>
      ways ? { ...before, [containerId]: ways } : before,
    );
    if (!ways) setMessage('That could not be worked out. Try again.');
  };
  const known = rows.map((row) => ({ ...row, instead: row.instead ?? asked[row.containerId] }));
  return (
    <section aria-label="Sold out" className="panel border-t-4 border-t-signal px-4 py-3">
      <h2 className="mb-1 text-[17px]">Sold out</h2>
      <ul className="divide-y divide-line text-[14.5px]">
        {known.map((row) => (
          <li key={row.containerId} className="py-1.5">
            <b>{row.name}</b> cannot be had in the number that is wanted.
            {(row.instead === undefined || row.instead === 'working') && (
              <Button
                look="quiet"
                className="ml-3"
                disabled={row.instead === 'working'}
                onClick={() => void find(row.containerId)}
              >
                {row.instead === 'working' ? 'Working it out …' : 'What goes in instead'}
              </Button>
            )}
            {row.instead !== 'working' && row.instead?.length === 0 && (
              <span className="block text-soft">
                Nothing else on the price list goes in there: try its fit again with other
                containers.
              </span>
            )}
            {(row.instead === 'working' ? [] : (row.instead ?? [])).map((way) => (
              <span key={way.bayId} className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
                <span className="min-w-0 flex-1">
                  {way.bayName}: {way.names.join(' and ')} {way.names.length === 1 ? 'goes' : 'go'}{' '}
                  in instead, {priceDifference(way.moreMinor, currency)}.
                </span>
                <Button look="quiet" onClick={() => void take(row.containerId, way.bayId)}>
                  Take it instead
                </Button>
              </span>
            ))}
          </li>
        ))}
      </ul>
      <p role="status" className="text-[13.5px] text-soft empty:hidden">
        {message}
      </p>
    </section>
  );
}

function priceDifference(moreMinor: number, currency: Currency): string {
  if (moreMinor === 0) return 'at the same price';
  return moreMinor > 0
    ? `${formatMoney(moreMinor, currency)} more`
    : `${formatMoney(-moreMinor, currency)} less`;
}
