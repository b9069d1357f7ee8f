import { z } from 'zod';

import { sectionIdSchema } from '@/core/shared';
import { typedNumber } from '../typedValues';

/** A session as it is planned: which way, how long, which section, who is there. */
export const sessionFormSchema = z.object({
  method: z.string().min(1).max(64),
  minutes: typedNumber({ least: 5, most: 720, what: 'minutes' }).pipe(
    z.number().int('Whole minutes'),
  ),
  /** Empty: the whole room. */
  sectionId: z.union([z.literal('').transform(() => null), sectionIdSchema]),
  present: z.array(z.string().trim().min(1).max(60)).max(20),
});
export type SessionTyped = z.input<typeof sessionFormSchema>;
