'use client';

import { useId, useState } from 'react';

import type { ActionResult } from '../actionResult';
import { TextField } from '../primitives/Field';
import { mergeTyped, type TermsTyped } from './termsForm';
import { useMutation } from '../useMutation';

interface TermsFormProps {
  readonly typed: TermsTyped;
  readonly onSave: (typed: TermsTyped) => Promise<ActionResult>;
}

/**
 * Goals, look, what never leaves, money and time. Kept whenever a field is left; nothing waits for
 * a button.
 */
export function TermsForm({ typed: given, onSave }: TermsFormProps) {
  const [typed, setTyped] = useState(given);
  const [kept, setKept] = useState(given);
  const [base, setBase] = useState(given);
  // What is kept comes back, or another's change or an undo comes in: fields that are being typed
  // in stay as they are.
  if (JSON.stringify(given) !== JSON.stringify(base)) {
    setTyped(mergeTyped(typed, given, [base, kept]));
    setBase(given);
    setKept(given);
  }
  const { mutate, fields } = useMutation({ showsFields: true });
  const keep = async () => {
    if (JSON.stringify(typed) === JSON.stringify(kept)) return;
    if ((await mutate(() => onSave(typed))).ok) setKept(typed);
  };
  const errorOf = (name: keyof TermsTyped) => fields[`form.${name}`] ?? fields[name];
  const field = (name: keyof TermsTyped, label: string, hint?: string) => (
    <TextField
      label={label}
      measure
      inputMode="decimal"
      hint={hint}
      value={typed[name]}
      error={errorOf(name)}
      onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
      onBlur={() => void keep()}
    />
  );
  const area = (name: keyof TermsTyped, label: string, placeholder: string, rows: number) => (
    <Area
      label={label}
      rows={rows}
      placeholder={placeholder}
      value={typed[name]}
      error={errorOf(name)}
      onChange={(text) => setTyped({ ...typed, [name]: text })}
      onBlur={() => void keep()}
    />
  );
  return (
    <section aria-label="Terms" className="panel grid content-start gap-3 p-4">
      <h2 className="text-[18px]">With the client</h2>
      {area('goals', 'Goals', 'What is different when we are done?', 3)}
      {area('wantedLook', 'The look wanted', 'e.g. calm, nothing on the floor', 2)}
      {area(
        'neverLeaves',
        'What must never leave without asking, one a line',
        'e.g. anything of Gran’s',
        3,
      )}
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        {field('hourlyRate', 'Fee an hour')}
        {field('reusePercent', 'Containers from what is here, at least %')}
        {field('visitHours', 'Hours a visit')}
        {field('visitsPerWeek', 'Visits a week')}
        {field('crewCount', 'People at work')}
      </div>
      <p role="status" className="min-h-5 text-[13px] text-soft">
        {JSON.stringify(typed) === JSON.stringify(kept)
          ? 'Kept as you leave each field.'
          : 'Not kept yet.'}
      </p>
    </section>
  );
}

interface AreaProps {
  readonly label: string;
  readonly rows: number;
  readonly placeholder: string;
  readonly value: string;
  readonly error: string | undefined;
  readonly onChange: (text: string) => void;
  readonly onBlur: () => void;
}

function Area({ label, rows, placeholder, value, error, onChange, onBlur }: AreaProps) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="caption mb-1 block">
        {label}
      </label>
      <textarea
        id={id}
        rows={rows}
        className="input resize-y leading-snug"
        placeholder={placeholder}
        value={value}
        aria-invalid={error !== undefined}
        onChange={(event) => onChange(event.target.value)}
        onBlur={onBlur}
      />
      {error !== undefined && (
        <p role="alert" className="mt-1 text-[13px] text-signal-deep">
          {error}
        </p>
      )}
    </div>
  );
}
