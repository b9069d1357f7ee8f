'use client';

import type { z } from 'zod';

import type { ShippedRule } from '@/core/count';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';
import { useTypedForm } from '../useTypedForm';
import { ruleFormSchema } from './ruleForm';

export type RuleTyped = ShippedRule & {
  readonly isOff: boolean;
  readonly isShipped?: boolean;
  readonly ownId?: string | null;
};

interface RuleFormProps {
  /** Undefined for a new one. */
  readonly rule: RuleTyped | undefined;
  readonly onSave: (typed: RuleTyped) => Promise<ActionResult>;
  readonly onDrop?: () => Promise<ActionResult>;
  readonly onBack: () => void;
}

const AMOUNTS = [
  ['perPerson', 'Each person'],
  ['perBed', 'Each bed'],
  ['perGuestPlace', 'Each guest place'],
  ['perDay', 'Each day to washday'],
  ['perPersonDay', 'Each person and day'],
  ['perHome', 'The home'],
] as const;
type AmountKey = (typeof AMOUNTS)[number][0];

/** The figures of a rule; what is typed stays until it is kept. */
export function RuleForm({ rule, onSave, onDrop, onBack }: RuleFormProps) {
  const { register, errors, submit, getValues } = useTypedForm({
    schema: ruleFormSchema,
    start: {
      name: rule?.name ?? '',
      because: rule?.because ?? '',
      ...(Object.fromEntries(AMOUNTS.map(([key]) => [key, String(rule?.[key] ?? 0)])) as Record<
        AmountKey,
        string
      >),
    },
    save: (_, read) => onSave(toRule(rule, read)),
  });
  const { mutate } = useMutation();
  const switchOff = () =>
    void mutate(() => {
      const read = ruleFormSchema.safeParse(getValues());
      // What was typed and makes no sense is no reason to go on counting: the rule stays as it was.
      return onSave({
        ...(read.success ? toRule(rule, read.data) : rule),
        isOff: true,
      } as RuleTyped);
    });
  return (
    <form
      className="mt-1.5 grid gap-x-3 gap-y-2 rounded-[5px] border border-line bg-white p-3 sm:grid-cols-3"
      noValidate
      onSubmit={submit}
    >
      {!rule && (
        <TextField
          label="Things, by their names"
          isNeeded
          className="sm:col-span-3"
          hint="Singular, several with commas: egg cup, egg spoon"
          error={errors.name?.message}
          {...register('name')}
        />
      )}
      {AMOUNTS.map(([key, label]) => (
        <TextField
          key={key}
          label={label}
          measure
          inputMode="decimal"
          error={errors[key]?.message}
          {...register(key)}
        />
      ))}
      <TextField
        label="Because"
        className="sm:col-span-3"
        error={errors.because?.message}
        {...register('because')}
      />
      <div className="flex flex-wrap gap-2 sm:col-span-3">
        <Button type="submit" look="main">
          Keep the rule
        </Button>
        {rule && <Button onClick={switchOff}>Do not count these</Button>}
        {rule?.ownId && onDrop && (
          <Button onClick={() => void onDrop()}>
            {rule.isShipped ? 'Back to the usual figures' : 'Remove the rule'}
          </Button>
        )}
        <Button onClick={onBack}>Back</Button>
      </div>
    </form>
  );
}

/** A rule of a household; the words of a new one are its name, parted at commas. */
function toRule(
  rule: RuleTyped | undefined,
  { name, ...figures }: z.output<typeof ruleFormSchema>,
): RuleTyped {
  const words = name.split(',').map((word) => word.trim().toLowerCase());
  return {
    ...figures,
    name: rule?.name ?? name,
    words: rule?.words ?? words.filter(Boolean),
    isOff: false,
  };
}
