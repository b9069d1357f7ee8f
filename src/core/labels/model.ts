import { z } from 'zod';

import { bayIdSchema, groupIdSchema, roomIdSchema } from '../shared';
import { labelMedia } from './media';
import { pictureNames } from './pictures';

/** Which label of a room: the n-th container of a group in a place, from 0; the group's shelf label where n is null. */
const labelRefSchema = z.object({
  bayId: bayIdSchema,
  groupId: groupIdSchema,
  n: z.number().int().min(0).max(1000).nullable(),
});
export type LabelRef = Readonly<z.infer<typeof labelRefSchema>>;
export const labelKeyOf = ({ bayId, groupId, n }: LabelRef): string =>
  `${bayId} ${groupId} ${n ?? 'shelf'}`;

/** What somebody said of a label; null: as it is worked out. */
const labelChoiceSchema = labelRefSchema.extend({
  text: z.string().trim().min(1).max(80).nullable(),
  /** In another language; empty for none. */
  second: z.string().trim().max(80),
  picture: z.enum(pictureNames).nullable(),
  isLeftOut: z.boolean(),
});
export type LabelChoice = Readonly<z.infer<typeof labelChoiceSchema>>;

/** A label that was made: what it says, on what, when. */
const madeLabelSchema = labelRefSchema.extend({
  text: z.string().max(120),
  medium: z.enum(labelMedia),
  madeAt: z.iso.datetime(),
});
export type MadeLabel = Readonly<z.infer<typeof madeLabelSchema>>;

/** What went to the label printer in one go; its id is made here, and the printer knows it again. */
const printJobSchema = z.object({
  id: z.string().min(1).max(60),
  tapeMm: z.number().positive().max(100),
  sentAt: z.iso.datetime(),
  /** Until the printer has said that each of them came out. */
  labels: z.array(labelRefSchema.extend({ text: z.string().max(120) })).max(500),
});
export type PrintJob = Readonly<z.infer<typeof printJobSchema>>;

/** A room's labels: what was said of them, what is made; its id is the room's. */
export const labelingSchema = z.object({
  id: roomIdSchema,
  choices: z.array(labelChoiceSchema).max(1000),
  made: z.array(madeLabelSchema).max(2000),
  /** From when on they are made, where they wait until the room has settled. */
  settlesOn: z.iso.date().nullable(),
  job: printJobSchema.nullable(),
});
export type Labeling = Readonly<z.infer<typeof labelingSchema>>;
export const emptyLabeling = (id: Labeling['id']): Labeling => ({
  id,
  choices: [],
  made: [],
  settlesOn: null,
  job: null,
});
