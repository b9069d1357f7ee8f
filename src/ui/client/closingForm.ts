import { z } from 'zod';

import { closingSchema } from '@/core/client';

/** What is sent of a report that was changed; the consent is noted by itself. */
export const closingFormSchema = closingSchema.omit({ id: true, consent: true });
export type ClosingForm = z.infer<typeof closingFormSchema>;
export const consentFormSchema = z
  .string()
  .trim()
  .min(1, 'Say who agrees')
  .max(60, 'At most 60 letters');
