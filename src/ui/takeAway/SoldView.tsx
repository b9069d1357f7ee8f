'use client';

import { useState } from 'react';

import { formatMoney, type Currency, type LengthUnit } from '@/core/shared';
import type { ForPerson, ForSale } from '@/core/takeAway';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { showNotice } from '../primitives/notices';
import { decideFromList } from '../sort/decideFromList';
import { useRefreshWhenKept } from '../sort/useRefreshWhenKept';
import { useMutation } from '../useMutation';
import { useTypedForm } from '../useTypedForm';
import {
  fetchFormSchema,
  saleFormSchema,
  toTypedSale,
  type FetchTyped,
  type SaleTyped,
} from './takeAwayForms';
import { dayWords, fetchText, listingText, saleWords } from './takeAwayWords';

interface SoldViewProps {
  readonly projectId: string;
  readonly unit: LengthUnit;
  readonly currency: Currency;
  readonly sales: readonly ForSale[];
  readonly people: readonly ForPerson[];
  readonly soldMinor: number;
  readonly onSale: (thingId: string, typed: SaleTyped) => Promise<ActionResult>;
  readonly onRemoveSale: (saleId: string) => Promise<ActionResult>;
  readonly onFetch: (person: string, typed: FetchTyped) => Promise<ActionResult>;
}

const copy = (text: string) =>
  void navigator.clipboard.writeText(text).then(
    () => showNotice({ kind: 'done', words: 'Copied.' }),
    () =>
      showNotice({
        kind: 'fault',
        words: 'This browser does not let it be copied: mark it yourself.',
      }),
  );

