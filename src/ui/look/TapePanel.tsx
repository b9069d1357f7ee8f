'use client';

import { useState } from 'react';

import { tapeDistancesOf, type Outline, type WallPlace } from '@/core/look';
import { formatLength, parseLength, type LengthUnit } from '@/core/shared';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { lengthErrorWords } from '../home/homeWords';
import { LeadsToField, type DoorEnds } from './LeadsToField';
import type { PlanThing } from './planItems';

interface TapePanelProps {
  readonly thing: PlanThing;
  readonly place: WallPlace;
  readonly outline: Outline;
  readonly measureUnit: LengthUnit;
  readonly onPlace: (place: WallPlace) => void;
  readonly onTakeOut: () => void;
  /** Of a door: what it leads to. */
  readonly leads?: {
    readonly to: string;
    readonly ends: DoorEnds;
    readonly onSay: (leadsTo: string) => void;
  };
}

/** The picked thing's place as a tape gives it: which wall, how far from its corner, how far off. */
export function TapePanel({
  thing,
  place,
  outline,
  measureUnit,
  onPlace,
  onTakeOut,
  leads,
}: TapePanelProps) {
  const [typed, setTyped] = useState({ along: place.along.text, off: place.off.text });
  const [problem, setProblem] = useState<{
    readonly field: 'along' | 'off';
    readonly words: string;
  }>();
  const wall = outline.walls[place.wallIndex];
  const keep = (field: 'along' | 'off') => {
    const length = parseLength(typed[field], measureUnit);
    if (!length.ok) return setProblem({ field, words: lengthErrorWords(length.error) });
    setProblem(undefined);
    if (length.value.text !== place[field].text) onPlace({ ...place, [field]: length.value });
  };
  const field = (name: 'along' | 'off', label: string) => (
    <TextField
      label={label}
      isLength
      value={typed[name]}
      error={problem?.field === name ? problem.words : undefined}
      onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
      onBlur={() => keep(name)}
      onKeyDown={(event) => event.key === 'Enter' && keep(name)}
    />
  );
  return (
    <div
      role="group"
      aria-label={`Place of ${thing.name}`}
      className="grid grid-cols-2 items-start gap-x-3 gap-y-2 border-b border-line px-3 py-2.5"
    >
      <b className="col-span-2 font-head text-[15px]">{thing.name}</b>
      <SelectField
        label="Along wall"
        className="col-span-2"
        value={place.wallIndex}
        onChange={(event) => onPlace({ ...place, wallIndex: Number(event.target.value) })}
      >
        {outline.walls.map((each) => (
          <option key={each.wallIndex} value={each.wallIndex}>
            {each.wallIndex + 1}, {formatLength(each.lengthMm, measureUnit)}
          </option>
        ))}
      </SelectField>
      {field('along', 'From its corner')}
      {!thing.keepsToWall && field('off', 'Off the wall')}
      {wall && (
        <p className="col-span-2 text-[13.5px] text-soft">
          to the next corner{' '}
          <span className="measure">
            {formatLength(tapeDistancesOf(wall, place, thing.size).toEndMm, measureUnit)}
          </span>
        </p>
      )}
      {leads && (
        <LeadsToField
          ends={leads.ends}
          className="col-span-2"
          value={leads.to}
          onChange={(event) => leads.onSay(event.target.value)}
        />
      )}
      <Button className="col-span-2" onClick={onTakeOut}>
        {thing.kind === 'fixture' ? 'Remove' : 'Take out of the plan'}
      </Button>
    </div>
  );
}
