'use client';

import { useEffect, useRef, useState } from 'react';

import { traitsOf, type Verdict } from '@/core/sort';
import { Button } from '../primitives/Button';
import { useKeys } from '../primitives/useKeys';
import { destinationQuestions } from './sortWords';

export interface Destination {
  readonly label: string;
  readonly to: string;
}

interface WhereToProps {
  readonly verdict: Verdict;
  readonly destinations: readonly Destination[];
  readonly onChoose: (to: string) => void;
  readonly onCancel: () => void;
  /** Said before the question; empty: nothing. */
  readonly note?: string;
  /** Into the bin all the same. */
  readonly onBin?: (() => void) | undefined;
}

/** Asks where a thing goes: one digit, or a name. */
export function WhereTo({
  verdict,
  destinations,
  onChoose,
  onCancel,
  note = '',
  onBin,
}: WhereToProps) {
  const { asks } = traitsOf(verdict);
  const question = asks ? destinationQuestions[asks] : '';
  const [name, setName] = useState('');
  const panelRef = useRef<HTMLDivElement>(null);
  useEffect(() => panelRef.current?.querySelector<HTMLElement>('input, button')?.focus(), []);
  const byDigit = Object.fromEntries(
    destinations.slice(0, 9).map(({ to }, i) => [String(i + 1), () => onChoose(to)]),
  );
  useKeys({ ...byDigit, escape: onCancel });
  return (
    <div
      ref={panelRef}
      role="group"
      aria-label={question}
      className="panel mt-3 flex flex-wrap items-center gap-2 border-l-4 border-l-signal p-3"
    >
      <b className="mr-1">
        {note} {question}
      </b>
      {asks === 'person' && (
        <form
          className="flex gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim() !== '') onChoose(name.trim());
          }}
        >
          <input
            className="input w-[180px]"
            aria-label="Name of who gets it"
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.target.value)}
            onKeyDown={(event) => event.key === 'Escape' && onCancel()}
          />
          <Button type="submit" look="main" disabled={name.trim() === ''}>
            Give
          </Button>
        </form>
      )}
      {destinations.map(({ label, to }, i) => (
        <Button key={label} onClick={() => onChoose(to)}>
          {label} {i < 9 && <kbd className="max-md:hidden">{i + 1}</kbd>}
        </Button>
      ))}
      {onBin && <Button onClick={onBin}>the bin all the same</Button>}
      <Button onClick={onCancel}>
        Back <kbd className="max-md:hidden">Esc</kbd>
      </Button>
    </div>
  );
}
