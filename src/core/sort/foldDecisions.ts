import type { DecidedEvent, DecisionEvent, Thing } from './model';

/**
 * Derives today's things from the log. Within a thing the last decision that was not undone counts,
 * by place in the log; undoing or restoring what was never decided changes nothing. An event whose
 * id came before is passed over. O(events).
 * Ensures: one entry a thing, in the order in which the things first appear.
 */
export function foldDecisions(log: readonly DecisionEvent[]): Thing[] {
  const seenIds = new Set<string>();
  const undoneIds = new Set<string>();
  const byThing = new Map<string, DecidedEvent[]>();
  for (const event of log) {
    if (seenIds.has(event.id)) continue;
    seenIds.add(event.id);
    if (event.kind === 'undone') undoneIds.add(event.aboutId);
    else if (event.kind === 'restored') undoneIds.delete(event.aboutId);
    else byThing.set(event.thingId, [...(byThing.get(event.thingId) ?? []), event]);
  }
  const things: Thing[] = [];
  for (const decisions of byThing.values()) {
    const standing = decisions.findLast((event) => !undoneIds.has(event.id));
    if (standing) things.push(toThing(standing));
  }
  return things;
}

function toThing(event: DecidedEvent): Thing {
  const { id, thingId, kind, device, ...facts } = event;
  void kind;
  void device;
  return { ...facts, id: thingId, decisionId: id };
}

/** The decision that undo takes back next: the latest that stands. */
export function findLastStanding(log: readonly DecisionEvent[]): DecidedEvent | undefined {
  const undoneIds = undoneIdsOf(log);
  return log.findLast((event): event is DecidedEvent => event.kind === 'decided' && !undoneIds.has(event.id));
}

/** The decision that redo brings back: the one undone last, unless something was decided since. */
export function findRestorable(log: readonly DecisionEvent[]): DecidedEvent | undefined {
  const undoneIds = undoneIdsOf(log);
  const lastDecidedIndex = log.findLastIndex((event) => event.kind === 'decided');
  const since = log.slice(lastDecidedIndex + 1).filter((event) => event.kind === 'undone' && undoneIds.has(event.aboutId));
  const last = since.at(-1);
  if (last?.kind !== 'undone') return undefined;
  return log.find((event): event is DecidedEvent => event.kind === 'decided' && event.id === last.aboutId);
}

function undoneIdsOf(log: readonly DecisionEvent[]): ReadonlySet<string> {
  const undoneIds = new Set<string>();
  for (const event of log) {
    if (event.kind === 'undone') undoneIds.add(event.aboutId);
    if (event.kind === 'restored') undoneIds.delete(event.aboutId);
  }
  return undoneIds;
}
