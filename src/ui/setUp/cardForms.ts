import { z } from 'zod';

import { packVolumeOf, type Jar, type Kit, type Routine, type RoutineStep } from '@/core/setUp';
import { personIdSchema } from '@/core/shared';
import { typedNumber } from '../typedValues';

const optionalDay = z
  .union([z.literal(''), z.iso.date('A day, as in 2026-12-12')])
  .transform((day) => (day === '' ? null : day));
const named = (most: number, what: string) =>
  z.string().trim().min(1, what).max(most, `At most ${most} letters`);

/** A jar, as typed. */
export const jarFormSchema = z
  .object({
    product: named(60, 'What is in it'),
    pack: named(30, 'What the pack says, e.g. 1 kg or 750 ml'),
    jarLitres: typedNumber({ least: 0.01, most: 100, what: 'litres' }),
    filledOn: optionalDay,
    expiresOn: optionalDay,
    directions: z.string().trim().max(400, 'At most 400 letters'),
  })
  .refine((jar) => packVolumeOf(jar) !== undefined, {
    message: 'As on the pack, in kg, g, l or ml',
    path: ['pack'],
  });
export type JarTyped = z.input<typeof jarFormSchema>;
export const toTypedJar = (jar: Jar | undefined): JarTyped => ({
  product: jar?.product ?? '',
  pack: jar?.pack ?? '',
  jarLitres: jar ? String(jar.jarLitres) : '',
  filledOn: jar?.filledOn ?? '',
  expiresOn: jar?.expiresOn ?? '',
  directions: jar?.directions ?? '',
});

const stepSchema = z.object({
  what: named(120, 'What is done'),
  who: z.string().trim().max(60, 'At most 60 letters'),
  where: z.string().trim().max(80, 'At most 80 letters'),
  when: z.string().trim().max(60, 'At most 60 letters'),
  bin: z.string().trim().max(60, 'At most 60 letters'),
});
/** A routine with its steps, as typed. */
export const routineFormSchema = z.object({
  name: named(80, 'What the routine is called'),
  broke: z.string().trim().max(600),
  steps: z.array(stepSchema).min(1, 'At least one step').max(20, 'At most 20 steps'),
});
export type RoutineTyped = z.input<typeof routineFormSchema>;
export const toTypedRoutine = ({
  name,
  broke,
  steps,
}: Pick<Routine, 'name' | 'broke'> & { readonly steps: readonly RoutineStep[] }): RoutineTyped => ({
  name,
  broke,
  steps: [...steps],
});

/** A kit, as typed: an item a line. */
export const kitFormSchema = z
  .object({
    name: named(60, 'What the kit is called'),
    personId: z.union([z.literal('').transform(() => null), personIdSchema]),
    items: z.string(),
  })
  .transform(({ items, ...kit }) => ({
    ...kit,
    items: [
      ...new Set(
        items
          .split('\n')
          .map((item) => item.trim().slice(0, 80))
          .filter((item) => item !== ''),
      ),
    ].slice(0, 60),
  }));
export type KitTyped = z.input<typeof kitFormSchema>;
export const toTypedKit = (kit: Kit | undefined): KitTyped => ({
  name: kit?.name ?? '',
  personId: kit?.personId ?? '',
  items: (kit?.items ?? []).map(({ name }) => name).join('\n'),
});
