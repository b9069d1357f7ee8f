'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { Plus, X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useFieldArray, useForm, useWatch, type UseFormReturn } from 'react-hook-form';

import { measureUnits } from '@/core/agree';
import { currencies, formatMoney, parseMoney, type Currency } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { CheckField, SelectField, TextField } from '../primitives/Field';
import {
  emptyPerson,
  projectFormSchema,
  type ProjectFormRead,
  type ProjectFormTyped,
} from './projectForm';
import { showNotice } from '../primitives/notices';
import { useMutation } from '../useMutation';

type Form = UseFormReturn<ProjectFormTyped, unknown, ProjectFormRead>;

interface ProjectFormProps {
  readonly typed: ProjectFormTyped;
  readonly rooms: readonly { readonly id: string; readonly name: string }[];
  readonly submitLabel: string;
  /** Keeps the form and says where to go next; empty to stay. */
  readonly onSave: (typed: ProjectFormTyped) => Promise<ActionResult<{ readonly href: string }>>;
  readonly canFinish: boolean;
}

const UNIT_WORDS = { mm: 'millimetres', cm: 'centimetres', in: 'inches' } as const;

/** Household and project: who lives here, by when, for how much, in which units. */
export function ProjectForm({ typed, rooms, submitLabel, onSave, canFinish }: ProjectFormProps) {
  const router = useRouter();
  const { mutate } = useMutation();
  const form: Form = useForm({ resolver: zodResolver(projectFormSchema), defaultValues: typed });
  const { register, formState, handleSubmit, getValues } = form;
  const { errors } = formState;
  const save = handleSubmit(async () => {
    const result = await mutate(() => onSave(getValues()));
    if (!result.ok) return;
    if (result.value.href === '') showNotice({ kind: 'done', words: 'Kept.' });
    else router.push(result.value.href);
  });
  return (
    <form onSubmit={(event) => void save(event)} noValidate className="grid gap-5">
      <div className="grid gap-x-4 gap-y-3 sm:grid-cols-4">
        <TextField
          label="What this home is called"
          isNeeded
          className="sm:col-span-2"
          placeholder="e.g. 14 Quarry Row"
          error={errors.name?.message}
          {...register('name')}
        />
        <TextField
          label="Ready by"
          type="date"
          error={errors.readyBy?.message}
          {...register('readyBy')}
        />
        <SelectField label="Measured in" error={errors.units?.message} {...register('units')}>
          {measureUnits.map((unit) => (
            <option key={unit} value={unit}>
              {UNIT_WORDS[unit]}
            </option>
          ))}
        </SelectField>
        <TextField
          label="Budget for what is bought"
          measure
          inputMode="decimal"
          error={errors.budget?.message}
          {...register('budget')}
        />
        <SelectField label="Currency" error={errors.currency?.message} {...register('currency')}>
          {currencies.map((currency) => (
            <option key={currency}>{currency}</option>
          ))}
        </SelectField>
        <TextField
          label="Beds"
          measure
          inputMode="numeric"
          error={errors.bedCount?.message}
          {...register('bedCount')}
        />
        <TextField
          label="Places for guests"
          measure
          inputMode="numeric"
          error={errors.guestPlaceCount?.message}
          {...register('guestPlaceCount')}
        />
        <TextField
          label="Pets"
          className={canFinish ? '' : 'sm:col-span-2'}
          placeholder="e.g. one old cat"
          error={errors.pets?.message}
          {...register('pets')}
        />
        {canFinish && (
          <TextField
            label="Front row, how deep"
            isLength
            hint="deeper places get a back row; empty: no rows"
            placeholder="e.g. 35 cm"
            error={errors.rowDepth?.message}
            {...register('rowDepth')}
          />
        )}
        {canFinish && (
          <SelectField label="This project is" {...register('status')}>
            <option value="active">going on</option>
            <option value="finished">finished</option>
          </SelectField>
        )}
      </div>
      <People form={form} />
      {rooms.length > 0 && <RoomShares form={form} rooms={rooms} />}
      <div className="act-bar">
        <Button type="submit" look="main" disabled={formState.isSubmitting}>
          {submitLabel}
        </Button>
      </div>
    </form>
  );
}

