import { useEffect } from 'react';

/** By then at the latest, in ms after the page woke up, even where it never rests. */
const LATEST_MS = 2000;

/**
 * Loads a part of the page that is not needed at first, as soon as the browser has nothing else to do: so that it is
 * there when it is asked for, also without a connection by then.
 */
export function useAtRest(load: () => Promise<unknown>): void {
  useEffect(() => {
    const begin = () => void load().catch(() => undefined);
    if (!('requestIdleCallback' in window)) {
      const timer = setTimeout(begin, LATEST_MS);
      return () => clearTimeout(timer);
    }
    const id = requestIdleCallback(begin, { timeout: LATEST_MS });
    return () => cancelIdleCallback(id);
  }, [load]);
}
