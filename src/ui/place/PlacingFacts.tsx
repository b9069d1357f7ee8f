'use client';

import { hazardOf, isFoodGroup, isFragileGroup, mayLeaveRoom, seasonOf } from '@/core/place';
import type { Group } from '@/core/sort';
import { CheckField, SelectField } from '../primitives/Field';
import { MONTH_NAMES } from './placeWords';

interface PlacingFactsProps {
  readonly group: Group;
  readonly placing: Group['placing'];
  readonly others: readonly Pick<Group, 'id' | 'name'>[];
  readonly onChange: (change: Partial<Group['placing']>) => void;
}

const HAZARD_WORDS = {
  none: 'nothing dangerous',
  chemical: 'chemicals',
  sharp: 'blades',
  medicine: 'medicine',
} as const;
const AVOID_WORDS = { moist: 'damp', warm: 'warmth', light: 'light' } as const;

/**
 * What a place must know of a group beyond how often and by whom it is used; most of it is read
 * from the group's name.
 */
export function PlacingFacts({ group, placing, others, onChange }: PlacingFactsProps) {
  const now = { ...group, placing };
  const season = seasonOf(now);
  const facts = [
    hazardOf(now),
    isFoodGroup(now) && 'food',
    isFragileGroup(now) && 'breaks',
    season && `${MONTH_NAMES[season.from - 1]} to ${MONTH_NAMES[season.to - 1]}`,
    placing.isBackStock && 'in reserve',
    placing.isTempting && 'tempting',
  ].filter((fact) => typeof fact === 'string');
  return (
    <details className="rounded-[5px] border border-line px-2">
      <summary className="min-h-9 content-center text-[14px] max-md:min-h-12">
        More that its place must know
        {facts.length > 0 && <span className="text-soft">: {facts.join(', ')}</span>}
      </summary>
      <div className="grid gap-2 pb-2">
        <SelectField
          label="Dangerous"
          value={hazardOf(now) ?? 'none'}
          onChange={(event) =>
            onChange({
              hazard:
                (['none', 'chemical', 'sharp', 'medicine'] as const).find(
                  (hazard) => hazard === event.target.value,
                ) ?? null,
            })
          }
        >
          {(['none', 'chemical', 'sharp', 'medicine'] as const).map((hazard) => (
            <option key={hazard} value={hazard}>
              {HAZARD_WORDS[hazard]}
            </option>
          ))}
        </SelectField>
        <div className="flex flex-wrap gap-x-4">
          <CheckField
            label="food"
            checked={isFoodGroup(now)}
            onChange={(event) => onChange({ isFood: event.target.checked })}
          />
          <CheckField
            label="breaks"
            checked={isFragileGroup(now)}
            onChange={(event) => onChange({ isFragile: event.target.checked })}
          />
          <CheckField
            label="kept in reserve"
            checked={placing.isBackStock}
            onChange={(event) => onChange({ isBackStock: event.target.checked })}
          />
          <CheckField
            label="tempting"
            checked={placing.isTempting}
            onChange={(event) => onChange({ isTempting: event.target.checked })}
          />
          <CheckField
            label="may live in another room"
            checked={mayLeaveRoom(now)}
            onChange={(event) => onChange({ mayLeaveRoom: event.target.checked })}
          />
          <CheckField
            label="everyone takes it themselves"
            checked={placing.selfServe}
            onChange={(event) => onChange({ selfServe: event.target.checked })}
          />
        </div>
        <fieldset>
          <legend className="caption">Keep it from</legend>
          <div className="flex flex-wrap gap-x-4">
            {(['moist', 'warm', 'light'] as const).map((trait) => (
              <CheckField
                key={trait}
                label={AVOID_WORDS[trait]}
                checked={placing.avoid.includes(trait)}
                onChange={() =>
                  onChange({
                    avoid: placing.avoid.includes(trait)
                      ? placing.avoid.filter((other) => other !== trait)
                      : [...placing.avoid, trait],
                  })
                }
              />
            ))}
          </div>
        </fieldset>
        <div className="grid grid-cols-2 gap-2">
          {(['from', 'to'] as const).map((end) => (
            <SelectField
              key={end}
              label={end === 'from' ? 'Used from' : 'Used to'}
              value={season?.[end] ?? ''}
              onChange={(event) =>
                onChange({
                  season:
                    event.target.value === ''
                      ? { from: 1, to: 12 }
                      : {
                          from: season?.from ?? 1,
                          to: season?.to ?? 12,
                          [end]: Number(event.target.value),
                        },
                })
              }
            >
              <option value="">all year</option>
              {MONTH_NAMES.map((month, i) => (
                <option key={month} value={i + 1}>
                  {month}
                </option>
              ))}
            </SelectField>
          ))}
        </div>
        <OtherGroups
          label="Belongs with"
          others={others}
          ids={placing.withIds}
          onChange={(withIds) => onChange({ withIds })}
        />
        <OtherGroups
          label="Never beside"
          others={others}
          ids={placing.apartIds}
          onChange={(apartIds) => onChange({ apartIds })}
        />
      </div>
    </details>
  );
}

/** Some of the other groups: picked one by one, taken out by a tap. */
function OtherGroups({
  label,
  others,
  ids,
  onChange,
}: {
  label: string;
  others: PlacingFactsProps['others'];
  ids: Group['placing']['withIds'];
  onChange: (ids: Group['placing']['withIds']) => void;
}) {
  return (
    <div>
      <SelectField
        label={label}
        value=""
        onChange={(event) => {
          const picked = others.find(({ id }) => id === event.target.value);
          if (picked) onChange([...ids, picked.id]);
        }}
      >
        <option value="">{ids.length === 0 ? 'nothing in particular' : 'one more …'}</option>
        {others
          .filter(({ id }) => !ids.includes(id))
          .map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
      </SelectField>
      {ids.length > 0 && (
        <ul className="mt-1 flex flex-wrap gap-1.5">
          {ids.map((id) => (
            <li key={id}>
              <button
                type="button"
                className="tag min-h-8 text-[13px] max-md:min-h-12"
                aria-label={`${label}: no longer ${others.find((other) => other.id === id)?.name ?? 'what is gone'}`}
                onClick={() => onChange(ids.filter((other) => other !== id))}
              >
                {others.find((other) => other.id === id)?.name ?? 'gone'} ×
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