/** What is to be sold and what waits for people. */
export function SoldView(props: SoldViewProps) {
  const { sales, people, currency, unit } = props;
  useRefreshWhenKept();
  const [changing, setChanging] = useState<ForSale>();
  const [person, setPerson] = useState<ForPerson>();
  return (
    <div className="grid gap-4">
      <div>
        <h1 className="text-[24px]">Sold and promised</h1>
        <p className="text-[14.5px]" role="status">
          {props.soldMinor === 0
            ? 'Nothing was sold yet.'
            : `Sold for the client, after fees: ${formatMoney(props.soldMinor, currency)}.`}{' '}
          Nothing is posted anywhere: a text is drafted here, and you offer it where you like.
        </p>
      </div>
      <section aria-label="To sell" className="panel p-4">
        <h2 className="text-[18px]">To sell</h2>
        {sales.length === 0 && (
          <p className="text-[14.5px] text-soft">Nothing was decided to be sold.</p>
        )}
        <ul className="divide-y divide-line">
          {sales.map((each) => (
            <li key={each.thing.id} className="flex flex-wrap items-center gap-3 py-2">
              <span className="min-w-[220px] flex-1 text-[14.5px]">
                <b>
                  {each.thing.count} {each.thing.name}
                </b>{' '}
                <span className="text-soft">· {each.roomName}</span>
                <span className={each.state === 'overdue' ? 'block text-signal-deep' : 'block'}>
                  {saleWords[each.state]}
                  {saleFacts(each, currency)}
                </span>
              </span>
              <Button
                onClick={() =>
                  copy(
                    listingText(each.thing, {
                      asking:
                        each.sale?.askingMinor === null || each.sale === undefined
                          ? undefined
                          : formatMoney(each.sale.askingMinor, currency),
                      unit,
                      condition: each.condition,
                    }),
                  )
                }
                aria-label={`Copy a text that offers ${each.thing.name}`}
              >
                Copy a text
              </Button>
              {each.state === 'overdue' && (
                <Button
                  aria-label={`Give ${each.thing.name} away`}
                  onClick={() =>
                    decideFromList(props.projectId, each.thing, { verdict: 'donate', to: '' })
                  }
                >
                  Give it away
                </Button>
              )}
              <Button
                look="quiet"
                onClick={() => setChanging(each)}
                aria-label={`What is known of the sale of ${each.thing.name}`}
              >
                Note
              </Button>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="For people" className="panel p-4">
        <h2 className="text-[18px]">For people</h2>
        {people.length === 0 && (
          <p className="text-[14.5px] text-soft">Nothing waits for anybody.</p>
        )}
        <ul className="divide-y divide-line">
          {people.map((each) => (
            <li key={each.person} className="flex flex-wrap items-center gap-3 py-2">
              <span className="min-w-[220px] flex-1 text-[14.5px]">
                <b>{each.person || 'Somebody, nobody said who'}</b>: {each.names.join(', ')}
                <span className={each.isOverdue ? 'block text-signal-deep' : 'block text-soft'}>
                  {fetchWords(each)}
                </span>
              </span>
              <Button
                onClick={() =>
                  copy(
                    each.fetch && each.fetch.note !== ''
                      ? each.fetch.note
                      : fetchText(each.person, each.names, each.fetch?.byDay ?? null),
                  )
                }
                aria-label={`Copy the note to ${each.person}`}
              >
                Copy the note
              </Button>
              <Button
                look="quiet"
                disabled={each.person === ''}
                onClick={() => setPerson(each)}
                aria-label={`Day and note for ${each.person}`}
              >
                Day and note
              </Button>
            </li>
          ))}
        </ul>
      </section>
      {changing && (
        <SaleSheet
          key={changing.thing.id}
          of={changing}
          onSave={(typed) => props.onSale(changing.thing.id, typed)}
          onRemove={props.onRemoveSale}
          onDone={() => setChanging(undefined)}
        />
      )}
      {person && (
        <FetchSheet
          key={person.person}
          of={person}
          onSave={(typed) => props.onFetch(person.person, typed)}
          onDone={() => setPerson(undefined)}
        />
      )}
    </div>
  );
}

function fetchWords({ fetch, isOverdue, since }: ForPerson): string {
  if (!fetch?.byDay) return `waits since ${dayWords(since.slice(0, 10))}, no day agreed`;
  return isOverdue
    ? `not fetched by ${dayWords(fetch.byDay)}: ask the client what becomes of it`
    : `waits until ${dayWords(fetch.byDay)}`;
}

function saleFacts({ sale }: ForSale, currency: Currency): string {
  if (!sale) return '';
  const money = (minor: number) => formatMoney(minor, currency);
  const parts = [
    sale.soldMinor === null ? '' : `for ${money(sale.soldMinor)}`,
    sale.soldMinor !== null && sale.feeMinor > 0 ? `fee ${money(sale.feeMinor)}` : '',
    sale.soldMinor === null && sale.askingMinor !== null ? `asking ${money(sale.askingMinor)}` : '',
    sale.offeredAt === '' ? '' : sale.offeredAt,
    sale.reservedFor === '' ? '' : `for ${sale.reservedFor}`,
    sale.byDay === null || sale.soldMinor !== null ? '' : `until ${dayWords(sale.byDay)}`,
  ].filter((part) => part !== '');
  return parts.length === 0 ? '' : `, ${parts.join(', ')}`;
}

function SaleSheet({
  of,
  onSave,
  onRemove,
  onDone,
}: {
  readonly of: ForSale;
  readonly onSave: (typed: SaleTyped) => Promise<ActionResult>;
  readonly onRemove: (saleId: string) => Promise<ActionResult>;
  readonly onDone: () => void;
}) {
  const { mutate, isPending } = useMutation();
  const { register, errors, submit, isSaving } = useTypedForm({
    schema: saleFormSchema,
    start: toTypedSale(of.sale),
    save: onSave,
    onDone,
  });
  const field = (name: keyof SaleTyped, label: string, type: 'money' | 'text' | 'date') => (
    <TextField
      label={label}
      type={type === 'date' ? 'date' : 'text'}
      measure={type === 'money'}
      inputMode={type === 'money' ? 'decimal' : undefined}
      error={errors[name]?.message}
      {...register(name)}
    />
  );
  const { sale } = of;
  return (
    <Sheet isOpen onOpenChange={onDone} title={`Selling ${of.thing.name}`}>
      <form className="grid gap-3 sm:grid-cols-2" noValidate onSubmit={submit}>
        {field('asking', 'Asking price', 'money')}
        {field('offeredAt', 'Offered where', 'text')}
        {field('offeredOn', 'Since', 'date')}
        {field('byDay', 'Sold by, or ask to give it away', 'date')}
        {field('reservedFor', 'Reserved for', 'text')}
        {field('sold', 'Sold for', 'money')}
        {field('soldOn', 'Sold on', 'date')}
        {field('fee', 'Fee', 'money')}
        <div className="flex flex-wrap gap-2 sm:col-span-2">
          <Button type="submit" look="main" disabled={isSaving}>
            Keep
          </Button>
          {sale && (
            <Button
              disabled={isPending}
              onClick={() =>
                void mutate(() => onRemove(sale.id), { offersUndo: true }).then(
                  ({ ok }) => ok && onDone(),
                )
              }
            >
              Forget what was noted
            </Button>
          )}
        </div>
      </form>
    </Sheet>
  );
}

function FetchSheet({
  of,
  onSave,
  onDone,
}: {
  readonly of: ForPerson;
  readonly onSave: (typed: FetchTyped) => Promise<ActionResult>;
  readonly onDone: () => void;
}) {
  const { register, errors, submit, isSaving } = useTypedForm({
    schema: fetchFormSchema,
    start: { byDay: of.fetch?.byDay ?? '', note: of.fetch?.note ?? '' },
    save: onSave,
    onDone,
  });
  return (
    <Sheet isOpen onOpenChange={onDone} title={`For ${of.person}`}>
      <form className="grid gap-3" noValidate onSubmit={submit}>
        <TextField
          label="Fetched by"
          type="date"
          error={errors.byDay?.message}
          {...register('byDay')}
        />
        <label className="grid text-[14px]">
          The note, where it is not the usual one
          <textarea
            className="input min-h-[120px]"
            placeholder={fetchText(of.person, of.names, of.fetch?.byDay ?? null)}
            {...register('note')}
          />
        </label>
        <div>
          <Button type="submit" look="main" disabled={isSaving}>
            Keep
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
