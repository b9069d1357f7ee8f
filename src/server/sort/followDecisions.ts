import 'server-only';

import type { ProjectId } from '@/core/shared';
import { onDecisions } from '@/data/announcements';
import { listDecisionsAfter, type NumberedEvent } from '@/data/decisionLog';
import type { Db } from '@/data/db';

const AT_ONCE = 500;

/**
 * Hands on every event that comes after a place in the log, in its order and once each, until
 * `signal` ends it.
 */
export async function followDecisions(
  db: Db,
  { projectId, after }: { readonly projectId: ProjectId; readonly after: number },
  signal: AbortSignal,
  onEvent: (event: NumberedEvent) => void,
): Promise<void> {
  let lastSeq = after;
  let hasMore = true;
  let wake: () => void = () => undefined;
  const stop = onDecisions(projectId, () => {
    hasMore = true;
    wake();
  });
  signal.addEventListener('abort', () => wake());
  try {
    while (!signal.aborted) {
      if (!hasMore)
        await new Promise<void>((resolve) => {
          wake = resolve;
        });
      hasMore = false;
      for (
        let batch = await listDecisionsAfter(db, projectId, lastSeq, AT_ONCE);
        batch.length > 0 && !isAborted(signal);
        batch = await listDecisionsAfter(db, projectId, lastSeq, AT_ONCE)
      ) {
        for (const numbered of batch) onEvent(numbered);
        lastSeq = batch.at(-1)?.seq ?? lastSeq;
      }
    }
  } finally {
    stop();
  }
}

/** Asked anew after each wait, during which it may have changed. */
const isAborted = (signal: AbortSignal): boolean => signal.aborted;
