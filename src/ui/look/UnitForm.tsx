'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { Plus } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { useFieldArray, useForm } from 'react-hook-form';

import type { Person } from '@/core/agree';
import { unitDoors, unitKinds, usualUnitOf, type UnitKind } from '@/core/look';
import { unitIdSchema, type LengthUnit, type RoomId, type UnitId } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { createUuid } from '../createUuid';
import { somethingWaits, useFieldAct } from '../field/useFieldAct';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { unitDoorWords, unitKindWords } from './lookWords';
import { BayFields } from './BayFields';
import { KindPicker } from './KindPicker';
import { MeterStrip } from './MeterStrip';
import { ShelfDivider } from './ShelfDivider';
import {
  type UnitFormHandle,
  type UnitFormRead,
  type UnitFormTyped,
  bayAbove,
  blankBay,
  toTypedUsual,
  toMeasuredUnit,
  unitFormSchemaFor,
} from './unitForm';
import { UnitPreview } from './UnitPreview';

interface UnitFormProps {
  readonly roomId: RoomId;
  /** undefined: it is measured for the first time. */
  readonly unitId: UnitId | undefined;
  readonly typed: UnitFormTyped;
  readonly measureUnit: LengthUnit;
  readonly people: readonly Person[];
  readonly backHref: string;
  readonly onRemove: (() => Promise<ActionResult>) | undefined;
}

/** A unit and its places, measured; drawn to scale as soon as the measures make sense. */
export function UnitForm({
  roomId,
  unitId,
  typed,
  measureUnit,
  people,
  backHref,
  onRemove,
}: UnitFormProps) {
  const router = useRouter();
  const [message, setMessage] = useState('');
  const { send } = useFieldAct();
  // Made here, so that what is sent twice is one unit.
  const [newId] = useState(() => unitIdSchema.parse(createUuid()));
  const schema = useMemo(() => unitFormSchemaFor(measureUnit), [measureUnit]);
  const form: UnitFormHandle = useForm<UnitFormTyped, unknown, UnitFormRead>({
    resolver: zodResolver(schema),
    defaultValues: typed,
    mode: 'onBlur',
  });
  const { fields, append, remove } = useFieldArray({
    control: form.control,
    name: 'bays',
    keyName: 'key',
  });
  const save = form.handleSubmit(
    async (read) => {
      // What the desk refuses is said at the foot of the form, and nowhere else.
      const result = await send({
        kind: 'unit_measured',
        roomId,
        unitId: unitId ?? newId,
        isNew: unitId === undefined,
        unit: toMeasuredUnit(read),
      });
      if (!result.ok) setMessage(result.message);
      // Without a connection the page behind it may not be there; what was typed stays in sight.
      else if (somethingWaits()) setMessage('Kept on this device; it waits to be sent.');
      else router.push(backHref);
    },
    () => setMessage('Some measures cannot be read; they are marked.'),
  );
  const takeAway = async () => {
    const result = await onRemove?.();
    if (result?.ok) router.push(backHref);
    else if (result) setMessage(result.message);
  };
  const isNew = onRemove === undefined;
  const startFrom = (kind: UnitKind) => {
    const usual = toTypedUsual(usualUnitOf(kind), measureUnit);
    const { name, kind: before, ...rest } = form.getValues();
    // A name that is only the kind's own goes with the kind; one that was typed stays.
    form.reset(
      {
        ...rest,
        ...usual,
        kind,
        name: name === '' || name === unitKindWords[before] ? unitKindWords[kind] : name,
      },
      { keepDefaultValues: true },
    );
  };
  const addAbove = () => {
    const bays = form.getValues('bays');
    const last = bays.at(-1);
    append(last ? bayAbove(last) : blankBay(1, 1));
  };
  const addBeside = () => {
    const columns = form.getValues('bays').map((bay) => Number(bay.column));
    append(blankBay(Math.max(0, ...columns) + 1, 1));
  };
  return (
    <form
      onSubmit={(event) => void save(event)}
      noValidate
      className="grid gap-4 xl:grid-cols-[minmax(0,1fr)_360px]"
    >
      <div className="grid min-w-0 content-start gap-4">
        <MeterStrip />
        <UnitFields form={form} isNew={isNew} measureUnit={measureUnit} onPickKind={startFrom} />
        <p className="text-[14px] text-soft">
          Inside measures, three readings each: left, middle, right, or front, middle, back. The
          smallest counts.
        </p>
        <ul className="grid gap-3">
          {fields.map((field, i) => (
            <BayFields
              key={field.key}
              form={form}
              index={i}
              measureUnit={measureUnit}
              onRemove={fields.length > 1 ? () => remove(i) : undefined}
            />
          ))}
        </ul>
        <div className="flex flex-wrap gap-2">
          <Button onClick={addAbove}>
            <Plus size={16} aria-hidden="true" /> A place above
          </Button>
          <Button onClick={addBeside}>
            <Plus size={16} aria-hidden="true" /> A column beside
          </Button>
        </div>
        <ShelfDivider form={form} measureUnit={measureUnit} />
        {message !== '' && (
          <p role="alert" className="warn">
            {message}
          </p>
        )}
        <div className="act-bar">
          <Button type="submit" look="main" disabled={form.formState.isSubmitting}>
            Keep these measures
          </Button>
          <Button onClick={() => router.push(backHref)}>Back</Button>
          {onRemove && (
            <Button className="ml-auto" onClick={() => void takeAway()}>
              Remove unit
            </Button>
          )}
        </div>
      </div>
      <UnitPreview form={form} measureUnit={measureUnit} people={people} />
    </form>
  );
}

