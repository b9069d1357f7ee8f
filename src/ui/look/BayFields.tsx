'use client';

import { X } from 'lucide-react';
import { useWatch } from 'react-hook-form';

import { MAX_SPREAD_MM } from '@/core/look';
import { parseLength, spreadMm, type Length } from '@/core/shared';
import { CheckField, TextField } from '../primitives/Field';
import type { UnitFormHandle } from './UnitForm';

type Measure = 'widthReadings' | 'depthReadings' | 'heightReadings';
const MEASURES: readonly (readonly [Measure, string])[] = [['widthReadings', 'Width'], ['depthReadings', 'Depth'], ['heightReadings', 'Height']];
const READING_WORDS = ['first', 'second', 'third', 'fourth', 'fifth'];

interface BayFieldsProps {
  readonly form: UnitFormHandle;
  readonly index: number;
  readonly onRemove: (() => void) | undefined;
}

/** One place: its name, where it is in the unit, its readings, and what it bears and suffers. */
export function BayFields({ form, index, onRemove }: BayFieldsProps) {
  const { register, formState } = form;
  const errors = formState.errors.bays?.[index];
  const name = `bays.${index}` as const;
  return (
    <li className="panel p-3">
      <div className="grid grid-cols-[minmax(0,1fr)_76px_76px_44px] items-start gap-2.5">
        <TextField label="Place" error={errors?.name?.message} {...register(`${name}.name`)} />
        <TextField label="Column" type="number" min={1} max={12} measure error={errors?.column?.message} {...register(`${name}.column`)} />
        <TextField label="Row up" type="number" min={1} max={20} measure error={errors?.row?.message} {...register(`${name}.row`)} />
        {onRemove && <button type="button" aria-label={`Remove place ${index + 1}`} onClick={onRemove} className="mt-5 grid size-11 place-items-center rounded hover:bg-well"><X size={17} /></button>}
      </div>
      <div className="mt-2 grid gap-1.5">
        {MEASURES.map(([measure, word]) => <Readings key={measure} form={form} index={index} measure={measure} word={word} />)}
      </div>
      <details className="mt-1">
        <summary className="min-h-9 py-1.5 text-[14px] text-rim">Opening, load, damp, scope</summary>
        <div className="grid gap-2.5 pt-1 sm:grid-cols-3">
          <TextField label="Opening width, if smaller" measure error={errors?.openingWidth?.message} {...register(`${name}.openingWidth`)} />
          <TextField label="Opening height, if smaller" measure error={errors?.openingHeight?.message} {...register(`${name}.openingHeight`)} />
          <TextField label="Bears, in kg" measure inputMode="decimal" error={errors?.maxLoadKg?.message} {...register(`${name}.maxLoadKg`)} />
          <CheckField label="pulls out" {...register(`${name}.pullOut`)} />
          <CheckField label="damp" {...register(`${name}.moist`)} />
          <CheckField label="not part of this pass" {...register(`${name}.outOfScope`)} />
        </div>
      </details>
    </li>
  );
}

function Readings({ form, index, measure, word }: { form: UnitFormHandle; index: number; measure: Measure; word: string }) {
  const texts = useWatch({ control: form.control, name: `bays.${index}.${measure}` });
  const errors = form.formState.errors.bays?.[index]?.[measure];
  const readings = texts.flatMap((text): Length[] => {
    const length = parseLength(text, 'mm');
    return length.ok ? [length.value] : [];
  });
  // Bare numbers share one unit, so their spread in it is judged by the largest unit they could mean.
  const isAskew = readings.length > 1 && spreadMm(readings) > MAX_SPREAD_MM;
  const message = Array.isArray(errors) ? errors.find((error) => error?.message)?.message : errors?.message;
  return (
    <fieldset>
      <legend className="sr-only">{word}</legend>
      <div className="grid grid-cols-[56px_repeat(3,minmax(0,1fr))] items-center gap-1.5">
        <span className="caption" aria-hidden="true">{word}</span>
        {texts.map((_, i) => (
          <input key={i} className="input measure" aria-label={`${word}, ${READING_WORDS[i] ?? i + 1} reading, place ${index + 1}`} aria-invalid={message !== undefined && i === 0} autoComplete="off" {...form.register(`bays.${index}.${measure}.${i}`)} />
        ))}
      </div>
      {message !== undefined && <p role="alert" className="mt-1 text-[13px] text-signal-deep">{message}</p>}
      {isAskew && <p className="mt-1 text-[13px] text-signal-deep">More than 5 mm apart: measure once more.</p>}
    </fieldset>
  );
}
