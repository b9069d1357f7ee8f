'use client';

import { useState } from 'react';
import { useWatch } from 'react-hook-form';

import type { Person } from '@/core/agree';
import { lidWishes, seeWishes } from '@/core/fit';
import type { Fixture } from '@/core/look';
import type { Group } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { CheckField, SelectField, TextField } from '../primitives/Field';
import { PlacingFacts } from './PlacingFacts';
import { useMutation } from '../useMutation';
import { useTypedForm } from '../useTypedForm';
import { AskFields } from './AskFields';
import { toAsks, toTypedAsks, wishFormSchema } from './wishForm';

export type Wishes = Pick<
  Group,
  'name' | 'uncountedLitres' | 'lid' | 'see' | 'front' | 'loose' | 'asks' | 'placing'
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
  // What its place must know is chosen, not typed.
  const [placing, setWholePlacing] = useState(group.placing);
  const setPlacing = (change: Partial<Group['placing']>) =>
    setWholePlacing((before) => ({ ...before, ...change }));
  const { register, control, errors, submit } = useTypedForm({
    schema: wishFormSchema,
    start: {
      name: group.name,
      litres: String(group.uncountedLitres),
      lid: group.lid,
      see: group.see,
      front: group.front,
      loose: group.loose,
      ...toTypedAsks(group),
      uses: group.placing.usesPerWeek === null ? '' : String(group.placing.usesPerWeek),
    },
    save: (_, { name, lid, see, front, loose, litres, uses, ...asks }) =>
      onSave({
        ...{ name, lid, see, front, loose },
        uncountedLitres: litres,
        asks: toAsks(asks),
        placing: { ...placing, usesPerWeek: uses },
      }),
    onDone,
  });
  const [name, front] = useWatch({ control, name: ['name', 'front'] });
  return (
    <form className="grid gap-2 pb-3" noValidate onSubmit={submit}>
      <TextField label="Name" error={errors.name?.message} {...register('name')} />
      <TextField
        label="Litres not counted one by one"
        measure
        inputMode="decimal"
        error={errors.litres?.message}
        {...register('litres')}
      />
      <SelectField label="Containers" {...register('lid')}>
        {lidWishes.map((lid) => (
          <option key={lid} value={lid}>
            {LID_WORDS[lid]}
          </option>
        ))}
      </SelectField>
      <SelectField label="Sight" hideLabel {...register('see')}>
        {seeWishes.map((see) => (
          <option key={see} value={see}>
            {SEE_WORDS[see]}
          </option>
        ))}
      </SelectField>
      <CheckField label="used daily: nothing in front of it" {...register('front')} />
      <CheckField label="stands as it is, no container" {...register('loose')} />
      <AskFields register={register} errors={errors} hasOwner={placing.userIds.length === 1} />
      <div className="grid grid-cols-[84px_1fr] gap-2">
        <TextField
          label="A week"
          measure
          inputMode="decimal"
          placeholder={front ? '14' : '1'}
          error={errors.uses?.message}
          {...register('uses')}
        />
        <SelectField
          label="Used at"
          value={placing.stationId ?? ''}
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
                checked={placing.userIds.includes(id)}
                onChange={() =>
                  setPlacing({
                    userIds: placing.userIds.includes(id)
                      ? placing.userIds.filter((other) => other !== id)
                      : [...placing.userIds, id],
                  })
                }
              />
            ))}
          </div>
        </fieldset>
      )}
      <CheckField
        label="stays where it is, whatever is proposed"
        checked={placing.isPinned}
        onChange={(event) => setPlacing({ isPinned: event.target.checked })}
      />
      <PlacingFacts
        group={{ ...group, name }}
        placing={placing}
        others={others}
        onChange={setPlacing}
      />
      <div className="grid grid-cols-2 gap-2">
        <Button type="submit" look="quiet">
          Keep
        </Button>
        <Button onClick={() => void mutate(() => onRemove(), { offersUndo: true })}>Remove</Button>
      </div>
    </form>
  );
}
