import { z } from 'zod';

import { pageWays, sharePartSchema } from '@/core/client';

/** What is typed to make a page. */
export const pageFormSchema = z.object({
  way: z.enum(pageWays),
  name: z.string().trim().min(1, 'Say whom it is for').max(60, 'At most 60 letters'),
  mayAnswer: z.boolean(),
  parts: z.array(sharePartSchema),
  keys: z.array(z.string().max(200)).max(500),
  days: z.coerce.number().int().min(1, 'At least a day').max(365, 'At most a year'),
  /** Empty: it is not sent from here. */
  to: z.union([z.literal(''), z.email('This is no mail address').max(200)]),
  subject: z.string().trim().max(200, 'At most 200 letters'),
  text: z.string().trim().max(4000, 'At most 4,000 letters'),
});
/** What is typed to send the closing report. */
export const reportFormSchema = z.object({
  to: z.email('This is no mail address').max(200),
  text: z.string().trim().max(4000, 'At most 4,000 letters'),
});
export type PageForm = z.infer<typeof pageFormSchema>;
export type TypedPage = z.input<typeof pageFormSchema>;
