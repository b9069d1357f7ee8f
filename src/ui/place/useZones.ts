'use client';

import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';

import type { PinPrice, ZonesAnswer, ZonesProgress, ZonesRequest } from '@/core/place';
import type { ZonesWorker } from '@/workers/zones.worker';

export interface ZonesRun {
  /** The best so far; stays when the run is stopped. */
  readonly progress: ZonesProgress | undefined;
  readonly answer: ZonesAnswer | undefined;
  /** What each pin costs; comes after the answer. */
  readonly pinPrices: readonly PinPrice[];
  readonly isRunning: boolean;
  /** The first request has no arrangement, so this is of the other one. */
  readonly isOther: boolean;
  readonly problem: string;
}
const IDLE: ZonesRun = {
  progress: undefined,
  answer: undefined,
  pinPrices: [],
  isRunning: false,
  isOther: false,
  problem: '',
};

/** One run of the zones engine at a time, in a worker; stopping ends the worker and keeps the best so far. */
export function useZones() {
  const [run, setRun] = useState<ZonesRun>(IDLE);
  const workerRef = useRef<Worker>(undefined);
  useEffect(() => () => workerRef.current?.terminate(), []);
  /** `other` is asked where `request` has no arrangement at all. */
  const start = (request: ZonesRequest, other?: ZonesRequest) => {
    workerRef.current?.terminate();
    const worker = new Worker(new URL('../../workers/zones.worker.ts', import.meta.url), {
      type: 'module',
    });
    workerRef.current = worker;
    const isCurrent = () => workerRef.current === worker;
    const change = (part: Partial<ZonesRun>) =>
      isCurrent() && setRun((before) => ({ ...before, ...part }));
    worker.onerror = () =>
      change({ isRunning: false, problem: 'The calculation could not start in this browser.' });
    setRun({ ...IDLE, isRunning: true });
    const remote = wrap<ZonesWorker>(worker);
    const plan = (asked: ZonesRequest) =>
      remote.plan(
        asked,
        proxy((progress: ZonesProgress) => void change({ progress })),
      );
    plan(request)
      .then(async (answer) => {
        if (other === undefined || answer.status !== 'infeasible')
          return { asked: request, answer };
        change({ isOther: true });
        return { asked: other, answer: await plan(other) };
      })
      .then(
        async ({ asked, answer }) => {
          change({ answer, isRunning: false });
          if (asked.groups.some(({ fixedBayId }) => fixedBayId !== undefined))
            change({ pinPrices: await remote.pricePins(asked, answer) });
          worker.terminate();
        },
        (error: unknown) =>
          change({
            isRunning: false,
            problem: error instanceof Error ? error.message : String(error),
          }),
      );
  };
  const stop = () => {
    workerRef.current?.terminate();
    setRun((before) => ({ ...before, isRunning: false }));
  };
  const clear = () => setRun(IDLE);
  return { run, start, stop, clear };
}
