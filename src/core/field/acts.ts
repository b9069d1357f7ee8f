import { z } from 'zod';

import { putAwayTestSchema, reviewKinds, walkLineSchema } from '../again';
import { mockCheckSchema } from '../fit';
import { measuredUnitSchema } from '../look';
import { airSchema, taskKinds, unitSetUpSchema } from '../setUp';
import { verdictSchema } from '../sort';
import { bringCodes, visitMarks } from '../visits';
import {
  bayIdSchema,
  carryIdSchema,
  checkIdSchema,
  containerIdSchema,
  handNeedIdSchema,
  roomIdSchema,
  sectionIdSchema,
  sessionIdSchema,
  shopIdSchema,
  unitIdSchema,
  visitIdSchema,
} from '../shared';

const ofRoom = { roomId: roomIdSchema };
const minor = z.number().int().min(0).max(1e9);
const pieces = z.number().int().min(0).max(100_000);
/** Which thing of a list a purchase is for; all null: something beside the list. */
const ofLine = {
  containerId: containerIdSchema.nullable(),
  handNeedId: handNeedIdSchema.nullable(),
  materialKey: z.string().min(1).max(60).nullable(),
};
/** What the till said. */
const paidFor = {
  shopName: z.string().min(1).max(80),
  label: z.string().min(1).max(120),
  pieces,
  paidMinor: minor,
  cardMinor: minor,
  expectedMinor: minor.nullable(),
  paidBy: z.string().trim().max(40),
};
const sizeMm = z.number().int().min(1).max(20_000);
const words = z.string().trim().max(600);
const lookAt = z.object({
  roomId: roomIdSchema.nullable(),
  kind: z.enum(reviewKinds),
  plannedOn: z.iso.date(),
});

/**
 * What is done on site, as a small command that says what somebody wants to be so, not what to turn
 * over: sent twice, or by two devices, it counts once.
 */
const fieldCommandSchema = z.discriminatedUnion('kind', [
  /** Paid at a till; each counts. */
  z.object({
    kind: z.literal('bought'),
    ...ofRoom,
    ...ofLine,
    ...paidFor,
  }),
  /** One line of a trip, paid once for every room that gets of it; each counts. */
  z.object({
    kind: z.literal('bought_for_rooms'),
    parts: z
      .array(z.object({ ...ofRoom, ...ofLine, pieces }))
      .min(1)
      .max(100),
    ...paidFor,
  }),
  /** The client said yes to a line, or no longer; the later one counts. */
  z.object({
    kind: z.literal('approved'),
    ...ofRoom,
    needId: z.string().min(1).max(120),
    isApproved: z.boolean(),
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
  /** A session stands still, or goes on; where it does already, nothing. */
  z.object({
    kind: z.literal('paused'),
    ...ofRoom,
    sessionId: sessionIdSchema,
    isPaused: z.boolean(),
  }),
  /** What stands in a box went to the door; where nothing stands in it any more, it is refused. */
  z.object({
    kind: z.literal('carried'),
    ...ofRoom,
    verdict: verdictSchema,
    toward: z.string().trim().max(80),
  }),
  /** Whether something is possible in the room again; null: not said. The later one counts. */
  z.object({
    kind: z.literal('check_answered'),
    ...ofRoom,
    checkId: checkIdSchema,
    answer: z.enum(['yes', 'no']).nullable(),
  }),
  /** Somebody came, made a break, went on or left; what the visit does not allow then changes nothing. */
  z.object({ kind: z.literal('visit_mark'), visitId: visitIdSchema, mark: z.enum(visitMarks) }),
  z.object({
    kind: z.literal('section_done'),
    visitId: visitIdSchema,
    sectionId: sectionIdSchema,
    isDone: z.boolean(),
  }),
  z.object({
    kind: z.literal('packed'),
    visitId: visitIdSchema,
    code: z.enum(bringCodes),
    isBack: z.boolean(),
    isPacked: z.boolean(),
  }),
  /** How a place was found on a look; the later note of the same place counts. */
  z.object({ kind: z.literal('walk_line'), look: lookAt, line: walkLineSchema }),
  /** The look was made on that day, or is open again. */
  z.object({
    kind: z.literal('look_made'),
    look: lookAt,
    note: z.string().trim().max(600),
    doneOn: z.iso.date().nullable(),
  }),
  /** A put-away test that somebody finished; the same one counts once. */
  z.object({ kind: z.literal('test'), test: putAwayTestSchema }),
  /** A task of setting up is done, or is to be done again. */
  z.object({
    kind: z.literal('task'),
    ...ofRoom,
    task: z.enum(taskKinds),
    of: z.string().max(100),
    isDone: z.boolean(),
    /** What the list said it takes by the assumptions alone, as it was ticked; absent: the desk looks. */
    listedMinutes: z.number().int().min(1).max(10_000).nullable().optional(),
  }),
  /** How long a ticked task took; null: nobody says. The later one counts, as of all that follow. */
  z.object({
    kind: z.literal('task_took'),
    ...ofRoom,
    task: z.enum(taskKinds),
    of: z.string().max(100),
    tookMinutes: z.number().int().min(1).max(1440).nullable(),
  }),
  z.object({ kind: z.literal('air_noted'), ...ofRoom, air: airSchema }),
  z.object({ kind: z.literal('unit_set_up'), ...ofRoom, unit: unitSetUpSchema }),
  z.object({
    kind: z.literal('liner_changed'),
    ...ofRoom,
    bayId: bayIdSchema,
    changedOn: z.iso.date(),
  }),
  /** A unit and its places as the tape has them; `isNew`: it is there from now on. */
  z.object({
    kind: z.literal('unit_measured'),
    ...ofRoom,
    unitId: unitIdSchema,
    isNew: z.boolean(),
    unit: measuredUnitSchema,
  }),
  /** Whether what is bought goes in as drawn, tried with paper or the container itself. */
  z.object({ kind: z.literal('container_tried'), bayId: bayIdSchema, check: mockCheckSchema }),
  /** What a container really measures. */
  z.object({
    kind: z.literal('container_corrected'),
    containerId: containerIdSchema,
    widthMm: sizeMm,
    depthMm: sizeMm,
    heightMm: sizeMm,
  }),
  z.object({
    kind: z.literal('visit_noted'),
    visitId: visitIdSchema,
    done: words,
    promised: words,
    next: words,
    correctedMinutes: z.number().int().min(0).max(1440).nullable(),
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
  /** A mark of the browser it was done in; two devices may have one name. Empty: of before there were marks. */
  device: z.string().max(64).default(''),
  command: fieldCommandSchema,
});
export type FieldActInput = z.input<typeof fieldActSchema>;
export type FieldAct = Readonly<z.infer<typeof fieldActSchema>>;
