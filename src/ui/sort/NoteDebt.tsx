'use client';

import { useState } from 'react';

import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';

/** What went out of the room unsorted, where it stands, and by when it is gone through. */
export function NoteDebt({
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
