'use client';

import { useState } from 'react';

import { methodNames } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { CheckField, SelectField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { methodWords } from './sortWords';
import { useMutation } from '../useMutation';

export interface StartTyped {
  readonly method: string;
  readonly plannedMinutes: number;
  readonly sectionId: string | null;
  readonly present: readonly string[];
}
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
  readonly onStart: (typed: StartTyped) => Promise<ActionResult>;
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
  const { mutate } = useMutation();
  const [method, setMethod] = useState(agreedMethod);
  const [minutes, setMinutes] = useState('120');
  const [sectionId, setSectionId] = useState(sections.find(({ inScope }) => inScope)?.id ?? '');
  const [present, setPresent] = useState<readonly string[]>([]);
  const start = async () => {
    const result = await mutate(() =>
      onStart({
        method,
        plannedMinutes: Number(minutes.replace(',', '.')),
        sectionId: sectionId === '' ? null : sectionId,
        present,
      }),
    );
    if (!result.ok) return;
    onOpenChange(false);
  };
  return (
    <Sheet isOpen={isOpen} onOpenChange={onOpenChange} title="Start a session">
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void start();
        }}
      >
        <SelectField
          label="Way of going through it"
          value={method}
          onChange={(event) => setMethod(event.target.value)}
        >
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
          <SelectField
            label="Section"
            value={sectionId}
            onChange={(event) => setSectionId(event.target.value)}
          >
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
            value={minutes}
            onChange={(event) => setMinutes(event.target.value)}
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
                    setPresent(
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
