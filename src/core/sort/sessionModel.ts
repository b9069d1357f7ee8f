import { z } from 'zod';
import {
  carryIdSchema,
  handoverIdSchema,
  methodIdSchema,
  projectIdSchema,
  roomIdSchema,
  sectionIdSchema,
  sessionIdSchema,
  thingIdSchema,
} from '../shared';
import { verdictSchema } from './verdictSchema';

/** One step of a way through a room, with the time it is given. */
export const methodStepSchema = z.object({
  name: z.string().trim().min(1).max(60),
  /** What to do, in a sentence. */
  guidance: z.string().trim().max(240),
  minutes: z.number().int().min(1).max(600),
  /** Of the session's time, at least `minutes`. */
  share: z.number().min(0).max(1),
});

export type MethodStep = Readonly<z.infer<typeof methodStepSchema>>;

/** A way through a room of the organizer's own. */
export const ownMethodSchema = z.object({
  id: methodIdSchema,
  projectId: projectIdSchema,
  name: z.string().trim().min(1).max(60),
  steps: z.array(methodStepSchema).min(1).max(12),
});

export type OwnMethod = Readonly<z.infer<typeof ownMethodSchema>>;

/** Some hours at the bench: in which room and section, by which steps, with whom. */
export const sessionSchema = z.object({
  id: sessionIdSchema,
  roomId: roomIdSchema,
  sectionId: sectionIdSchema.nullable(),
  /** A shipped method by its name, or an own one by its. */
  method: z.string().trim().min(1).max(60),
  steps: z.array(methodStepSchema).min(1).max(12),
  present: z.array(z.string().trim().min(1).max(60)).max(20),
  plannedMinutes: z.number().int().min(5).max(720),
  startedAt: z.iso.datetime(),
  /** When each step was begun; the last one is the step at hand. */
  stepStarts: z.array(z.iso.datetime()).min(1).max(60),
  endedAt: z.iso.datetime().nullable(),
  /** When it stood still; the last one without an end goes on. */
  pauses: z
    .array(z.object({ from: z.iso.datetime(), to: z.iso.datetime().nullable() }))
    .max(60)
    .default([]),
});

export type Session = Readonly<z.infer<typeof sessionSchema>>;

/**
 * Something carried out of the room: a box of one verdict, which stands by the door until it has left
 * the home; or, without a verdict, unsorted: a debt until it is settled.
 */
export const carrySchema = z.object({
  id: carryIdSchema,
  roomId: roomIdSchema,
  verdict: verdictSchema.nullable(),
  litres: z.number().min(0).max(100_000),
  massG: z.number().int().min(0).max(1_000_000_000),
  carriedAt: z.iso.datetime(),
  /** Where it stands now. */
  note: z.string().trim().max(120),
  /** The day on which a debt is to be settled. */
  dueOn: z.iso.date().nullable(),
  settledAt: z.iso.datetime().nullable(),
  /** The way out, the person or the room that the box goes to; empty where the verdict says it all. */
  toward: z.string().trim().max(80).default(''),
  /** What is in it; records of older versions name nothing. */
  thingIds: z.array(thingIdSchema).max(5000).default([]),
  /** When it left the home, and who took it; null while it stands by the door. */
  goneAt: z.iso.datetime().nullable().default(null),
  goneBy: z.string().trim().max(80).default(''),
  /** The handover that took it out, and with which it comes back. */
  handoverId: handoverIdSchema.nullable().default(null),
});

export type Carry = Readonly<z.infer<typeof carrySchema>>;

/** How a session stands at a moment. */
export interface SessionClock {
  readonly stepIndex: number;
  readonly step: MethodStep;
  readonly stepMinutes: number;
  readonly totalMinutes: number;
  /** Negative once the step takes longer than it was given. */
  readonly stepLeftMinutes: number;
  readonly totalLeftMinutes: number;
}
