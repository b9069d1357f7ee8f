'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';

import type { ActionResult } from '../actionResult';
import { TextField } from '../primitives/Field';

/** The hours a room took, noted by the organizer; later estimates are corrected by them. */
export function HoursNote({
  workedMinutes,
  onNote,
}: {
  workedMinutes: number | null;
  onNote: (hours: string) => Promise<ActionResult>;
}) {
  const router = useRouter();
  const known = workedMinutes === null ? '' : String(Math.round((workedMinutes / 60) * 100) / 100);
  const [typed, setTyped] = useState(known);
  const [problem, setProblem] = useState('');
  const keep = async () => {
    if (typed === known) return;
    const result = await onNote(typed);
    setProblem(result.ok ? '' : result.message.replace(/^hours: /, ''));
    router.refresh();
  };
  return (
    <TextField
      label="Hours worked here"
      measure
      inputMode="decimal"
      value={typed}
      error={problem === '' ? undefined : problem}
      hint="Makes the next estimates better."
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => void keep()}
      onKeyDown={(event) => event.key === 'Enter' && void keep()}
    />
  );
}
