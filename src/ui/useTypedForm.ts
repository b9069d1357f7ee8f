'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import type { FormEvent } from 'react';
import {
  useForm,
  type DefaultValues,
  type FieldErrors,
  type FieldValues,
  type Path,
  type Resolver,
  type UseFormReturn,
} from 'react-hook-form';
import type { z } from 'zod';

import type { ActionResult } from './actionResult';
import { useMutation } from './useMutation';

interface TypedFormOptions<T extends FieldValues, R> {
  /** The one that the action reads with, so that both refuse the same. */
  readonly schema: z.ZodType<R, T>;
  readonly start: T;
  readonly save: (typed: T, read: R) => Promise<ActionResult<unknown>>;
  readonly onDone?: () => void;
}

/**
 * A form: what is typed is read by the schema, what cannot be read is said at its field and loses
 * nothing, and what the server refuses is said at the field that it names.
 */
export function useTypedForm<T extends FieldValues, R>({
  schema,
  start,
  save,
  onDone,
}: TypedFormOptions<T, R>): Pick<
  UseFormReturn<T, unknown, R>,
  'register' | 'control' | 'setValue' | 'getValues' | 'reset'
> & {
  readonly errors: FieldErrors<T>;
  readonly isSaving: boolean;
  readonly submit: (event: FormEvent) => void;
} {
  const { mutate, isPending } = useMutation();
  const form = useForm<T, unknown, R>({
    resolver: zodResolver(schema as never) as unknown as Resolver<T, unknown, R>,
    defaultValues: start as DefaultValues<T>,
  });
  const send = form.handleSubmit(async (read) => {
    const typed = form.getValues();
    const result = await mutate(() => save(typed, read));
    if (result.ok) return onDone?.();
    for (const [path, message] of Object.entries(result.fields ?? {})) {
      // An action may hold what was typed in a part of its input.
      const field = Object.keys(typed).find((name) => path.split('.').includes(name));
      if (field !== undefined) form.setError(field as Path<T>, { message });
    }
  });
  return {
    ...form,
    errors: form.formState.errors,
    isSaving: isPending,
    submit: (event) => {
      event.preventDefault();
      void send();
    },
  };
}
