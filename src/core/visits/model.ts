import { z } from 'zod';
import { daySchema } from '../agree';
import { bringCodes } from './whatToBring';
import { projectIdSchema, sectionIdSchema, visitIdSchema } from '../shared';

const minuteOfDay = z.number().int().min(0).max(1440);

/** A pause within a visit; open while it lasts. */
const breakSchema = z.object({
  from: z.iso.datetime(),
  to: z.iso.datetime().nullable(),
});

/** A day in the home: planned with its times, then lived with those that were. */
export const visitSchema = z.object({
  id: visitIdSchema,
  projectId: projectIdSchema,
  day: daySchema,
  /** Planned, in minutes of the day. */
  fromMinute: minuteOfDay,
  toMinute: minuteOfDay,
  /** Organizers and helpers who come, by name. */
  people: z.array(z.string().trim().min(1).max(60)).max(8),
  clientThere: z.boolean(),
  sectionIds: z.array(sectionIdSchema).max(60),
  parking: z.string().trim().max(200),
  /** What the client prepares before. */
  prepare: z.string().trim().max(400),
  /** What was packed for it, and what of that is packed again to go home; by code. */
  packed: z.array(z.enum(bringCodes)).max(bringCodes.length).default([]),
  packedBack: z.array(z.enum(bringCodes)).max(bringCodes.length).default([]),
  /** Sections that were finished on it, ticked there. */
  doneSectionIds: z.array(sectionIdSchema).max(60).default([]),
  /** Stays where it is when days are proposed. */
  isPinned: z.boolean(),
  arrivedAt: z.iso.datetime().nullable(),
  leftAt: z.iso.datetime().nullable(),
  breaks: z.array(breakSchema).max(30),
  /** What counts instead of the clock, in minutes at work; null: the clock counts. */
  correctedMinutes: z.number().int().min(0).max(1440).nullable(),
  done: z.string().trim().max(600),
  promised: z.string().trim().max(600),
  next: z.string().trim().max(600),
});

export type Visit = Readonly<z.infer<typeof visitSchema>>;

/** When somebody works, in all homes of the desk. */
export const workerSchema = z.object({
  name: z.string().trim().min(1).max(60),
  /** 1 is Monday, 7 is Sunday. */
  weekdays: z.array(z.number().int().min(1).max(7)).max(7),
  fromMinute: minuteOfDay,
  toMinute: minuteOfDay,
  /** In all homes together; null: no limit. */
  weekMinutes: z.number().int().min(0).max(6000).nullable(),
  awayDays: z.array(daySchema).max(200),
  /** What this person lifts in one go; where nobody has said, what was agreed for the home. */
  liftG: z.number().int().min(1000).max(50_000).optional(),
});
