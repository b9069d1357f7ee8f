'use client';

import { RadioGroup } from 'radix-ui';

import { choiceLook } from './choiceLook';

interface ChoiceProps<V extends string> {
  readonly label: string;
  /** Undefined where nothing is chosen yet. */
  readonly value: V | undefined;
  readonly options: readonly (readonly [value: V, words: string])[];
  readonly onChange: (value: V) => void;
  /** Of each option, beside the usual look. */
  readonly optionClass?: string;
}

/** One of a few, side by side; arrow keys go from one to the next. */
export function Choice<V extends string>({
  label,
  value,
  options,
  onChange,
  optionClass,
}: ChoiceProps<V>) {
  return (
    <RadioGroup.Root
      aria-label={label}
      value={value ?? null}
      onValueChange={(next) => {
        const chosen = options.find(([each]) => each === next);
        if (chosen) onChange(chosen[0]);
      }}
      className="flex flex-wrap gap-1.5"
    >
      {options.map(([each, words]) => (
        <RadioGroup.Item
          key={each}
          value={each}
          className={choiceLook(each === value, optionClass)}
        >
          {words}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
