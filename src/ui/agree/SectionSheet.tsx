'use client';

import { useState } from 'react';

import type { ContentKind } from '@/core/agree';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { CheckField, SelectField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';

export interface SectionRoom {
  readonly id: string;
  readonly name: string;
  readonly bays: readonly {
    readonly id: string;
    readonly name: string;
    readonly unitName: string;
  }[];
}

export interface SectionTyped {
  readonly id: string;
  readonly roomId: string;
  readonly name: string;
  readonly inScope: boolean;
  readonly bayIds: readonly string[];
  readonly content: ContentKind;
  readonly fullPercent: number;
}

interface SectionSheetProps {
  readonly typed: SectionTyped;
  readonly rooms: readonly SectionRoom[];
  readonly onSave: (typed: SectionTyped) => Promise<ActionResult>;
  readonly onDone: () => void;
}

/** A section's name, room and places. */
export function SectionSheet({ typed: given, rooms, onSave, onDone }: SectionSheetProps) {
  const { mutate } = useMutation();
  const [typed, setTyped] = useState(given);
  const room = rooms.find(({ id }) => id === typed.roomId);
  const save = async () => {
    if ((await mutate(() => onSave(typed))).ok) onDone();
  };
  const toggle = (bayId: string) =>
    setTyped({
      ...typed,
      bayIds: typed.bayIds.includes(bayId)
        ? typed.bayIds.filter((id) => id !== bayId)
        : [...typed.bayIds, bayId],
    });
  return (
    <Sheet isOpen onOpenChange={onDone} title="A section of the work">
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <TextField
          label="Section"
          placeholder="e.g. drawers, left to right"
          value={typed.name}
          onChange={(event) => setTyped({ ...typed, name: event.target.value })}
        />
        <SelectField
          label="In"
          value={typed.roomId}
          onChange={(event) => setTyped({ ...typed, roomId: event.target.value, bayIds: [] })}
        >
          {rooms.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </SelectField>
        <fieldset>
          <legend className="caption mb-1">Its places</legend>
          {room?.bays.length === 0 && (
            <p className="text-[14px] text-soft">No place is measured in this room yet.</p>
          )}
          <div className="grid sm:grid-cols-2">
            {room?.bays.map((bay) => (
              <CheckField
                key={bay.id}
                label={`${bay.name}, ${bay.unitName}`}
                checked={typed.bayIds.includes(bay.id)}
                onChange={() => toggle(bay.id)}
              />
            ))}
          </div>
        </fieldset>
        <Button type="submit" look="main" disabled={typed.name.trim() === ''}>
          Keep this section
        </Button>
      </form>
    </Sheet>
  );
}
