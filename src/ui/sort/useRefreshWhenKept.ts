'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

import { decisionOutbox } from './decisionOutbox';

/** Reads the page again once the server has kept every decision that was on its way. */
export function useRefreshWhenKept(): void {
  const router = useRouter();
  useEffect(
    () =>
      decisionOutbox.onKept(() => {
        if (decisionOutbox.getState().open.length === 0) router.refresh();
      }),
    [router],
  );
}
