import { z } from 'zod';
import { schools } from './schools';

const choiceOf = <const T extends readonly [string, ...string[]]>(choices: T) =>
  z.object({ choice: z.enum(choices), reason: z.string().trim().max(200) }).optional();

export const schoolChoicesSchema = z.object({
  method: choiceOf(schools.method),
  containers: choiceOf(schools.containers),
  lids: choiceOf(schools.lids),
  sight: choiceOf(schools.sight),
  decanting: choiceOf(schools.decanting),
  labels: choiceOf(schools.labels),
  sentimental: choiceOf(schools.sentimental),
  grouping: choiceOf(schools.grouping),
  living: choiceOf(schools.living),
  weight: choiceOf(schools.weight),
});
