import { LOCALE } from './locale';
import { err, ok, type Result } from './result';

export const currencies = [
  'GBP',
  'EUR',
  'USD',
  'CAD',
  'AUD',
  'NZD',
  'CHF',
  'SEK',
  'NOK',
  'DKK',
] as const;

export type Currency = (typeof currencies)[number];

export type MoneyError =
  | { readonly code: 'money_empty' }
  | { readonly code: 'money_unreadable'; readonly found: string }
  | { readonly code: 'money_out_of_range' };

/**
 * Reads an amount as typed (`140`, `9.80`, `9,80`, `£1 200.50`) into minor units (pence, cents).
 * All currencies offered here have two decimals.
 * @errors `money_empty` · `money_unreadable` · `money_out_of_range` (above ten million).
 */
export function parseMoney(typed: string): Result<number, MoneyError> {
  const text = typed.replace(/[\s£€$]|[A-Za-z]{2,3}/g, '');
  if (text === '') return err({ code: 'money_empty' });
  const match = /^(\d+|\d{1,3}(?:,\d{3})+)(?:[.,](\d{1,2}))?$/.exec(text);
  if (!match?.[1]) return err({ code: 'money_unreadable', found: typed.trim() });
  const major = Number(match[1].replaceAll(',', ''));
  const minor = major * 100 + Number((match[2] ?? '').padEnd(2, '0'));
  return minor > 1_000_000_000 ? err({ code: 'money_out_of_range' }) : ok(minor);
}

const moneyFormats = new Map<Currency, Intl.NumberFormat>();

function moneyFormatOf(currency: Currency): Intl.NumberFormat {
  const known = moneyFormats.get(currency);
  if (known) return known;
  const made = new Intl.NumberFormat(LOCALE, {
    style: 'currency',
    currency,
    currencyDisplay: 'narrowSymbol',
  });
  moneyFormats.set(currency, made);
  return made;
}

/** How many minor units make one of the currency, as its own decimals say. */
const minorPerMajor = (currency: Currency): number =>
  10 ** (moneyFormatOf(currency).resolvedOptions().maximumFractionDigits ?? 2);

/** `£9.80`: with the sign people write, always all its decimals, so that columns line up. */
export const formatMoney = (amountMinor: number, currency: Currency): string =>
  moneyFormatOf(currency).format(amountMinor / minorPerMajor(currency));

/** The bare figure for an input, as `parseMoney` reads it: `9.80`. */
export const formatMoneyInput = (amountMinor: number): string => (amountMinor / 100).toFixed(2);
