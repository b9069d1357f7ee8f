'use server';

import { z } from 'zod';

import { haulDestinationIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { keepCars, keepFairValues, listCars } from '@/data/settingsRepo';
import { removeDestination, saveBetween, saveDestination } from '@/server/takeAway/destinations';
import { USUAL_CAR } from '@/core/takeAway';
import type { ActionResult } from '@/ui/actionResult';
import { readFairValues } from '@/ui/takeAway/readFairValues';
import { carFormSchema, destinationFormSchema } from '@/ui/takeAway/takeAwayForms';
import { typedOptionalNumber } from '@/ui/typedValues';
import { answer, done } from './answer';

export async function saveDestinationAction(
  id: string | undefined,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    z.object({ id: haulDestinationIdSchema.optional(), form: destinationFormSchema }),
    { id, form: typed },
    async (input) => {
      await saveDestination(await getDatabase(), { ...input.form, id: input.id });
      return done;
    },
  );
}

export async function removeDestinationAction(id: string): Promise<ActionResult> {
  return answer(z.object({ id: haulDestinationIdSchema }), { id }, async (input) => {
    await removeDestination(await getDatabase(), input.id);
    return done;
  });
}

export async function saveBetweenAction(
  fromId: string,
  toId: string,
  minutes: string,
): Promise<ActionResult> {
  return answer(
    z.object({
      fromId: haulDestinationIdSchema,
      toId: haulDestinationIdSchema,
      minutes: typedOptionalNumber({ least: 0, most: 600, what: 'minutes' }),
    }),
    { fromId, toId, minutes },
    async (input) => {
      await saveBetween(await getDatabase(), {
        ...input,
        minutes: input.minutes === null ? undefined : Math.round(input.minutes),
      });
      return done;
    },
  );
}

/** Keeps a car under its name, in the place of the one that it was; the usual one goes with the first. */
export async function saveCarAction(
  before: string | undefined,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    z.object({ before: z.string().max(60).optional(), form: carFormSchema }),
    { before, form: typed },
    async (input) => {
      const db = await getDatabase();
      const others = (await listCars(db)).filter(
        ({ name }) => name !== input.before && name !== input.form.name && name !== USUAL_CAR.name,
      );
      await keepCars(db, [...others, input.form]);
      return done;
    },
  );
}

export async function removeCarAction(name: string): Promise<ActionResult> {
  return answer(z.object({ name: z.string().max(60) }), { name }, async (input) => {
    const db = await getDatabase();
    const left = (await listCars(db)).filter((car) => car.name !== input.name);
    await keepCars(db, left.length > 0 ? left : [USUAL_CAR]);
    return done;
  });
}

export async function saveFairValuesAction(text: string): Promise<ActionResult> {
  return answer(z.object({ text: z.string().max(20_000) }), { text }, async (input) => {
    const read = readFairValues(input.text);
    if (!read.ok)
      return { ok: false, message: `“${read.error}” makes no sense here; write it like coat 5-40` };
    await keepFairValues(await getDatabase(), read.value);
    return done;
  });
}
