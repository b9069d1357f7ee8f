import { lightFormat } from 'date-fns';

/** Names as dates are written everywhere in the application. */
const NAMES = {
  MMMM: new Intl.DateTimeFormat('en-US', { month: 'long' }),
  MMM: new Intl.DateTimeFormat('en-US', { month: 'short' }),
  EEEE: new Intl.DateTimeFormat('en-US', { weekday: 'long' }),
  EEE: new Intl.DateTimeFormat('en-US', { weekday: 'short' }),
} as const;

/**
 * A date by a pattern, such as `EEE d MMM yyyy, HH:mm`, on this device's clock: what browsers know of months and weekdays, so that
 * no page loads lists of them.
 * Requires: a valid date; no words in the pattern.
 */
export const formatDate = (date: Date | number, pattern: string): string =>
  lightFormat(
    date,
    pattern.replace(
      /MMMM|MMM|EEEE|EEE/g,
      (token) => `'${NAMES[token as keyof typeof NAMES].format(date)}'`,
    ),
  );
