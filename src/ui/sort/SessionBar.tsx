'use client';

import dynamic from 'next/dynamic';
import { Pause, Play, SkipForward } from 'lucide-react';
import { useState, type ReactNode } from 'react';

import { createRandom } from '@/core/shared';
import {
  earlierIntervalsOf,
  isPaused,
  pauseOver,
  readClock,
  sessionProgressOf,
  stepOver,
  type DecisionEvent,
  type Session,
} from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { useFieldAct, useWaitingCommands } from '../field/useFieldAct';
import { useWakeLock } from '../inHand/useWakeLock';
import { Button } from '../primitives/Button';
import { useAtRest } from '../primitives/useAtRest';
import { useNow } from '../primitives/useNow';
import { methodWords, progressWords } from './sortWords';
import type { SessionTyped } from './sessionForm';
import { StepList } from './StepList';

const loadStart = () => import('./StartSession');
const StartSession = dynamic(() => loadStart().then((part) => part.StartSession));

export interface SessionBarProps {
  readonly session: Session | undefined;
  /** What lies in the session's section, in litres; 0 where no section was chosen. */
  readonly sectionLitres: number;
  readonly sectionName: string | undefined;
  readonly log: readonly DecisionEvent[];
  readonly sections: readonly {
    readonly id: string;
    readonly name: string;
    readonly inScope: boolean;
  }[];
  readonly people: readonly string[];
  readonly ownMethods: readonly { readonly id: string; readonly name: string }[];
  /** The way that was agreed for this room. */
  readonly agreedMethod: string;
  readonly onStart: (typed: SessionTyped) => Promise<ActionResult>;
  readonly onChangeSteps: (sessionId: string, steps: Session['steps']) => Promise<ActionResult>;
  /** What the room should make possible again, asked once a session has ended. */
  readonly endChecks: ReactNode;
  readonly onKeepMethod: (name: string, steps: Session['steps']) => Promise<ActionResult>;
}

/** The session at hand: which step, how long it still has, the pace, and when the section will be done. */
export function SessionBar(props: SessionBarProps) {
  const [isStarting, setIsStarting] = useState(false);
  // What was typed stays when the sheet is put away.
  const [wasStarted, setWasStarted] = useState(false);
  if (isStarting && !wasStarted) setWasStarted(true);
  const { session } = props;
  useAtRest(loadStart);
  const start = wasStarted && (
    <StartSession isOpen={isStarting} onOpenChange={setIsStarting} {...props} />
  );
  if (!session || session.endedAt !== null) {
    return (
      <div className="mb-3 flex flex-wrap items-center gap-3 text-[14px]">
        <Button look="quiet" onClick={() => setIsStarting(true)}>
          <Play size={15} aria-hidden="true" /> Start a session
        </Button>
        <span className="text-soft">
          {session
            ? 'The last session has ended; what is decided is kept all the same.'
            : 'Steps with their own clock, pace and forecast. The bench works without, too.'}
        </span>
        {start}
        {session && props.endChecks}
      </div>
    );
  }
  return (
    <>
      <RunningSession key={session.id} {...props} session={session} />
      {start}
    </>
  );
}

