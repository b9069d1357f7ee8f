import { z } from 'zod';

/** What the organizer knows of a kind: a shipped one corrected, or one of their own. */
export const kindSizeSchema = z.object({
  /** The first phrase of the kind. */
  id: z.string().trim().min(1).max(80),
  /** Further phrases of a kind of the organizer's own; a shipped kind keeps its own. */
  words: z.array(z.string().trim().min(1).max(80)).max(20).default([]),
  /** Of one piece; null where the shipped figure stands. */
  litres: z.number().positive('More than 0').max(20_000, 'At most 20,000 litres').nullable(),
  massG: z.number().positive('More than 0').max(2_000_000, 'At most 2,000 kg').nullable(),
  /** Height as it is stored, and the longest side; null: not said. */
  uprightMm: z
    .number()
    .positive('More than 0')
    .max(20_000, 'At most 20 m')
    .nullable()
    .default(null),
  longestMm: z
    .number()
    .positive('More than 0')
    .max(20_000, 'At most 20 m')
    .nullable()
    .default(null),
  /** Pieces and grams on the scale so far. */
  weighedCount: z.number().int().min(0),
  weighedG: z.number().min(0),
});

export type KindSize = Readonly<z.infer<typeof kindSizeSchema>>;
