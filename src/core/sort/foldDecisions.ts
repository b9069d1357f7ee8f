import type { DecidedEvent, DecisionEvent, StandingEvent, Thing } from './model';

/**
 * Derives today's things from the log. Within a thing the latest decision that was not undone counts:
 * latest by when it was made, and of two made in the same instant by its place in the log, so that what
 * a device sends late does not overrule what was decided since. Undoing or restoring what was never
 * decided changes nothing. An event whose id came before is passed over. O(events log events).
 * Ensures: one entry a thing, in the order in which the things first appear; the same whatever order
 * events of different instants arrive in.
 */
export function foldDecisions(log: readonly DecisionEvent[]): Thing[] {
  const events = withoutRepeats(log);
  const undoneIds = undoneIdsOf(events);
  const standing = new Map<string, StandingEvent | undefined>();
  for (const event of events) {
    if (!isStandingKind(event)) continue;
    const best = standing.get(event.thingId);
    const counts =
      !undoneIds.has(event.id) && (best === undefined || event.decidedAt >= best.decidedAt);
    standing.set(event.thingId, counts ? event : best);
  }
  return [...standing.values()].flatMap((event) =>
    event?.kind === 'decided' ? [toThing(event)] : [],
  );
}

const isStandingKind = (event: DecisionEvent): event is StandingEvent =>
  event.kind === 'decided' || event.kind === 'merged';

function withoutRepeats(log: readonly DecisionEvent[]): DecisionEvent[] {
  const seenIds = new Set<string>();
  return log.filter(({ id }) => {
    if (seenIds.has(id)) return false;
    seenIds.add(id);
    return true;
  });
}

function toThing(event: DecidedEvent): Thing {
  const { id, thingId, kind, device, ...facts } = event;
  void kind;
  void device;
  return { ...facts, id: thingId, decisionId: id };
}

/** A thing's standing decision as a line of the log, for folding on where its history is not at hand. */
export const toStandingEvent = ({ id, decisionId, ...facts }: Thing): DecidedEvent => ({
  ...facts,
  kind: 'decided',
  id: decisionId,
  thingId: id,
  device: 'log',
});

/**
 * What undo takes back next: the latest in the log that stands, of one device where it is named:
 * nobody undoes for another.
 */
export function findLastStanding(
  log: readonly DecisionEvent[],
  device?: string,
): StandingEvent | undefined {
  const undoneIds = undoneIdsOf(log);
  return log.findLast(
    (event): event is StandingEvent =>
      isStandingKind(event) &&
      !undoneIds.has(event.id) &&
      (device === undefined || event.device === device),
  );
}

/**
 * What redo brings back: the one undone last, unless something was decided since; of one device
 * where it is named.
 */
export function findRestorable(
  whole: readonly DecisionEvent[],
  device?: string,
): StandingEvent | undefined {
  const log = device === undefined ? whole : whole.filter((event) => event.device === device);
  const undoneIds = undoneIdsOf(log);
  const lastDecidedIndex = log.findLastIndex(isStandingKind);
  const since = log
    .slice(lastDecidedIndex + 1)
    .filter((event) => event.kind === 'undone' && undoneIds.has(event.aboutId));
  const last = since.at(-1);
  if (last?.kind !== 'undone') return undefined;
  return log.find(
    (event): event is StandingEvent => isStandingKind(event) && event.id === last.aboutId,
  );
}

/** Ids that were undone and not restored since, by when that was said. */
function undoneIdsOf(log: readonly DecisionEvent[]): ReadonlySet<string> {
  const undoneIds = new Set<string>();
  const said = log.filter((event) => event.kind === 'undone' || event.kind === 'restored');
  for (const event of [...said].sort((a, b) => a.decidedAt.localeCompare(b.decidedAt))) {
    if (event.kind === 'undone') undoneIds.add(event.aboutId);
    if (event.kind === 'restored') undoneIds.delete(event.aboutId);
  }
  return undoneIds;
}
