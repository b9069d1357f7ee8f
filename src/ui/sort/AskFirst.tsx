'use client';

import { useEffect, useRef, useState } from 'react';

import type { Verdict } from '@/core/sort';
import { Button } from '../primitives/Button';
import { useKeys } from '../primitives/useKeys';
import { verdictWords } from './sortWords';

interface AskFirstProps {
  /** What never leaves without asking, as the household said it. */
  readonly wish: string;
  readonly verdict: Verdict;
  /** People of the household, the client first. */
  readonly people: readonly string[];
  readonly onAsk: () => void;
  readonly onAgreed: (who: string) => void;
  readonly onCancel: () => void;
}

/** Stops a thing that never leaves without asking: it waits for the client, unless one says yes at once. */
export function AskFirst({ wish, verdict, people, onAsk, onAgreed, onCancel }: AskFirstProps) {
  const [who, setWho] = useState(people[0] ?? '');
  const panelRef = useRef<HTMLDivElement>(null);
  useEffect(() => panelRef.current?.querySelector<HTMLElement>('button')?.focus(), []);
  useKeys({ q: onAsk, escape: onCancel });
  return (
    <div
      ref={panelRef}
      role="group"
      aria-label="This asks first"
      className="panel mt-3 flex flex-wrap items-center gap-2 border-l-4 border-l-signal p-3"
    >
      <p className="basis-full">
        <b>Never leaves without asking: “{wish}”.</b>
      </p>
      <Button look="main" onClick={onAsk}>
        Ask the client <kbd className="max-md:hidden">Q</kbd>
      </Button>
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (who.trim() !== '') onAgreed(who.trim());
        }}
      >
        <label htmlFor="who-agreed">or</label>
        <input
          id="who-agreed"
          list="who-may-agree"
          aria-label="Who says yes now"
          className="input w-[170px]"
          maxLength={80}
          value={who}
          onChange={(event) => setWho(event.target.value)}
        />
        <datalist id="who-may-agree">
          {people.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
        <Button type="submit" disabled={who.trim() === ''}>
          says yes now: {verdictWords[verdict].toLowerCase()}
        </Button>
      </form>
      <Button onClick={onCancel}>
        Back <kbd className="max-md:hidden">Esc</kbd>
      </Button>
    </div>
  );
}
