'use client';

import { useState, type ReactNode } from 'react';

import type { Session } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';

interface StepListProps {
  readonly session: Session;
  readonly activeIndex: number;
  readonly onKeepMethod: (name: string, steps: Session['steps']) => Promise<ActionResult>;
  readonly children?: ReactNode;
}

/** The steps of the session; changed, they can be kept as the organizer's own way. */
export function StepList({ session, activeIndex, onKeepMethod, children }: StepListProps) {
  const { mutate } = useMutation();
  const [steps, setSteps] = useState(session.steps);
  const [name, setName] = useState('');
  const change = (i: number, part: Partial<Session['steps'][number]>) =>
    setSteps(steps.map((step, at) => (at === i ? { ...step, ...part } : step)));
  const keep = async () => {
    await mutate(() => onKeepMethod(name, steps), {
      done: `“${name}” can be chosen from the next session on.`,
    });
  };
  return (
    <details className="text-[14px]">
      <summary className="min-h-8 py-1 text-[13.5px] text-rim max-md:min-h-11">
        All steps, and a way of your own
      </summary>
      {children}
      <ol className="grid gap-1.5 py-1">
        {steps.map((step, i) => (
          <li
            key={i}
            className={`grid gap-2 rounded p-1.5 sm:grid-cols-[150px_1fr_92px_auto] ${i === activeIndex ? 'bg-rim-wash' : ''}`}
          >
            <TextField
              label={`Step ${i + 1}`}
              value={step.name}
              maxLength={60}
              onChange={(event) => change(i, { name: event.target.value })}
            />
            <TextField
              label="What to do"
              value={step.guidance}
              maxLength={240}
              onChange={(event) => change(i, { guidance: event.target.value })}
            />
            <TextField
              label="Minutes"
              measure
              type="number"
              min={1}
              max={600}
              value={step.minutes}
              onChange={(event) =>
                change(i, { minutes: Math.max(1, Math.round(Number(event.target.value))) })
              }
            />
            <Button
              className="self-end"
              disabled={steps.length < 2}
              onClick={() => setSteps(steps.filter((_, at) => at !== i))}
            >
              Leave out
            </Button>
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap items-end gap-2 pb-1">
        <Button
          disabled={steps.length >= 12}
          onClick={() =>
            setSteps([...steps, { name: 'Another step', guidance: '', minutes: 10, share: 0.1 }])
          }
        >
          Add a step
        </Button>
        <TextField
          label="Keep these steps as"
          value={name}
          maxLength={60}
          placeholder="e.g. my Tuesday way"
          onChange={(event) => setName(event.target.value)}
        />
        <Button disabled={name.trim() === ''} onClick={() => void keep()}>
          Keep
        </Button>
      </div>
    </details>
  );
}
