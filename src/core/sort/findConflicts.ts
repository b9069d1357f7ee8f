import type { DecidedEvent, DecisionEvent } from './model';

/** Two devices that decided one thing differently; the later decision counts. */
export interface Conflict {
  readonly earlier: DecidedEvent;
  readonly later: DecidedEvent;
}

/**
 * Things on which devices disagree: the standing decision and the latest of another device that says
 * otherwise, made since an instant. Newest first. What was undone is no disagreement.
 */
export function findConflicts(log: readonly DecisionEvent[], since: string): Conflict[] {
  const undone = new Set(log.flatMap((event) => (event.kind === 'undone' ? [event.aboutId] : [])));
  const restored = new Set(
    log.flatMap((event) => (event.kind === 'restored' ? [event.aboutId] : [])),
  );
  const byThing = new Map<string, DecidedEvent[]>();
  for (const event of log) {
    if (event.kind !== 'decided' || (undone.has(event.id) && !restored.has(event.id))) continue;
    byThing.set(event.thingId, [...(byThing.get(event.thingId) ?? []), event]);
  }
  return [...byThing.values()]
    .flatMap((decisions) => {
      const ordered = [...decisions].sort((a, b) => a.decidedAt.localeCompare(b.decidedAt));
      const later = ordered.at(-1);
      const earlier =
        later &&
        ordered.findLast((event) => event.device !== later.device && event.decidedAt >= since);
      const differs =
        later &&
        earlier &&
        (earlier.verdict !== later.verdict ||
          earlier.count !== later.count ||
          earlier.to !== later.to);
      return differs && later.decidedAt >= since ? [{ earlier, later }] : [];
    })
    .sort((a, b) => b.later.decidedAt.localeCompare(a.later.decidedAt));
}
