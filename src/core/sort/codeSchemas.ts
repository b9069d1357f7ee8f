import { z } from 'zod';
import { reasons } from '../things';
import { waysOut, reasonOf } from './codes';

export const wayOutSchema = z.enum(waysOut);

/** Takes old words and codes alike, and gives codes. */
export const reasonSchema = z.preprocess(
  (told) => (typeof told === 'string' ? (reasonOf(told) ?? told) : told),
  z.enum(reasons),
);
