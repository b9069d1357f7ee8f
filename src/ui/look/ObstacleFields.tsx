'use client';

import { Plus, X } from 'lucide-react';
import { useFieldArray } from 'react-hook-form';

import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { type UnitFormHandle } from './unitForm';

const SIDES = [
  ['x', 'from the left'],
  ['y', 'from the front'],
  ['z', 'above its floor'],
  ['width', 'wide'],
  ['depth', 'deep'],
  ['height', 'high'],
] as const;

/** Pipes, traps, hinges: boxes that take room inside a place, counted from its front left bottom corner. */
export function ObstacleFields({ form, index }: { form: UnitFormHandle; index: number }) {
  const name = `bays.${index}.obstacles` as const;
  const { fields, append, remove } = useFieldArray({ control: form.control, name, keyName: 'key' });
  const errors = form.formState.errors.bays?.[index]?.obstacles;
  return (
    <fieldset className="mt-1">
      <legend className="caption">What stands in it: a pipe, a trap, a hinge</legend>
      <ul className="grid gap-2">
        {fields.map((field, i) => (
          <li
            key={field.key}
            className="grid grid-cols-3 items-start gap-2 sm:grid-cols-[1.4fr_repeat(6,1fr)_48px]"
          >
            <TextField
              label="What"
              className="max-sm:col-span-2"
              error={errors?.[i]?.label?.message}
              {...form.register(`${name}.${i}.label`)}
            />
            {SIDES.map(([side, word]) => (
              <TextField
                key={side}
                label={word}
                isLength
                error={errors?.[i]?.[side]?.message}
                {...form.register(`${name}.${i}.${side}`)}
              />
            ))}
            <button
              type="button"
              aria-label={`Remove obstacle ${i + 1} of place ${index + 1}`}
              onClick={() => remove(i)}
              className="mt-5 grid size-12 place-items-center rounded hover:bg-well"
            >
              <X size={16} />
            </button>
          </li>
        ))}
      </ul>
      <Button
        className="mt-1.5"
        onClick={() =>
          append({ label: '', x: '0', y: '0', z: '0', width: '', depth: '', height: '' })
        }
      >
        <Plus size={16} aria-hidden="true" /> Something in the way
      </Button>
    </fieldset>
  );
}
