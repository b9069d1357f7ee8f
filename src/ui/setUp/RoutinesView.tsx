'use client';

import { useState } from 'react';
import { useFieldArray } from 'react-hook-form';

import type { RoutineBreak } from '@/core/look';
import { binsOf, routineFor, type Routine, type RoutineStep } from '@/core/setUp';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { Link } from '../primitives/Link';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';
import { useTypedForm } from '../useTypedForm';
import { dayShort } from './cardWords';
import { routineFormSchema, toTypedRoutine, type RoutineTyped } from './cardForms';

export interface RoutinesViewProps {
  readonly roomName: string;
  readonly routines: readonly Routine[];
  readonly breaks: readonly RoutineBreak[];
  readonly today: string;
  /** `%` stands for the routine's id. */
  readonly cardHref: string;
  readonly shopHref: string;
  readonly onRoutine: (id: string | undefined, typed: RoutineTyped) => Promise<ActionResult>;
  readonly onRemove: (id: string) => Promise<ActionResult>;
  readonly onHang: (id: string, hungOn: string | null) => Promise<ActionResult>;
  readonly onCheck: (id: string, check: { on: string; holds: boolean }) => Promise<ActionResult>;
}
interface Changing extends Pick<Routine, 'name' | 'broke'> {
  readonly id: string | undefined;
  readonly steps: readonly RoutineStep[];
}

/** Where a routine broke, the new one: small steps, a bin each, a card to hang up, looked at again. */
export function RoutinesView(props: RoutinesViewProps) {
  const { roomName, routines, breaks, onRoutine } = props;
  const [changing, setChanging] = useState<Changing>();
  const open = breaks.filter(({ what }) => routines.every(({ broke }) => !broke.startsWith(what)));
  const begin = (broke: string) => setChanging({ id: undefined, broke, ...routineFor(broke) });
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1 className="text-[24px]">Routines, {roomName.toLowerCase()}</h1>
        <Button look="main" onClick={() => begin('')}>
          Add a routine
        </Button>
      </div>
      {open.map((each) => (
        <div key={each.what} className="panel flex flex-wrap items-center gap-3 p-4">
          <p className="flex-1 text-[15px]">
            <b>{each.what}</b>{' '}
            <span className="text-soft">
              {[each.who, each.when, each.failingStep].filter((fact) => fact !== '').join(' · ')}
            </span>
          </p>
          <Button onClick={() => begin(`${each.what}. ${each.failingStep}`.trim())}>
            Make a new one of it
          </Button>
        </div>
      ))}
      {routines.length === 0 && open.length === 0 && (
        <p className="panel p-4">
          No routine is written down here. What broke on the walk-through, noted in Look, waits here
          for a new one.
        </p>
      )}
      {routines.map((routine) => (
        <RoutineCard
          key={routine.id}
          routine={routine}
          {...props}
          onChange={() => setChanging(routine)}
        />
      ))}
      <Sheet
        title={changing?.name ?? 'A routine'}
        isOpen={changing !== undefined}
        onOpenChange={() => setChanging(undefined)}
      >
        {changing && (
          <RoutineForm
            start={changing}
            onSave={(typed) => onRoutine(changing.id, typed)}
            onDone={() => setChanging(undefined)}
          />
        )}
      </Sheet>
    </div>
  );
}

