import { z } from 'zod';

import { typedNumber } from '../typedValues';

/** A kind of the organizer's own, as it is typed. */
export const kindFormSchema = z.object({
  /** "sourdough crock, bread crock": the first is its name. */
  names: z
    .string()
    .trim()
    .min(1, 'Type what it is called')
    .max(300, 'At most 300 letters')
    .transform((text) =>
      text
        .toLowerCase()
        .split(',')
        .map((word) => word.trim().slice(0, 80))
        .filter((word) => word !== ''),
    )
    .pipe(z.array(z.string()).min(1, 'Type what it is called').max(20, 'At most 20 names')),
  litres: typedNumber({ least: 0.001, most: 20_000, what: 'litres' }),
  massG: typedNumber({ least: 0.1, most: 2_000_000, what: 'grams' }),
});
