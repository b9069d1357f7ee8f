'use client';

import { Camera } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';

import {
  err,
  formatCount,
  formatMass,
  formatMoneyInput,
  ok,
  parseMoney,
  type Currency,
  type Result,
} from '@/core/shared';
import { conditions, sumGiven, type GivenSum, type Handover } from '@/core/takeAway';
import type { ActionResult } from '../actionResult';
import { moneyErrorWords } from '../home/homeWords';
import { Button, buttonClass } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { Link } from '../primitives/Link';
import { PrivatePicture } from '../primitives/PrivatePicture';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';
import { conditionWords, momentWords, streamWords, TAX_NOTE, valueWords } from './takeAwayWords';

interface LineChange {
  readonly thingId: string;
  readonly condition: Handover['lines'][number]['condition'];
  readonly value: Handover['lines'][number]['value'];
}

interface GivenViewProps {
  readonly projectId: string;
  readonly year: number;
  readonly years: readonly number[];
  readonly currency: Currency;
  readonly hasValues: boolean;
  readonly groups: readonly {
    readonly name: string;
    readonly handovers: readonly Handover[];
    readonly sum: GivenSum;
  }[];
  readonly onCorrect: (
    handoverId: string,
    change: { readonly receiptNumber?: string; readonly lines?: readonly LineChange[] },
  ) => Promise<ActionResult>;
  readonly onRemove: (handoverId: string) => Promise<ActionResult>;
}

/** What was handed over in a year, by destination and date, with receipts. */
export function GivenView(props: GivenViewProps) {
  const { projectId, year, years, currency, hasValues, groups } = props;
  const [shown, setShown] = useState<Handover>();
  const whole = sumGiven(
    groups.flatMap(({ handovers }) => handovers.flatMap(({ lines }) => lines)),
  );
  const file = (as: 'csv' | 'pdf') => `/api/projects/${projectId}/given?as=${as}&year=${year}`;
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-[24px]">Handed over in {year}</h1>
          <p className="text-[14.5px]" role="status">
            {whole.count === 0
              ? 'Nothing was handed over in this year.'
              : `${formatCount(whole.count, 'piece')}, ${formatMass(whole.massG)}.`}
            {hasValues && whole.highMinor > 0 && (
              <>
                {' '}
                Assumed fair value: {valueWords(whole.lowMinor, whole.highMinor, currency)}
                {whole.unvaluedCount > 0 && `, ${whole.unvaluedCount} pieces without one`}.
              </>
            )}
          </p>
          {hasValues && <p className="text-[13.5px] text-soft">{TAX_NOTE}</p>}
        </div>
        <div className="flex flex-wrap gap-2">
          {years
            .filter((each) => each !== year)
            .map((each) => (
              <Link
                key={each}
                className={buttonClass('plain')}
                href={`/projects/${projectId}/home/take-away/given?year=${each}`}
              >
                {each}
              </Link>
            ))}
          <a className={buttonClass('quiet')} href={file('csv')} download>
            CSV
          </a>
          <a className={buttonClass('quiet')} href={file('pdf')} download>
            PDF
          </a>
        </div>
      </div>
      {groups.map(({ name, handovers, sum }) => (
        <section key={name} aria-label={name} className="panel p-4">
          <h2 className="flex flex-wrap items-baseline justify-between gap-2 text-[18px]">
            {name}
            <span className="font-mono text-[14px] font-normal">
              {formatCount(sum.count, 'piece')} · {formatMass(sum.massG)}
            </span>
          </h2>
          <ul className="mt-1 divide-y divide-line">
            {handovers.map((handover) => (
              <li key={handover.id} className="flex flex-wrap items-center gap-3 py-2">
                {handover.pictureId && (
                  <a
                    href={`/api/pictures/${handover.pictureId}`}
                    target="_blank"
                    rel="noreferrer"
                    className="size-12 overflow-hidden rounded border border-line"
                  >
                    <PrivatePicture
                      pictureId={handover.pictureId}
                      size="thumb"
                      alt={`Receipt of ${name}`}
                      className="size-full object-cover"
                    />
                  </a>
                )}
                <span className="min-w-[220px] flex-1 text-[14.5px]">
                  <b>{momentWords(handover.at)}</b> · {streamWords[handover.stream]} ·{' '}
                  {receiptWords(handover)}
                  <span className="block text-soft">
                    {handover.lines.map((line) => `${line.count} ${line.name}`).join(', ')}
                  </span>
                  {handover.lines.length === 0 && (
                    <span className="block text-signal-deep">
                      Nothing of it was taken: this receipt has no lines.
                    </span>
                  )}
                  {handover.refused.length > 0 && (
                    <span className="block text-signal-deep">
                      Refused:{' '}
                      {handover.refused
                        .map(
                          (line) =>
                            `${line.count} ${line.name}${line.reason === '' ? '' : ` (${line.reason})`}`,
                        )
                        .join(', ')}
                    </span>
                  )}
                </span>
                <Button
                  look="quiet"
                  onClick={() => setShown(handover)}
                  aria-label={`Receipt and lines of ${name}, ${momentWords(handover.at)}`}
                >
                  Receipt, lines
                </Button>
              </li>
            ))}
          </ul>
        </section>
      ))}
      {shown && (
        <HandoverSheet
          key={shown.id}
          handover={shown}
          {...props}
          onDone={() => setShown(undefined)}
        />
      )}
    </div>
  );
}

