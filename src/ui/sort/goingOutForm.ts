import { z } from 'zod';

/** What is said of a box that went out. */
export const goingOutFormSchema = z.object({
  /** When it left the home, as a local day and time; empty while it stands by the door. */
  goneOn: z.union([
    z.literal(''),
    z.iso.datetime({ local: true, offset: true, error: 'Type a day and a time' }),
  ]),
  goneBy: z.string().trim().max(80, 'At most 80 letters'),
  note: z.string().trim().max(120, 'At most 120 letters'),
});
