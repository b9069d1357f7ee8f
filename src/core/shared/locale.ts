/** The language and region in which figures, dates and plurals are written. */
export const LOCALE = 'en-GB';

const pluralRules = new Intl.PluralRules(LOCALE);
const plainNumber = new Intl.NumberFormat(LOCALE, { maximumFractionDigits: 3 });

/** A number with its thousands parted: `1,200`. */
export const formatNumber = (value: number): string => plainNumber.format(value);

/** The form of a word that goes with a count: `thing` or `things`; irregular plurals are given. */
export const pluralOf = (count: number, one: string, many = `${one}s`): string =>
  pluralRules.select(count) === 'one' ? one : many;

/** `1 thing`, `3 things`. */
export const formatCount = (count: number, one: string, many = `${one}s`): string =>
  `${formatNumber(count)} ${pluralOf(count, one, many)}`;
