'use client';
import clsx from 'clsx';

import { zodResolver } from '@hookform/resolvers/zod';
import { Plus, X } from 'lucide-react';
import { useMemo, useState } from 'react';
import { FormProvider, useFieldArray, useForm } from 'react-hook-form';
import type { z } from 'zod';

import type { Fixture, RoomPlan, Unit } from '@/core/look';
import type { Currency, LengthUnit } from '@/core/shared';
import {
  falseFloorsOf,
  toCutRequest,
  toPanelRequest,
  toPieceId,
  toRollRequest,
  toStockId,
  type Materials,
} from '@/core/shop';
import type { ActionResult } from '../actionResult';
import { createUuid } from '../createUuid';
import { Button } from '../primitives/Button';
import { CheckField, TextField } from '../primitives/Field';
import { CutPlan } from './CutPlan';
import { FixingFields } from './FixingFields';
import { BuyingFields, LabelFields, PaintFields, type ShopChoice } from './MaterialFields';
import { materialsFormSchemaFor, toMaterialsTyped, type MaterialsTyped } from './materialsForm';
import { PanelFields } from './PanelFields';
import { RollPlan } from './RollPlan';
import { useMaterials } from './useMaterials';
import { useMutation } from '../useMutation';

interface MaterialsViewProps {
  readonly materials: Materials;
  readonly units: readonly Unit[];
  readonly plan: RoomPlan | null;
  readonly fixtures: readonly Fixture[];
  readonly measureUnit: LengthUnit;
  readonly currency: Currency;
  /** Shops that price in the project's currency. */
  readonly shops: readonly ShopChoice[];
  /** What labels will say: one for each container of the taken fits. */
  readonly labelTexts: readonly string[];
  readonly onSave: (materials: Materials) => Promise<ActionResult>;
}

/**
 * Boards, liners, paint, labels and fixings: typed, kept, worked out as plans to print and put on
 * the shopping list.
 */
