'use client';

import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** When the desk gave this page, where it comes from what was taken along; undefined where it is the desk's own. */
export const useKeptAt = (): string | undefined =>
  useSyncExternalStore(never, readKeptAt, () => undefined);

let known: { readonly at: string | undefined } | undefined;

/** It stays the same as long as the page is not loaded anew. */
function readKeptAt(): string | undefined {
  if (!known) {
    const [loaded] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[];
    known = { at: loaded?.serverTiming.find(({ name }) => name === 'kept')?.description };
  }
  return known.at;
}
