import { z } from 'zod';

import {
  decisionIdSchema,
  fixtureIdSchema,
  groupIdSchema,
  personIdSchema,
  pictureIdSchema,
  projectIdSchema,
  roomIdSchema,
  thingIdSchema,
  bayIdSchema,
} from '../shared';
import {
  cautionSchema,
  countUnits,
  figureSources,
  goesToSchema,
  type CautionCode,
} from '../things';
import { reasonSchema } from './codeSchemas';
import { destinationSchema } from './destinationSchema';
import { verdictSchema } from './verdictSchema';

const month = z.number().int().min(1).max(12);

/** What placing needs to know of a group; null where the usual is meant. */
export const placingSchema = z.object({
  usesPerWeek: z.number().min(0, 'At least 0').max(500, 'At most 500').nullable().default(null),
  /** Where it is used; null: anywhere in the room. */
  stationId: fixtureIdSchema.nullable().default(null),
  /** Who uses it; nobody named: the adults. */
  userIds: z.array(personIdSchema).max(20).default([]),
  hazard: z.enum(['none', 'chemical', 'sharp', 'medicine']).nullable().default(null),
  isFood: z.boolean().nullable().default(null),
  avoid: z
    .array(z.enum(['moist', 'warm', 'light']))
    .max(3)
    .default([]),
  /** Everyone who uses it takes it without a step. */
  selfServe: z.boolean().default(false),
  /** Stays where it is, whatever is proposed. */
  isPinned: z.boolean().default(false),
  /**
   * First and last month of its use, 1 to 12, either way round the year; null: as its name says, or
   * all year.
   */
  season: z.object({ from: month, to: month }).nullable().default(null),
  /** Kept in reserve: it refills the open stock. */
  isBackStock: z.boolean().default(false),
  /** Whether it may live in another room; null: by its use, where nobody has said. */
  mayLeaveRoom: z.boolean().nullable().default(null),
  /** Never high up. Null: as its name says. */
  isFragile: z.boolean().nullable().default(null),
  /** Better not at hand: far away, and for children out of reach. */
  isTempting: z.boolean().default(false),
  /** Groups that it belongs with, and groups that it is never beside. */
  withIds: z.array(groupIdSchema).max(20).default([]),
  apartIds: z.array(groupIdSchema).max(20).default([]),
});
export type Placing = Readonly<z.infer<typeof placingSchema>>;
export const usualPlacing: Placing = placingSchema.parse({});

/** Like with like: things that will live together. */
/** What the things of a group are like, as far as it matters for what they stand in. What nobody said is left out. */
const groupAsksSchema = z.object({
  /** Each wants a container of its own; litres are shares of the group's where those are counted. */
  kinds: z
    .array(
      z.object({
        name: z.string().trim().min(1).max(60),
        litres: z.number().positive().max(10_000),
      }),
    )
    .max(40)
    .optional(),
  /** Things of one size that are counted, mm as they stand. */
  pieces: z
    .object({
      shape: z.enum(['round', 'box']),
      widthMm: z.number().positive().max(100_000),
      depthMm: z.number().positive().max(100_000).optional(),
      heightMm: z.number().positive().max(100_000),
      count: z.number().int().min(1).max(10_000),
    })
    .optional(),
  crushable: z.boolean().optional(),
  /** Nothing of it reaches over the rim of its container. */
  belowRim: z.boolean().optional(),
  mayLie: z.boolean().optional(),
  /** Is looked for by eye: above the eyes of who uses it only in what is see-through. */
  seen: z.boolean().optional(),
  line: z.string().trim().max(60).optional(),
  /** All of one person in one colour. */
  oneColour: z.boolean().optional(),
  packLitres: z.number().positive().max(10_000).optional(),
  /** It hangs, and reaches so far down. */
  dropMm: z.number().positive().max(100_000).optional(),
});
export type GroupAsks = Readonly<z.infer<typeof groupAsksSchema>>;

