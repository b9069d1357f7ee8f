'use client';

import { useSyncExternalStore } from 'react';

/** Whether a change is on its way to the desk: `long` once it is worth saying. */
export type OnItsWay = 'none' | 'short' | 'long';

/** Shorter than this nobody waits, and nothing is said of it. */
const LONG_MS = 400;

let count = 0;
let state: OnItsWay = 'none';
let timer: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

function become(next: OnItsWay): void {
  state = next;
  for (const listener of listeners) listener();
}

/** Leaving now would lose it: the browser asks. */
const ask = (event: BeforeUnloadEvent) => event.preventDefault();

/** Notes that a change sets out; the answer is called when it has arrived, or is known not to. Until then leaving asks. */
export function setOut(): () => void {
  count += 1;
  if (count === 1) {
    window.addEventListener('beforeunload', ask);
    timer = setTimeout(() => become('long'), LONG_MS);
    become('short');
  }
  let isOver = false;
  return () => {
    if (isOver) return;
    isOver = true;
    count -= 1;
    if (count > 0) return;
    window.removeEventListener('beforeunload', ask);
    clearTimeout(timer);
    become('none');
  };
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useOnItsWay = (): OnItsWay =>
  useSyncExternalStore(
    subscribe,
    () => state,
    () => 'none',
  );
