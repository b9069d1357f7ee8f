'use client';

import { useState } from 'react';

import type { ActionResult } from '../actionResult';
import { TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';

const hoursTyped = (minutes: number): string => String(Math.round(minutes / 6) / 10);

/** The hours a room took, noted by the organizer; later estimates are corrected by them. */
export function HoursNote({
  workedMinutes,
  ranMinutes,
  visitMinutes,
  onNote,
}: {
  workedMinutes: number | null;
  /** What the sessions of this room ran, pauses left out. */
  ranMinutes: number;
  /** What its visits took; undefined where none was in it. */
  visitMinutes: number | undefined;
  onNote: (hours: string) => Promise<ActionResult>;
}) {
  const { mutate, fields } = useMutation({ showsFields: true });
  const known = workedMinutes === null ? '' : String(Math.round((workedMinutes / 60) * 100) / 100);
  const [typed, setTyped] = useState(known);
  const keep = async () => {
    if (typed === known) return;
    await mutate(() => onNote(typed));
  };
  const ran = hoursTyped(ranMinutes);
  return (
    <div>
      <TextField
        label="Hours worked here"
        measure
        inputMode="decimal"
        value={typed}
        error={fields.hours}
        placeholder={visitMinutes === undefined ? undefined : hoursTyped(visitMinutes)}
        hint={
          visitMinutes === undefined
            ? 'Makes the next estimates better.'
            : `Its visits took ${hoursTyped(visitMinutes)} h: typed hours count instead.`
        }
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => void keep()}
        onKeyDown={(event) => event.key === 'Enter' && void keep()}
      />
      {ranMinutes >= 3 && typed !== ran && (
        <button
          type="button"
          className="mt-1 min-h-9 text-[14px] text-rim underline underline-offset-3 max-md:min-h-12"
          onClick={() => {
            setTyped(ran);
            void mutate(() => onNote(ran));
          }}
        >
          its sessions ran {ran} hours: take that
        </button>
      )}
    </div>
  );
}
