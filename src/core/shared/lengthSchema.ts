import { z } from 'zod';

export const lengthSchema = z.object({
  mm: z.number().min(0).max(100_000),
  text: z.string().max(40),
});
