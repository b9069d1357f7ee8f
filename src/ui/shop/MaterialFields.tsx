'use client';

import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { useFieldArray, useFormContext } from 'react-hook-form';

import {
  shelvesOfUnits,
  surfacesOfPlan,
  type Fixture,
  type PlanSurface,
  type RoomPlan,
  type Unit,
} from '@/core/look';
import { formatCount, formatLength, formatLitres, type LengthUnit } from '@/core/shared';
import {
  paintNeedOf,
  priorities,
  tapeNeedOf,
  USUAL_DRYING,
  type MaterialKind,
  type Materials,
  type PaintKind,
} from '@/core/shop';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { typedPositiveLength } from '../typedValues';
import type { MaterialsTyped } from './materialsForm';
import { PRIORITY_WORDS } from './NeedList';

export interface Fields {
  /** As it was kept last; the sums are worked out from it. */
  readonly kept: Materials;
  readonly measureUnit: LengthUnit;
}
interface PlanFacts {
  /** The room's walls, where they are measured, and what is in them. */
  readonly plan: RoomPlan | null;
  readonly fixtures: readonly Fixture[];
  readonly units: readonly Unit[];
}
export interface ShopChoice {
  readonly id: string;
  readonly name: string;
}

/** The button that takes a row out. */
export const REMOVE =
  'grid size-9 place-items-center self-end rounded text-soft hover:text-ink max-md:size-12';

