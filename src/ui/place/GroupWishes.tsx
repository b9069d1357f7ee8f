'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';

import type { Person } from '@/core/agree';
import { lidWishes, seeWishes } from '@/core/fit';
import type { Fixture } from '@/core/look';
import { formatLitres } from '@/core/shared';
import type { Group } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { CheckField, SelectField, TextField } from '../primitives/Field';

type Wishes = Pick<Group, 'name' | 'uncountedLitres' | 'lid' | 'see' | 'front' | 'loose' | 'placing'>;

interface GroupWishesProps {
  readonly people: readonly Pick<Person, 'id' | 'name'>[];
  readonly stations: readonly Pick<Fixture, 'id' | 'name'>[];
  readonly groups: readonly Group[];
  readonly litresOf: Readonly<Record<string, number>>;
  readonly onSave: (groupId: string, wishes: Wishes) => Promise<ActionResult>;
  readonly onAdd: (name: string) => Promise<ActionResult<Group>>;
  readonly onRemove: (groupId: string) => Promise<ActionResult>;
}

const LID_WORDS = { any: 'lid or not', required: 'with a lid', forbidden: 'without a lid' } as const;
const SEE_WORDS = { any: 'see-through or not', clear: 'see-through', opaque: 'out of sight' } as const;

/** Groups of the room with what they ask of a place and a container. */
export function GroupWishes({ people, stations, groups, litresOf, onSave, onAdd, onRemove }: GroupWishesProps) {
  const router = useRouter();
  const [openId, setOpenId] = useState('');
  const [name, setName] = useState('');
  const [message, setMessage] = useState('');
  const add = async () => {
    const result = await onAdd(name);
    setMessage(result.ok ? '' : result.message);
    if (result.ok) setName('');
    router.refresh();
  };
  return (
    <section>
      <h2 className="caption mb-1 font-text">Groups of this room</h2>
      <ul className="divide-y divide-line">
        {groups.map((group) => (
          <li key={group.id}>
            <button type="button" aria-expanded={openId === group.id} onClick={() => setOpenId(openId === group.id ? '' : group.id)} className="flex min-h-9 w-full items-center justify-between gap-2 text-left text-[14.5px] max-md:min-h-11">
              <span className="truncate">{group.name}</span><span className="font-mono text-[13px] text-soft">{formatLitres(litresOf[group.id] ?? 0)}</span>
            </button>
            {openId === group.id && <WishForm group={group} people={people} stations={stations} onSave={(wishes) => onSave(group.id, wishes)} onRemove={() => onRemove(group.id)} onDone={() => setOpenId('')} />}
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
        <input className="input" aria-label="Name of a new group" placeholder="a new group" maxLength={60} value={name} onChange={(event) => setName(event.target.value)} />
        <Button type="submit" disabled={name.trim() === ''}>Add</Button>
      </form>
      {message !== '' && <p role="alert" className="mt-1 text-[13px] text-signal-deep">{message}</p>}
    </section>
  );
}

function WishForm({ group, people, stations, onSave, onRemove, onDone }: Pick<GroupWishesProps, 'people' | 'stations'> & { group: Group; onSave: (wishes: Wishes) => Promise<ActionResult>; onRemove: () => Promise<ActionResult>; onDone: () => void }) {
  const router = useRouter();
  const [wishes, setWishes] = useState<Wishes>({ name: group.name, uncountedLitres: group.uncountedLitres, lid: group.lid, see: group.see, front: group.front, loose: group.loose, placing: group.placing });
  const [uses, setUses] = useState(group.placing.usesPerWeek === null ? '' : String(group.placing.usesPerWeek));
  const setPlacing = (change: Partial<Group['placing']>) => setWishes({ ...wishes, placing: { ...wishes.placing, ...change } });
  const [litres, setLitres] = useState(String(group.uncountedLitres));
  const [message, setMessage] = useState('');
  const save = async () => {
    const read = Number(litres.replace(',', '.'));
    if (!Number.isFinite(read) || read < 0) return setMessage('Litres as a number, e.g. 12.5');
    const often = uses.trim() === '' ? null : Number(uses.replace(',', '.'));
    if (often !== null && (!Number.isFinite(often) || often < 0 || often > 500)) return setMessage('Uses a week as a number, 0 to 500');
    const result = await onSave({ ...wishes, uncountedLitres: read, placing: { ...wishes.placing, usesPerWeek: often } });
    setMessage(result.ok ? '' : result.message);
    if (result.ok) onDone();
    router.refresh();
  };
  return (
    <form
      className="grid gap-2 pb-3"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <TextField label="Name" value={wishes.name} maxLength={60} onChange={(event) => setWishes({ ...wishes, name: event.target.value })} />
      <TextField label="Litres not counted one by one" measure inputMode="decimal" value={litres} onChange={(event) => setLitres(event.target.value)} />
      <SelectField label="Containers" value={wishes.lid} onChange={(event) => setWishes({ ...wishes, lid: lidWishes.find((lid) => lid === event.target.value) ?? 'any' })}>
        {lidWishes.map((lid) => <option key={lid} value={lid}>{LID_WORDS[lid]}</option>)}
      </SelectField>
      <SelectField label="Sight" hideLabel value={wishes.see} onChange={(event) => setWishes({ ...wishes, see: seeWishes.find((see) => see === event.target.value) ?? 'any' })}>
        {seeWishes.map((see) => <option key={see} value={see}>{SEE_WORDS[see]}</option>)}
      </SelectField>
      <CheckField label="used daily: nothing in front of it" checked={wishes.front} onChange={(event) => setWishes({ ...wishes, front: event.target.checked })} />
      <CheckField label="stands as it is, no container" checked={wishes.loose} onChange={(event) => setWishes({ ...wishes, loose: event.target.checked })} />
      <div className="grid grid-cols-[84px_1fr] gap-2">
        <TextField label="A week" measure inputMode="decimal" placeholder={wishes.front ? '14' : '1'} value={uses} onChange={(event) => setUses(event.target.value)} />
        <SelectField label="Used at" value={wishes.placing.stationId ?? ''} onChange={(event) => setPlacing({ stationId: stations.find(({ id }) => id === event.target.value)?.id ?? null })}>
          <option value="">anywhere</option>
          {stations.map(({ id, name }) => <option key={id} value={id}>{name}</option>)}
        </SelectField>
      </div>
      {people.length > 1 && (
        <fieldset>
          <legend className="caption">Used by</legend>
          <div className="flex flex-wrap gap-x-4">{people.map(({ id, name }) => <CheckField key={id} label={name} checked={wishes.placing.userIds.includes(id)} onChange={() => setPlacing({ userIds: wishes.placing.userIds.includes(id) ? wishes.placing.userIds.filter((other) => other !== id) : [...wishes.placing.userIds, id] })} />)}</div>
        </fieldset>
      )}
      <CheckField label="stays where it is, whatever is proposed" checked={wishes.placing.isPinned} onChange={(event) => setPlacing({ isPinned: event.target.checked })} />
      <CheckField label="everyone takes it themselves" checked={wishes.placing.selfServe} onChange={(event) => setPlacing({ selfServe: event.target.checked })} />
      {message !== '' && <p role="alert" className="text-[13px] text-signal-deep">{message}</p>}
      <div className="grid grid-cols-2 gap-2">
        <Button type="submit" look="quiet">Keep</Button>
        <Button onClick={() => void onRemove().then(() => router.refresh())}>Take away</Button>
      </div>
    </form>
  );
}
