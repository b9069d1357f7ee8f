'use client';

import { Pencil, Plus, X } from 'lucide-react';
import { useState } from 'react';

import type { RoutineBreak } from '@/core/look';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';

const EMPTY: RoutineBreak = { what: '', who: '', when: '', failingStep: '', isMended: null };

interface RoutineBreaksProps {
  readonly breaks: readonly RoutineBreak[];
  readonly onSave: (breaks: readonly RoutineBreak[]) => Promise<ActionResult>;
  /** Asks whether each holds by now, and offers nothing new. */
  readonly isAsking?: boolean;
}

/** Where a routine breaks: what, who, when, and which step of it fails. */
export function RoutineBreaks({ breaks, onSave, isAsking = false }: RoutineBreaksProps) {
  const { mutate } = useMutation();
  const [typed, setTyped] = useState<RoutineBreak>();
  /** The one that is edited; undefined: a new one. */
  const [editedAt, setEditedAt] = useState<number>();
  const keep = async (next: readonly RoutineBreak[]) => {
    const result = await mutate(() => onSave(next));
    if (result.ok) setTyped(undefined);
  };
  const change = (at: number, part: Partial<RoutineBreak>) =>
    void keep(breaks.map((each, i) => (i === at ? { ...each, ...part } : each)));
  const field = (name: 'what' | 'who' | 'when', label: string, placeholder: string) =>
    typed && (
      <TextField
        label={label}
        placeholder={placeholder}
        maxLength={name === 'what' ? 160 : 80}
        value={typed[name]}
        onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
      />
    );
  return (
    <div>
      <ul className="grid gap-1.5">
        {breaks.map((each, i) => (
          <li key={i} className="panel flex items-center gap-3 px-3 py-2">
            <span className="min-w-0 flex-1 leading-snug">
              {each.what}
              <span className="block text-[13.5px] text-soft">
                {[each.who, each.when, sayFailing(each)].filter(Boolean).join(' · ')}
              </span>
            </span>
            {isAsking ? (
              <MendedChoice
                isMended={each.isMended}
                name={each.what}
                onChoose={(isMended) => change(i, { isMended })}
              />
            ) : (
              <button
                type="button"
                aria-label={`Edit “${each.what}”`}
                onClick={() => {
                  setEditedAt(i);
                  setTyped(each);
                }}
                className="grid size-9 place-items-center rounded hover:bg-well max-md:size-12"
              >
                <Pencil size={15} />
              </button>
            )}
            {!isAsking && (
              <button
                type="button"
                aria-label={`Remove “${each.what}”`}
                onClick={() => void keep(breaks.filter((_, at) => at !== i))}
                className="grid size-9 place-items-center rounded hover:bg-well max-md:size-12"
              >
                <X size={15} />
              </button>
            )}
          </li>
        ))}
      </ul>
      {typed ? (
        <form
          className="panel mt-2 grid gap-x-3 gap-y-2 p-3 sm:grid-cols-2"
          onSubmit={(event) => {
            event.preventDefault();
            void keep(
              editedAt === undefined
                ? [...breaks, typed]
                : breaks.map((each, i) => (i === editedAt ? typed : each)),
            );
          }}
        >
          {field('what', 'What goes wrong', 'e.g. wet boots stay on the stairs')}
          <label>
            <span className="caption mb-1 block">Which steps fail, one a line</span>
            <textarea
              className="input min-h-[64px]"
              rows={2}
              maxLength={600}
              placeholder="e.g. nowhere to sit down"
              value={typed.failingStep}
              onChange={(event) => setTyped({ ...typed, failingStep: event.target.value })}
            />
          </label>
          {field('who', 'Who', 'e.g. Ida and Tom')}
          {field('when', 'When', 'e.g. weekdays after school')}
          <div className="flex items-center gap-2 sm:col-span-2">
            <Button type="submit" look="main" disabled={typed.what.trim() === ''}>
              Keep
            </Button>
            <Button onClick={() => setTyped(undefined)}>Back</Button>
          </div>
        </form>
      ) : (
        !isAsking && (
          <Button
            className="mt-2"
            onClick={() => {
              setEditedAt(undefined);
              setTyped(EMPTY);
            }}
          >
            <Plus size={16} aria-hidden="true" /> A routine that breaks
          </Button>
        )
      )}
    </div>
  );
}

/** The steps that fail, and whether it holds by now. */
function sayFailing({ failingStep, isMended }: RoutineBreak): string {
  const steps = failingStep
    .split('\n')
    .map((step) => step.trim())
    .filter((step) => step !== '');
  const fails = steps.length === 0 ? '' : `fails at: ${steps.join('; ')}`;
  if (isMended === null) return fails;
  return [fails, isMended ? 'holds by now' : 'still breaks'].filter(Boolean).join(' · ');
}

function MendedChoice({
  isMended,
  name,
  onChoose,
}: {
  readonly isMended: boolean | null;
  readonly name: string;
  readonly onChoose: (isMended: boolean) => void;
}) {
  return (
    <span role="group" aria-label={`Does it hold: ${name}`} className="flex gap-1.5">
      {([true, false] as const).map((holds) => (
        <Button
          key={String(holds)}
          aria-pressed={isMended === holds}
          onClick={() => onChoose(holds)}
        >
          {holds ? 'holds' : 'breaks'}
        </Button>
      ))}
    </span>
  );
}
