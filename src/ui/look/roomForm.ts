import { z } from 'zod';

import { typedMoney } from '../typedValues';

export const roomFormSchema = z.object({
  name: z.string().trim().min(1, 'Type what the room is called').max(60, 'At most 60 letters'),
  purpose: z.string().trim().max(400, 'At most 400 letters'),
  budget: typedMoney,
});
export type RoomFormTyped = z.input<typeof roomFormSchema>;
