'use client';

import { Pencil } from 'lucide-react';
import { useState } from 'react';

import type { Room } from '@/core/look';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';

interface RoomPurposeProps {
  readonly room: Room;
  readonly onSave: (typed: {
    readonly name: string;
    readonly purpose: string;
  }) => Promise<ActionResult>;
}

/** What the room is for, changed in place. */
export function RoomPurpose({ room, onSave }: RoomPurposeProps) {
  const { mutate } = useMutation();
  const [typed, setTyped] = useState<{ readonly name: string; readonly purpose: string }>();
  if (!typed) {
    return (
      <div className="flex items-start gap-2">
        <div className="min-w-0">
          <h1 className="text-[24px]">{room.name}</h1>
          <p className="mt-0.5 max-w-[70ch] text-soft">
            {room.purpose || 'What should be possible here again?'}
          </p>
        </div>
        <button
          type="button"
          aria-label="Change name and purpose"
          onClick={() => setTyped(room)}
          className="no-print grid size-12 shrink-0 place-items-center rounded hover:bg-well"
        >
          <Pencil size={16} />
        </button>
      </div>
    );
  }
  const save = async () => {
    const result = await mutate(() => onSave({ name: typed.name, purpose: typed.purpose }));
    if (result.ok) setTyped(undefined);
  };
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <TextField
        label="Room"
        value={typed.name}
        maxLength={60}
        onChange={(event) => setTyped({ ...typed, name: event.target.value })}
      />
      <TextField
        label="What should be possible here again"
        className="min-w-[260px] flex-1"
        value={typed.purpose}
        maxLength={400}
        onChange={(event) => setTyped({ ...typed, purpose: event.target.value })}
      />
      <Button type="submit" look="main">
        Keep
      </Button>
      <Button onClick={() => setTyped(undefined)}>Back</Button>
    </form>
  );
}
