'use client';

import { useState } from 'react';

import { traitsOf, verdicts } from '@/core/sort';
import { CheckField } from '../primitives/Field';
import { areSingleKeysOn, switchSingleKeys } from '../primitives/singleKeys';
import { verdictWords } from '../sort/sortWords';

const EVERYWHERE: readonly (readonly [string, string])[] = [
  ['?', 'this map'],
  ['F', 'find anything'],
  ['0', 'the home’s first page'],
  ['1 … 7', 'go to a step'],
  ['[ ]', 'through the home and its rooms'],
  ['Z', 'undo'],
  ['Y', 'do it again'],
];
const ON_THE_BENCH: readonly (readonly [string, string])[] = [
  ['Enter', 'take the typed thing in hand'],
  ['+ −', 'one piece more or fewer'],
  ['1 … 9', 'a reason, or where it goes, as numbered'],
  ...verdicts.map(
    (verdict) => [traitsOf(verdict).key, verdictWords[verdict].toLowerCase()] as const,
  ),
  ['P', 'split the pile'],
  ['M', 'count aloud: each verdict is one more'],
  ['O', 'a second opinion'],
  ['Alt + key', 'a verdict while typing'],
  ['T', 'back to typing'],
];
const LOOKING: readonly (readonly [string, string])[] = [
  ['arrows', 'push the picked thing by 1 cm, with Shift by 10'],
  ['W', 'to the next wall, with Shift the one before'],
  ['Delete', 'out of the plan'],
];
const PLACING: readonly (readonly [string, string])[] = [
  ['Enter', 'pick a tag up, put it down'],
  ['arrows', 'carry it from place to place'],
  ['Escape', 'leave it where it was'],
];
const FITTING: readonly (readonly [string, string])[] = [
  ['← →', 'place before, place after'],
  ['A', 'take this fit'],
];

/** Every key, and the switch for those who speak to their device, or whose hand slips. */
export function KeyLists() {
  const [isOn, setIsOn] = useState(areSingleKeysOn);
  return (
    <>
      <CheckField
        label="Single keys act on this device (letters and digits without Ctrl or Alt)"
        checked={isOn}
        onChange={({ target }) => {
          switchSingleKeys(target.checked);
          setIsOn(target.checked);
        }}
      />
      <div className="mt-2 grid gap-x-8 gap-y-4 sm:grid-cols-2">
        <KeyList title="Everywhere" keys={EVERYWHERE} />
        <KeyList title="Sort" keys={ON_THE_BENCH} />
        <KeyList title="Look, from above" keys={LOOKING} />
        <KeyList title="Place" keys={PLACING} />
        <KeyList title="Fit" keys={FITTING} />
      </div>
    </>
  );
}

function KeyList({ title, keys }: { title: string; keys: readonly (readonly [string, string])[] }) {
  return (
    <section>
      <h3 className="caption mb-1.5">{title}</h3>
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-[14px]">
        {keys.map(([key, act]) => (
          <div key={key + act} className="contents">
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{act}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
