'use client';

import { useState } from 'react';

import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { clockWords } from './haulWords';
import { dayWords } from './takeAwayWords';

interface DeparturesProps {
  readonly departures: readonly {
    readonly day: string;
    readonly minute: number;
    readonly visitId: string | null;
  }[];
  readonly disabled: boolean;
  readonly onChange: (change: {
    readonly day: string;
    readonly minute: number;
    readonly isAdded: boolean;
  }) => void;
}

/** When somebody could drive: visits, when they end, and times of one's own. */
export function Departures({ departures, disabled, onChange }: DeparturesProps) {
  const [day, setDay] = useState('');
  const [time, setTime] = useState('10:00');
  const add = () => {
    const [hours = 0, minutes = 0] = time.split(':').map(Number);
    if (day !== '') onChange({ day, minute: hours * 60 + minutes, isAdded: true });
    setDay('');
  };
  return (
    <section aria-label="When somebody could drive" className="panel p-4">
      <h2 className="text-[17px]">When somebody could drive</h2>
      <ul className="mt-1 flex flex-wrap gap-x-4 gap-y-1 text-[14.5px]">
        {departures.length === 0 && (
          <li className="text-soft">
            No visit is planned and no time was said: trips have no day, and hours are not looked
            at.
          </li>
        )}
        {departures.map((each) => (
          <li
            key={`${each.day} ${each.minute} ${each.visitId}`}
            className="flex items-center gap-2"
          >
            {dayWords(each.day)}, {clockWords(each.minute)}
            {each.visitId === null ? (
              <button
                type="button"
                disabled={disabled}
                className="min-h-9 text-rim underline max-md:min-h-12"
                aria-label={`Not on ${dayWords(each.day)}, ${clockWords(each.minute)}`}
                onClick={() => onChange({ day: each.day, minute: each.minute, isAdded: false })}
              >
                not then
              </button>
            ) : (
              <span className="text-soft">after the visit</span>
            )}
          </li>
        ))}
      </ul>
      <form
        className="mt-2 flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <TextField
          label="Another day"
          type="date"
          value={day}
          onChange={(event) => setDay(event.target.value)}
        />
        <TextField
          label="From"
          type="time"
          value={time}
          onChange={(event) => setTime(event.target.value)}
        />
        <Button type="submit" disabled={disabled || day === ''}>
          Add this time
        </Button>
      </form>
    </section>
  );
}
