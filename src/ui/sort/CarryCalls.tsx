'use client';

import { useState } from 'react';

import { formatCount, formatLitres, formatMass } from '@/core/shared';
import {
  boxesNow,
  carryCountOf,
  openDebts,
  type Amount,
  type Carry,
  type Verdict,
} from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { verdictWords } from './sortWords';
import { useMutation } from '../useMutation';

interface CarryTyped {
  readonly verdict: Verdict | null;
  readonly litres: number;
  readonly massG: number;
  readonly note: string;
  readonly dueOn: string | null;
}
interface CarryCallsProps {
  readonly tally: Readonly<Record<Verdict, Amount>>;
  readonly carries: readonly Carry[];
  readonly liftLimitG: number;
  readonly onCarry: (typed: CarryTyped) => Promise<ActionResult>;
  readonly onSettle: (carryId: string) => Promise<ActionResult>;
}

/** Calls for a full box to go out now, and remembers what went out unsorted until it is settled. */
export function CarryCalls({ tally, carries, liftLimitG, onCarry, onSettle }: CarryCallsProps) {
  const { mutate, isPending: isBusy } = useMutation();
  const [isNoting, setIsNoting] = useState(false);
  const due = boxesNow(tally, carries, liftLimitG).filter(({ isDue }) => isDue);
  const debts = openDebts(carries);
  return (
    <section aria-label="Carrying out" className="mt-4 grid gap-1.5 text-[14px]">
      {due.map((box) => (
        <p key={box.verdict} className="warn flex flex-wrap items-center gap-x-3 gap-y-1.5">
          <span className="min-w-0 flex-1">
            <b>{verdictWords[box.verdict]}: carry it out now.</b> {formatLitres(box.litres)},{' '}
            {formatMass(box.massG)};{' '}
            {formatCount(carryCountOf(box, liftLimitG), 'carry', 'carries')} of at most{' '}
            {formatMass(liftLimitG)}.
          </span>
          <Button
            disabled={isBusy}
            onClick={() =>
              void mutate(() =>
                onCarry({
                  verdict: box.verdict,
                  litres: Math.round(box.litres * 100) / 100,
                  massG: Math.round(box.massG),
                  note: '',
                  dueOn: null,
                }),
              )
            }
          >
            It is out
          </Button>
        </p>
      ))}
      {debts.map((debt) => (
        <p key={debt.id} className="warn flex flex-wrap items-center gap-x-3 gap-y-1.5">
          <span className="min-w-0 flex-1">
            <b>Went out unsorted:</b> {debt.note}
            {debt.dueOn === null ? '' : `, to be gone through by ${debt.dueOn}`}
          </span>
          <Button disabled={isBusy} onClick={() => void mutate(() => onSettle(debt.id))}>
            It is sorted
          </Button>
        </p>
      ))}
      {isNoting ? (
        <NoteDebt
          onNote={(note, dueOn) => {
            setIsNoting(false);
            void mutate(() => onCarry({ verdict: null, litres: 0, massG: 0, note, dueOn }));
          }}
          onBack={() => setIsNoting(false)}
        />
      ) : (
        <p>
          <button
            type="button"
            className="min-h-9 text-rim underline underline-offset-3 max-md:min-h-11"
            onClick={() => setIsNoting(true)}
          >
            Something goes out unsorted
          </button>
        </p>
      )}
    </section>
  );
}

function NoteDebt({
  onNote,
  onBack,
}: {
  onNote: (note: string, dueOn: string | null) => void;
  onBack: () => void;
}) {
  const [note, setNote] = useState('');
  const [dueOn, setDueOn] = useState('');
  return (
    <form
      className="panel flex flex-wrap items-end gap-2 p-3"
      onSubmit={(event) => {
        event.preventDefault();
        onNote(note, dueOn === '' ? null : dueOn);
      }}
    >
      <TextField
        label="What, and where it stands now"
        className="min-w-[220px] flex-1"
        autoFocus
        maxLength={120}
        placeholder="e.g. two baskets from the top shelf, in the hall"
        value={note}
        onChange={(event) => setNote(event.target.value)}
      />
      <TextField
        label="Sorted by"
        type="date"
        value={dueOn}
        onChange={(event) => setDueOn(event.target.value)}
      />
      <Button type="submit" look="main" disabled={note.trim() === ''}>
        Note it
      </Button>
      <Button onClick={onBack}>Back</Button>
    </form>
  );
}
