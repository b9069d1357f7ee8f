'use client';

import { useWatch } from 'react-hook-form';

import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { CheckField, SelectField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useTypedForm } from '../useTypedForm';
import { sectionFormSchema, type SectionTyped } from './sectionForm';

export interface SectionRoom {
  readonly id: string;
  readonly name: string;
  readonly bays: readonly {
    readonly id: string;
    readonly name: string;
    readonly unitName: string;
  }[];
}

interface SectionSheetProps {
  readonly typed: SectionTyped;
  readonly rooms: readonly SectionRoom[];
  readonly onSave: (typed: SectionTyped) => Promise<ActionResult>;
  readonly onDone: () => void;
}

/** A section's name, room and places. */
export function SectionSheet({ typed: given, rooms, onSave, onDone }: SectionSheetProps) {
  const { register, control, errors, submit, setValue } = useTypedForm({
    schema: sectionFormSchema,
    start: given,
    save: onSave,
    onDone,
  });
  const [roomId, bayIds] = useWatch({ control, name: ['roomId', 'bayIds'] });
  const room = rooms.find(({ id }) => id === roomId);
  const toggle = (bayId: string) =>
    setValue(
      'bayIds',
      bayIds.includes(bayId) ? bayIds.filter((id) => id !== bayId) : [...bayIds, bayId],
    );
  return (
    <Sheet isOpen onOpenChange={onDone} title="A section of the work">
      <form className="grid gap-3" noValidate onSubmit={submit}>
        <TextField
          label="Section"
          isNeeded
          placeholder="e.g. drawers, left to right"
          error={errors.name?.message}
          {...register('name')}
        />
        <SelectField label="In" {...register('roomId', { onChange: () => setValue('bayIds', []) })}>
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
                checked={bayIds.includes(bay.id)}
                onChange={() => toggle(bay.id)}
              />
            ))}
          </div>
        </fieldset>
        <Button type="submit" look="main">
          Keep this section
        </Button>
      </form>
    </Sheet>
  );
}
