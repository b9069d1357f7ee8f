import { reasons, type GoesTo, type Reason } from '../things';

/** How a thing leaves that nobody takes. */
export const waysOut = [
  'recycle',
  'textile',
  'shred',
  'pharmacy',
  'batteries',
  'electricals',
  'hazardous',
  'licensed',
  'special_disposal',
] as const;

export type WayOut = (typeof waysOut)[number];

/** What is offered today; "special disposal" was one way for all that now has its own. */
export const offeredWays: readonly WayOut[] = waysOut.filter((way) => way !== 'special_disposal');

/** Where a thing goes as the way out of its verdict; undefined where it is given or binned. */
export const wayOutFor = (goesTo: readonly GoesTo[]): WayOut | undefined =>
  goesTo.flatMap((code) => waysOut.find((way) => way === code) ?? [])[0];

/** Whether a thing must not go in the bin: it has a way for what harms, and the bin is none of its ways. */
export const needsProperWay = (goesTo: readonly GoesTo[]): boolean => {
  const [first] = goesTo;
  if (first !== undefined && PROPER_WAYS.has(first)) return true;
  return !goesTo.includes('bin') && goesTo.some((way) => PROPER_WAYS.has(way));
};

const PROPER_WAYS: ReadonlySet<GoesTo> = new Set([
  'pharmacy',
  'batteries',
  'electricals',
  'hazardous',
  'licensed',
]);

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
