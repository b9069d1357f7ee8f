'use client';

import { ArrowDown, ArrowUp, Plus, X } from 'lucide-react';
import { useState, type ReactNode } from 'react';

import type { Session } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';

interface StepListProps {
  readonly session: Session;
  readonly activeIndex: number;
  /** Takes the steps for this session, from the one at hand on. */
  readonly onChangeSteps: (steps: Session['steps']) => Promise<ActionResult>;
  readonly onKeepMethod: (name: string, steps: Session['steps']) => Promise<ActionResult>;
  readonly children?: ReactNode;
}

/** The steps of the session; changed, they can be kept as the organizer's own way. */
export function StepList({
  session,
  activeIndex,
  onKeepMethod,
  onChangeSteps,
  children,
}: StepListProps) {
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
      <summary className="min-h-8 py-1 text-[13.5px] text-rim max-md:min-h-12">
        All steps, and a way of your own
      </summary>
      {children}
      <ol className="grid gap-1.5 py-1">
        {steps.map((step, i) => (
          <li
            key={i}
            className={`grid items-end gap-2 rounded p-1.5 sm:grid-cols-[150px_1fr_92px_auto] ${i === activeIndex ? 'bg-rim-wash' : ''}`}
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
            <StepMoves
              name={step.name}
              isBegun={i <= activeIndex}
              canRise={i > activeIndex + 1}
              canSink={i > activeIndex && i < steps.length - 1}
              canAdd={steps.length < 12}
              onMove={(by) => setSteps(moved(steps, i, by))}
              onAdd={() => setSteps([...steps.slice(0, i), NEW_STEP, ...steps.slice(i)])}
              onLeaveOut={() => setSteps(steps.filter((_, at) => at !== i))}
            />
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap items-end gap-2 pb-1">
        <Button disabled={steps.length >= 12} onClick={() => setSteps([...steps, NEW_STEP])}>
          Add a step
        </Button>
        <Button
          disabled={steps === session.steps}
          onClick={() => void mutate(() => onChangeSteps(steps))}
        >
          Use them in this session
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

const NEW_STEP: Session['steps'][number] = {
  name: 'Another step',
  guidance: '',
  minutes: 10,
  share: 0.1,
};

function moved(steps: Session['steps'], from: number, by: -1 | 1): Session['steps'] {
  const list = [...steps];
  const [step] = list.splice(from, 1);
  if (step) list.splice(from + by, 0, step);
  return list;
}

interface StepMovesProps {
  readonly name: string;
  /** What was begun stays where it is. */
  readonly isBegun: boolean;
  readonly canRise: boolean;
  readonly canSink: boolean;
  readonly canAdd: boolean;
  readonly onMove: (by: -1 | 1) => void;
  readonly onAdd: () => void;
  readonly onLeaveOut: () => void;
}

/** Puts a step in before this one, moves it, leaves it out. */
function StepMoves({
  name,
  isBegun,
  canRise,
  canSink,
  canAdd,
  onMove,
  onAdd,
  onLeaveOut,
}: StepMovesProps) {
  if (isBegun) return <span className="self-center text-[13.5px] text-soft">begun</span>;
  const look =
    'grid size-9 place-items-center rounded-[5px] border border-line bg-white ' +
    'disabled:opacity-40 max-md:size-12';
  const acts = [
    { label: `A step before ${name}`, icon: Plus, isOff: !canAdd, act: onAdd },
    { label: `${name} earlier`, icon: ArrowUp, isOff: !canRise, act: () => onMove(-1) },
    { label: `${name} later`, icon: ArrowDown, isOff: !canSink, act: () => onMove(1) },
    { label: `Leave out ${name}`, icon: X, isOff: false, act: onLeaveOut },
  ] as const;
  return (
    <span className="flex gap-1">
      {acts.map(({ label, icon: Icon, isOff, act }) => (
        <button
          key={label}
          type="button"
          aria-label={label}
          title={label}
          disabled={isOff}
          className={look}
          onClick={act}
        >
          <Icon size={15} aria-hidden="true" />
        </button>
      ))}
    </span>
  );
}
