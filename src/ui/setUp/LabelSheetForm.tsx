'use client';

import { useForm } from 'react-hook-form';

import { pictureNames, type LabelSpot } from '@/core/labels';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { CheckField, SelectField, TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';

export interface LabelTyped {
  readonly text: string;
  readonly second: string;
  readonly picture: '' | (typeof pictureNames)[number];
  readonly isLeftOut: boolean;
}
interface LabelFormProps {
  readonly spot: LabelSpot;
  readonly onSave: (typed: LabelTyped) => Promise<ActionResult>;
  /** Takes its being made back; undefined where it is not made. */
  readonly onAgain: (() => Promise<ActionResult>) | undefined;
  readonly onDone: () => void;
}

/** What one label says: its own text, a second language, a picture, or none at all. */
export function LabelForm({ spot, onSave, onAgain, onDone }: LabelFormProps) {
  const { mutate, isPending, fields } = useMutation({ showsFields: true });
  const { register, handleSubmit } = useForm<LabelTyped>({
    defaultValues: {
      text: spot.isTyped ? spot.name : '',
      second: spot.second,
      picture: spot.chosenPicture ?? '',
      isLeftOut: spot.isLeftOut,
    },
  });
  const save = handleSubmit(async (typed) => {
    const result = await mutate(() => onSave(typed));
    if (result.ok) onDone();
  });
  const again = async (work: () => Promise<ActionResult>) => {
    if ((await mutate(work)).ok) onDone();
  };
  return (
    <form
      noValidate
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <TextField
        label="What it says"
        hint={`Nothing: ${spot.isTyped ? 'the name of the group' : spot.name}, as short as it has to be`}
        maxLength={80}
        error={fields['choice.text']}
        {...register('text')}
      />
      <TextField
        label="In a second language"
        maxLength={80}
        error={fields['choice.second']}
        {...register('second')}
      />
      <SelectField label="Picture" {...register('picture')}>
        <option value="">By who uses it</option>
        {pictureNames.map((name) => (
          <option key={name} value={name}>
            {name}
          </option>
        ))}
      </SelectField>
      <CheckField label="no label here" {...register('isLeftOut')} />
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="main" disabled={isPending}>
          Keep
        </Button>
        {onAgain && (
          <Button disabled={isPending} onClick={() => void again(onAgain)}>
            Make it again
          </Button>
        )}
      </div>
    </form>
  );
}