interface UnitFieldsProps {
  readonly form: UnitFormHandle;
  readonly isNew: boolean;
  readonly measureUnit: LengthUnit;
  readonly onPickKind: (kind: UnitKind) => void;
}

function UnitFields({ form, isNew, measureUnit, onPickKind }: UnitFieldsProps) {
  const {
    register,
    formState: { errors },
  } = form;
  const [picked, setPicked] = useState<UnitKind>();
  // Of a new unit everything is a guess until it was typed over.
  const mark = isNew ? { 'data-usual': '' } : {};
  return (
    <div className="panel grid grid-cols-2 gap-x-3 gap-y-2 border-t-4 border-t-rim p-3.5 sm:grid-cols-4">
      <TextField
        label="Unit"
        isNeeded
        className="col-span-2"
        placeholder="e.g. Tall cupboard, left door"
        autoFocus={form.getValues('name') === ''}
        error={errors.name?.message}
        {...register('name')}
      />
      {!isNew && (
        <SelectField label="Kind" {...register('kind')}>
          {unitKinds.map((each) => (
            <option key={each} value={each}>
              {unitKindWords[each]}
            </option>
          ))}
        </SelectField>
      )}
      <SelectField
        label="It opens with"
        className={isNew ? 'col-span-2' : ''}
        {...register('door')}
      >
        {unitDoors.map((door) => (
          <option key={door} value={door}>
            {unitDoorWords[door]}
          </option>
        ))}
      </SelectField>
      <TextField
        label="Outside width"
        isNeeded
        isLength
        placeholder="120,5"
        error={errors.width?.message}
        {...mark}
        {...register('width')}
      />
      <TextField
        label="Outside depth"
        isNeeded
        isLength
        error={errors.depth?.message}
        {...mark}
        {...register('depth')}
      />
      <TextField
        label="Outside height"
        isNeeded
        isLength
        error={errors.height?.message}
        {...mark}
        {...register('height')}
      />
      <TextField
        label="Off the floor"
        isLength
        error={errors.floorGap?.message}
        {...register('floorGap')}
      />
      {isNew && (
        <div className="col-span-full">
          <KindPicker
            active={picked}
            measureUnit={measureUnit}
            onPick={(kind) => {
              setPicked(kind);
              onPickKind(kind);
            }}
          />
        </div>
      )}
    </div>
  );
}
