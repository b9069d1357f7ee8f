import { z } from 'zod';
import { markShapes, markColours } from './personMark';

export const personMarkSchema = z.object({
  colour: z.enum(markColours),
  shape: z.enum(markShapes),
});
