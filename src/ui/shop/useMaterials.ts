'use client';

import { wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';

import type { CutAnswer, CutRequest, RollAnswer, RollRequest } from '@/core/shop';
import type { MaterialsWorker } from '@/workers/materials.worker';

interface MaterialsRun {
  readonly cut: { readonly request: CutRequest; readonly answer: CutAnswer } | undefined;
  readonly roll: { readonly request: RollRequest; readonly answer: RollAnswer } | undefined;
  readonly panel: { readonly request: RollRequest; readonly answer: RollAnswer } | undefined;
  readonly isRunning: boolean;
  readonly problem: string;
}

const IDLE: MaterialsRun = {
  cut: undefined,
  roll: undefined,
  panel: undefined,
  isRunning: false,
  problem: '',
};

/** What is worked out; nothing where there is nothing to be cut. */
interface Asked {
  readonly cut: CutRequest;
  readonly panel: RollRequest | undefined;
  readonly roll: RollRequest | undefined;
}

/** Cutting plans, worked out in a worker, one run at a time. */
export function useMaterials() {
  const [run, setRun] = useState<MaterialsRun>(IDLE);
  const workerRef = useRef<Worker>(undefined);
  useEffect(() => () => workerRef.current?.terminate(), []);
  const start = ({ cut, panel, roll }: Asked) => {
    workerRef.current?.terminate();
    const worker = new Worker(new URL('../../workers/materials.worker.ts', import.meta.url), {
      type: 'module',
    });
    workerRef.current = worker;
    const change = (part: Partial<MaterialsRun>) =>
      workerRef.current === worker && setRun((before) => ({ ...before, ...part }));
    worker.onerror = () =>
      change({ isRunning: false, problem: 'The calculation could not start in this browser.' });
    setRun({ ...IDLE, isRunning: true });
    const remote = wrap<MaterialsWorker>(worker);
    const work = async () => {
      const answer = cut.pieces.length > 0 ? await remote.cut(cut) : undefined;
      change({ cut: answer && { request: cut, answer } });
      const layOut = async (request: RollRequest | undefined) =>
        request && request.pieces.length > 0
          ? { request, answer: await remote.roll(request) }
          : undefined;
      change({ panel: await layOut(panel) });
      change({ roll: await layOut(roll), isRunning: false });
      worker.terminate();
    };
    work().catch((error: unknown) =>
      change({ isRunning: false, problem: error instanceof Error ? error.message : String(error) }),
    );
  };
  return { run, start };
}
