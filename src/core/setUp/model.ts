import { z } from 'zod';
import { bayIdSchema, roomIdSchema, unitIdSchema } from '../shared';
import { taskKinds } from './taskKinds';

/** A unit that does not only stay where it stands, and what is known of it. */
export const unitSetUpSchema = z.object({
  unitId: unitIdSchema,
  /** Bought units are put together; moved ones are taken down and put together again. */
  comes: z.enum(['stays', 'bought', 'moved']),
  /** Empty; null: assumed from its boards. */
  massG: z.number().int().min(1).max(1_000_000).nullable(),
  /** Whether it is fixed to the wall already; null: nobody has said. */
  isAnchored: z.boolean().nullable(),
});

export type UnitSetUp = Readonly<z.infer<typeof unitSetUpSchema>>;

/** The air where paint dries, and what is done before the first coat. */
export const airSchema = z.object({
  /** null: nobody has said, as it is on the tin. */
  airCelsius: z.number().min(-10).max(50).nullable(),
  isDamp: z.boolean(),
  prep: z
    .object({
      /** Holes to fill before painting. */
      holes: z.number().int().min(0).max(500).default(0),
      /** A coat of primer before the first one of paint. */
      primes: z.boolean().default(false),
    })
    .default({ holes: 0, primes: false }),
});

/** What was ticked of a room's working list, and what the air is like; its id is the room's. */
export const setUpSchema = z.object({
  id: roomIdSchema,
  done: z
    .array(
      z.object({
        kind: z.enum(taskKinds),
        /** The unit, the row of fixings or the coat; empty for what is of the room. */
        of: z.string().max(100),
        doneAt: z.iso.datetime(),
        /** How long it took, where somebody said; and what the assumptions alone said of it then. */
        tookMinutes: z.number().int().min(1).max(1440).nullable().default(null),
        listedMinutes: z.number().int().min(1).max(10_000).nullable().default(null),
      }),
    )
    .max(1000),
  ...airSchema.shape,
  units: z.array(unitSetUpSchema).max(200).default([]),
  /** When a washable liner was last changed. */
  liners: z
    .array(z.object({ bayId: bayIdSchema, changedOn: z.iso.date() }))
    .max(300)
    .default([]),
});

export type SetUp = Readonly<z.infer<typeof setUpSchema>>;
