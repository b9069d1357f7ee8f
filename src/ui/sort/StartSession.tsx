'use client';

import { useWatch } from 'react-hook-form';

import { methodNames } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { CheckField, SelectField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { methodWords } from './sortWords';
import { useTypedForm } from '../useTypedForm';
import { sessionFormSchema, type SessionTyped } from './sessionForm';

interface StartSessionProps {
  readonly isOpen: boolean;
  readonly onOpenChange: (isOpen: boolean) => void;
  readonly sections: readonly {
    readonly id: string;
    readonly name: string;
    readonly inScope: boolean;
  }[];
  readonly people: readonly string[];
  readonly ownMethods: readonly { readonly id: string; readonly name: string }[];
  readonly agreedMethod: string;
  readonly onStart: (typed: SessionTyped) => Promise<ActionResult>;
}

/** Which section, which way, how long, and who is there. */
export function StartSession({
  isOpen,
  onOpenChange,
  sections,
  people,
  ownMethods,
  agreedMethod,
  onStart,
}: StartSessionProps) {
  const { register, control, errors, submit, setValue } = useTypedForm({
    schema: sessionFormSchema,
    start: {
      method: agreedMethod,
      minutes: '120',
      sectionId: sections.find(({ inScope }) => inScope)?.id ?? '',
      present: [] as string[],
    },
    save: onStart,
    onDone: () => onOpenChange(false),
  });
  const present = useWatch({ control, name: 'present' });
  return (
    <Sheet isOpen={isOpen} onOpenChange={onOpenChange} title="Start a session">
      <form className="grid gap-3" noValidate onSubmit={submit}>
        <SelectField label="Way of going through it" {...register('method')}>
          {methodNames.map((name) => (
            <option key={name} value={name}>
              {methodWords(name)}
              {name === agreedMethod ? ', as agreed' : ''}
            </option>
          ))}
          {ownMethods.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
        <div className="grid grid-cols-2 gap-3">
          <SelectField label="Section" {...register('sectionId')}>
            <option value="">the whole room</option>
            {sections.map(({ id, name, inScope }) => (
              <option key={id} value={id} disabled={!inScope}>
                {name}
                {inScope ? '' : ', not this time'}
              </option>
            ))}
          </SelectField>
          <TextField
            label="Minutes"
            measure
            inputMode="numeric"
            error={errors.minutes?.message}
            {...register('minutes')}
          />
        </div>
        {people.length > 0 && (
          <fieldset>
            <legend className="caption">Who is there</legend>
            <div className="flex flex-wrap gap-x-5">
              {people.map((name) => (
                <CheckField
                  key={name}
                  label={name}
                  checked={present.includes(name)}
                  onChange={() =>
                    setValue(
                      'present',
                      present.includes(name)
                        ? present.filter((other) => other !== name)
                        : [...present, name],
                    )
                  }
                />
              ))}
            </div>
          </fieldset>
        )}
        <Button type="submit" look="main">
          Start
        </Button>
      </form>
    </Sheet>
  );
}
