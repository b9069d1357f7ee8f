'use client';

import { useState } from 'react';

import type { Person } from '@/core/agree';
import type { Fixture } from '@/core/look';
import { formatLitres } from '@/core/shared';
import type { Group } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { WishForm, type Wishes } from './WishForm';
import { useMutation } from '../useMutation';

interface GroupWishesProps {
  readonly people: readonly Pick<Person, 'id' | 'name'>[];
  readonly stations: readonly Pick<Fixture, 'id' | 'name'>[];
  readonly groups: readonly Group[];
  readonly litresOf: Readonly<Record<string, number>>;
  readonly onSave: (groupId: string, wishes: Wishes) => Promise<ActionResult>;
  readonly onAdd: (name: string) => Promise<ActionResult<Group>>;
  readonly onRemove: (groupId: string) => Promise<ActionResult>;
}

/** Groups of the room with what they ask of a place and a container. */
export function GroupWishes({
  people,
  stations,
  groups,
  litresOf,
  onSave,
  onAdd,
  onRemove,
}: GroupWishesProps) {
  const { mutate } = useMutation();
  const [openId, setOpenId] = useState('');
  const [name, setName] = useState('');
  const add = async () => {
    const result = await mutate(() => onAdd(name));
    if (result.ok) setName('');
  };
  return (
    <section>
      <h2 className="caption mb-1 font-text">Groups of this room</h2>
      <ul className="divide-y divide-line">
        {groups.map((group) => (
          <li key={group.id}>
            <button
              type="button"
              aria-expanded={openId === group.id}
              onClick={() => setOpenId(openId === group.id ? '' : group.id)}
              className="flex min-h-9 w-full items-center justify-between gap-2 text-left text-[14.5px] max-md:min-h-12"
            >
              <span className="truncate">{group.name}</span>
              <span className="font-mono text-[13px] text-soft">
                {formatLitres(litresOf[group.id] ?? 0)}
              </span>
            </button>
            {openId === group.id && (
              <WishForm
                group={group}
                others={groups.filter(({ id }) => id !== group.id)}
                people={people}
                stations={stations}
                onSave={(wishes) => onSave(group.id, wishes)}
                onRemove={() => onRemove(group.id)}
                onDone={() => setOpenId('')}
              />
            )}
          </li>
        ))}
      </ul>
      <form
        className="mt-2 flex gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() !== '') void add();
        }}
      >
        <input
          className="input"
          aria-label="Name of a new group"
          placeholder="a new group"
          maxLength={60}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Button type="submit" disabled={name.trim() === ''}>
          Add
        </Button>
      </form>
    </section>
  );
}