/** A value each, between low and high; nothing typed: nobody has said. */
function readValue({
  low,
  high,
}: {
  readonly low: string;
  readonly high: string;
}): Result<LineChange['value'], string> {
  if (low.trim() === '' && high.trim() === '') return ok(null);
  const [least, most] = [parseMoney(low || high), parseMoney(high || low)];
  if (!least.ok) return err(moneyErrorWords(least.error));
  if (!most.ok) return err(moneyErrorWords(most.error));
  return least.value > most.value
    ? err('the low is above the high')
    : ok({ lowMinor: least.value, highMinor: most.value });
}

function receiptWords({ receiptNumber, pictureId }: Handover): string {
  if (receiptNumber !== '') return `receipt ${receiptNumber}`;
  return pictureId === null ? 'no receipt' : 'receipt photographed';
}

function HandoverSheet({
  handover,
  projectId,
  hasValues,
  onCorrect,
  onRemove,
  onDone,
}: GivenViewProps & { readonly handover: Handover; readonly onDone: () => void }) {
  const router = useRouter();
  const { mutate, isPending } = useMutation();
  const [receiptNumber, setReceiptNumber] = useState(handover.receiptNumber);
  const [problem, setProblem] = useState('');
  const [lines, setLines] = useState(
    handover.lines.map((line) => ({
      thingId: line.thingId as string,
      name: line.name,
      condition: line.condition,
      low: line.value ? formatMoneyInput(line.value.lowMinor) : '',
      high: line.value ? formatMoneyInput(line.value.highMinor) : '',
    })),
  );
  const set = (i: number, change: Partial<(typeof lines)[number]>) =>
    setLines((before) => before.map((line, at) => (at === i ? { ...line, ...change } : line)));
  const save = async () => {
    const read = lines.map((line) => ({ line, value: readValue(line) }));
    const wrong = read.find(({ value }) => !value.ok);
    if (wrong && !wrong.value.ok) return setProblem(`${wrong.line.name}: ${wrong.value.error}`);
    setProblem('');
    const result = await mutate(() =>
      onCorrect(handover.id, {
        receiptNumber,
        lines: read.map(({ line: { thingId, condition }, value }) => ({
          thingId,
          condition,
          value: value.ok ? value.value : null,
        })),
      }),
    );
    if (result.ok) onDone();
  };
  const photograph = async (picture: File) => {
    setProblem('');
    const response = await fetch(`/api/projects/${projectId}/handovers/${handover.id}`, {
      method: 'POST',
      body: picture,
    }).catch(() => undefined);
    if (response?.ok) {
      router.refresh();
      return onDone();
    }
    setProblem('The picture did not arrive. Try again.');
  };
  return (
    <Sheet
      isOpen
      onOpenChange={onDone}
      title={`${handover.destinationName}, ${momentWords(handover.at)}`}
    >
      <div className="grid gap-3">
        <TextField
          label="Receipt number"
          value={receiptNumber}
          onChange={(event) => setReceiptNumber(event.target.value)}
        />
        <label className={buttonClass('plain', 'focus-within:outline-3 focus-within:outline-rim')}>
          <Camera size={16} aria-hidden="true" /> Photograph the receipt
          <input
            type="file"
            accept="image/*"
            capture="environment"
            className="sr-only"
            onChange={(event) => {
              const picture = event.currentTarget.files?.[0];
              if (picture) void photograph(picture);
            }}
          />
        </label>
        {problem !== '' && (
          <p role="alert" className="text-[14px] text-signal-deep">
            {problem}
          </p>
        )}
        <ul className="grid gap-2">
          {lines.map((line, i) => (
            <li key={line.thingId} className="flex flex-wrap items-end gap-2">
              <span className="min-w-[140px] flex-1 text-[14.5px]">{line.name}</span>
              <SelectField
                label={`Condition of ${line.name}`}
                hideLabel
                className="w-[120px]"
                value={line.condition}
                onChange={(event) =>
                  set(i, { condition: event.target.value as LineChange['condition'] })
                }
              >
                {conditions.map((each) => (
                  <option key={each} value={each}>
                    {conditionWords[each]}
                  </option>
                ))}
              </SelectField>
              {hasValues && (
                <>
                  <TextField
                    label={`Least value of ${line.name}, each`}
                    hideLabel
                    measure
                    inputMode="decimal"
                    className="w-[72px]"
                    placeholder="low"
                    value={line.low}
                    onChange={(event) => set(i, { low: event.target.value })}
                  />
                  <TextField
                    label={`Most value of ${line.name}, each`}
                    hideLabel
                    measure
                    inputMode="decimal"
                    className="w-[72px]"
                    placeholder="high"
                    value={line.high}
                    onChange={(event) => set(i, { high: event.target.value })}
                  />
                </>
              )}
            </li>
          ))}
        </ul>
        <div className="flex flex-wrap gap-2">
          <Button look="main" disabled={isPending} onClick={() => void save()}>
            Keep
          </Button>
          <Button
            disabled={isPending}
            onClick={() =>
              void mutate(() => onRemove(handover.id), { offersUndo: true }).then(
                ({ ok }) => ok && onDone(),
              )
            }
          >
            It was not handed over
          </Button>
        </div>
      </div>
    </Sheet>
  );
}
