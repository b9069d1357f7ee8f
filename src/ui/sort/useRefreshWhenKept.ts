'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

import { decisionOutbox } from './decisionOutbox';
import { followShared } from './sharedStream';

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

/** Reads the page again when a client answers, or somebody decides after `afterSeq` of the log. */
export function useRefreshWhenTold(projectId: string, afterSeq: number): void {
  const router = useRouter();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    // Several at once are one reading.
    const refresh = () => {
      clearTimeout(timer);
      timer = setTimeout(() => router.refresh(), 250);
    };
    const stop = followShared(projectId, afterSeq, {
      onEvent: refresh,
      onTime: () => undefined,
      onAnswers: refresh,
    });
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [projectId, afterSeq, router]);
}
