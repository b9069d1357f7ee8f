'use client';
import clsx from 'clsx';

import { Plus, X } from 'lucide-react';
import { useId } from 'react';
import { useWatch } from 'react-hook-form';

import {
  judgeReadings,
  MAX_SPREAD_MM,
  parseLength,
  type Length,
  type LengthUnit,
} from '@/core/shared';
import { CheckField, TextField } from '../primitives/Field';
import { useLengthKeys } from '../primitives/LengthKeys';
import { ObstacleFields } from './ObstacleFields';
import { type UnitFormHandle } from './unitForm';

type Measure = 'widthReadings' | 'depthReadings' | 'heightReadings';
const MEASURES: readonly (readonly [Measure, string])[] = [
  ['widthReadings', 'Width'],
  ['depthReadings', 'Depth'],
  ['heightReadings', 'Height'],
];
const READING_WORDS = ['first', 'second', 'third', 'fourth', 'fifth'];
const MOST_READINGS = 5;

/** How one gets at it, where that is not simply from the front. */
const ACCESS = [
  ['openingLeft', 'Opening, from the left'],
  ['openingBottom', 'Opening, from below'],
  ['doorTakes', 'Open door takes away'],
  ['lip', 'Lip at the front'],
  ['shelfThickness', 'Shelf above, thickness'],
  ['falseFloor', 'False floor, height'],
  ['doorSwing', 'On the door: reaches in'],
  ['doorLoadKg', 'On the door: bears, kg'],
] as const;

interface BayFieldsProps {
  readonly form: UnitFormHandle;
  readonly index: number;
  readonly measureUnit: LengthUnit;
  readonly onRemove: (() => void) | undefined;
}

/** One place: its name, where it is in the unit, its readings, and what it bears and suffers. */
export function BayFields({ form, index, measureUnit, onRemove }: BayFieldsProps) {
  const { register, formState } = form;
  const errors = formState.errors.bays?.[index];
  const name = `bays.${index}` as const;
  return (
    <li className="panel p-3">
      <div className="grid grid-cols-[minmax(0,1fr)_76px_76px_48px] items-start gap-2.5 max-sm:grid-cols-[76px_76px_48px]">
        <TextField
          label="Place"
          className="max-sm:col-span-full"
          isNeeded
          error={errors?.name?.message}
          {...register(`${name}.name`)}
        />
        <TextField
          label="Column"
          type="number"
          min={1}
          max={12}
          measure
          error={errors?.column?.message}
          {...register(`${name}.column`)}
        />
        <TextField
          label="Row up"
          type="number"
          min={1}
          max={20}
          measure
          error={errors?.row?.message}
          {...register(`${name}.row`)}
        />
        {onRemove && (
          <button
            type="button"
            aria-label={`Remove place ${index + 1}`}
            onClick={onRemove}
            className="mt-5 grid size-12 place-items-center rounded hover:bg-well"
          >
            <X size={17} />
          </button>
        )}
      </div>
      <div className="mt-2 grid gap-1.5">
        {MEASURES.map(([measure, word]) => (
          <Readings
            key={measure}
            form={form}
            index={index}
            measure={measure}
            word={word}
            measureUnit={measureUnit}
          />
        ))}
      </div>
      <details className="mt-1">
        <summary className="min-h-9 py-1.5 text-[14px] text-rim">
          Opening, load, damp and light, what stands in it, scope
        </summary>
        <div className="grid gap-2.5 pt-1 sm:grid-cols-3">
          <TextField
            label="Opening width, if smaller"
            isLength
            error={errors?.openingWidth?.message}
            {...register(`${name}.openingWidth`)}
          />
          <TextField
            label="Opening height, if smaller"
            isLength
            error={errors?.openingHeight?.message}
            {...register(`${name}.openingHeight`)}
          />
          <TextField
            label="Bears, in kg"
            measure
            inputMode="decimal"
            error={errors?.maxLoadKg?.message}
            {...register(`${name}.maxLoadKg`)}
          />
        </div>
        <div className="mt-2 grid grid-cols-2 gap-2.5 sm:grid-cols-4">
          {ACCESS.map(([field, label]) => (
            <TextField
              key={field}
              label={label}
              isLength={field !== 'doorLoadKg'}
              measure={field === 'doorLoadKg'}
              error={errors?.access?.[field]?.message}
              {...register(`${name}.access.${field}`)}
            />
          ))}
        </div>
        <div className="flex flex-wrap gap-x-5">
          <CheckField label="pulls out" {...register(`${name}.pullOut`)} />
          <CheckField label="damp" {...register(`${name}.moist`)} />
          <CheckField label="warm" {...register(`${name}.warm`)} />
          <CheckField label="in the light" {...register(`${name}.light`)} />
          <CheckField label="can be locked" {...register(`${name}.lockable`)} />
          <CheckField label="not part of this pass" {...register(`${name}.outOfScope`)} />
        </div>
        <ObstacleFields form={form} index={index} />
      </details>
    </li>
  );
}