function RoutineCard({
  routine,
  today,
  cardHref,
  shopHref,
  onHang,
  onCheck,
  onRemove,
  onChange,
}: RoutinesViewProps & { readonly routine: Routine; readonly onChange: () => void }) {
  const { mutate, isPending } = useMutation();
  const { id, name, steps, hungOn, checks } = routine;
  const bins = binsOf(routine);
  const last = checks.at(-1);
  const checked = (holds: boolean) => void mutate(() => onCheck(id, { on: today, holds }));
  return (
    <section aria-label={name} className="panel p-4">
      <h2 className="text-[18px]">{name}</h2>
      <ol className="mt-1 grid gap-1">
        {steps.map(({ what, who, when, where, bin }, i) => (
          <li key={i} className="flex gap-2 text-[15px]">
            <span className="w-5 shrink-0 text-right font-mono text-soft">{i + 1}</span>
            <span>
              {what}{' '}
              <span className="text-[14px] text-soft">
                {[who, when, where, bin].filter((fact) => fact !== '').join(' · ')}
              </span>
            </span>
          </li>
        ))}
      </ol>
      {bins.length > 0 && (
        <p className="mt-2 text-[14px]">
          It needs, to be put on the shopping list:{' '}
          {bins.map((bin, i) => (
            <span key={bin}>
              {i > 0 && '; '}
              <Link
                className="text-rim underline"
                href={`${shopHref}?need=${encodeURIComponent(bin)}`}
              >
                {bin}
              </Link>
            </span>
          ))}
        </p>
      )}
      <p className="mt-1 text-[14px] text-soft">
        {hungOn === null
          ? 'The card does not hang yet.'
          : `The card hangs since ${dayShort(hungOn)}.`}
        {last &&
          ` Looked at on ${dayShort(last.on)}: it ${last.holds ? 'holds' : 'does not hold'}.`}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <a className={buttonClass('quiet')} href={cardHref.replace('%', id)} target="_blank">
          Card to hang up
        </a>
        <Button
          disabled={isPending}
          onClick={() => void mutate(() => onHang(id, hungOn === null ? today : null))}
        >
          {hungOn === null ? 'It hangs now' : 'Taken down'}
        </Button>
        <Button disabled={isPending} onClick={() => checked(true)}>
          It holds
        </Button>
        <Button disabled={isPending} onClick={() => checked(false)}>
          It does not hold
        </Button>
        <Button onClick={onChange} aria-label={`Change ${name}`}>
          Change
        </Button>
        <Button
          disabled={isPending}
          aria-label={`Remove ${name}`}
          onClick={() => void mutate(() => onRemove(id), { offersUndo: true })}
        >
          Remove
        </Button>
      </div>
    </section>
  );
}

function RoutineForm({
  start,
  onSave,
  onDone,
}: {
  readonly start: Changing;
  readonly onSave: (typed: RoutineTyped) => Promise<ActionResult>;
  readonly onDone: () => void;
}) {
  const { register, control, errors, submit, isSaving } = useTypedForm({
    schema: routineFormSchema,
    start: toTypedRoutine(start),
    save: onSave,
    onDone,
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'steps' });
  return (
    <form className="grid gap-3" noValidate onSubmit={submit}>
      <TextField label="It is called" isNeeded error={errors.name?.message} {...register('name')} />
      <TextField label="What broke" error={errors.broke?.message} {...register('broke')} />
      {fields.map((field, i) => (
        <fieldset key={field.id} className="grid gap-2 border-t border-line pt-2">
          <legend className="text-[14px] font-[650]">Step {i + 1}</legend>
          <TextField
            label="What"
            isNeeded
            error={errors.steps?.[i]?.what?.message}
            {...register(`steps.${i}.what`)}
          />
          <div className="grid gap-2 sm:grid-cols-2">
            <TextField label="Who" {...register(`steps.${i}.who`)} />
            <TextField label="When" {...register(`steps.${i}.when`)} />
            <TextField label="Where" {...register(`steps.${i}.where`)} />
            <TextField label="Which bin, tray or hook" {...register(`steps.${i}.bin`)} />
          </div>
          <div>
            <Button aria-label={`Remove step ${i + 1}`} onClick={() => remove(i)}>
              Remove this step
            </Button>
          </div>
        </fieldset>
      ))}
      {errors.steps?.message !== undefined && (
        <p className="text-[14px] text-signal-deep">{errors.steps.message}</p>
      )}
      <div className="flex gap-2">
        <Button onClick={() => append({ what: '', who: '', where: '', when: '', bin: '' })}>
          Another step
        </Button>
        <Button type="submit" look="main" disabled={isSaving}>
          Keep
        </Button>
      </div>
    </form>
  );
}
