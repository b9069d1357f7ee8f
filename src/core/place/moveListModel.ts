import { z } from 'zod';

import { bayIdSchema, groupIdSchema, roomIdSchema } from '../shared';

const moment = z.iso.datetime().nullable();
export const cleanings = ['wipe', 'line', 'paint'] as const;

const keptItemSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('move'),
    groupId: groupIdSchema,
    from: z.string().nullable(),
    to: z.string().nullable(),
    carryCount: z.number().int().min(1),
    doneAt: moment,
  }),
  z.object({ kind: z.literal('clean'), bayId: bayIdSchema, doneAt: moment }),
]);
export type KeptItem = Readonly<z.infer<typeof keptItemSchema>>;

/** The working list of a room as it was made, ticked off line by line. Its id is the room's. */
export const moveListSchema = z.object({
  id: roomIdSchema,
  madeAt: z.iso.datetime(),
  cleaning: z.enum(cleanings),
  cleanedBayIds: z.array(bayIdSchema).max(300),
  /** Where the baskets stand meanwhile. */
  basketsStand: z.string().trim().max(80, 'At most 80 letters'),
  items: z.array(keptItemSchema).max(3000),
  stagedLitres: z.number().min(0),
  /** Null where the proof does not cover it. */
  leastStagedLitres: z.number().min(0).nullable(),
  baskets: z.number().int().min(0),
  circles: z.array(z.array(z.string())).max(200),
});
export type KeptMoveList = Readonly<z.infer<typeof moveListSchema>>;

/** The list with one line ticked, or, `doneAt` null, open again. */
export const tickedItem = (
  list: KeptMoveList,
  index: number,
  doneAt: string | null,
): KeptMoveList => ({
  ...list,
  items: list.items.map((item, i) => (i === index ? { ...item, doneAt } : item)),
});
