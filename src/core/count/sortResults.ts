import {
  type Amount,
  type DecisionEvent,
  type Thing,
  type Verdict,
  addUp,
  leavesHome,
  paceOf,
  tallyByVerdict,
  verdicts,
  waitsForDay,
} from '../sort';
import { type Reason, reasons } from '../things';

/** What came of sorting: of one session, one room, or the whole project. */
export interface SortResults {
  readonly all: Amount;
  readonly byVerdict: readonly { readonly verdict: Verdict; readonly amount: Amount }[];
  readonly byReason: readonly { readonly reason: Reason; readonly amount: Amount }[];
  /** Decided to leave the home; how far it has come is not told here. */
  readonly leaving: Amount;
  /** Decisions as they were made, corrections among them; undone ones are not. */
  readonly decisionCount: number;
  readonly decisionsPerMinute: number;
  /**
   * Decisions in stretches of ten minutes from the first one on, as they were made; empty stretches
   * between are there.
   */
  readonly stretches: readonly { readonly startedAt: string; readonly count: number }[];
}

const STRETCH_MS = 10 * 60_000;
/** More than a long visit's stretches say nothing that a figure does not. */
const MOST_STRETCHES = 72;

/**
 * Adds up what was decided. `things` are today's, `log` the events that led to them.
 * Ensures: the pieces of `byVerdict` add up to `all`; the stretches to `decisionCount`, unless they
 * span more than twelve hours: then there are none.
 */
export function sortResultsOf(
  things: readonly Thing[],
  log: readonly DecisionEvent[],
): SortResults {
  const undone = undoneIdsOf(log);
  const decided = log
    .flatMap((event) => (event.kind === 'decided' && !undone.has(event.id) ? [event] : []))
    .sort((a, b) => a.decidedAt.localeCompare(b.decidedAt));
  const tally = tallyByVerdict(things);
  return {
    all: addUp(things),
    byVerdict: verdicts
      .map((verdict) => ({ verdict, amount: tally[verdict] }))
      .filter(({ amount }) => amount.count > 0),
    byReason: reasons
      .map((reason) => ({
        reason,
        amount: addUp(things.filter((thing) => thing.reasons.includes(reason))),
      }))
      .filter(({ amount }) => amount.count > 0)
      .sort((a, b) => b.amount.count - a.amount.count),
    leaving: addUp(things.filter(leavesHome)),
    decisionCount: decided.length,
    decisionsPerMinute: paceOf(
      decided.map((event) => ({
        at: event.decidedAt,
        pieces: event.count,
        isLater: waitsForDay(event),
      })),
    ).decisionsPerMinute,
    stretches: toStretches(decided.map(({ decidedAt }) => Date.parse(decidedAt))),
  };
}

/** An undone decision may have been restored: the last word on it counts. */
function undoneIdsOf(log: readonly DecisionEvent[]): ReadonlySet<string> {
  const undone = new Set<string>();
  for (const event of log) {
    if (event.kind === 'undone') undone.add(event.aboutId);
    if (event.kind === 'restored') undone.delete(event.aboutId);
  }
  return undone;
}

function toStretches(times: readonly number[]): SortResults['stretches'] {
  const [first, last] = [times[0], times.at(-1)];
  if (first === undefined || last === undefined) return [];
  const count = Math.floor((last - first) / STRETCH_MS) + 1;
  if (count > MOST_STRETCHES) return [];
  const counts = Array.from({ length: count }, () => 0);
  for (const time of times) {
    const stretch = Math.floor((time - first) / STRETCH_MS);
    counts[stretch] = counts[stretch]! + 1;
  }
  return counts.map((pieces, i) => ({
    startedAt: new Date(first + i * STRETCH_MS).toISOString(),
    count: pieces,
  }));
}

/**
 * The events of a session: what was decided in its room between its start and its end, and what
 * took that back.
 */
export function sessionEvents(
  log: readonly DecisionEvent[],
  session: { readonly roomId: string; readonly startedAt: string; readonly endedAt: string | null },
): DecisionEvent[] {
  const isInTime = ({ decidedAt }: DecisionEvent) =>
    decidedAt >= session.startedAt && (session.endedAt === null || decidedAt <= session.endedAt);
  const mine = new Set(
    log
      .filter(
        (event) => event.kind === 'decided' && event.roomId === session.roomId && isInTime(event),
      )
      .map(({ id }) => id),
  );
  return log.filter(
    (event) =>
      mine.has(event.id) ||
      ((event.kind === 'undone' || event.kind === 'restored') && mine.has(event.aboutId)) ||
      (event.kind === 'merged' && isInTime(event)),
  );
}
