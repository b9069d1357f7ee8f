'use client';

import type { AnswerOnDesk } from '@/core/client';
import { goesOverSomething } from '@/core/client';
import { formatMoney, type Currency } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';
import { askedName, saidAtWords, saidWords, sayingWords, standingWords } from './clientWords';

interface AnswerLinesProps {
  readonly answers: readonly AnswerOnDesk[];
  readonly currency: Currency;
  readonly onTake: (answerId: string, despite: boolean) => Promise<ActionResult>;
  readonly onSetAside: (answerId: string) => Promise<ActionResult>;
}

/** What the client answered, a line each; nothing changes before it is taken. */
export function AnswerLines({ answers, currency, onTake, onSetAside }: AnswerLinesProps) {
  const { mutate, isPending } = useMutation();
  const plain = answers.filter(
    ({ answer, standing }) => answer.says !== 'talk' && standing.is === 'same',
  );
  const takeAll = async () => {
    for (const { answer } of plain) {
      const taken = await mutate(() => onTake(answer.id, false));
      if (!taken.ok) return;
    }
  };
  return (
    <>
      <ul className="divide-y divide-line">
        {answers.map((each) => (
          <AnswerLine
            key={each.answer.id}
            each={each}
            currency={currency}
            isPending={isPending}
            onTake={(despite) => void mutate(() => onTake(each.answer.id, despite))}
            onSetAside={() => void mutate(() => onSetAside(each.answer.id))}
          />
        ))}
      </ul>
      {plain.length > 1 && (
        <Button look="main" disabled={isPending} className="mt-2" onClick={() => void takeAll()}>
          Take all {plain.length} that are as they were asked
        </Button>
      )}
    </>
  );
}

function AnswerLine({
  each: { answer, standing, before },
  currency,
  isPending,
  onTake,
  onSetAside,
}: {
  each: AnswerOnDesk;
  currency: Currency;
  isPending: boolean;
  onTake: (despite: boolean) => void;
  onSetAside: () => void;
}) {
  const { asked, says, words } = answer;
  const changed = standingWords(standing, currency);
  const isOver = says !== 'talk' && goesOverSomething(standing);
  const canTake = standing.is !== 'gone';
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1.5 py-2.5">
      <span className="min-w-[220px] flex-1">
        <b>{askedName(asked)}</b>
        {asked.about === 'purchase' && (
          <span className="font-mono text-[14px]">
            {' '}
            at {formatMoney(asked.lineMinor, currency)}
          </span>
        )}
        <span className="block">
          {saidWords(says)}
          {words !== '' && <q className="ml-1">{words}</q>}
        </span>
        <span className="block text-[14px] text-soft">
          {saidAtWords(answer)}
          {asked.about !== 'agreement' && `, ${asked.roomName.toLowerCase()}`}
        </span>
        {before && (
          <span className="block text-[14px]">
            Before: “{sayingWords[before.says].toLowerCase()}”, which was taken.
          </span>
        )}
        {changed !== '' && (
          <span className="block text-[14.5px] text-signal-deep">
            Since it was asked: {changed}.
          </span>
        )}
      </span>
      <span className="flex flex-wrap gap-2">
        {canTake && (
          <Button
            look={isOver ? 'plain' : 'quiet'}
            disabled={isPending}
            onClick={() => onTake(isOver)}
          >
            {takeWords(says, isOver)}
          </Button>
        )}
        <Button disabled={isPending} onClick={onSetAside}>
          Set aside
        </Button>
      </span>
    </li>
  );
}

function takeWords(says: AnswerOnDesk['answer']['says'], isOver: boolean): string {
  if (says === 'talk') return 'We have talked';
  return isOver ? 'Take it all the same' : 'Take it';
}
