'use client';

import { useRouter } from 'next/navigation';
import { useState, type ChangeEvent } from 'react';

import { formatCount } from '@/core/shared';
import { Button, buttonClass } from '../primitives/Button';

interface Fault {
  readonly line: number;
  readonly column: string;
  readonly found: string;
  readonly expected: string;
}
interface Outcome {
  readonly faults: readonly Fault[];
  readonly goodCount: number;
  readonly outcome?: {
    readonly addedCount: number;
    readonly repeatedCount?: number;
    readonly replacedCount?: number;
  };
}

interface ImportCsvProps {
  readonly address: string;
  readonly label: string;
  readonly accept: string;
  /** What one good line is, in the singular. */
  readonly outcomeWords: string;
}

/** Reads a table from a file: bad rows are shown by line and column, and nothing is kept unasked. */
export function ImportCsv({ address, label, accept, outcomeWords }: ImportCsvProps) {
  const router = useRouter();
  const [text, setText] = useState('');
  const [outcome, setOutcome] = useState<Outcome>();
  const [problem, setProblem] = useState('');
  const send = async (csv: string, acceptGoodRows: boolean) => {
    setProblem('');
    const response = await fetch(
      `${address}${address.includes('?') ? '&' : '?'}accept=${acceptGoodRows ? 'good' : 'all'}`,
      { method: 'POST', headers: { 'content-type': 'text/csv' }, body: csv },
    ).catch(() => undefined);
    if (!response) return setProblem('The file did not arrive; nothing was kept.');
    const body = (await response.json()) as Outcome & { error?: { message: string } };
    if (body.error) return setProblem(body.error.message);
    setOutcome(body);
    router.refresh();
  };
  const choose = async (event: ChangeEvent<HTMLInputElement>) => {
    const input = event.currentTarget;
    const csv = await input.files?.[0]?.text();
    input.value = '';
    if (csv === undefined) return;
    setText(csv);
    await send(csv, false);
  };
  return (
    <div className="mt-1">
      <label className={buttonClass('plain', 'focus-within:outline-3 focus-within:outline-rim')}>
        {label}
        <input
          type="file"
          accept={accept}
          className="sr-only"
          onChange={(event) => void choose(event)}
        />
      </label>
      {problem !== '' && (
        <p role="alert" className="warn mt-2">
          {problem}
        </p>
      )}
      {outcome?.outcome && (
        <p role="status" className="mt-2 text-[14px]">
          {formatCount(outcome.outcome.addedCount, `${outcomeWords} kept`, `${outcomeWords}s kept`)}
          , {outcome.outcome.repeatedCount ?? outcome.outcome.replacedCount ?? 0}{' '}
          {outcome.outcome.replacedCount === undefined ? 'were here before' : 'replaced'}.
        </p>
      )}
      {outcome && outcome.faults.length > 0 && (
        <div className="warn mt-2">
          <p className="font-[650]">
            {outcome.outcome
              ? 'Left out:'
              : `Nothing was kept. ${formatCount(outcome.faults.length, 'cell')} cannot be read:`}
          </p>
          <ul className="max-h-40 overflow-auto">
            {outcome.faults.slice(0, 50).map((fault, i) => (
              <li key={i}>
                line {fault.line}, {fault.column || 'quotes'}: “{fault.found}”; expected{' '}
                {fault.expected}
              </li>
            ))}
          </ul>
          {!outcome.outcome && outcome.goodCount > 0 && (
            <Button className="mt-2" onClick={() => void send(text, true)}>
              Keep the {formatCount(outcome.goodCount, `good ${outcomeWords}`)}
            </Button>
          )}
        </div>
      )}
    </div>
  );
}
