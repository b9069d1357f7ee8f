'use client';

import { capital } from '@/core/shared';
import { useState } from 'react';

import type { Look } from '@/core/again';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { Link } from '../primitives/Link';
import { stepHref } from '../shell/scope';
import { useFieldAct } from '../field/useFieldAct';
import { useMutation } from '../useMutation';
import { longDay, lookWords } from './againWords';

interface LooksViewProps {
  readonly projectId: string;
  readonly today: string;
  readonly looks: readonly Look[];
  /** Of each look that was made: what was found, a sentence each. */
  readonly found: Readonly<Record<string, readonly string[]>>;
  readonly onMove: (
    at: Pick<Look, 'roomId' | 'kind' | 'plannedOn'>,
    dueOn: string,
  ) => Promise<ActionResult>;
}

/** When the home is looked at again, and what was found so far. */
export function LooksView(props: LooksViewProps) {
  const { projectId, looks, found } = props;
  const ahead = looks.filter(({ doneOn }) => doneOn === null);
  const made = looks.filter(({ doneOn }) => doneOn !== null).reverse();
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-[24px]">Look again</h1>
          <p className="max-w-[70ch] text-[14.5px]">
            {looks.length === 0
              ? 'Looks plan themselves once a room has its pictures after: in two weeks, in a month, at each season’s swap, in a year.'
              : 'Change the system, not the people: what overflows, wanders or has no label is noted and mended.'}
          </p>
        </div>
        {ahead.length > 0 && (
          <a className={buttonClass('quiet')} href={`/api/projects/${projectId}/looks`} download>
            Calendar file
          </a>
        )}
      </div>
      {ahead.length > 0 && (
        <section aria-label="Ahead" className="panel border-t-4 border-t-rim p-4">
          <h2 className="text-[18px]">Ahead</h2>
          <ul className="divide-y divide-line">
            {ahead.map((look) => (
              <LookLine key={look.id} {...props} look={look} />
            ))}
          </ul>
        </section>
      )}
      {made.length > 0 && (
        <section aria-label="Made" className="panel p-4">
          <h2 className="text-[18px]">Made</h2>
          <ul className="divide-y divide-line">
            {made.map((look) => (
              <li key={look.id} className="py-2">
                <b>{capital(lookWords(look))}</b>, {longDay(look.doneOn ?? look.dueOn)}
                <ul className="list-disc pl-5 text-[14.5px]">
                  {(found[look.id] ?? []).map((words) => (
                    <li key={words}>{words}</li>
                  ))}
                </ul>
                {(found[look.id] ?? []).length === 0 && (
                  <p className="text-[14.5px] text-soft">Everything was as meant.</p>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

function LookLine({
  projectId,
  today,
  look,
  onMove,
}: Pick<LooksViewProps, 'projectId' | 'today' | 'onMove'> & { readonly look: Look }) {
  const { mutate, isPending } = useMutation();
  const { act, isPending: isActing } = useFieldAct();
  const [day, setDay] = useState(look.dueOn);
  const isDue = look.dueOn <= today;
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1.5 py-2.5">
      <span className="min-w-[200px] flex-1">
        <b>{capital(lookWords(look))}</b>
        <span className={`block text-[14px] ${isDue ? 'text-signal-deep' : 'text-soft'}`}>
          {longDay(look.dueOn)}
          {isDue && ', due'}
        </span>
      </span>
      <input
        type="date"
        className="input w-auto"
        aria-label={`Day of ${lookWords(look)}`}
        value={day}
        disabled={isPending}
        onChange={(event) => setDay(event.target.value)}
        onBlur={() => day !== '' && day !== look.dueOn && void mutate(() => onMove(look, day))}
      />
      {look.roomId === null && isDue && (
        <Button
          look="main"
          disabled={isPending || isActing}
          onClick={() =>
            void act({
              kind: 'look_made',
              look: { roomId: null, kind: look.kind, plannedOn: look.plannedOn },
              note: '',
              doneOn: today,
            })
          }
        >
          It was made
        </Button>
      )}
      {look.roomId !== null && (
        <Link
          className={buttonClass(isDue ? 'main' : 'quiet')}
          href={stepHref({ projectId, roomId: look.roomId }, 'look-again')}
        >
          Walk through
        </Link>
      )}
    </li>
  );
}
