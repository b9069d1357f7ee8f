'use client';

import { useWatch } from 'react-hook-form';
import { useState } from 'react';

import { isSamePerson, type Worker } from '@/core/visits';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';
import { useTypedForm } from '../useTypedForm';
import { toTypedWorker, workerFormSchema, type WorkerTyped } from '../visits/visitForm';
import { Weekdays } from '../visits/Weekdays';
import { clockWords, WEEKDAYS } from '../visits/visitWords';

interface WorkersProps {
  readonly workers: readonly Worker[];
  /** Everybody who comes to a home. */
  readonly names: readonly string[];
  readonly onSave: (name: string, typed: WorkerTyped) => Promise<ActionResult>;
  readonly onRemove: (name: string) => Promise<ActionResult>;
}

const USUAL: Omit<WorkerTyped, 'name'> = {
  weekdays: [1, 2, 3, 4, 5],
  from: '8:00',
  to: '18:00',
  weekHours: '',
  awayDays: '',
  liftKg: '',
};

/** Who works, on which days and hours, in all homes together. */
export function Workers({ workers, names, onSave, onRemove }: WorkersProps) {
  const [edited, setEdited] = useState<{ readonly name: string; readonly typed: WorkerTyped }>();
  return (
    <section aria-label="Who works" className="panel p-4">
      <div className="flex flex-wrap items-center gap-2.5">
        <h2 className="mr-auto text-[18px]">Who works, and when</h2>
        <Button onClick={() => setEdited({ name: '', typed: { ...USUAL, name: '' } })}>
          Add somebody
        </Button>
      </div>
      <p className="mt-0.5 text-[14px] text-soft">
        Days are proposed by it. Somebody without hours here comes whenever the home can be visited,
        for up to 8 h a day.
      </p>
      <ul className="mt-1 divide-y divide-line">
        {names.map((name) => {
          const worker = workers.find((each) => isSamePerson(each.name, name));
          return (
            <li key={name} className="flex flex-wrap items-center gap-x-3 py-1 text-[14.5px]">
              <b>{name}</b>
              <span className="mr-auto text-soft">{worker ? hoursOf(worker) : 'no hours set'}</span>
              <button
                type="button"
                className="min-h-9 text-[14px] text-rim underline underline-offset-3 max-md:min-h-12"
                onClick={() =>
                  setEdited({ name, typed: worker ? toTypedWorker(worker) : { ...USUAL, name } })
                }
              >
                {worker ? 'Change' : 'Set hours'}
                <span className="sr-only"> of {name}</span>
              </button>
            </li>
          );
        })}
      </ul>
      {edited && (
        <WorkerSheet
          key={edited.name}
          typed={edited.typed}
          isKnown={workers.some((each) => isSamePerson(each.name, edited.name))}
          onSave={(typed) => onSave(edited.name, typed)}
          onRemove={() => onRemove(edited.name)}
          onDone={() => setEdited(undefined)}
        />
      )}
    </section>
  );
}

const hoursOf = (worker: Worker): string =>
  [
    `${worker.weekdays.map((day) => WEEKDAYS[day - 1]).join(', ')}, ${clockWords(worker.fromMinute)} to ${clockWords(worker.toMinute)}`,
    worker.weekMinutes !== null && `at most ${worker.weekMinutes / 60} h a week`,
    worker.awayDays.length > 0 && `away ${worker.awayDays.join(', ')}`,
  ]
    .filter(Boolean)
    .join(', ');

function WorkerSheet({
  typed,
  isKnown,
  onSave,
  onRemove,
  onDone,
}: {
  readonly typed: WorkerTyped;
  readonly isKnown: boolean;
  readonly onSave: (typed: WorkerTyped) => Promise<ActionResult>;
  readonly onRemove: () => Promise<ActionResult>;
  readonly onDone: () => void;
}) {
  const { register, control, errors, submit, setValue, isSaving } = useTypedForm({
    schema: workerFormSchema,
    start: typed,
    save: onSave,
    onDone,
  });
  const { mutate } = useMutation();
  const weekdays = useWatch({ control, name: 'weekdays' });
  const remove = async () => {
    const result = await mutate(onRemove);
    if (result.ok) onDone();
  };
  return (
    <Sheet
      isOpen
      onOpenChange={onDone}
      title={typed.name === '' ? 'Somebody who works' : typed.name}
    >
      <form className="grid gap-3" noValidate onSubmit={submit}>
        <TextField label="Name" isNeeded error={errors.name?.message} {...register('name')} />
        <Weekdays
          chosen={weekdays}
          error={errors.weekdays?.message}
          onChange={(days) => setValue('weekdays', days)}
        />
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
          <TextField
            label="From"
            isNeeded
            measure
            error={errors.from?.message}
            {...register('from')}
          />
          <TextField label="To" isNeeded measure error={errors.to?.message} {...register('to')} />
          <TextField
            label="Hours a week at most"
            measure
            inputMode="decimal"
            error={errors.weekHours?.message}
            {...register('weekHours')}
          />
        </div>
        <TextField
          label="Days away"
          placeholder="2026-12-24, 2026-12-27"
          error={errors.awayDays?.message}
          {...register('awayDays')}
        />
        <TextField
          label="Lifts at most, kg"
          hint="Boxes that leave weigh no more. Nothing typed: what was agreed for the home."
          measure
          inputMode="decimal"
          error={errors.liftKg?.message}
          {...register('liftKg')}
        />
        <div className="flex gap-2">
          <Button type="submit" look="main" disabled={isSaving}>
            Keep
          </Button>
          {isKnown && <Button onClick={() => void remove()}>Take the hours away</Button>}
        </div>
      </form>
    </Sheet>
  );
}
