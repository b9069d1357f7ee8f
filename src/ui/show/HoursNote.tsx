'use client';

import { useState } from 'react';

import type { ActionResult } from '../actionResult';
import { TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';

/** The hours a room took, noted by the organizer; later estimates are corrected by them. */
export function HoursNote({
  workedMinutes,
  onNote,
}: {
  workedMinutes: number | null;
  onNote: (hours: string) => Promise<ActionResult>;
}) {
  const { mutate, fields } = useMutation({ showsFields: true });
  const known = workedMinutes === null ? '' : String(Math.round((workedMinutes / 60) * 100) / 100);
  const [typed, setTyped] = useState(known);
  const keep = async () => {
    if (typed === known) return;
    await mutate(() => onNote(typed));
  };
  return (
    <TextField
      label="Hours worked here"
      measure
      inputMode="decimal"
      value={typed}
      error={fields.hours}
      hint="Makes the next estimates better."
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => void keep()}
      onKeyDown={(event) => event.key === 'Enter' && void keep()}
    />
  );
}
