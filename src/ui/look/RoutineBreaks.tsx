'use client';

import { Plus, X } from 'lucide-react';
import { useState } from 'react';

import type { RoutineBreak } from '@/core/look';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';

const EMPTY: RoutineBreak = { what: '', who: '', when: '', failingStep: '' };

interface RoutineBreaksProps {
  readonly breaks: readonly RoutineBreak[];
  readonly onSave: (breaks: readonly RoutineBreak[]) => Promise<ActionResult>;
}

/** Where a routine breaks: what, who, when, and which step of it fails. */
export function RoutineBreaks({ breaks, onSave }: RoutineBreaksProps) {
  const { mutate } = useMutation();
  const [typed, setTyped] = useState<RoutineBreak>();
  const keep = async (next: readonly RoutineBreak[]) => {
    const result = await mutate(() => onSave(next));
    if (result.ok) setTyped(undefined);
  };
  const field = (name: keyof RoutineBreak, label: string, placeholder: string) =>
    typed && (
      <TextField
        label={label}
        placeholder={placeholder}
        maxLength={name === 'who' || name === 'when' ? 80 : 160}
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
                {[each.who, each.when, each.failingStep && `fails at: ${each.failingStep}`]
                  .filter(Boolean)
                  .join(' · ')}
              </span>
            </span>
            <button
              type="button"
              aria-label={`Remove “${each.what}”`}
              onClick={() => void keep(breaks.filter((_, at) => at !== i))}
              className="grid size-9 place-items-center rounded hover:bg-well max-md:size-11"
            >
              <X size={15} />
            </button>
          </li>
        ))}
      </ul>
      {typed ? (
        <form
          className="panel mt-2 grid gap-x-3 gap-y-2 p-3 sm:grid-cols-2"
          onSubmit={(event) => {
            event.preventDefault();
            void keep([...breaks, typed]);
          }}
        >
          {field('what', 'What goes wrong', 'e.g. wet boots stay on the stairs')}
          {field('failingStep', 'Which step fails', 'e.g. nowhere to sit down')}
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
        <Button className="mt-2" onClick={() => setTyped(EMPTY)}>
          <Plus size={16} aria-hidden="true" /> A routine that breaks
        </Button>
      )}
    </div>
  );
}
