'use client';

import { useEffect, useEffectEvent, useState } from 'react';

import {
  AIM_TURNS,
  workOutAims,
  type FitAim,
  type FitAnswer,
  type FitQuestion,
  type Stood,
} from '@/core/fit';
import { FitRunner } from './FitRunner';

type FitAnswers = Readonly<Partial<Record<FitAim, FitAnswer>>>;

/**
 * Works an answer for each aim out, one after the other, in a worker; of each the first one found is
 * shown, then the best, which is no worse by its aim than what was taken and those before it. A new
 * request, or stopping, ends what runs.
 */
export function useFits(
  request: FitQuestion | undefined,
  taken?: Stood,
): {
  answers: FitAnswers;
  isRunning: boolean;
  problem: string;
  stop: () => void;
} {
  const key = request && JSON.stringify(request);
  // What is taken meanwhile came out of these answers: it asks for no new ones.
  const takenNow = useEffectEvent(() => taken);
  const [state, setState] = useState<{
    key: string | undefined;
    answers: FitAnswers;
    doneCount: number;
    problem: string;
    isStopped: boolean;
  }>({ key: undefined, answers: {}, doneCount: 0, problem: '', isStopped: false });
  useEffect(() => {
    if (key === undefined) return;
    const asked = JSON.parse(key) as FitQuestion;
    const stood = takenNow();
    let isOver = false;
    const runner = new FitRunner(() =>
      setState((before) => ({
        ...before,
        problem: 'The calculation could not start in this browser.',
      })),
    );
    const run = async () => {
      const doneCount = await workOutAims({
        plan: (prefer, known, onFirst) => runner.plan({ ...asked, prefer }, known, onFirst),
        show: (prefer, answer, turns) =>
          setState((before) => ({
            key,
            answers:
              before.key === key ? { ...before.answers, [prefer]: answer } : { [prefer]: answer },
            doneCount: turns,
            problem: '',
            isStopped: false,
          })),
        isOver: () => isOver,
        ...(stood && { taken: stood }),
      });
      if (isOver) return;
      setState((before) => ({ ...before, doneCount }));
      runner.close();
    };
    run().catch((error: unknown) => {
      if (!isOver)
        setState((before) => ({
          ...before,
          problem: error instanceof Error ? error.message : String(error),
        }));
    });
    const stop = () => {
      isOver = true;
      runner.close();
    };
    window.addEventListener(STOP_EVENT, stop);
    return () => {
      window.removeEventListener(STOP_EVENT, stop);
      stop();
    };
  }, [key]);
  const isCurrent = state.key === key;
  const answers = isCurrent ? state.answers : {};
  return {
    answers,
    isRunning:
      key !== undefined &&
      !state.isStopped &&
      state.problem === '' &&
      (isCurrent ? state.doneCount : 0) < AIM_TURNS,
    problem: state.problem,
    stop: () => {
      window.dispatchEvent(new Event(STOP_EVENT));
      setState((before) => ({ ...before, key, answers, isStopped: true }));
    },
  };
}

const STOP_EVENT = 'tin-box-stop-fit';
