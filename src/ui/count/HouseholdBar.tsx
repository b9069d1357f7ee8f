'use client';

import type { HouseholdCounts } from '@/core/count';
import { formatCount } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { useMutation } from '../useMutation';

interface HouseholdBarProps {
  readonly household: HouseholdCounts;
  readonly onSave: (typed: {
    readonly bedCount: number;
    readonly guestPlaceCount: number;
    readonly washEveryDays: number;
  }) => Promise<ActionResult>;
}

/** What the rules are multiplied by; a figure is kept when its field is left. */
export function HouseholdBar({ household, onSave }: HouseholdBarProps) {
  const { mutate } = useMutation();
  const save = async (change: Partial<Parameters<typeof onSave>[0]>) => {
    await mutate(() =>
      onSave({
        bedCount: household.beds,
        guestPlaceCount: household.guestPlaces,
        washEveryDays: household.washEveryDays,
        ...change,
      }),
    );
  };
  const field = (
    label: string,
    value: number,
    key: keyof Parameters<typeof onSave>[0],
    unit = '',
  ) => (
    <label className="flex items-center gap-1.5">
      {label}{' '}
      <input
        key={value}
        inputMode="numeric"
        className="input measure min-h-8 w-[52px] px-2 py-0.5 max-md:min-h-12"
        defaultValue={value}
        onBlur={(event) =>
          Number(event.target.value) !== value && void save({ [key]: Number(event.target.value) })
        }
      />{' '}
      {unit}
    </label>
  );
  return (
    <div className="mt-1 text-[14px]">
      <p className="flex flex-wrap items-center gap-x-4 gap-y-1.5">
        <span>{formatCount(household.people, 'person', 'people')}</span>
        {field('beds', household.beds, 'bedCount')}
        {field('guest places', household.guestPlaces, 'guestPlaceCount')}
        {field('washday every', household.washEveryDays, 'washEveryDays', 'days')}
      </p>
    </div>
  );
}
