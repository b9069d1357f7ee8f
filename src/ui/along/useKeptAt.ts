'use client';

import { useRouter } from 'next/navigation';
import { startTransition, useEffect, useSyncExternalStore } from 'react';

/** So often the desk is asked whether it is there, while a page is shown that was taken along. */
const ASK_EVERY_MS = 15_000;

let isFresh = false;
const listeners = new Set<() => void>();
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const readKeptAt = (): string | undefined =>
  isFresh ? undefined : document.documentElement.dataset.keptAt;

/**
 * When the desk gave this page, where it comes from what was taken along; undefined where it is the desk's own.
 * As soon as the desk answers, the page is read again where it stands: nothing that was typed is lost.
 */
export function useKeptAt(): string | undefined {
  const router = useRouter();
  const keptAt = useSyncExternalStore(subscribe, readKeptAt, () => undefined);
  useEffect(() => {
    if (keptAt === undefined) return;
    const ask = async () => {
      if (document.hidden || !(await isDeskThere())) return;
      isFresh = true;
      startTransition(() => router.refresh());
      for (const listener of listeners) listener();
    };
    const askNow = () => void ask();
    const timer = setInterval(askNow, ASK_EVERY_MS);
    window.addEventListener('online', askNow);
    document.addEventListener('visibilitychange', askNow);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', askNow);
      document.removeEventListener('visibilitychange', askNow);
    };
  }, [keptAt, router]);
  return keptAt;
}

const isDeskThere = (): Promise<boolean> =>
  fetch('/manifest.webmanifest', { method: 'HEAD', cache: 'no-store' }).then(
    ({ ok }) => ok,
    () => false,
  );
