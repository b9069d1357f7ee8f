import type { DecidedEvent, DecisionEvent } from './model';
import { forecast, intervalsOf, paceOf, type Forecast, type Pace } from './pace';
import type { Session } from './sessionModel';
import { waitsForDay } from './verdicts';

/** How a session goes: its pace, what is left of its section, and when that will be done. */
export interface SessionProgress {
  readonly pace: Pace;
  readonly decisionCount: number;
  /**
   * Decisions that the section still takes, by the litres gone through so far; undefined where
   * nothing tells.
   */
  readonly decisionsLeft: number | undefined;
  /** Undefined with too little to go on. */
  readonly forecast: Forecast | undefined;
  /** Decisions that would have to be left for another visit to be ready in time; 0 where it fits. */
  readonly skipCount: number;
  /** Decisions of the present step alone, a minute. */
  readonly stepPerMinute: number;
}

/** What a decision is counted as while its section has not yet shown its own, in litres. */
const USUAL_LITRES = 5;
/** From so many decisions on a section's own litres a decision are used. */
const OWN_FROM = 5;

/**
 * Works out from the log how a session goes. `sectionLitres` is what lies in its section;
 * `earlierIntervals` are
 * minutes between decisions of sessions before. Pure for a source of chance.
 */
export function sessionProgressOf(request: {
  readonly session: Pick<Session, 'startedAt' | 'stepStarts' | 'endedAt'>;
  readonly log: readonly DecisionEvent[];
  readonly sectionLitres: number;
  readonly earlierIntervals: readonly number[];
  readonly minutesLeft: number;
  readonly random: () => number;
}): SessionProgress {
  const { session, sectionLitres, minutesLeft, random } = request;
  const until = session.endedAt ?? '9999';
  const decided = request.log.filter(
    (event): event is DecidedEvent =>
      event.kind === 'decided' && event.decidedAt >= session.startedAt && event.decidedAt <= until,
  );
  const events = decided.map((event) => ({
    at: event.decidedAt,
    pieces: event.count,
    isLater: waitsForDay(event),
  }));
  const stepStart = session.stepStarts.at(-1) ?? session.startedAt;
  const litres = decided.reduce((sum, event) => sum + event.litres, 0);
  const litresEach =
    decided.length >= OWN_FROM && litres > 0 ? litres / decided.length : USUAL_LITRES;
  const decisionsLeft =
    sectionLitres > 0 ? Math.max(0, Math.ceil((sectionLitres - litres) / litresEach)) : undefined;
  const intervals = intervalsOf(events);
  const ahead =
    decisionsLeft === undefined
      ? undefined
      : forecast({ decisionsLeft, intervals, earlier: request.earlierIntervals, random });
  const isLate =
    ahead !== undefined &&
    decisionsLeft !== undefined &&
    ahead.likelyMinutes > Math.max(0, minutesLeft);
  const skipCount = isLate
    ? Math.ceil(decisionsLeft * (1 - Math.max(0, minutesLeft) / ahead.likelyMinutes))
    : 0;
  return {
    pace: paceOf(events),
    decisionCount: decided.length,
    decisionsLeft,
    forecast: ahead,
    skipCount,
    stepPerMinute: paceOf(events.filter(({ at }) => at >= stepStart)).decisionsPerMinute,
  };
}

/**
 * Minutes between the decisions of a log that came before an instant: what earlier sessions tell of
 * the pace.
 */
export const earlierIntervalsOf = (log: readonly DecisionEvent[], before: string): number[] =>
  intervalsOf(
    log.flatMap((event) =>
      event.kind === 'decided' && event.decidedAt < before
        ? [{ at: event.decidedAt, pieces: event.count, isLater: waitsForDay(event) }]
        : [],
    ),
  );