interface ReadingsProps {
  readonly form: UnitFormHandle;
  readonly index: number;
  readonly measure: Measure;
  readonly word: string;
  readonly measureUnit: LengthUnit;
}

function Readings({ form, index, measure, word, measureUnit }: ReadingsProps) {
  const path = `bays.${index}.${measure}` as const;
  const [texts, isUsual] = useWatch({
    control: form.control,
    name: [path, `bays.${index}.usual.${measure}`],
  });
  const errors = form.formState.errors.bays?.[index]?.[measure];
  const noteId = useId();
  const lengthKeys = useLengthKeys();
  const readings = texts.flatMap((text, at): (Length & { readonly at: number })[] => {
    const length = parseLength(text, measureUnit);
    return length.ok && length.value.mm > 0 ? [{ ...length.value, at }] : [];
  });
  const verdict = judgeReadings(readings);
  const isAskew = readings.length > 1 && verdict.isAskew;
  const slanted = new Set(verdict.slantedIndexes.map((i) => readings[i]?.at));
  // One line for the readings; each that is wrong is marked, or the first where none is there.
  const wrong = texts.map((_, i) => errors?.[i]?.message);
  const message =
    wrong.find((each) => each !== undefined) ?? errors?.message ?? errors?.root?.message;
  const isWrong = (i: number) =>
    message !== undefined && (wrong.some(Boolean) ? wrong[i] !== undefined : i === 0);
  const onChange = () => isUsual && form.setValue(`bays.${index}.usual.${measure}`, false);
  return (
    <fieldset data-readings={isAskew ? 'askew' : 'agree'}>
      <legend className="sr-only">{word}</legend>
      <div className="grid grid-cols-[56px_repeat(3,minmax(0,1fr))] items-center gap-1.5">
        <span className="caption" aria-hidden="true">
          {word}
        </span>
        {texts.map((_, i) => (
          <input
            key={i}
            className={clsx(
              'input measure',
              i > 2 ? 'col-start-auto' : '',
              isUsual && i === 0 ? 'text-soft italic' : '',
              slanted.has(i) ? 'line-through' : '',
            )}
            data-length=""
            data-usual={isUsual && i === 0 ? '' : undefined}
            aria-label={`${word}, ${READING_WORDS[i] ?? i + 1} reading, place ${index + 1}`}
            inputMode={lengthKeys}
            aria-invalid={isWrong(i)}
            aria-describedby={isWrong(i) ? noteId : undefined}
            autoComplete="off"
            {...form.register(`${path}.${i}`, { onChange })}
          />
        ))}
      </div>
      {message !== undefined && (
        <p id={noteId} role="alert" className="mt-1 text-[13px] text-signal-deep">
          {message}
        </p>
      )}
      {isUsual && (
        <p className="mt-1 text-[13px] text-signal-deep">
          The usual size. Measure it; nobody has yet.
        </p>
      )}
      {isAskew && (
        <p className="mt-1 flex flex-wrap items-center gap-2 text-[13px] text-signal-deep">
          <span role="status">More than {MAX_SPREAD_MM} mm apart: measure once more.</span>
          {texts.length < MOST_READINGS && (
            <button
              type="button"
              data-add-reading=""
              className="inline-flex min-h-8 items-center gap-1 rounded border border-line bg-sheet px-2 max-md:min-h-12"
              onClick={() => form.setValue(path, [...texts, ''])}
            >
              <Plus size={14} aria-hidden="true" /> another reading
            </button>
          )}
        </p>
      )}
      {slanted.size > 0 && (
        <p className="mt-1 text-[13px] text-soft">
          Three agree; the struck one was held at a slant and does not count.
        </p>
      )}
    </fieldset>
  );
}
