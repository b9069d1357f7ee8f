import { z } from 'zod';

import { taskKinds } from '../setUp';
import {
  carryIdSchema,
  containerIdSchema,
  handNeedIdSchema,
  roomIdSchema,
  sessionIdSchema,
  shopIdSchema,
} from '../shared';

const ofRoom = { roomId: roomIdSchema };
const minor = z.number().int().min(0).max(1e9);

/**
 * What is done on site, as a small command that says what somebody wants to be so, not what to turn
 * over: sent twice, or by two devices, it counts once.
 */
const fieldCommandSchema = z.discriminatedUnion('kind', [
  /** Paid at a till; each counts. */
  z.object({
    kind: z.literal('bought'),
    ...ofRoom,
    containerId: containerIdSchema.nullable(),
    handNeedId: handNeedIdSchema.nullable(),
    materialKey: z.string().min(1).max(60).nullable(),
    shopName: z.string().min(1).max(80),
    label: z.string().min(1).max(120),
    pieces: z.number().int().min(0).max(100_000),
    paidMinor: minor,
    cardMinor: minor,
    expectedMinor: minor.nullable(),
    paidBy: z.string().trim().max(40),
  }),
  /** A shop does not have it, or has it again; the later one counts. */
  z.object({
    kind: z.literal('shortage'),
    ...ofRoom,
    needId: z.string().min(1).max(120),
    shopId: shopIdSchema,
    isShort: z.boolean(),
  }),
  /** Something went out of the room unsorted; each counts. */
  z.object({
    kind: z.literal('debt'),
    ...ofRoom,
    note: z.string().trim().min(1, 'Type what went out').max(120),
    dueOn: z.iso.date().nullable(),
  }),
  z.object({ kind: z.literal('debt_settled'), ...ofRoom, carryId: carryIdSchema }),
  /** Step `from` (counted from 1) of a session is over; where it is over already, nothing. */
  z.object({
    kind: z.literal('step_over'),
    ...ofRoom,
    sessionId: sessionIdSchema,
    from: z.number().int().min(1).max(60),
    isEnd: z.boolean(),
  }),
  /** A task of setting up is done, or is to be done again. */
  z.object({
    kind: z.literal('task'),
    ...ofRoom,
    task: z.enum(taskKinds),
    of: z.string().max(100),
    isDone: z.boolean(),
  }),
  /** A line of the list of moves that was made at that time is done, or open again. */
  z.object({
    kind: z.literal('move'),
    ...ofRoom,
    madeAt: z.string().max(40),
    index: z.number().int().min(0).max(3000),
    isDone: z.boolean(),
  }),
]);
export type FieldCommand = Readonly<z.infer<typeof fieldCommandSchema>>;

/** A command with the id that the device made for it, and when and where it was done. */
export const fieldActSchema = z.object({
  id: z.string().min(8).max(64),
  at: z.iso.datetime(),
  by: z.string().trim().max(40),
  command: fieldCommandSchema,
});
export type FieldAct = Readonly<z.infer<typeof fieldActSchema>>;
