'use server';

import { z } from 'zod';

import { findShippedKind, kindSizeSchema } from '@/core/sort';
import { removeKindSize } from '@/data/countRepo';
import { getDatabase } from '@/data/startData';
import { keepKind, weighKind } from '@/server/count/kinds';
import type { ActionResult } from '@/ui/actionResult';
import { kindFormSchema } from '@/ui/count/kindForm';
import { answer, done } from './answer';

const nameSchema = kindSizeSchema.shape.id;
const figures = kindSizeSchema.pick({ litres: true, massG: true });

/** Types a kind's size over; empty puts the shipped figure back, but what was weighed stays. */
export async function setKindSizeAction(typed: unknown): Promise<ActionResult> {
  return answer(figures.extend({ id: nameSchema }), typed, async ({ id, ...told }) => {
    await keepKind(await getDatabase(), id, told);
    return done;
  });
}

/** Keeps what the bench was told of one piece, for every thing of the kind from now on. */
export async function keepKindAction(typed: unknown): Promise<ActionResult> {
  const some = kindSizeSchema
    .pick({ litres: true, massG: true, uprightMm: true, longestMm: true })
    .partial();
  return answer(some.extend({ id: nameSchema }), typed, async ({ id, ...told }) => {
    await keepKind(await getDatabase(), id, told);
    return done;
  });
}

/** A kind of the organizer's own. */
export async function addKindAction(typed: unknown): Promise<ActionResult> {
  return answer(kindFormSchema, typed, async ({ names, ...told }) => {
    const [name = '', ...words] = names;
    const shipped = findShippedKind(name);
    await keepKind(await getDatabase(), name, shipped ? told : { ...told, words });
    return done;
  });
}

export async function weighKindAction(typed: unknown): Promise<ActionResult> {
  const schema = z.object({
    id: nameSchema,
    count: z.number({ error: 'Type how many' }).int('Whole pieces').min(1, 'At least 1').max(1000),
    massG: z.number({ error: 'Type grams' }).positive('More than 0').max(200_000, 'At most 200 kg'),
  });
  return answer(schema, typed, async ({ id, ...weighing }) => {
    await weighKind(await getDatabase(), id, weighing);
    return done;
  });
}

/** The shipped figures stand again; a kind of the organizer's own is gone. */
export async function resetKindAction(id: string): Promise<ActionResult> {
  return answer(nameSchema, id, async (key) => {
    await removeKindSize(await getDatabase(), key);
    return done;
  });
}
