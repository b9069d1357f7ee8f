'use client';

import { useState } from 'react';

import type { FairValue } from '@/core/takeAway';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';
import { TAX_NOTE } from './takeAwayWords';

const write = (values: readonly FairValue[]): string =>
  values
    .map(({ words, lowMinor, highMinor }) => `${words} ${lowMinor / 100}-${highMinor / 100}`)
    .join('\n');

/** What things are assumed to fetch second-hand, a line each; typed over as one likes. */
export function FairValues({
  values,
  onSave,
}: {
  readonly values: readonly FairValue[];
  readonly onSave: (text: string) => Promise<ActionResult>;
}) {
  const [text, setText] = useState(write(values));
  const { mutate, isPending } = useMutation();
  return (
    <details className="panel p-4">
      <summary className="min-h-10 content-center font-head text-[18px] font-[650]">
        Assumed second-hand values
      </summary>
      <p className="my-1 text-[14px] text-soft">{TAX_NOTE} A line each: words, low-high.</p>
      <textarea
        aria-label="Assumed second-hand values"
        className="input min-h-[220px] font-mono text-[14px]"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Button
        className="mt-2"
        look="main"
        disabled={isPending}
        onClick={() => void mutate(() => onSave(text), { done: 'Kept.' })}
      >
        Keep these values
      </Button>
    </details>
  );
}
