import { z } from 'zod';

import { verdicts } from '@/core/sort';
import { typedNumber } from '../typedValues';

/** A thing decided anew. */
export const correctFormSchema = z.object({
  name: z.string().trim().min(1, 'Type what it is').max(120, 'At most 120 letters'),
  count: typedNumber({ least: 1, most: 10_000, what: 'pieces' }).pipe(
    z.number().int('A whole number'),
  ),
  verdict: z.enum(verdicts),
  to: z.string().trim().max(80, 'At most 80 letters'),
  /** What a tape or a scale says of it; empty: as it is. */
  size: z.string().trim().max(80, 'At most 80 letters'),
  groupId: z.string(),
  /** A day, or empty. */
  expiresOn: z.union([z.literal(''), z.iso.date('Type a day')]),
});
export type CorrectTyped = z.input<typeof correctFormSchema>;
