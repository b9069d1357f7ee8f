'use client';

import { useState } from 'react';

import type { DaysAnswer } from '@/core/visits';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';
import type { SectionChoice } from './VisitSheet';
import { scheduleReasonWords } from './scheduleWords';
import { riskWords, timesWords, visitDayWords } from './visitWords';

interface ProposeDaysProps {
  readonly readyBy: string | null;
  readonly sections: readonly SectionChoice[];
  readonly onAsk: () => Promise<ActionResult<DaysAnswer>>;
  readonly onTake: (visits: DaysAnswer['visits']) => Promise<ActionResult>;
}

/** Days for what is still to be done: worked out, looked at, then taken or left. */
export function ProposeDays({ readyBy, sections, onAsk, onTake }: ProposeDaysProps) {
  const { mutate, isPending } = useMutation();
  const [answer, setAnswer] = useState<DaysAnswer>();
  const ask = async () => {
    const result = await mutate(onAsk);
    if (result.ok) setAnswer(result.value);
  };
  const take = async () => {
    if (!answer) return;
    const result = await mutate(() => onTake(answer.visits), { offersUndo: true });
    if (result.ok) setAnswer(undefined);
  };
  const risk = answer && riskWords(answer, readyBy);
  const nameOf = (id: string) => sections.find((section) => section.id === id);
  return (
    <section aria-label="Proposed days" className="panel border-t-4 border-t-rim p-4">
      <div className="flex flex-wrap items-center gap-2.5">
        <h2 className="mr-auto text-[18px]">Days for what is to be done</h2>
        <Button look={answer ? 'quiet' : 'main'} disabled={isPending} onClick={() => void ask()}>
          {answer ? 'Work it out again' : 'Propose days'}
        </Button>
      </div>
      {!answer && (
        <p className="mt-1 max-w-[64ch] text-[14px] text-soft">
          By the estimate of each section in the order of the work, the days below, and what is
          planned in other homes. Visits that are pinned or begun stay; nothing changes until you
          take it.
        </p>
      )}
      {answer && risk && (
        <>
          <p className={risk.isAtRisk ? 'warn mt-2' : 'mt-2 text-[14.5px]'} role="status">
            {answer.visits.length === 0 && answer.status === 'optimal'
              ? 'Nothing is left to plan: every section is done or in a visit that stays.'
              : risk.words}
          </p>
          {answer.reasons.slice(0, 3).map((reason) => (
            <p key={`${reason.code} ${reason.subject}`} className="mt-1 text-[14px]">
              {scheduleReasonWords(reason, {
                task: (id) => nameOf(id.split(' ')[0] ?? '')?.name ?? 'A section',
                time: () => 'the last of these days',
              })}
            </p>
          ))}
          <ol className="mt-2 divide-y divide-line">
            {answer.visits.map((visit) => (
              <li key={visit.day} className="flex flex-wrap gap-x-3 py-1.5 text-[14.5px]">
                <b>{visitDayWords(visit.day)}</b>
                <span className="font-mono text-[14px]">{timesWords(visit)}</span>
                <span className="text-soft">
                  {visit.sectionIds.map((id) => nameOf(id)?.name ?? '').join(', ')}
                </span>
              </li>
            ))}
          </ol>
          <div className="mt-2 flex gap-2">
            {answer.visits.length > 0 && (
              <Button look="main" disabled={isPending} onClick={() => void take()}>
                Take these days
              </Button>
            )}
            <Button onClick={() => setAnswer(undefined)}>Leave it</Button>
          </div>
        </>
      )}
    </section>
  );
}
