'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { z } from 'zod';

import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { roomFormSchema, type RoomFormTyped } from './roomForm';

interface RoomFormProps {
  readonly onSave: (typed: RoomFormTyped) => Promise<ActionResult<{ readonly href: string }>>;
}

/** A room and what it is for. */
export function RoomForm({ onSave }: RoomFormProps) {
  const router = useRouter();
  const [message, setMessage] = useState('');
  const { register, handleSubmit, getValues, formState } = useForm<
    RoomFormTyped,
    unknown,
    z.output<typeof roomFormSchema>
  >({
    resolver: zodResolver(roomFormSchema),
    defaultValues: { name: '', purpose: '', budget: '0' },
  });
  const { errors } = formState;
  const save = handleSubmit(async () => {
    const result = await onSave(getValues());
    if (result.ok) router.push(result.value.href);
    else setMessage(result.message);
  });
  return (
    <form
      onSubmit={(event) => void save(event)}
      noValidate
      className="panel grid max-w-[620px] gap-3 border-t-4 border-t-rim p-4"
    >
      <TextField
        label="Room"
        isNeeded
        placeholder="e.g. Boot room"
        autoFocus
        error={errors.name?.message}
        {...register('name')}
      />
      <TextField
        label="What should be possible here again"
        placeholder="e.g. two people sit down to put boots on"
        error={errors.purpose?.message}
        {...register('purpose')}
      />
      <TextField
        label="Its share of the budget"
        measure
        inputMode="decimal"
        className="max-w-[200px]"
        error={errors.budget?.message}
        {...register('budget')}
      />
      <div className="flex items-center gap-3">
        <Button type="submit" look="main" disabled={formState.isSubmitting}>
          Add the room
        </Button>
        <p role="alert" className="text-[14px] text-signal-deep">
          {message}
        </p>
      </div>
    </form>
  );
}
