import type { MethodStep, Session, SessionClock } from './sessionModel';

export const methodNames = ['quick-pass', 'empty-all', 'by-category'] as const;

export type MethodName = (typeof methodNames)[number];

/** The same session going on again, whatever break was on. */
export const goingOn = (session: Session, at: string): Session => ({
  ...session,
  pauses: session.pauses.map((pause) => (pause.to === null ? { ...pause, to: at } : pause)),
});

export const withEnd = (session: Session, at: string): Session => ({
  ...goingOn(session, at),
  endedAt: at,
});

/**
 * The session once its step `from` (from 1) was over at `at`: at the next step, or ended (`isEnd`, or after
 * the last). The same session where it has ended or that step is over already. A clock that is behind
 * ends a step no earlier than it began.
 */
export function stepOver(
  session: Session,
  { at, from, isEnd }: { readonly at: string; readonly from: number; readonly isEnd: boolean },
): Session {
  if (session.endedAt !== null || (!isEnd && session.stepStarts.length !== from)) return session;
  const begun = session.stepStarts.at(-1) ?? session.startedAt;
  const time = at < begun ? begun : at;
  const isLast = session.stepStarts.length >= session.steps.length;
  return isEnd || isLast
    ? withEnd(session, time)
    : { ...goingOn(session, time), stepStarts: [...session.stepStarts, time] };
}

const step = (name: string, guidance: string, minutes: number, share: number): MethodStep => ({
  name,
  guidance,
  minutes,
  share,
});

/** The shipped ways through a room. Source: the practitioners' schools (docs/engines.md, sort). */
export const methods: Readonly<Record<MethodName, readonly MethodStep[]>> = {
  'quick-pass': [
    step(
      'Rubbish',
      'One bag, one round: what is plainly rubbish. Nothing is opened, nothing is thought over.',
      5,
      0.15,
    ),
    step(
      'Strays',
      'What belongs elsewhere goes into the basket; carry it out, put it down where it belongs, come back.',
      5,
      0.2,
    ),
    step(
      'Once round',
      'From one point, left to right and top to bottom. Closed boxes stay closed for another day.',
      10,
      0.45,
    ),
    step('Finish', 'Carry out what leaves, wipe what is free, stop on time.', 5, 0.2),
  ],
  'empty-all': [
    step(
      'Photograph',
      'The spots, before anything moves, and each place once it is empty.',
      5,
      0.04,
    ),
    step('Empty', 'The whole section, every container too, even those believed empty.', 10, 0.14),
    step('Group', 'Like with like, so that reloading is a grab and not a search.', 10, 0.14),
    step(
      'Decide',
      'One thing or one handful at a time. Hung up on one? Put it to later, it gets its own time.',
      20,
      0.42,
    ),
    step(
      'Clean',
      'Sweep, wipe, wash the containers too; lined shelves dry before they are loaded.',
      10,
      0.12,
    ),
    step('Reload', 'Only what is kept goes back, each group to its place.', 10, 0.14),
  ],
  'by-category': [
    step(
      'Gather',
      'All of one kind from every room onto one pile; look into the rooms that are not in scope, take nothing else.',
      10,
      0.3,
    ),
    step('Count', 'How many there are, and how many are enough, before any is decided.', 5, 0.1),
    step('Decide', 'From the easy ones to the hard ones.', 20, 0.45),
    step('Return', 'What is kept goes to one place, not back to five.', 10, 0.15),
  ],
};

/**
 * The steps with their minutes for a session of a length: by their shares, none below its least while there
 * is time for that, all shorter where there is not. Whole minutes by largest remainder.
 * Ensures: at least a minute each; together the planned minutes, where those are as many as the steps.
 */
export function timeSteps(steps: readonly MethodStep[], plannedMinutes: number): MethodStep[] {
  const wanted = steps.map(({ minutes, share }) => Math.max(minutes, share * plannedMinutes));
  const all = wanted.reduce((sum, minutes) => sum + minutes, 0);
  const exact = wanted.map((minutes) => (minutes * plannedMinutes) / all);
  const whole = exact.map((minutes) => Math.max(1, Math.floor(minutes)));
  let left = plannedMinutes - whole.reduce((sum, minutes) => sum + minutes, 0);
  const byRemainder = exact
    .map((minutes, i) => ({ i, rest: minutes - Math.floor(minutes) }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i);
  for (const { i } of byRemainder) {
    if (left <= 0) break;
    whole[i] = whole[i]! + 1;
    left -= 1;
  }
  // Steps of one minute took more than their share: it comes off the longest.
  while (left < 0 && Math.max(...whole) > 1) {
    const longest = whole.indexOf(Math.max(...whole));
    whole[longest] = whole[longest]! - 1;
    left += 1;
  }
  return steps.map((each, i) => ({ ...each, minutes: whole[i]! }));
}

/** Minutes of a session that were worked between two instants: pauses left out. */
export function workedMinutesOf(
  { pauses }: Pick<Session, 'pauses'>,
  from: string,
  to: string,
): number {
  const [start, end] = [Date.parse(from), Date.parse(to)];
  const paused = pauses.reduce((sum, pause) => {
    const first = Math.max(start, Date.parse(pause.from));
    const last = Math.min(end, pause.to === null ? end : Date.parse(pause.to));
    return sum + Math.max(0, last - first);
  }, 0);
  return Math.max(0, end - start - paused) / 60_000;
}

/** Whether a session stands still. */
export const isPaused = ({ pauses }: Pick<Session, 'pauses'>): boolean =>
  pauses.at(-1)?.to === null;

/** A session stands still from then on, or goes on; where it does already, or has ended, it is the same. */
export function pauseOver(
  session: Session,
  { at, isPaused: stands }: { readonly at: string; readonly isPaused: boolean },
): Session {
  if (session.endedAt !== null || isPaused(session) === stands) return session;
  return stands
    ? { ...session, pauses: [...session.pauses, { from: at, to: null }] }
    : goingOn(session, at);
}

/** Reads the clock of a session. `now` is an ISO instant. */
export function readClock(
  session: Pick<
    Session,
    'steps' | 'stepStarts' | 'startedAt' | 'plannedMinutes' | 'endedAt' | 'pauses'
  >,
  now: string,
): SessionClock {
  const end = session.endedAt ?? now;
  const stepIndex = Math.min(session.stepStarts.length, session.steps.length) - 1;
  const step = session.steps[stepIndex] ?? session.steps[0];
  if (!step) throw new Error('invariant: a session has a step');
  const minutesSince = (start: string | undefined) =>
    workedMinutesOf(session, start ?? session.startedAt, end);
  const stepMinutes = minutesSince(session.stepStarts.at(-1));
  const totalMinutes = minutesSince(session.startedAt);
  return {
    stepIndex,
    step,
    stepMinutes,
    totalMinutes,
    stepLeftMinutes: step.minutes - stepMinutes,
    totalLeftMinutes: session.plannedMinutes - totalMinutes,
  };
}
