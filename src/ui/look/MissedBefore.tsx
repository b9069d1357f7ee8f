'use client';

import { useState } from 'react';

import type { VantagePoint } from '@/core/look';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';

export interface MissedBeforeProps {
  readonly vantagePoint: VantagePoint;
  /** Null takes it back: the picture is asked for again. */
  readonly onMissed: (vantagePointId: string, said: string | null) => Promise<ActionResult>;
}

/** Somebody has moved things before the picture: a sentence stands in for it, and it is no longer asked for. */
export function MissedBefore({ vantagePoint, onMissed }: MissedBeforeProps) {
  const { mutate, isPending } = useMutation();
  const [isOpen, setIsOpen] = useState(false);
  const [said, setSaid] = useState(vantagePoint.beforeMissed ?? '');
  const keep = async (text: string | null) => {
    if ((await mutate(() => onMissed(vantagePoint.id, text))).ok) setIsOpen(false);
  };
  if (!isOpen)
    return (
      <p className="no-print mt-2 flex flex-wrap items-center gap-x-3 text-[14px]">
        {vantagePoint.beforeMissed !== null && (
          <span>
            <b>No “before”:</b> {vantagePoint.beforeMissed}
          </span>
        )}
        <button
          type="button"
          className="min-h-9 text-rim underline underline-offset-3 max-md:min-h-12"
          onClick={() => setIsOpen(true)}
        >
          {vantagePoint.beforeMissed === null ? 'The “before” was missed' : 'change the note'}
        </button>
      </p>
    );
  return (
    <form
      className="no-print mt-2 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (said.trim() !== '') void keep(said.trim());
      }}
    >
      <label className="min-w-[240px] flex-1">
        <span className="caption mb-1 block">What it looked like, and why there is no picture</span>
        <input
          autoFocus
          className="input"
          placeholder="e.g. the bed stood across the window; it was moved the evening before"
          maxLength={200}
          value={said}
          onChange={(event) => setSaid(event.target.value)}
        />
      </label>
      <Button type="submit" look="main" disabled={isPending || said.trim() === ''}>
        Keep it
      </Button>
      {vantagePoint.beforeMissed !== null && (
        <Button disabled={isPending} onClick={() => void keep(null)}>
          It was not missed
        </Button>
      )}
      <Button onClick={() => setIsOpen(false)}>Back</Button>
    </form>
  );
}
