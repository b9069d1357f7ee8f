import { z } from 'zod';

import { typedNumber } from '../typedValues';

const amount = z
  .string()
  .transform((text) => (text.trim() === '' ? '0' : text))
  .pipe(typedNumber({ least: 0, most: 1000, what: 'a number' }));

/** How many are enough, as typed; empty amounts are none. */
export const ruleFormSchema = z.object({
  /** Of a new rule: its things, singular, with commas. */
  name: z.string().trim().min(1, 'Type what the things are called').max(60, 'At most 60 letters'),
  because: z.string().trim().max(160, 'At most 160 letters'),
  perPerson: amount,
  perBed: amount,
  perGuestPlace: amount,
  perDay: amount,
  perPersonDay: amount,
  perHome: amount,
});
export type RuleFormTyped = z.input<typeof ruleFormSchema>;