export function MaterialsView({
  materials,
  units,
  plan,
  fixtures,
  measureUnit,
  currency,
  shops,
  labelTexts,
  onSave,
}: MaterialsViewProps) {
  const { mutate } = useMutation();
  const schema = useMemo(() => materialsFormSchemaFor(measureUnit), [measureUnit]);
  const form = useForm<MaterialsTyped, unknown, z.output<typeof schema>>({
    resolver: zodResolver(schema),
    defaultValues: toMaterialsTyped(materials),
  });
  const {
    register,
    handleSubmit,
    control,
    formState: { errors, isSubmitting },
  } = form;
  const boards = useFieldArray({ control, name: 'boards' });
  const cuts = useFieldArray({ control, name: 'cuts' });
  const [linedBayIds, setLined] = useState<Materials['linedBayIds']>(materials.linedBayIds);
  const [kept, setKept] = useState(materials);
  const { run, start } = useMaterials();
  const bays = units.flatMap((unit) => unit.bays).filter(({ outOfScope }) => !outOfScope);
  const floors = falseFloorsOf(units);
  const work = handleSubmit(async (typed) => {
    const next: Materials = { ...typed, id: materials.id, linedBayIds };
    const result = await mutate(() => onSave(next));
    if (!result.ok) return;
    setKept(next);
    start({
      cut: toCutRequest(next),
      panel: toPanelRequest(next, units),
      roll: toRollRequest(next, units),
    });
  });
  const isTooLong = (i: number) =>
    kept.carLength !== null && (kept.boards[i]?.length.mm ?? 0) > kept.carLength.mm;
  const remove =
    'grid size-9 place-items-center self-end rounded text-soft hover:text-ink max-md:size-12';
  return (
    <FormProvider {...form}>
      <form onSubmit={(event) => void work(event)} noValidate className="grid gap-3">
        <section aria-label="Boards" className="panel border-t-4 border-t-rim p-4">
          <h2 className="text-[17px]">Shelves and battens from boards</h2>
          <div className="no-print mt-2 grid gap-4 lg:grid-cols-[1.25fr_1fr]">
            <fieldset className="grid content-start gap-1.5">
              <legend className="caption">To be bought</legend>
              {boards.fields.map((field, i) => (
                <div
                  key={field.id}
                  className={clsx(
                    'grid grid-cols-[1fr_84px_70px_58px_36px] gap-1.5 max-md:grid-cols-[1fr_1fr_1fr_48px]',
                    'max-md:border-b max-md:border-line max-md:pb-2',
                  )}
                >
                  <TextField
                    className="max-md:col-span-4"
                    label={i === 0 ? 'Board' : `Board ${i + 1}`}
                    hideLabel={i > 0}
                    error={errors.boards?.[i]?.name?.message}
                    hint={isTooLong(i) ? 'longer than the car' : undefined}
                    {...register(`boards.${i}.name`)}
                  />
                  <TextField
                    label={i === 0 ? 'Length' : `Length of board ${i + 1}`}
                    hideLabel={i > 0}
                    isLength
                    error={errors.boards?.[i]?.length?.message}
                    {...register(`boards.${i}.length`)}
                  />
                  <TextField
                    label={i === 0 ? 'Price' : `Price of board ${i + 1}`}
                    hideLabel={i > 0}
                    measure
                    inputMode="decimal"
                    error={errors.boards?.[i]?.priceMinor?.message}
                    {...register(`boards.${i}.priceMinor`)}
                  />
                  <TextField
                    label={i === 0 ? 'There are' : `How many of board ${i + 1} there are`}
                    hideLabel={i > 0}
                    measure
                    inputMode="numeric"
                    placeholder="any"
                    error={errors.boards?.[i]?.available?.message}
                    {...register(`boards.${i}.available`)}
                  />
                  <button
                    type="button"
                    className={remove}
                    aria-label={`Remove board ${i + 1}`}
                    onClick={() => boards.remove(i)}
                  >
                    <X size={16} />
                  </button>
                </div>
              ))}
              <Button
                onClick={() =>
                  boards.append({
                    boardId: createUuid(),
                    name: '',
                    length: '',
                    priceMinor: '',
                    available: '',
                  })
                }
              >
                <Plus size={16} aria-hidden="true" /> A board
              </Button>
              <div className="grid grid-cols-2 gap-1.5">
                <TextField
                  label="Saw cut (kerf)"
                  isLength
                  error={errors.kerf?.message}
                  {...register('kerf')}
                />
                <TextField
                  label="Longest that fits the car"
                  isLength
                  placeholder="any length"
                  error={errors.carLength?.message}
                  {...register('carLength')}
                />
              </div>
            </fieldset>
            <fieldset className="grid content-start gap-1.5">
              <legend className="caption">To be cut</legend>
              {cuts.fields.map((field, i) => (
                <div key={field.id} className="grid grid-cols-[1fr_96px_64px_36px] gap-1.5">
                  <TextField
                    label={i === 0 ? 'Piece' : `Piece ${i + 1}`}
                    hideLabel={i > 0}
                    error={errors.cuts?.[i]?.name?.message}
                    {...register(`cuts.${i}.name`)}
                  />
                  <TextField
                    label={i === 0 ? 'Length' : `Length of piece ${i + 1}`}
                    hideLabel={i > 0}
                    isLength
                    error={errors.cuts?.[i]?.length?.message}
                    {...register(`cuts.${i}.length`)}
                  />
                  <TextField
                    label={i === 0 ? 'How many' : `How many of piece ${i + 1}`}
                    hideLabel={i > 0}
                    measure
                    inputMode="numeric"
                    error={errors.cuts?.[i]?.qty?.message}
                    {...register(`cuts.${i}.qty`)}
                  />
                  <button
                    type="button"
                    className={remove}
                    aria-label={`Remove piece ${i + 1}`}
                    onClick={() => cuts.remove(i)}
                  >
                    <X size={16} />
                  </button>
                </div>
              ))}
              <Button onClick={() => cuts.append({ name: '', length: '', qty: '1' })}>
                <Plus size={16} aria-hidden="true" /> A piece
              </Button>
            </fieldset>
          </div>
          <BuyingFields kind="boards" what="Boards" shops={shops} />
          {run.cut && (
            <CutPlan
              {...run.cut}
              boardNames={Object.fromEntries(
                kept.boards.map((board) => [toStockId(board.id), board.name]),
              )}
              pieceNames={Object.fromEntries(kept.cuts.map(({ name }, i) => [toPieceId(i), name]))}
              measureUnit={measureUnit}
              currency={currency}
            />
          )}
        </section>
        <section aria-label="False floors" className="panel p-4">
          <h2 className="text-[17px]">False floors from a sheet</h2>
          <PanelFields kept={kept} pieces={floors} measureUnit={measureUnit} />
          <BuyingFields kind="panel" what="Sheet" shops={shops} />
          {run.panel && (
            <RollPlan
              {...run.panel}
              of="sheet"
              kerfMm={kept.kerf.mm}
              pieceNames={Object.fromEntries(floors.map(({ id, name }) => [id, name]))}
              measureUnit={measureUnit}
              currency={currency}
            />
          )}
        </section>
        <section aria-label="Liners" className="panel p-4">
          <h2 className="text-[17px]">Liners from a roll</h2>
          <div className="no-print mt-2">
            <div className="grid max-w-[420px] grid-cols-3 gap-1.5">
              <TextField
                label="Roll, width"
                isLength
                placeholder="none"
                error={errors.rollWidth?.message}
                {...register('rollWidth')}
              />
              <TextField
                label="Roll, length"
                isLength
                error={errors.rollLength?.message}
                {...register('rollLength')}
              />
              <TextField
                label="Price a roll"
                measure
                inputMode="decimal"
                error={errors.rollPrice?.message}
                {...register('rollPrice')}
              />
            </div>
            <fieldset className="mt-2">
              <legend className="caption">Lined, by the smallest measure inside</legend>
              <div className="flex flex-wrap gap-x-4">
                {bays.map(({ id, name }) => (
                  <CheckField
                    key={id}
                    label={name}
                    checked={linedBayIds.includes(id)}
                    onChange={() =>
                      setLined(
                        linedBayIds.includes(id)
                          ? linedBayIds.filter((other) => other !== id)
                          : [...linedBayIds, id],
                      )
                    }
                  />
                ))}
              </div>
            </fieldset>
          </div>
          <BuyingFields kind="roll" what="Liner" shops={shops} />
          {run.roll && (
            <RollPlan
              {...run.roll}
              of="roll"
              pieceNames={Object.fromEntries(bays.map(({ id, name }) => [id, name]))}
              measureUnit={measureUnit}
              currency={currency}
            />
          )}
        </section>
        <section aria-label="Paint" className="panel p-4">
          <h2 className="mb-1 text-[17px]">Paint</h2>
          <PaintFields
            kept={kept}
            measureUnit={measureUnit}
            plan={plan}
            fixtures={fixtures}
            units={units}
          />
          <BuyingFields kind="paint" what="Paint" shops={shops} />
        </section>
        <section aria-label="Labels" className="panel p-4">
          <h2 className="mb-1 text-[17px]">Labels</h2>
          <LabelFields kept={kept} measureUnit={measureUnit} labelTexts={labelTexts} />
          <BuyingFields kind="labels" what="Tape" shops={shops} />
        </section>
        <section aria-label="Fixings" className="panel p-4">
          <h2 className="mb-1 text-[17px]">Fixings and anchors</h2>
          <FixingFields kept={kept} measureUnit={measureUnit} units={units} />
          <BuyingFields kind="fixings" what="Fixings" shops={shops} />
        </section>
        <div className="act-bar no-print">
          <Button type="submit" look="main" disabled={isSubmitting || run.isRunning}>
            {run.isRunning ? 'Working it out …' : 'Keep, and work the plans out'}
          </Button>
          {(run.cut ?? run.panel ?? run.roll) && (
            <button
              type="button"
              className="text-[14px] text-rim underline underline-offset-3 max-md:min-h-12"
              onClick={() => window.print()}
            >
              Print the plans
            </button>
          )}
          {run.problem !== '' && (
            <p role="alert" className="text-[14px] text-signal-deep">
              {run.problem}
            </p>
          )}
        </div>
        <p className="text-[13.5px] text-soft">
          Saw with goggles and with the piece clamped. A shelf carries what its maker and its
          fixings say: fix into structure, and find wires and pipes first. What is fixed must hold
          in what the wall is made of; where that is not known, or the home is let, ask first.
        </p>
      </form>
    </FormProvider>
  );
}
