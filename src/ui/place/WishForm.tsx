'use client';

import { useState } from 'react';

import type { Person } from '@/core/agree';
import { lidWishes, seeWishes } from '@/core/fit';
import type { Fixture } from '@/core/look';
import type { Group } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { CheckField, SelectField, TextField } from '../primitives/Field';
import { PlacingFacts } from './PlacingFacts';
import { useMutation } from '../useMutation';

export type Wishes = Pick<
  Group,
  'name' | 'uncountedLitres' | 'lid' | 'see' | 'front' | 'loose' | 'placing'
>;

interface WishFormProps {
  readonly group: Group;
  /** Of the same room. */
  readonly others: readonly Group[];
  readonly people: readonly Pick<Person, 'id' | 'name'>[];
  readonly stations: readonly Pick<Fixture, 'id' | 'name'>[];
  readonly onSave: (wishes: Wishes) => Promise<ActionResult>;
  readonly onRemove: () => Promise<ActionResult>;
  readonly onDone: () => void;
}

const LID_WORDS = {
  any: 'lid or not',
  required: 'with a lid',
  forbidden: 'without a lid',
} as const;
const SEE_WORDS = {
  any: 'see-through or not',
  clear: 'see-through',
  opaque: 'out of sight',
} as const;

/** What a group asks of its place and its containers. What its name already says is filled in. */
export function WishForm({
  group,
  others,
  people,
  stations,
  onSave,
  onRemove,
  onDone,
}: WishFormProps) {
  const { mutate } = useMutation();
  const [wishes, setWishes] = useState<Wishes>({
    name: group.name,
    uncountedLitres: group.uncountedLitres,
    lid: group.lid,
    see: group.see,
    front: group.front,
    loose: group.loose,
    placing: group.placing,
  });
  const [uses, setUses] = useState(
    group.placing.usesPerWeek === null ? '' : String(group.placing.usesPerWeek),
  );
  const setPlacing = (change: Partial<Group['placing']>) =>
    setWishes({ ...wishes, placing: { ...wishes.placing, ...change } });
  const [litres, setLitres] = useState(String(group.uncountedLitres));
  const [message, setMessage] = useState('');
  const save = async () => {
    const read = Number(litres.replace(',', '.'));
    if (!Number.isFinite(read) || read < 0) return setMessage('Litres as a number, e.g. 12.5');
    const often = uses.trim() === '' ? null : Number(uses.replace(',', '.'));
    if (often !== null && (!Number.isFinite(often) || often < 0 || often > 500))
      return setMessage('Uses a week as a number, 0 to 500');
    const result = await mutate(() =>
      onSave({
        ...wishes,
        uncountedLitres: read,
        placing: { ...wishes.placing, usesPerWeek: often },
      }),
    );
    if (result.ok) onDone();
  };
  return (
    <form
      className="grid gap-2 pb-3"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <TextField
        label="Name"
        value={wishes.name}
        maxLength={60}
        onChange={(event) => setWishes({ ...wishes, name: event.target.value })}
      />
      <TextField
        label="Litres not counted one by one"
        measure
        inputMode="decimal"
        value={litres}
        onChange={(event) => setLitres(event.target.value)}
      />
      <SelectField
        label="Containers"
        value={wishes.lid}
        onChange={(event) =>
          setWishes({
            ...wishes,
            lid: lidWishes.find((lid) => lid === event.target.value) ?? 'any',
          })
        }
      >
        {lidWishes.map((lid) => (
          <option key={lid} value={lid}>
            {LID_WORDS[lid]}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Sight"
        hideLabel
        value={wishes.see}
        onChange={(event) =>
          setWishes({
            ...wishes,
            see: seeWishes.find((see) => see === event.target.value) ?? 'any',
          })
        }
      >
        {seeWishes.map((see) => (
          <option key={see} value={see}>
            {SEE_WORDS[see]}
          </option>
        ))}
      </SelectField>
      <CheckField
        label="used daily: nothing in front of it"
        checked={wishes.front}
        onChange={(event) => setWishes({ ...wishes, front: event.target.checked })}
      />
      <CheckField
        label="stands as it is, no container"
        checked={wishes.loose}
        onChange={(event) => setWishes({ ...wishes, loose: event.target.checked })}
      />
      <div className="grid grid-cols-[84px_1fr] gap-2">
        <TextField
          label="A week"
          measure
          inputMode="decimal"
          placeholder={wishes.front ? '14' : '1'}
          value={uses}
          onChange={(event) => setUses(event.target.value)}
        />
        <SelectField
          label="Used at"
          value={wishes.placing.stationId ?? ''}
          onChange={(event) =>
            setPlacing({
              stationId: stations.find(({ id }) => id === event.target.value)?.id ?? null,
            })
          }
        >
          <option value="">anywhere</option>
          {stations.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
      </div>
      {people.length > 1 && (
        <fieldset>
          <legend className="caption">Used by</legend>
          <div className="flex flex-wrap gap-x-4">
            {people.map(({ id, name }) => (
              <CheckField
                key={id}
                label={name}
                checked={wishes.placing.userIds.includes(id)}
                onChange={() =>
                  setPlacing({
                    userIds: wishes.placing.userIds.includes(id)
                      ? wishes.placing.userIds.filter((other) => other !== id)
                      : [...wishes.placing.userIds, id],
                  })
                }
              />
            ))}
          </div>
        </fieldset>
      )}
      <CheckField
        label="stays where it is, whatever is proposed"
        checked={wishes.placing.isPinned}
        onChange={(event) => setPlacing({ isPinned: event.target.checked })}
      />
      <PlacingFacts
        group={{ ...group, name: wishes.name }}
        placing={wishes.placing}
        others={others}
        onChange={setPlacing}
      />
      {message !== '' && (
        <p role="alert" className="text-[13px] text-signal-deep">
          {message}
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <Button type="submit" look="quiet">
          Keep
        </Button>
        <Button onClick={() => void mutate(() => onRemove(), { offersUndo: true })}>
          Take away
        </Button>
      </div>
    </form>
  );
}
