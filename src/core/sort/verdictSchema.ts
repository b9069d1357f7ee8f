import { z } from 'zod';
import { verdicts } from './verdicts';

export const verdictSchema = z.enum(verdicts);
