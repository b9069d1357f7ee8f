'use client';

import type { ComponentProps } from 'react';

import { SelectField } from '../primitives/Field';

/** What a door can lead to: the other rooms, halls and stairs. */
export interface DoorEnds {
  readonly rooms: readonly { readonly id: string; readonly name: string }[];
  readonly passages: readonly { readonly id: string; readonly name: string }[];
}

/** What is behind a door, chosen from the home's rooms, halls and stairs. */
export function LeadsToField({
  ends,
  ...rest
}: { readonly ends: DoorEnds } & Omit<ComponentProps<typeof SelectField>, 'label' | 'children'>) {
  return (
    <SelectField label="Leads to" {...rest}>
      <option value="">Not said yet</option>
      {ends.rooms.map(({ id, name }) => (
        <option key={id} value={`room:${id}`}>
          {name}
        </option>
      ))}
      {ends.passages.map(({ id, name }) => (
        <option key={id} value={`passage:${id}`}>
          {name}
        </option>
      ))}
      <option value="outside">Outside</option>
    </SelectField>
  );
}
