'use client';

import { useSyncExternalStore } from 'react';

const QUERY = '(max-width: 767px)';

/** Whether the page is as narrow as a phone; false on the server, where nobody knows. */
export const useIsPhone = (): boolean =>
  useSyncExternalStore(
    (listener) => {
      const list = window.matchMedia(QUERY);
      list.addEventListener('change', listener);
      return () => list.removeEventListener('change', listener);
    },
    () => window.matchMedia(QUERY).matches,
    () => false,
  );
