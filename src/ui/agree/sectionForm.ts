import { z } from 'zod';

import { contentKindSchema } from '@/core/agree';
import { bayIdSchema, roomIdSchema, sectionIdSchema } from '@/core/shared';

/** A section of the work; a new one has no id yet. */
export const sectionFormSchema = z.object({
  id: z.union([z.literal('').transform(() => undefined), sectionIdSchema]),
  roomId: roomIdSchema,
  name: z.string().trim().min(1, 'Type a name for the section').max(80, 'At most 80 letters'),
  inScope: z.boolean(),
  bayIds: z.array(bayIdSchema).max(60),
  content: contentKindSchema,
  fullPercent: z.number().int().min(0).max(200),
});
export type SectionTyped = z.input<typeof sectionFormSchema>;
