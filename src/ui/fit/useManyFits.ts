'use client';

import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';

import type { FitQuestion, PlacedFit } from '@/core/fit';
import type { FitWorker } from '@/workers/fit.worker';

/** Runs many fits in a worker, one run at a time; what is found stays when it is ended. */
export function useManyFits() {
  const [found, setFound] = useState<readonly PlacedFit[]>([]);
  const [isRunning, setIsRunning] = useState(false);
  const [problem, setProblem] = useState('');
  const worker = useRef<Worker>(undefined);
  // Whoever leaves the page ends what runs.
  useEffect(() => () => worker.current?.terminate(), []);
  const end = () => {
    worker.current?.terminate();
    worker.current = undefined;
    setIsRunning(false);
  };
  const run = (questions: readonly FitQuestion[], timeLimitMs: number) => {
    end();
    setFound([]);
    setProblem('');
    setIsRunning(true);
    const started = new Worker(new URL('../../workers/fit.worker.ts', import.meta.url), {
      type: 'module',
    });
    worker.current = started;
    const remote: Remote<FitWorker> = wrap<FitWorker>(started);
    void remote
      .planAll(
        questions,
        timeLimitMs,
        proxy((soFar: readonly PlacedFit[]) => setFound(soFar)),
      )
      .then(end, () => {
        end();
        setProblem('The calculation could not start in this browser.');
      });
  };
  return { found, isRunning, problem, run, end, clear: () => setFound([]) };
}