/** Where a material is bought; without a shop it stays off the shopping list. */
export function BuyingFields({
  kind,
  what,
  shops,
}: {
  readonly kind: MaterialKind;
  readonly what: string;
  readonly shops: readonly ShopChoice[];
}) {
  const { register } = useFormContext<MaterialsTyped>();
  return (
    <div className="no-print mt-2 flex flex-wrap gap-1.5">
      <SelectField
        label={`${what}: bought at`}
        className="w-[220px]"
        {...register(`buying.${kind}.shopId`)}
      >
        <option value="">not on the list</option>
        {shops.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </SelectField>
      <SelectField label="How much" className="w-[150px]" {...register(`buying.${kind}.priority`)}>
        {priorities.map((priority) => (
          <option key={priority} value={priority}>
            {PRIORITY_WORDS[priority]}
          </option>
        ))}
      </SelectField>
    </div>
  );
}

const PAINT_FIELDS = [
  'coats',
  'squareMetresPerLitre',
  'canLitres',
  'canPrice',
  'dryHours',
  'cureDays',
] as const;

/** Surfaces, coats and what the can says; and from that cans, and when it is dry. */
export function PaintFields({ kept, measureUnit, plan, fixtures, units }: Fields & PlanFacts) {
  const {
    register,
    control,
    setValue,
    formState: { errors },
  } = useFormContext<MaterialsTyped>();
  const surfaces = useFieldArray({ control, name: 'surfaces' });
  const need = kept.paint && paintNeedOf(kept.paint);
  return (
    <>
      <div className="no-print grid gap-1.5">
        {surfaces.fields.map((field, i) => (
          <div
            key={field.id}
            className="grid grid-cols-[1fr_96px_96px_64px_36px] gap-1.5 max-md:grid-cols-[1fr_1fr_60px_48px]"
          >
            <TextField
              className="max-md:col-span-4"
              label={i === 0 ? 'Painted' : `Surface ${i + 1}`}
              hideLabel={i > 0}
              error={errors.surfaces?.[i]?.name?.message}
              {...register(`surfaces.${i}.name`)}
            />
            <TextField
              label={i === 0 ? 'Width' : `Width of surface ${i + 1}`}
              hideLabel={i > 0}
              isLength
              error={errors.surfaces?.[i]?.width?.message}
              {...register(`surfaces.${i}.width`)}
            />
            <TextField
              label={i === 0 ? 'Height' : `Height of surface ${i + 1}`}
              hideLabel={i > 0}
              isLength
              error={errors.surfaces?.[i]?.height?.message}
              {...register(`surfaces.${i}.height`)}
            />
            <TextField
              label={i === 0 ? 'How many' : `How many of surface ${i + 1}`}
              hideLabel={i > 0}
              measure
              inputMode="numeric"
              error={errors.surfaces?.[i]?.qty?.message}
              {...register(`surfaces.${i}.qty`)}
            />
            <button
              type="button"
              className={REMOVE}
              aria-label={`Remove surface ${i + 1}`}
              onClick={() => surfaces.remove(i)}
            >
              <X size={16} />
            </button>
          </div>
        ))}
        <div className="flex flex-wrap items-end gap-2">
          <Button onClick={() => surfaces.append({ name: '', width: '', height: '', qty: '1' })}>
            <Plus size={16} aria-hidden="true" /> A surface
          </Button>
          {units.length > 0 && (
            <Button
              onClick={() =>
                surfaces.append(
                  shelvesOfUnits(units).map(({ unitName, widthMm, depthMm, count }) => ({
                    name: `Shelf tops, ${unitName}`,
                    width: formatLength(widthMm, measureUnit),
                    height: formatLength(depthMm, measureUnit),
                    qty: String(count),
                  })),
                )
              }
            >
              Shelves of the units
            </Button>
          )}
          {plan && (
            <FromPlan
              plan={plan}
              fixtures={fixtures}
              measureUnit={measureUnit}
              onAdd={(rows) => surfaces.append(rows)}
            />
          )}
        </div>
        {/* A fault stays in sight where its surfaces are gone. */}
        {(surfaces.fields.length > 0 || PAINT_FIELDS.some((field) => errors[field])) && (
          <div className="flex flex-wrap gap-1.5">
            <TextField
              label="Coats"
              measure
              inputMode="numeric"
              className="w-[70px]"
              error={errors.coats?.message}
              {...register('coats')}
            />
            <TextField
              label="m² a litre"
              measure
              inputMode="decimal"
              className="w-[90px]"
              error={errors.squareMetresPerLitre?.message}
              {...register('squareMetresPerLitre')}
            />
            <TextField
              label="Litres a can"
              measure
              inputMode="decimal"
              className="w-[100px]"
              error={errors.canLitres?.message}
              {...register('canLitres')}
            />
            <TextField
              label="Price a can"
              measure
              inputMode="decimal"
              className="w-[100px]"
              error={errors.canPrice?.message}
              {...register('canPrice')}
            />
            <SelectField
              label="Times usual for"
              defaultValue=""
              onChange={({ target }) => {
                const usual = USUAL_DRYING[target.value as PaintKind] as
                  (typeof USUAL_DRYING)[PaintKind] | undefined;
                if (!usual) return;
                setValue('dryHours', String(usual.dryHours));
                setValue('cureDays', String(usual.cureDays));
              }}
            >
              <option value="">as on the tin</option>
              {Object.keys(USUAL_DRYING).map((kind) => (
                <option key={kind}>{kind}</option>
              ))}
            </SelectField>
            <TextField
              label="Hours between coats"
              measure
              inputMode="decimal"
              className="w-[150px]"
              error={errors.dryHours?.message}
              {...register('dryHours')}
            />
            <TextField
              label="Cures for, days"
              measure
              inputMode="decimal"
              className="w-[150px]"
              error={errors.cureDays?.message}
              {...register('cureDays')}
            />
          </div>
        )}
      </div>
      {need && need.cans > 0 && (
        <p className="mt-2 text-[14.5px]">
          <b className="font-mono">{need.squareMetres.toFixed(1)} m²</b> in{' '}
          {formatCount(kept.paint.coats, 'coat')} take{' '}
          <b className="font-mono">{formatLitres(need.litres)}</b>: {formatCount(need.cans, 'can')}.
          Dry <span className="font-mono">{need.dryAfterHours} h</span> after the first stroke,
          loaded after <span className="font-mono">{formatDays(need.loadAfterHours)}</span>. Open
          the windows, and keep children and pets out until it is dry.
        </p>
      )}
    </>
  );
}

/** The room's height, and its walls and ceiling as surfaces, less doors and windows. */
function FromPlan({
  plan,
  fixtures,
  measureUnit,
  onAdd,
}: {
  readonly plan: RoomPlan;
  readonly fixtures: readonly Fixture[];
  readonly measureUnit: LengthUnit;
  readonly onAdd: (rows: MaterialsTyped['surfaces']) => void;
}) {
  const [typed, setTyped] = useState('');
  const [error, setError] = useState<string>();
  const add = () => {
    const height = typedPositiveLength(measureUnit).safeParse(typed);
    if (!height.success) return setError(height.error.issues[0]?.message);
    setError(undefined);
    const length = (mm: number) => formatLength(Math.round(mm), measureUnit);
    const surfaces = surfacesOfPlan(plan, fixtures, height.data.mm);
    if (surfaces.length === 0) return setError('The walls of the plan do not meet: see Look');
    onAdd(
      surfaces.map((surface) => ({
        name: surfaceWords(surface),
        width: length(surface.widthMm),
        height: length(surface.heightMm),
        qty: '1',
      })),
    );
  };
  return (
    <>
      <TextField
        label="Height of the room"
        isLength
        className="w-[130px]"
        value={typed}
        error={error}
        onChange={(event) => setTyped(event.target.value)}
      />
      <Button onClick={add}>Walls and ceiling of the plan</Button>
    </>
  );
}

function surfaceWords({ wallNumber, openingNames }: PlanSurface): string {
  if (wallNumber === undefined) return 'Ceiling';
  const less = openingNames.length === 0 ? '' : `, less ${openingNames.join(', ')}`;
  return `Wall ${wallNumber}${less}`.slice(0, 60);
}

const formatDays = (hours: number): string => `${Math.ceil(hours / 12) / 2} days`;

/** One label for each container of the taken fits. */
export function LabelFields({
  kept,
  measureUnit,
  labelTexts,
}: Fields & { readonly labelTexts: readonly string[] }) {
  const {
    register,
    formState: { errors },
  } = useFormContext<MaterialsTyped>();
  const need = kept.labels && tapeNeedOf(kept.labels, labelTexts);
  return (
    <>
      <div className="no-print flex flex-wrap gap-1.5">
        <TextField
          label="Letters, high"
          isLength
          placeholder="none"
          className="w-[110px]"
          error={errors.letter?.message}
          {...register('letter')}
        />
        <TextField
          label="Tape in a cassette"
          isLength
          className="w-[140px]"
          error={errors.cassette?.message}
          {...register('cassette')}
        />
        <TextField
          label="Price a cassette"
          measure
          inputMode="decimal"
          className="w-[130px]"
          error={errors.cassettePrice?.message}
          {...register('cassettePrice')}
        />
        <TextField
          label="Spare labels"
          measure
          inputMode="numeric"
          className="w-[110px]"
          error={errors.spareCount?.message}
          {...register('spareCount')}
        />
      </div>
      <p className="mt-2 text-[14.5px]">
        {labelTexts.length === 0 && 'No fit is taken in this room yet: there is nothing to label.'}
        {labelTexts.length > 0 && need && (
          <>
            <b className="font-mono">{formatCount(need.labelCount, 'label')}</b>, one for each
            container and the spare ones, take{' '}
            <b className="font-mono">
              {measureUnit === 'in'
                ? formatLength(need.lengthMm, 'in')
                : `${(need.lengthMm / 1000).toFixed(1)} m`}
            </b>{' '}
            of tape: {formatCount(need.cassettes, 'cassette')}.
          </>
        )}
        {labelTexts.length > 0 && !need && (
          <span className="text-soft">
            {formatCount(labelTexts.length, 'container')} of the taken fits can bear a label.
          </span>
        )}
      </p>
    </>
  );
}
