import { z } from 'zod';

/** Why a thing stays or goes; `ui/sort/sortWords` has the words. */
export const reasons = [
  'in_use',
  'sentimental',
  'heirloom',
  'worn_out',
  'broken',
  'incomplete',
  'out_of_date',
  'more_than_enough',
  'outgrown',
  'never_used',
  'fails_its_job',
  'forgotten',
] as const;
export type Reason = (typeof reasons)[number];

/** How a thing leaves that nobody takes. */
export const waysOut = ['recycle', 'shred', 'special_disposal'] as const;
export type WayOut = (typeof waysOut)[number];
export const wayOutSchema = z.enum(waysOut);

/** What events of older versions say instead of a code. They are read so, never rewritten. */
const OLD_REASONS: Readonly<Record<string, Reason>> = {
  'in use': 'in_use',
  'worn out': 'worn_out',
  'out of date': 'out_of_date',
  'more than enough': 'more_than_enough',
  'never used': 'never_used',
  'does not do its job': 'fails_its_job',
};
const OLD_WAYS_OUT: Readonly<Record<string, WayOut>> = { 'special disposal': 'special_disposal' };

/** The code of a reason as it stands in data of any version; undefined where it is none. */
export const reasonOf = (told: string): Reason | undefined =>
  OLD_REASONS[told] ?? reasons.find((code) => code === told);
export const wayOutOf = (told: string): WayOut | undefined =>
  OLD_WAYS_OUT[told] ?? waysOut.find((code) => code === told);

/** Takes old words and codes alike, and gives codes. */
export const reasonSchema = z.preprocess(
  (told) => (typeof told === 'string' ? (reasonOf(told) ?? told) : told),
  z.enum(reasons),
);