export const groupSchema = z.object({
  id: groupIdSchema,
  projectId: projectIdSchema,
  roomId: roomIdSchema,
  name: z.string().trim().min(1).max(60),
  /** Where the group is meant to live; null while it has no home yet. */
  bayId: bayIdSchema.nullable(),
  /** Where its things stand today; null: in a basket, on the floor, not in a place at all. */
  standsBayId: bayIdSchema.nullable().default(null),
  /** Litres that were measured as a heap, not thing by thing. */
  uncountedLitres: z.number().min(0).max(10_000),
  lid: z.enum(['required', 'forbidden', 'any']),
  see: z.enum(['clear', 'opaque', 'any']),
  /** Used daily: nothing of another group may stand in front of it. */
  front: z.boolean(),
  /** Stands as it is, without a container: boots, folded blankets. */
  loose: z.boolean(),
  asks: groupAsksSchema.default({}),
  placing: placingSchema.default(usualPlacing as z.infer<typeof placingSchema>),
  position: z.number().int(),
});
/** What the kept things of a group say of it; put beside it where both are loaded. */
export interface GroupContents {
  readonly cautions: readonly CautionCode[];
  /** Of its kept things the tallest as it is stored, and the longest; undefined where none is known. */
  readonly tallestMm: number | undefined;
  readonly longestMm: number | undefined;
  /** Half the width of the range that litres lie in four times in five, independent errors in squares. */
  readonly litresOff: number;
}
export type Group = Readonly<z.infer<typeof groupSchema>> & {
  readonly contents?: GroupContents;
};

/** Between what the truth lies four times in five, and where the figure comes from. */
const rangeSchema = z.object({
  low: z.number().min(0).max(1e9),
  high: z.number().min(0).max(1e9),
  from: z.enum(figureSources),
});

const decidedSchema = z.object({
  kind: z.literal('decided'),
  roomId: roomIdSchema,
  /** The thing in plain words, without its number. */
  name: z.string().trim().min(1).max(120),
  count: z.number().int().min(1).max(10_000),
  verdict: verdictSchema,
  reasons: z.array(reasonSchema).max(6),
  groupId: groupIdSchema.nullable(),
  /** Which room, whom, which way out or which day, as it was said; empty for "no home yet" and the rest. */
  to: z.string().trim().max(80),
  /** What that means, where it means something; older events have only the words. */
  destination: destinationSchema.optional(),
  /** For all pieces together. */
  litres: z.number().min(0).max(100_000),
  massG: z.number().min(0).max(100_000_000),
  /** The day on its pack; of several pieces the nearest. */
  expiresOn: z.iso.date().optional(),
  /** How the number is meant; events of older versions do not say. */
  unit: z.enum(countUnits).optional(),
  /** The kind it was read as: the first phrase of the vocabulary's line, or of the organizer's own. */
  kindId: z.string().min(1).max(80).optional(),
  /** How sure litres and grams are; events of older versions do not say. */
  ranges: z.object({ litres: rangeSchema, massG: rangeSchema }).optional(),
  /** Height of the tallest piece as it is stored, and the longest side, mm. */
  uprightMm: z.number().positive().max(100_000).optional(),
  longestMm: z.number().positive().max(100_000).optional(),
  cautions: z.array(cautionSchema).max(15).optional(),
  /** Where it goes if it leaves, the likeliest first. */
  goesTo: z.array(goesToSchema).max(10).optional(),
  /** What never leaves without asking, as the household said it. */
  mustAsk: z.string().trim().min(1).max(200).optional(),
  /** Who said yes at once to what asks first. */
  agreedBy: z.string().trim().min(1).max(80).optional(),
  /** What it looked like. */
  pictureId: pictureIdSchema.optional(),
});

const eventHead = {
  /** Made by the client; the same id counts once, however often it is sent. */
  id: decisionIdSchema,
  thingId: thingIdSchema,
  /** By this machine's clock, whatever the device's says. */
  decidedAt: z.iso.datetime(),
  /** What the device's own clock said, where that was corrected. */
  deviceAt: z.iso.datetime().optional(),
  /** Which device or file said so. */
  device: z.string().trim().min(1).max(40),
};

/** One past-tense line of the append-only log. */
export const decisionEventSchema = z.discriminatedUnion('kind', [
  decidedSchema.extend(eventHead),
  z.object({ kind: z.literal('undone'), ...eventHead, aboutId: decisionIdSchema }),
  z.object({ kind: z.literal('restored'), ...eventHead, aboutId: decisionIdSchema }),
  /** The thing went into another pile; its pieces are counted there. */
  z.object({ kind: z.literal('merged'), ...eventHead, intoId: thingIdSchema }),
]);
export type DecisionEvent = Readonly<z.infer<typeof decisionEventSchema>>;
export type DecidedEvent = Extract<DecisionEvent, { kind: 'decided' }>;
/** Events that say what became of a thing; the others only take such a one back, or bring it back. */
export type StandingEvent = Extract<DecisionEvent, { kind: 'decided' | 'merged' }>;

/** Today's state of a thing: its last decision that stands. */
export interface Thing extends Readonly<Omit<z.infer<typeof decidedSchema>, 'kind'>> {
  readonly id: z.infer<typeof thingIdSchema>;
  readonly decisionId: z.infer<typeof decisionIdSchema>;
  readonly decidedAt: string;
}
