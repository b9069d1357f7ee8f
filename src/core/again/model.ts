import { z } from 'zod';
import {
  bayIdSchema,
  groupIdSchema,
  personIdSchema,
  projectIdSchema,
  putAwayTestIdSchema,
  reviewIdSchema,
  roomIdSchema,
} from '../shared';
import { walkMarks, reviewKinds } from './reviewCodes';

const text = (most: number) => z.string().trim().max(most);

const day = z.iso.date();

export const walkMarkSchema = z.enum(walkMarks);

export type WalkMark = z.infer<typeof walkMarkSchema>;

/** Something that lay where it does not live. */
const straySchema = z.object({
  name: z.string().trim().min(1).max(120),
  /** Whose it is, where it belongs to one; null: to none yet. */
  groupId: groupIdSchema.nullable(),
  /** It went back, with one tap. */
  isBack: z.boolean(),
});

/** One place as it was found. */
export const walkLineSchema = z.object({
  bayId: bayIdSchema,
  marks: z.array(walkMarkSchema).max(walkMarks.length),
  /** Of an overfull or half empty one, as it was looked at; null: nobody has said. */
  litresFound: z.number().min(0).max(10_000).nullable(),
  strays: z.array(straySchema).max(60),
  /** What ran out, or went out of date, in the words of whoever looked. */
  ranOut: text(300),
});

export type WalkLine = Readonly<z.infer<typeof walkLineSchema>>;

/** What became of something that was changed at a look. */
const heldSchema = z.object({
  /** What was found, by its code and place or group; as `findingKey` has it. */
  findingKey: z.string().min(1).max(200),
  change: z.string().min(1).max(40),
  /** The effect that was told before it was taken, in words. */
  told: text(300),
  takenOn: day,
});

/** A look at the home after it was done, planned or made. */
export const reviewSchema = z.object({
  id: reviewIdSchema,
  projectId: projectIdSchema,
  /** Null: the whole home. */
  roomId: roomIdSchema.nullable(),
  kind: z.enum(reviewKinds),
  /** As it was planned first; somebody may have moved it since. */
  plannedOn: day,
  dueOn: day,
  /** Null: it lies ahead. */
  doneOn: day.nullable(),
  note: text(600),
  lines: z.array(walkLineSchema).max(600),
  changes: z.array(heldSchema).max(200),
});

export type Review = Readonly<z.infer<typeof reviewSchema>>;

/** One thing that somebody was asked to put away. */
export const putAwayItemSchema = z.object({
  groupId: groupIdSchema,
  /** As it was called, "tape". */
  name: z.string().trim().min(1).max(120),
  /** Where it lived then. */
  meantBayId: bayIdSchema,
  /** Where they tapped, in their order; the first is where they would look first. */
  taps: z.array(z.object({ bayId: bayIdSchema, seconds: z.number().min(0).max(3600) })).max(60),
  /** Found, or given up. */
  isFound: z.boolean(),
});

export type PutAwayItem = Readonly<z.infer<typeof putAwayItemSchema>>;

/** A member of the household who was not there looks for ten things. */
export const putAwayTestSchema = z.object({
  id: putAwayTestIdSchema,
  projectId: projectIdSchema,
  personId: personIdSchema.nullable(),
  personName: z.string().trim().min(1).max(60),
  at: z.iso.datetime(),
  /** Things were shown as pictures. */
  byPictures: z.boolean(),
  items: z.array(putAwayItemSchema).min(1).max(30),
});

export type PutAwayTest = Readonly<z.infer<typeof putAwayTestSchema>>;
