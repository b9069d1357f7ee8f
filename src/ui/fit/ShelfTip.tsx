'use client';

import { wrap } from 'comlink';
import { useState } from 'react';

import type { ShelfProposal, ShelfQuestion } from '@/core/fit';
import {
  formatLength,
  formatLitres,
  formatMoney,
  type Currency,
  type LengthUnit,
} from '@/core/shared';
import type { FitWorker } from '@/workers/fit.worker';
import { Button } from '../primitives/Button';
import { Link } from '../primitives/Link';

interface ShelfTipProps {
  readonly question: ShelfQuestion;
  readonly lowerName: string;
  readonly upperName: string;
  readonly currency: Currency;
  readonly measureUnit: LengthUnit;
  /** Where the shelf is moved in the record. */
  readonly unitHref: string;
}

/** Whether the shelf between two places would do better a few holes up or down. */
export function ShelfTip({
  question,
  lowerName,
  upperName,
  currency,
  measureUnit,
  unitHref,
}: ShelfTipProps) {
  const [isRunning, setIsRunning] = useState(false);
  const [problem, setProblem] = useState('');
  const [found, setFound] = useState<{
    readonly now: ShelfProposal;
    readonly better: ShelfProposal | undefined;
  }>();
  const run = async () => {
    setIsRunning(true);
    const worker = new Worker(new URL('../../workers/fit.worker.ts', import.meta.url), {
      type: 'module',
    });
    try {
      setFound(await wrap<FitWorker>(worker).shelf(question));
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    } finally {
      worker.terminate();
      setIsRunning(false);
    }
  };
  return (
    <section
      aria-label={`Shelf between ${lowerName} and ${upperName}`}
      className="panel mt-3.5 flex flex-wrap items-center gap-x-4 gap-y-1.5 px-4 py-2.5 text-[14.5px]"
    >
      <span className="min-w-0 flex-1">
        {found
          ? wordShelf(found, { lowerName, upperName, currency, measureUnit })
          : `The shelf between ${lowerName} and ${upperName} can move, hole by hole (${formatLength(question.pitchMm, measureUnit)}).`}
      </span>
      {found?.better && (
        <Link className="text-rim underline underline-offset-3" href={unitHref}>
          Move it there
        </Link>
      )}
      {problem !== '' && (
        <span role="alert" className="text-[13.5px] text-signal-deep">
          The heights could not be tried: {problem}
        </span>
      )}
      {!found && (
        <Button look="quiet" disabled={isRunning} onClick={() => void run()}>
          {isRunning ? 'Trying each height…' : 'Would another height do better?'}
        </Button>
      )}
    </section>
  );
}

function wordShelf(
  { now, better }: { readonly now: ShelfProposal; readonly better: ShelfProposal | undefined },
  {
    lowerName,
    upperName,
    currency,
    measureUnit,
  }: Pick<ShelfTipProps, 'lowerName' | 'upperName' | 'currency' | 'measureUnit'>,
): string {
  if (!better)
    return `No height of the shelf within five holes does better for ${lowerName} and ${upperName} together.`;
  const where = `${formatLength(Math.abs(better.byMm), measureUnit)} ${better.byMm > 0 ? 'higher' : 'lower'}`;
  const more = now.unmetLitres - better.unmetLitres;
  const saved = now.costMinor - better.costMinor;
  const what =
    more > 0.05
      ? `${formatLitres(more)} more get a container in ${lowerName} and ${upperName}`
      : `${lowerName} and ${upperName} cost ${formatMoney(saved, currency)} less together`;
  return `With the shelf ${where}, ${what}.`;
}