function People({ form }: { form: Form }) {
  const { register, control, formState } = form;
  const { fields, append, remove } = useFieldArray({ control, name: 'people', keyName: 'key' });
  const errors = formState.errors.people;
  return (
    <fieldset>
      <legend className="mb-2 font-head text-[17px] font-[650]">Who lives here</legend>
      {errors?.root && <p className="warn mb-2">{errors.root.message}</p>}
      <ul className="grid gap-2">
        {fields.map((field, i) => (
          <li
            key={field.key}
            className="panel grid items-start gap-x-3 gap-y-1 p-3 sm:grid-cols-3 lg:grid-cols-[1.1fr_96px_1fr_1fr_1fr_128px_40px]"
          >
            <TextField
              label="Name"
              error={errors?.[i]?.name?.message}
              {...register(`people.${i}.name`)}
            />
            <TextField
              label="Height"
              isLength
              placeholder="168 cm"
              error={errors?.[i]?.height?.message}
              {...register(`people.${i}.height`)}
            />
            <SelectField label="Labels" {...register(`people.${i}.labels`)}>
              <option value="words">reads</option>
              <option value="pictures">needs pictures</option>
            </SelectField>
            <SelectField label="Lids" {...register(`people.${i}.lids`)}>
              <option value="closes">closes them</option>
              <option value="leaves">leaves them off</option>
            </SelectField>
            <SelectField label="Puts back" {...register(`people.${i}.sorting`)}>
              <option value="finely">finely sorted</option>
              <option value="roughly">only roughly</option>
            </SelectField>
            <div className="flex gap-x-5 sm:grid sm:pt-4 sm:[&>label]:min-h-7">
              <CheckField label="child" {...register(`people.${i}.isChild`)} />
              <CheckField label="must not climb" {...register(`people.${i}.noStep`)} />
            </div>
            <button
              type="button"
              aria-label={`Remove person ${i + 1}`}
              onClick={() => remove(i)}
              className="grid size-12 place-items-center self-center rounded hover:bg-well"
            >
              <X size={17} />
            </button>
          </li>
        ))}
      </ul>
      <Button className="mt-2" onClick={() => append(emptyPerson)}>
        <Plus size={16} aria-hidden="true" /> Add a person
      </Button>
    </fieldset>
  );
}

function RoomShares({ form, rooms }: { form: Form; rooms: ProjectFormProps['rooms'] }) {
  const [shares, budget, currency] = useWatch({
    control: form.control,
    name: ['roomBudgets', 'budget', 'currency'],
  });
  const errors = form.formState.errors.roomBudgets;
  return (
    <fieldset>
      <legend className="mb-2 font-head text-[17px] font-[650]">Each room’s share</legend>
      <div className="grid gap-3 sm:grid-cols-3 lg:grid-cols-5">
        {rooms.map((room) => (
          <TextField
            key={room.id}
            label={room.name}
            measure
            inputMode="decimal"
            error={errors?.[room.id]?.message}
            {...form.register(`roomBudgets.${room.id}`)}
          />
        ))}
      </div>
      <ShareNote shares={Object.values(shares)} budget={budget} currency={currency} />
    </fieldset>
  );
}

function ShareNote({
  shares,
  budget,
  currency,
}: {
  shares: readonly string[];
  budget: string;
  currency: Currency;
}) {
  const whole = parseMoney(budget);
  const parts = shares.map(parseMoney);
  if (!whole.ok || parts.some((part) => !part.ok)) return null;
  const sum = parts.reduce((total, part) => total + (part.ok ? part.value : 0), 0);
  const left = whole.value - sum;
  if (left < 0)
    return (
      <p className="warn mt-2">
        The shares are {formatMoney(-left, currency)} more than the whole budget.
      </p>
    );
  return (
    <p className="mt-2 text-[14px] text-soft">
      {left === 0
        ? 'The shares use the whole budget.'
        : `${formatMoney(left, currency)} is not given to any room yet.`}
    </p>
  );
}
