'use client';

import { useState } from 'react';

import type { ShippedRule } from '@/core/count';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';

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
  const [name, setName] = useState(rule?.name ?? '');
  const [because, setBecause] = useState(rule?.because ?? '');
  const [amounts, setAmounts] = useState<Readonly<Record<AmountKey, string>>>(
    () =>
      Object.fromEntries(AMOUNTS.map(([key]) => [key, String(rule?.[key] ?? 0)])) as Record<
        AmountKey,
        string
      >,
  );
  const [problem, setProblem] = useState('');
  const read = (key: AmountKey) => Number(amounts[key].trim().replace(',', '.') || '0');
  const errorOf = (key: AmountKey) =>
    Number.isFinite(read(key)) && read(key) >= 0 && read(key) <= 1000 ? undefined : '0 to 1000';
  const save = async (isOff: boolean) => {
    const numbers = Object.fromEntries(AMOUNTS.map(([key]) => [key, read(key)])) as Record<
      AmountKey,
      number
    >;
    const words =
      rule?.words ??
      name
        .split(',')
        .map((word) => word.trim().toLowerCase())
        .filter(Boolean);
    const result = await onSave({
      name: rule?.name ?? name.trim(),
      words,
      because,
      isOff,
      ...numbers,
    });
    setProblem(result.ok ? '' : result.message);
  };
  return (
    <form
      className="mt-1.5 grid gap-x-3 gap-y-2 rounded-[5px] border border-line bg-white p-3 sm:grid-cols-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (AMOUNTS.every(([key]) => errorOf(key) === undefined)) void save(false);
      }}
    >
      {!rule && (
        <TextField
          label="Things, by their names"
          className="sm:col-span-3"
          hint="Singular, several with commas: egg cup, egg spoon"
          maxLength={60}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      )}
      {AMOUNTS.map(([key, label]) => (
        <TextField
          key={key}
          label={label}
          measure
          inputMode="decimal"
          value={amounts[key]}
          error={errorOf(key)}
          onChange={(event) => setAmounts({ ...amounts, [key]: event.target.value })}
        />
      ))}
      <TextField
        label="Because"
        className="sm:col-span-3"
        maxLength={160}
        value={because}
        onChange={(event) => setBecause(event.target.value)}
      />
      {problem !== '' && (
        <p role="alert" className="warn sm:col-span-3">
          {problem}
        </p>
      )}
      <div className="flex flex-wrap gap-2 sm:col-span-3">
        <Button type="submit" look="main" disabled={!rule && name.trim() === ''}>
          Keep the rule
        </Button>
        {rule && <Button onClick={() => void save(true)}>Do not count these</Button>}
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
