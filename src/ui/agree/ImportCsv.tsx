'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState, type ChangeEvent } from 'react';

import { formatCount } from '@/core/shared';
import { Button, buttonClass } from '../primitives/Button';
import { FileProgressBar } from '../primitives/FileProgressBar';
import { sendFile, type FileProgress } from '../sendFile';

/** What the server takes at most of a table. */
const MAX_BYTES = 20_000_000;

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
  const [file, setFile] = useState<File>();
  const [outcome, setOutcome] = useState<Outcome>();
  const [problem, setProblem] = useState('');
  const [progress, setProgress] = useState<FileProgress>();
  const stop = useRef<AbortController>(undefined);
  const send = async (chosen: File, acceptGoodRows: boolean) => {
    stop.current = new AbortController();
    setProblem('');
    setOutcome(undefined);
    setProgress({ stage: 'sending', done: 0, of: chosen.size });
    const url = `${address}${address.includes('?') ? '&' : '?'}accept=${acceptGoodRows ? 'good' : 'all'}`;
    const sent = await sendFile<Outcome>(url, chosen, {
      maxBytes: MAX_BYTES,
      onProgress: setProgress,
      signal: stop.current.signal,
    });
    setProgress(undefined);
    if (!sent.ok) return setProblem(sent.message);
    setOutcome(sent.value);
    router.refresh();
  };
  const choose = async (event: ChangeEvent<HTMLInputElement>) => {
    const input = event.currentTarget;
    const chosen = input.files?.[0];
    setFile(chosen);
    if (chosen) await send(chosen, false);
    input.value = '';
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
      {progress && (
        <FileProgressBar
          progress={progress}
          // What is being kept is finished, whatever happens.
          onStop={progress.stage === 'keeping' ? undefined : () => stop.current?.abort()}
        />
      )}
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
            <Button className="mt-2" onClick={() => file && void send(file, true)}>
              Keep the {formatCount(outcome.goodCount, `good ${outcomeWords}`)}
            </Button>
          )}
        </div>
      )}
    </div>
  );
}
