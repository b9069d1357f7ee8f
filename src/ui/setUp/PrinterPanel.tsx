'use client';

import { useEffect, useRef, useState } from 'react';

import type { PrintJob } from '@/core/labels';
import { formatCount } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';
import { printerStateWords } from './labelWords';

export interface PrinterSaid {
  readonly printer: 'ready' | 'printing' | 'jam' | 'out_of_tape';
  readonly printedCount: number;
  readonly leftCount: number;
}
interface PrinterPanelProps {
  readonly job: PrintJob | null;
  readonly openCount: number;
  readonly onSend: () => Promise<ActionResult<PrinterSaid>>;
  readonly onAsk: () => Promise<ActionResult<PrinterSaid>>;
  readonly onTakeBack: () => Promise<ActionResult<undefined>>;
}

/** How often the printer is asked while labels wait in it. */
const ASK_EVERY_MS = 1500;
/** Somebody has to see to it first. */
const ASK_STOPPED_MS = 4000;

/** The label printer: labels are sent once, and what came out is noted as the printer says it. */
export function PrinterPanel({ job, openCount, onSend, onAsk, onTakeBack }: PrinterPanelProps) {
  const { mutate, isPending } = useMutation();
  const [said, setSaid] = useState<ActionResult<PrinterSaid>>();
  const jobId = job?.id;
  const ask = useRef(onAsk);
  useEffect(() => {
    ask.current = onAsk;
  });
  useEffect(() => {
    if (jobId === undefined) return;
    let isThere = true;
    let timer: ReturnType<typeof setTimeout>;
    const again = async () => {
      const answer = await ask.current().catch(() => undefined);
      if (!isThere) return;
      if (answer) setSaid(answer);
      const isRunning = answer?.ok === true && answer.value.printer === 'printing';
      timer = setTimeout(() => void again(), isRunning ? ASK_EVERY_MS : ASK_STOPPED_MS);
    };
    void again();
    return () => {
      isThere = false;
      clearTimeout(timer);
    };
  }, [jobId]);
  const send = async () => {
    const answer = await mutate(onSend);
    setSaid(answer);
  };
  return (
    <section aria-label="Label printer" className="grid gap-2">
      {said && (
        <p
          role="status"
          className={said.ok && said.value.printer !== 'jam' ? 'text-[15px]' : 'warn'}
        >
          {said.ok ? printerStateWords(said.value.printer, said.value.leftCount) : said.message}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        {job === null ? (
          <Button look="main" disabled={isPending || openCount === 0} onClick={() => void send()}>
            Send {formatCount(openCount, 'label')} to the label printer
          </Button>
        ) : (
          <>
            <Button disabled={isPending} onClick={() => void send()}>
              Send the {formatCount(job.labels.length, 'label')} again
            </Button>
            <Button disabled={isPending} onClick={() => void mutate(onTakeBack)}>
              Take back what has not come out
            </Button>
          </>
        )}
      </div>
      <p className="text-[13.5px] text-soft">
        Labels sent again are known to the printer: none comes out twice. A simulated printer ships
        with the app (npm run label-printer).
      </p>
    </section>
  );
}
