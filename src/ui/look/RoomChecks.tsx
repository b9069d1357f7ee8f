'use client';

import dynamic from 'next/dynamic';
import { useAtRest } from '../primitives/useAtRest';
import { Check, CircleHelp, Pencil, Plus, X } from 'lucide-react';
import { useParams } from 'next/navigation';
import { useState } from 'react';

import type { CheckAnswer } from '@/core/look';
import { formatLength, type LengthUnit, type RoomId, toId } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { useFieldAct, useWaitingCommands } from '../field/useFieldAct';
import { Button } from '../primitives/Button';
import { choiceLook } from '../primitives/choiceLook';
import { useMutation } from '../useMutation';
import { type CheckTyped } from './checkForm';
import { emptyCheck, toTypedCheck } from './checkTyped';

interface RoomChecksProps {
  readonly answers: readonly CheckAnswer[];
  /** Units whose top can be a table. */
  readonly tables: readonly { readonly id: string; readonly name: string }[];
  readonly measureUnit: LengthUnit;
  /** Undefined where checks are only answered. */
  readonly onSave: ((typed: CheckTyped) => Promise<ActionResult>) | undefined;
  readonly onRemove: ((checkId: string) => Promise<ActionResult>) | undefined;
  /** They are answered here, with a connection or without. */
  readonly isAsking?: boolean;
}

const loadForm = () => import('./CheckForm');
const CheckForm = dynamic(() => loadForm().then((part) => part.CheckForm));

/** What should be possible in this room again, each with how it stands. */
export function RoomChecks({
  answers,
  tables,
  measureUnit,
  onSave,
  onRemove,
  isAsking = false,
}: RoomChecksProps) {
  const { mutate } = useMutation();
  const { act } = useFieldAct();
  const roomId = toId<RoomId>(useParams<{ roomId: string }>().roomId);
  const waiting = useWaitingCommands();
  /** As it will be once the desk has what waits. */
  const saidOf = ({ check }: CheckAnswer) => {
    const last = waiting.findLast(
      (each) => each.kind === 'check_answered' && each.checkId === check.id,
    );
    return last?.kind === 'check_answered' ? last.answer : check.answer;
  };
  const [editing, setEditing] = useState<CheckTyped>();
  useAtRest(loadForm);

  return (
    <div>
      <ul className="grid gap-1.5">
        {answers.map((answer) => (
          <li
            key={answer.check.id}
            className="panel flex flex-wrap items-center gap-x-3 gap-y-1 px-3 py-2"
          >
            <AnswerMark answer={answer} />
            <span className="min-w-0 flex-1 basis-[200px] leading-snug">
              {answer.check.text}
              {answer.check.clear && (
                <span className="block text-[13.5px] text-soft">
                  <span className="measure text-[13px]">
                    {formatLength(answer.check.clear.width.mm, measureUnit)} ×{' '}
                    {formatLength(answer.check.clear.depth.mm, measureUnit)}
                  </span>{' '}
                  of {answer.check.clear.surface} kept clear
                  {beforeWords(answer, tables)}
                  {answer.isComputed ? ', read off the plan' : ''}
                  {answer.isFreeSomewhere &&
                    `; the plan has it somewhere. Name what it is before${isAsking ? ', or say yes' : ''}`}
                </span>
              )}
            </span>
            {isAsking && (
              <span className="flex gap-1.5">
                {(['yes', 'no'] as const).map((each) => (
                  <button
                    key={each}
                    type="button"
                    aria-pressed={saidOf(answer) === each}
                    onClick={() =>
                      void act({
                        kind: 'check_answered',
                        roomId,
                        checkId: answer.check.id,
                        answer: saidOf(answer) === each ? null : each,
                      })
                    }
                    className={choiceLook(saidOf(answer) === each, 'min-h-10 px-3')}
                  >
                    {each}
                  </button>
                ))}
              </span>
            )}
            {onSave && (
              <button
                type="button"
                aria-label={`Change “${answer.check.text}”`}
                onClick={() => setEditing(toTypedCheck(answer.check))}
                className="grid size-9 place-items-center rounded hover:bg-well max-md:size-12"
              >
                <Pencil size={15} />
              </button>
            )}
            {onRemove && (
              <button
                type="button"
                aria-label={`Remove “${answer.check.text}”`}
                onClick={() => void mutate(() => onRemove(answer.check.id), { offersUndo: true })}
                className="grid size-9 place-items-center rounded hover:bg-well max-md:size-12"
              >
                <X size={15} />
              </button>
            )}
          </li>
        ))}
      </ul>
      {onSave &&
        (editing ? (
          <CheckForm
            typed={editing}
            tables={tables}
            measureUnit={measureUnit}
            onSave={onSave}
            onDone={() => setEditing(undefined)}
          />
        ) : (
          <Button className="mt-2" onClick={() => setEditing(emptyCheck)}>
            <Plus size={16} aria-hidden="true" /> Something that should be possible again
          </Button>
        ))}
    </div>
  );
}

function beforeWords({ check }: CheckAnswer, units: RoomChecksProps['tables']): string {
  const unit = units.find(({ id }) => id === check.clear?.unitId);
  if (!unit || check.clear?.surface !== 'floor' || check.clear.place !== null) return '';
  return `, before ${unit.name}`;
}

function AnswerMark({ answer }: { answer: CheckAnswer }) {
  if (answer.isMet === undefined)
    return (
      <CircleHelp size={18} className="shrink-0 text-soft" role="img" aria-label="not known yet" />
    );
  return answer.isMet ? (
    <Check size={18} className="shrink-0 text-rim" role="img" aria-label="yes" />
  ) : (
    <X size={18} className="shrink-0 text-signal-deep" role="img" aria-label="no" />
  );
}
