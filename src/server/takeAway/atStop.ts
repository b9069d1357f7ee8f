import { z } from 'zod';

import {
  handoverIdSchema,
  haulBoxIdSchema,
  haulDestinationIdSchema,
  haulTripIdSchema,
  thingIdSchema,
} from '@/core/shared';

/** What is said at a stop. The id is made by the device: the same counts once, however often it is sent. */
export const atStopSchema = z.object({
  id: handoverIdSchema,
  destinationId: haulDestinationIdSchema.nullable(),
  /** For what has no destination: the person, or who took it. */
  destinationName: z.string().trim().min(1, 'To whom?').max(80),
  tripId: haulTripIdSchema.nullable(),
  /** Boxes that were brought, and loose piles. */
  boxIds: z.array(haulBoxIdSchema).max(1000),
  thingIds: z.array(thingIdSchema).max(5000),
  /** Of these piles nothing was taken. */
  refused: z
    .array(z.object({ thingId: thingIdSchema, reason: z.string().trim().max(200) }))
    .max(2000),
  at: z.iso.datetime(),
  by: z.string().trim().max(80),
  receiptNumber: z.string().trim().max(60),
});
export type AtStop = Readonly<z.output<typeof atStopSchema>>;
