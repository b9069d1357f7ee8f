import type { DecisionEvent } from '@/core/sort';
import { decisionOutbox, toWaiting } from './decisionOutbox';
import { liveLog } from './liveLog';

/** Counts decisions as made, and hands them to the outbox. */
export function sendDecisions(projectId: string, events: readonly DecisionEvent[]): void {
  void decisionOutbox
    .add(events.map((event) => toWaiting(projectId, event)))
    // Where the browser holds nothing over a reload, it still goes out, and the lid says that it waits.
    .catch(() => undefined);
  liveLog.add(projectId, events);
}
