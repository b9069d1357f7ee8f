'use client';

import { useMemo } from 'react';
import { useWatch } from 'react-hook-form';

import type { Passage } from '@/core/look';
import type { LengthUnit } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { Choice } from '../primitives/Choice';
import { CheckField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useTypedForm } from '../useTypedForm';
import { passageFormSchemaFor, type PassageTyped } from './passageForm';

interface PassageSheetProps {
  readonly typed: PassageTyped;
  readonly rooms: readonly { readonly id: string; readonly name: string }[];
  /** Other halls and stairs. */
  readonly passages: readonly Passage[];
  readonly measureUnit: LengthUnit;
  readonly onSave: (typed: PassageTyped) => Promise<ActionResult>;
  readonly onDone: () => void;
}

/** A hall, stairs, or only that two rooms are joined. */
export function PassageSheet({
  typed,
  rooms,
  passages,
  measureUnit,
  onSave,
  onDone,
}: PassageSheetProps) {
  const schema = useMemo(() => passageFormSchemaFor(measureUnit), [measureUnit]);
  const { register, control, errors, submit, setValue } = useTypedForm({
    schema,
    start: typed,
    save: onSave,
    onDone,
  });
  const [kind, roomIds, passageIds] = useWatch({
    control,
    name: ['kind', 'roomIds', 'passageIds'],
  });
  const toggled = (list: readonly string[], id: string) =>
    list.includes(id) ? list.filter((other) => other !== id) : [...list, id];
  const isOpening = kind === 'opening';
  return (
    <Sheet
      isOpen
      onOpenChange={onDone}
      title={isOpening ? 'These two are joined' : 'A hall or stairs'}
    >
      <form className="grid gap-3" noValidate onSubmit={submit}>
        {!isOpening && (
          <Choice
            label="What it is"
            value={kind}
            options={[
              ['hall', 'Hall'],
              ['stairs', 'Stairs'],
            ]}
            onChange={(next) => setValue('kind', next)}
            optionClass="min-h-12"
          />
        )}
        {!isOpening && (
          <TextField
            label="Called"
            isNeeded
            placeholder={kind === 'stairs' ? 'e.g. stairs to the attic' : 'e.g. hall'}
            error={errors.name?.message}
            {...register('name')}
          />
        )}
        <div className="grid grid-cols-2 gap-x-3 gap-y-2">
          <TextField
            label={kind === 'stairs' ? 'Length in plan' : lengthLabel(isOpening)}
            hint={isOpening ? 'empty: they touch' : 'empty: a guess, and said so'}
            isLength
            error={errors.length?.message}
            {...register('length')}
          />
          {kind === 'stairs' && (
            <TextField
              label="Steps"
              inputMode="numeric"
              hint="empty: 12 to 18"
              error={errors.steps?.message}
              {...register('steps')}
            />
          )}
        </div>
        <fieldset>
          <legend className="caption mb-1">
            {isOpening ? 'The two rooms' : 'Rooms that open into it without a door in their plan'}
          </legend>
          <div className="grid sm:grid-cols-2">
            {rooms.map(({ id, name }) => (
              <CheckField
                key={id}
                label={name}
                checked={roomIds.includes(id)}
                onChange={() => setValue('roomIds', toggled(roomIds, id))}
              />
            ))}
          </div>
          {errors.roomIds?.message !== undefined && (
            <p role="alert" className="warn mt-1">
              {errors.roomIds.message}
            </p>
          )}
        </fieldset>
        {!isOpening && passages.length > 0 && (
          <fieldset>
            <legend className="caption mb-1">Other halls and stairs that it joins</legend>
            <div className="grid sm:grid-cols-2">
              {passages.map(({ id, name }) => (
                <CheckField
                  key={id}
                  label={name}
                  checked={passageIds.includes(id)}
                  onChange={() => setValue('passageIds', toggled(passageIds, id))}
                />
              ))}
            </div>
          </fieldset>
        )}
        <Button type="submit" look="main">
          Keep it
        </Button>
      </form>
    </Sheet>
  );
}

const lengthLabel = (isOpening: boolean): string => (isOpening ? 'Metres between' : 'Length');
