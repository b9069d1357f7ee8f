import { z } from 'zod';

import { lidWishes, seeWishes } from '@/core/fit';
import { typedNumber, typedOptionalNumber } from '../typedValues';

/** What a group asks of its containers and how often it is used, as typed. */
export const wishFormSchema = z.object({
  name: z.string().trim().min(1, 'Type a name for the group').max(60, 'At most 60 letters'),
  litres: typedNumber({ least: 0, most: 10_000, what: 'litres' }),
  lid: z.enum(lidWishes),
  see: z.enum(seeWishes),
  front: z.boolean(),
  loose: z.boolean(),
  /** Uses a week; empty where nobody has said. */
  uses: typedOptionalNumber({ least: 0, most: 500, what: 'uses a week' }),
});
export type WishTyped = z.input<typeof wishFormSchema>;
