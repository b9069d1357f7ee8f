'use client';

import { useEffect, useState } from 'react';

import { DEFAULT_DAYS_WITHOUT_CONTACT, MOST_DAYS_WITHOUT_CONTACT } from '@/core/along';
import { getDaysWithoutContact, setDaysWithoutContact } from '@/workers/along/alongStore';
import { Checkbox } from '../primitives/Checkbox';
import { SelectField, TextField } from '../primitives/Field';
import {
  changeHandSettings,
  textSizes,
  useHandSettings,
  type HandSettings,
  type TextSize,
} from './handSettings';

const SIZE_WORDS: Readonly<Record<TextSize, string>> = {
  1: 'As it is',
  1.25: 'A quarter larger',
  1.5: 'Half as large again',
  2: 'Twice as large',
};
const SWITCHES: readonly (readonly [
  name: keyof Omit<HandSettings, 'textSize'>,
  label: string,
  note: string,
])[] = [
  ['stayAwake', 'The screen stays on', 'While a session runs; paused or ended it may go dark.'],
  [
    'speech',
    'Say a line instead of typing it',
    'On the bench, where this browser understands speech on the device itself; nothing that is said is sent anywhere.',
  ],
  ['buzz', 'A short vibration', 'When a verdict is taken, where the device has one.'],
];

/** How this device is held and read, and for how long it keeps what it took along. */
export function InHand() {
  const settings = useHandSettings();
  return (
    <section aria-label="In the hand" className="panel p-4">
      <h2 className="mb-1 text-[17px]">In the hand</h2>
      <div className="mb-1 max-w-[260px]">
        <SelectField
          label="Text and everything on every page"
          value={String(settings.textSize)}
          onChange={({ target }) =>
            changeHandSettings({
              textSize: textSizes.find((size) => String(size) === target.value) ?? 1,
            })
          }
        >
          {textSizes.map((size) => (
            <option key={size} value={String(size)}>
              {SIZE_WORDS[size]}
            </option>
          ))}
        </SelectField>
      </div>
      {SWITCHES.map(([name, label, note]) => (
        <label key={name} className="flex min-h-12 items-center gap-3 text-[14.5px]">
          <Checkbox
            isLarge
            checked={settings[name]}
            onChange={({ target }) => changeHandSettings({ [name]: target.checked })}
          />
          <span>
            <b className="font-[650]">{label}</b>{' '}
            <span className="block text-[13.5px] text-soft">{note}</span>
          </span>
        </label>
      ))}
      <DaysKept />
    </section>
  );
}

function DaysKept() {
  const [typed, setTyped] = useState(String(DEFAULT_DAYS_WITHOUT_CONTACT));
  useEffect(() => {
    // A browser without a database keeps nothing along.
    getDaysWithoutContact().then(
      (days) => setTyped(String(days)),
      () => undefined,
    );
  }, []);
  const days = Number(typed);
  const isGood = Number.isInteger(days) && days >= 1 && days <= MOST_DAYS_WITHOUT_CONTACT;
  return (
    <div className="mt-2 max-w-[260px]">
      <TextField
        label="Forgets a home after so many days without the desk"
        measure
        inputMode="numeric"
        value={typed}
        error={isGood ? undefined : `A whole number from 1 to ${MOST_DAYS_WITHOUT_CONTACT}`}
        onChange={({ target }) => {
          setTyped(target.value);
          const next = Number(target.value);
          if (Number.isInteger(next) && next >= 1 && next <= MOST_DAYS_WITHOUT_CONTACT)
            void setDaysWithoutContact(next);
        }}
      />
    </div>
  );
}
