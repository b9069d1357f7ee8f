'use client';

import { useSyncExternalStore } from 'react';

import { USUAL_FILL_PERCENT } from '@/core/place';
import { TextField } from '../primitives/Field';

const KEY = 'tinbox-place-fill';
const CHANGED = 'tinbox-place-fill-changed';

interface FillPercent {
  readonly typed: string;
  /** Undefined while what is typed is no whole number from 1 to 100. */
  readonly percent: number | undefined;
  readonly type: (text: string) => void;
}

function subscribe(onChange: () => void): () => void {
  window.addEventListener(CHANGED, onChange);
  return () => window.removeEventListener(CHANGED, onChange);
}
const usual = () => String(USUAL_FILL_PERCENT.value);

/** How full a proposal may make a place; kept on this device. */
export function useFillPercent(): FillPercent {
  const typed = useSyncExternalStore(
    subscribe,
    () => window.localStorage.getItem(KEY) ?? usual(),
    usual,
  );
  const number = Number(typed);
  return {
    typed,
    percent: Number.isInteger(number) && number >= 1 && number <= 100 ? number : undefined,
    type: (text) => {
      window.localStorage.setItem(KEY, text);
      window.dispatchEvent(new Event(CHANGED));
    },
  };
}

const { low, high } = USUAL_FILL_PERCENT;

export function FillField({ fill }: { readonly fill: FillPercent }) {
  return (
    <TextField
      label="Filled at most, % of a place"
      className="mt-2 max-w-[420px]"
      inputMode="numeric"
      value={fill.typed}
      error={fill.percent === undefined ? 'A whole number from 1 to 100' : undefined}
      hint={`The rest is for walls of containers, gaps and hands: assumed, ${low} to ${high}.`}
      onChange={(event) => fill.type(event.target.value)}
    />
  );
}
