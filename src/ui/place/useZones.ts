'use client';

import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';

import type { ZonesAnswer, ZonesProgress, ZonesRequest } from '@/core/place';
import type { ZonesWorker } from '@/workers/zones.worker';

export interface ZonesRun {
  /** The best so far; stays when the run is stopped. */
  readonly progress: ZonesProgress | undefined;
  readonly answer: ZonesAnswer | undefined;
  readonly isRunning: boolean;
  readonly problem: string;
}
const IDLE: ZonesRun = { progress: undefined, answer: undefined, isRunning: false, problem: '' };

/** One run of the zones engine at a time, in a worker; stopping ends the worker and keeps the best so far. */
export function useZones() {
  const [run, setRun] = useState<ZonesRun>(IDLE);
  const workerRef = useRef<Worker>(undefined);
  useEffect(() => () => workerRef.current?.terminate(), []);
  const start = (request: ZonesRequest) => {
    workerRef.current?.terminate();
    const worker = new Worker(new URL('../../workers/zones.worker.ts', import.meta.url), { type: 'module' });
    workerRef.current = worker;
    const isCurrent = () => workerRef.current === worker;
    const change = (part: Partial<ZonesRun>) => isCurrent() && setRun((before) => ({ ...before, ...part }));
    worker.onerror = () => change({ isRunning: false, problem: 'The calculation could not start in this browser.' });
    setRun({ ...IDLE, isRunning: true });
    wrap<ZonesWorker>(worker).plan(request, proxy((progress: ZonesProgress) => void change({ progress }))).then(
      (answer) => {
        change({ answer, isRunning: false });
        worker.terminate();
      },
      (error: unknown) => change({ isRunning: false, problem: error instanceof Error ? error.message : String(error) }),
    );
  };
  const stop = () => {
    workerRef.current?.terminate();
    setRun((before) => ({ ...before, isRunning: false }));
  };
  const clear = () => setRun(IDLE);
  return { run, start, stop, clear };
}
