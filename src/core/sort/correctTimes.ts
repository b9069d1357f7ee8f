import type { DecisionEvent } from './model';

/** What a device says of its clock when it sends decisions; all ISO instants. */
export interface DeviceClock {
  /** Its own clock at the moment of sending. */
  readonly sentAt: string;
  /**
   * For each event by its place in the batch: its own clock when it was decided, and this machine's
   * time as the device last heard it before that; null where it had heard nothing yet.
   */
  readonly events: readonly { readonly deviceAt: string; readonly knownAt: string | null }[];
}

/** Closer than this, what differs is the way through the network and not the clock. */
const SAME_MS = 1500;

/**
 * When decisions were made by this machine's clock: the device's time, moved by how much its clock is
 * off at the moment of sending, and held between what the device last heard of our time and now. A
 * clock that is a year ahead does not overrule what others decided since. Where nothing is said of the
 * clock, no decision is taken for later than now.
 * Ensures: same length and order; `deviceAt` keeps the device's own time where it was corrected.
 */
export function correctTimes(
  events: readonly DecisionEvent[],
  { clock, now }: { readonly clock: DeviceClock | undefined; readonly now: string },
): DecisionEvent[] {
  const nowMs = Date.parse(now);
  const offsetMs = clock ? nowMs - Date.parse(clock.sentAt) : 0;
  return events.map((event, i) => {
    const said = clock?.events[i];
    const deviceAt = said?.deviceAt ?? event.decidedAt;
    const heldFrom = said?.knownAt ? Math.min(Date.parse(said.knownAt), nowMs) : -Infinity;
    const atMs = Math.min(nowMs, Math.max(heldFrom, Date.parse(deviceAt) + offsetMs));
    if (Math.abs(atMs - Date.parse(event.decidedAt)) < SAME_MS) return event;
    return { ...event, decidedAt: new Date(atMs).toISOString(), deviceAt };
  });
}
