'use client';

import { proxy, wrap, type Remote } from 'comlink';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';

import { fitAims, type FitAim, type FitQuestion, type PlacedFit } from '@/core/fit';
import { formatCount, formatMoney, type Currency } from '@/core/shared';
import type { FitWorker } from '@/workers/fit.worker';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { SelectField } from '../primitives/Field';
import { aimWords } from '../words';

interface FitAllProps {
  /** Places with something to go in and no fit yet. */
  readonly places: readonly { readonly name: string; readonly request: FitQuestion }[];
  readonly currency: Currency;
  readonly onTake: (prefer: FitAim, fits: readonly PlacedFit[]) => Promise<ActionResult>;
}

/** A second a place, and never more than a minute for all. */
const msFor = (count: number): number => Math.min(60_000, count * 1000);

/** Fits all open places out in one go: shown as they come, stopped at any time, taken together. */
export function FitAll({ places, currency, onTake }: FitAllProps) {
  const router = useRouter();
  const [prefer, setPrefer] = useState<FitAim>('cost');
  const [found, setFound] = useState<readonly PlacedFit[]>([]);
  const [isRunning, setIsRunning] = useState(false);
  const [message, setMessage] = useState('');
  const worker = useRef<Worker>(undefined);
  // Whoever leaves the page ends what runs.
  useEffect(() => () => worker.current?.terminate(), []);
  const end = () => {
    worker.current?.terminate();
    worker.current = undefined;
    setIsRunning(false);
  };
  const run = () => {
    end();
    setFound([]);
    setMessage('');
    setIsRunning(true);
    const started = new Worker(new URL('../../workers/fit.worker.ts', import.meta.url), { type: 'module' });
    worker.current = started;
    const remote: Remote<FitWorker> = wrap<FitWorker>(started);
    void remote
      .planAll(places.map(({ request }) => ({ ...request, prefer })), msFor(places.length), proxy((soFar: readonly PlacedFit[]) => setFound(soFar)))
      .then(end, () => { end(); setMessage('The calculation could not start in this browser.'); });
  };
  const whole = found.filter(({ answer }) => answer.status !== 'infeasible');
  const take = async () => {
    const result = await onTake(prefer, whole);
    setMessage(result.ok ? 'Taken. What they need is on the shopping list.' : result.message);
    if (result.ok) setFound([]);
    router.refresh();
  };
  if (places.length < 2 && found.length === 0) return null;
  const nameOf = (bayId: string) => places.find(({ request }) => request.bay.id === bayId)?.name ?? bayId;
  return (
    <section aria-label="All open places" className="panel mt-3.5 px-4 py-3">
      <div className="flex flex-wrap items-end gap-2.5">
        <h2 className="mr-auto text-[17px]">All {formatCount(places.length, 'open place')} in one go</h2>
        <SelectField label="By" hideLabel className="w-[170px]" value={prefer} disabled={isRunning} onChange={(event) => setPrefer(event.target.value as FitAim)}>{fitAims.map((aim) => <option key={aim} value={aim}>{aimWords[aim].name}</option>)}</SelectField>
        {isRunning ? <Button onClick={end}>Stop, keep what is there</Button> : <Button onClick={run}>Fit them out</Button>}
        {whole.length > 0 && !isRunning && <Button look="main" onClick={() => void take()}>Take {whole.length === 1 ? 'it' : `these ${whole.length}`}</Button>}
      </div>
      {(isRunning || found.length > 0) && <progress className="mt-2 h-2.5 w-full accent-[#23407a]" value={found.length} max={places.length} aria-label="Places fitted out" />}
      <ul className="divide-y divide-line text-[14.5px]">
        {found.map(({ bayId, answer }) => (
          <li key={bayId} className="flex justify-between gap-4 py-1"><span>{nameOf(bayId)}: {formatCount(answer.placements.length, 'container')}{answer.status === 'infeasible' && <span className="text-signal-deep">, not everything goes in</span>}</span><span className="font-mono">{formatMoney(answer.costMinor, currency)}</span></li>
        ))}
      </ul>
      {found.length > 0 && <p className="mt-1 text-[14.5px]"><b className="font-mono">{formatMoney(whole.reduce((sum, { answer }) => sum + answer.costMinor, 0), currency)}</b> for {formatCount(whole.length, 'place')}, at the price of one piece each; the shopping list weighs packs.</p>}
      <p role="status" className="text-[13.5px] text-soft empty:hidden">{message}</p>
    </section>
  );
}