function RunningSession({
  session: kept,
  sectionLitres,
  sectionName,
  log,
  onChangeSteps,
  onKeepMethod,
}: SessionBarProps & { readonly session: Session }) {
  const { act, isPending: isBusy } = useFieldAct();
  // As the desk will have it, by the same function.
  const session = useWaitingCommands().reduce((before, each) => {
    if (each.kind === 'step_over' && each.sessionId === before.id) return stepOver(before, each);
    if (each.kind === 'paused' && each.sessionId === before.id) return pauseOver(before, each);
    return before;
  }, kept);
  useWakeLock(!isPaused(session));
  const now = useNow(5000);
  const step = (way: 'next' | 'end') =>
    void act({
      kind: 'step_over',
      roomId: session.roomId,
      sessionId: session.id,
      from: session.stepStarts.length,
      isEnd: way === 'end',
    });
  const clock = readClock(
    session,
    (now ?? new Date(session.stepStarts.at(-1) ?? session.startedAt)).toISOString(),
  );
  const progress = sessionProgressOf({
    session,
    log,
    sectionLitres,
    earlierIntervals: earlierIntervalsOf(log, session.startedAt),
    minutesLeft: clock.totalLeftMinutes,
    random: createRandom(log.length + 1),
  });
  const isOver = clock.stepLeftMinutes < 0;
  // On a phone the pace speaks up only when something follows from it.
  const calls = progress.pace.breakBecause !== undefined || progress.skipCount > 0;
  const isLast = clock.stepIndex === session.steps.length - 1;
  return (
    <section aria-label="Session" className="panel mb-3 px-3 py-2">
      <div className="flex items-center gap-x-4 max-md:flex-wrap max-md:gap-x-2">
        <p className="min-w-[84px] flex-1 leading-tight">
          <b className="font-head text-[16px] font-[650]">{clock.step.name}</b>{' '}
          <span className="text-[13.5px] text-soft max-md:block max-md:text-[12.5px]">
            <span className="folded:hidden">{methodWords(session.method)}, </span>step{' '}
            {clock.stepIndex + 1} of {session.steps.length}
            <span className="folded:hidden">
              {sectionName === undefined ? '' : ` · ${sectionName}`}
            </span>
          </span>
          <span className="block text-[13.5px] text-soft folded:hidden">{clock.step.guidance}</span>
        </p>
        <p
          role="timer"
          aria-label="Time left in this step"
          className={`shrink-0 font-mono text-[20px] font-[650] max-md:text-[17px] ${isOver ? 'text-signal-deep' : ''}`}
        >
          {minutesWords(clock.stepLeftMinutes)}{' '}
          <span className="text-[13px] font-normal text-soft">
            {isPaused(session) ? 'paused, ' : ''}
            {isOver ? 'over' : 'left'}
            <span className="folded:hidden"> · {minutesWords(clock.totalLeftMinutes)} in all</span>
          </span>
        </p>
        <span className="flex shrink-0 gap-1.5">
          <Button
            disabled={isBusy}
            aria-label={isPaused(session) ? 'Go on with the session' : 'Pause the session'}
            onClick={() =>
              void act({
                kind: 'paused',
                roomId: session.roomId,
                sessionId: session.id,
                isPaused: !isPaused(session),
              })
            }
          >
            {isPaused(session) ? (
              <>
                <Play size={15} aria-hidden="true" /> Go on
              </>
            ) : (
              <Pause size={15} aria-hidden="true" />
            )}
          </Button>
          <Button disabled={isBusy} onClick={() => step(isLast ? 'end' : 'next')}>
            <SkipForward size={15} aria-hidden="true" />{' '}
            {isLast ? 'End' : (session.steps[clock.stepIndex + 1]?.name ?? 'Next')}
          </Button>
          {!isLast && (
            <Button className="folded:hidden" disabled={isBusy} onClick={() => step('end')}>
              End
            </Button>
          )}
        </span>
      </div>
      <p
        role="status"
        aria-label="Pace"
        className={`mt-1 text-[13.5px] max-md:text-[12.5px] ${calls ? '' : 'folded:hidden'} ${calls ? 'text-signal-deep' : 'text-soft'}`}
      >
        {progressWords(progress, now)}
      </p>
      <StepList
        key={session.steps.map(({ name }) => name).join('|')}
        session={session}
        activeIndex={clock.stepIndex}
        onKeepMethod={onKeepMethod}
        onChangeSteps={(steps) => onChangeSteps(session.id, steps)}
      >
        <p className="mb-1 text-[13.5px] text-soft beside:hidden">
          {clock.step.guidance} {progressWords(progress, now)}
        </p>
        {!isLast && (
          <Button className="beside:hidden" disabled={isBusy} onClick={() => step('end')}>
            End the session
          </Button>
        )}
      </StepList>
    </section>
  );
}

/** Minutes and seconds below ten minutes, whole minutes above. */
function minutesWords(minutes: number): string {
  const size = Math.abs(minutes);
  if (size >= 10) return `${Math.round(size)} min`;
  const seconds = Math.round(size * 60);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}
