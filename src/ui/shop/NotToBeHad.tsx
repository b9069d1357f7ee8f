'use client';

import { parseISO } from 'date-fns';
import { useState } from 'react';

import { formatCount, formatMoney, type Currency, formatDate } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';

interface LackingRow {
  readonly needId: string;
  readonly name: string;
  /** Pieces that are not to be had. */
  readonly qty: number;
  readonly isOnOffer: boolean;
  /** Undefined until it is asked for: each takes the solver a while. Null where it is no container. */
  readonly instead: readonly WayInstead[] | undefined | null;
}
interface WayInstead {
  readonly bayId: string;
  readonly bayName: string;
  readonly names: readonly string[];
  /** What the room's list comes to then. */
  readonly payMinor: number;
}
interface SaidShort {
  readonly needId: string;
  readonly shopId: string;
  readonly name: string;
  readonly shopName: string;
  readonly saidAt: string;
}
interface NotToBeHadProps {
  readonly rows: readonly LackingRow[];
  readonly said: readonly SaidShort[];
  readonly currency: Currency;
  readonly onFind: (containerId: string) => Promise<readonly WayInstead[]>;
  readonly onTake: (containerId: string, bayId: string) => Promise<ActionResult>;
  readonly onThere: (line: { needId: string; shopId: string }) => Promise<ActionResult>;
}

/**
 * What nobody has, and what goes into the same place instead, from the same solver; and what was said
 * in front of a shelf, to be taken back when it is there again. The rest of the list stays as it is.
 */
export function NotToBeHad({ rows, said, currency, onFind, onTake, onThere }: NotToBeHadProps) {
  const { mutate } = useMutation();
  if (rows.length === 0 && said.length === 0) return null;
  return (
    <section aria-label="Not to be had" className="panel border-t-4 border-t-signal px-4 py-3">
      <h2 className="mb-1 text-[17px]">Not to be had</h2>
      <ul className="divide-y divide-line text-[14.5px]">
        {rows.map((row) => (
          <Lacking
            key={row.needId}
            row={row}
            currency={currency}
            onFind={() => onFind(row.needId)}
            onTake={(bayId) =>
              mutate(() => onTake(row.needId, bayId), {
                done: 'Taken instead; the list is worked out again.',
              })
            }
          />
        ))}
        {said.map((line) => (
          <li
            key={`${line.shopId} ${line.needId}`}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1.5"
          >
            <span className="min-w-0 flex-1" suppressHydrationWarning>
              {line.name} was not at {line.shopName},{' '}
              {formatDate(parseISO(line.saidAt), 'd MMM, HH:mm')}.
            </span>
            <Button
              look="quiet"
              className="no-print max-md:min-h-12"
              onClick={() =>
                void mutate(() => onThere({ needId: line.needId, shopId: line.shopId }))
              }
            >
              It is there again
            </Button>
          </li>
        ))}
      </ul>
      {rows.length > 0 && (
        <p className="mt-1 text-[13.5px] text-soft">
          The rest of the list is planned without it; nothing that was taken or bought is changed.
        </p>
      )}
    </section>
  );
}

function Lacking({
  row,
  currency,
  onFind,
  onTake,
}: {
  readonly row: LackingRow;
  readonly currency: Currency;
  readonly onFind: () => Promise<readonly WayInstead[]>;
  readonly onTake: (bayId: string) => Promise<ActionResult>;
}) {
  const [asked, setAsked] = useState<readonly WayInstead[] | 'working'>();
  const [message, setMessage] = useState('');
  const find = async () => {
    setAsked('working');
    const ways = await onFind().catch(() => undefined);
    setAsked(ways);
    setMessage(ways ? '' : 'That could not be worked out. Try again.');
  };
  const instead = row.instead === undefined ? asked : row.instead;
  const ways = Array.isArray(instead) ? (instead as readonly WayInstead[]) : undefined;
  return (
    <li className="py-1.5">
      <b>{row.name}</b>: {formatCount(row.qty, 'piece')}{' '}
      {row.isOnOffer ? 'cannot be had any more.' : 'wanted, and nobody on the price list sells it.'}
      {(instead === undefined || instead === 'working') && (
        <Button
          look="quiet"
          className="ml-3"
          disabled={instead === 'working'}
          onClick={() => void find()}
        >
          {instead === 'working' ? 'Working it out …' : 'What goes in instead'}
        </Button>
      )}
      {ways?.length === 0 && (
        <span className="block text-soft">
          Nothing else on the price list goes in there: try its fit again with other containers.
        </span>
      )}
      {ways?.map((way) => (
        <span key={way.bayId} className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
          <span className="min-w-0 flex-1">
            {way.bayName}: {way.names.join(' and ')} {way.names.length === 1 ? 'goes' : 'go'} in
            instead. The list then comes to {formatMoney(way.payMinor, currency)}.
          </span>
          <Button look="quiet" onClick={() => void onTake(way.bayId)}>
            Take it instead
          </Button>
        </span>
      ))}
      <span role="status" className="block text-[13.5px] text-soft empty:hidden">
        {message}
      </span>
    </li>
  );
}
