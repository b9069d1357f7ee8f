'use client';

import { useSyncExternalStore } from 'react';

let isUnanswered = false;
const listeners = new Set<() => void>();

/** Notes whether the desk answered the last change; until it does again, nothing is said to be kept. */
export function noteAnswer(isAnswered: boolean): void {
  isUnanswered = !isAnswered;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether a change of this page was not answered: what came of it is not known. */
export const useUnanswered = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => isUnanswered,
    () => false,
  );
