import { err, ok, type Result } from './result';

export const lengthUnits = ['mm', 'cm', 'm', 'in', 'ft'] as const;

export type LengthUnit = (typeof lengthUnits)[number];

/** A measure as it was typed, and what it means. `mm` is kept to 0.1. */
export interface Length {
  readonly mm: number;
  readonly text: string;
}

export type LengthError =
  | { readonly code: 'length_empty' }
  | { readonly code: 'length_unreadable'; readonly atIndex: number; readonly found: string }
  | { readonly code: 'length_comma_ambiguous'; readonly atIndex: number }
  | { readonly code: 'length_out_of_range'; readonly mm: number };

const DECIMALS = { mm: 1, cm: 2, m: 4, in: 4 } as const;

const MM_PER: Readonly<Record<LengthUnit, number>> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: 25.4,
  ft: 304.8,
};

/** Nothing in a home is longer than 100 m; a larger figure is a slip of the finger. */
const MAX_MM = 100_000;

const UNIT_WORDS: readonly (readonly [RegExp, LengthUnit])[] = [
  [/^(mm|millimet(?:re|er)s?)(?![a-z])/i, 'mm'],
  [/^(cm|centimet(?:re|er)s?)(?![a-z])/i, 'cm'],
  [/^(m|met(?:re|er)s?)(?![a-z])/i, 'm'],
  [/^(inches|inch|in|"|''|″|”|“)(?![a-z])/i, 'in'],
  [/^(feet|foot|ft|'|′|’)(?![a-z'])/i, 'ft'],
];

const VULGAR: Readonly<Record<string, readonly [number, number]>> = {
  '½': [1, 2],
  '¼': [1, 4],
  '¾': [3, 4],
  '⅛': [1, 8],
  '⅜': [3, 8],
  '⅝': [5, 8],
  '⅞': [7, 8],
  '⅓': [1, 3],
  '⅔': [2, 3],
};

/** Rounds to the 0.1 mm that measures are kept to; 3/4" is 19.05 mm and must not fall to 19.0. */
export const toTenthMm = (mm: number): number => Math.round(mm * 10 + 1e-6) / 10;

/**
 * Reads a length as people write it: `36,5 cm`, `14 3/8"`, `1' 4"`, `1.2m`, `1 m 20 cm`, `365`.
 * A number without a unit takes `defaultUnit`; after feet it is inches.
 * Ensures: `mm` rounded to 0.1, `text` trimmed. `atIndex` counts from 0 in the text as given.
 * @errors `length_empty` · `length_unreadable` at the first character that makes no sense ·
 * `length_comma_ambiguous` for `1,250` (a thousand or a decimal?) · `length_out_of_range`.
 * @example parseLength(`14 3/8"`, 'mm') // 365.1 mm
 */
export function parseLength(typed: string, defaultUnit: LengthUnit): Result<Length, LengthError> {
  const text = typed.trim();
  if (text === '') return err({ code: 'length_empty' });
  const start = typed.indexOf(text);
  let index = 0;
  let totalMm = 0;
  let previousUnit: LengthUnit | undefined;
  while (index < text.length) {
    const part = readPart(text.slice(index));
    if (!part.ok) {
      return err({ ...part.error, atIndex: start + index + part.error.atIndex });
    }
    const unit = part.value.unit ?? (previousUnit === 'ft' ? 'in' : (previousUnit ?? defaultUnit));
    // A second part must be of a smaller unit: 1' 4", 1 m 20 cm; "20 30" is two readings, not one.
    const isOutOfOrder = previousUnit !== undefined && MM_PER[unit] >= MM_PER[previousUnit];
    if (isOutOfOrder) return err(unreadable(typed, start + index));
    totalMm += part.value.amount * MM_PER[unit];
    previousUnit = unit;
    index += part.value.length;
  }
  if (totalMm > MAX_MM) return err({ code: 'length_out_of_range', mm: totalMm });
  return ok({ mm: toTenthMm(totalMm), text });
}

/**
 * Writes a length in one unit: decimals for metric, fractions to 1/16 for inches and feet.
 * Ensures: reading it back gives the same to 0.1 mm (inches: to the nearest 1/16).
 */
export function formatLength(mm: number, unit: LengthUnit): string {
  if (unit === 'in') return `${formatSixteenths(Math.round((mm / MM_PER.in) * 16))}"`;
  if (unit === 'ft') {
    const sixteenths = Math.round((mm / MM_PER.in) * 16);
    const feet = Math.floor(sixteenths / 192);
    return feet === 0
      ? `${formatSixteenths(sixteenths)}"`
      : `${feet}' ${formatSixteenths(sixteenths % 192)}"`;
  }
  const decimals = DECIMALS[unit];
  return `${Number((toTenthMm(mm) / MM_PER[unit]).toFixed(decimals))} ${unit}`;
}

/** The reading that counts: the smallest of those taken. Requires: at least one reading. */
export function smallestMm(readings: readonly Length[]): number {
  return readings.reduce((least, reading) => Math.min(least, reading.mm), Infinity);
}

/** How far the readings lie apart, in mm; above 5 mm one of them was held askew. */
export function spreadMm(readings: readonly Length[]): number {
  const values = readings.map((reading) => reading.mm);
  return values.length < 2 ? 0 : toTenthMm(Math.max(...values) - Math.min(...values));
}

/** A measure that was computed, written in the unit it is shown in. */
export const toLength = (mm: number, unit: LengthUnit): Length => ({
  mm: toTenthMm(mm),
  text: formatLength(mm, unit),
});

/** Readings of one measure lie further apart than this when one of them was taken askew. */
export const MAX_SPREAD_MM = 5;

/** So many readings that agree settle a measure, whatever else was read. */
const SETTLED_BY = 3;

/** What several readings of one measure amount to. */
interface ReadingsVerdict {
  /** The smallest reading: what has to go in has to pass the narrowest spot. */
  readonly countsMm: number;
  /** Another reading is wanted. */
  readonly isAskew: boolean;
  /** Readings set aside: held at a slant, a tape or a beam reads too much, never too little. */
  readonly slantedIndexes: readonly number[];
}

/**
 * Judges the readings of one measure. Up to three must lie within 5 mm; once the three smallest of
 * more do, larger ones are taken as slanted and set aside. Requires: at least one reading.
 */
export function judgeReadings(readings: readonly Length[]): ReadingsVerdict {
  const byLength = readings.map(({ mm }, index) => ({ mm, index })).sort((a, b) => a.mm - b.mm);
  const countsMm = byLength[0]?.mm ?? Infinity;
  const settling = byLength[Math.min(SETTLED_BY, byLength.length) - 1]?.mm ?? countsMm;
  const isAskew = toTenthMm(settling - countsMm) > MAX_SPREAD_MM;
  const slantedIndexes = isAskew
    ? []
    : byLength
        .filter(({ mm }) => toTenthMm(mm - countsMm) > MAX_SPREAD_MM)
        .map(({ index }) => index);
  return { countsMm, isAskew, slantedIndexes };
}

interface Part {
  readonly amount: number;
  readonly unit: LengthUnit | undefined;
  readonly length: number;
}

type PartError = Extract<LengthError, { atIndex: number }>;

/** Reads one amount with its unit from the front of `rest`, and the blanks behind it. */
function readPart(rest: string): Result<Part, PartError> {
  const amount = readAmount(rest);
  if (!amount.ok) return amount;
  let length = amount.value.length;
  length += countBlanks(rest.slice(length));
  const unit = readUnit(rest.slice(length));
  length += unit?.length ?? 0;
  length += countBlanks(rest.slice(length));
  // A digit right behind a bare number ("12 34") cannot be the same measure.
  if (unit === undefined && length < rest.length) return err(unreadable(rest, length));
  return ok({ amount: amount.value.amount, unit: unit?.unit, length });
}

interface ReadAmount {
  readonly amount: number;
  readonly length: number;
}

/** "12", "12,5", "3/8", "14 3/8", "14 ⅜", "⅜". */
function readAmount(rest: string): Result<ReadAmount, PartError> {
  const decimal = /^(\d+)(?:([.,])(\d+))?/.exec(rest) ?? /^()([.,])(\d+)/.exec(rest);
  const slash = /^(\d+)\s*[/⁄]\s*(\d+)/.exec(rest);
  if (decimal && isAmbiguous(decimal))
    return err({ code: 'length_comma_ambiguous', atIndex: decimal[1]?.length ?? 0 });
  if (slash) return readFraction(rest, slash, { whole: 0, offset: 0 });
  const whole = decimal && {
    amount: Number(`${decimal[1] || '0'}.${decimal[3] ?? '0'}`),
    length: decimal[0].length,
  };
  return (
    (whole && readSlashBehind(rest, whole)) ??
    readVulgar(rest, whole) ??
    (whole ? ok(whole) : err(unreadable(rest, 0)))
  );
}

/** "1,250" is a thousand and more to one and one and a quarter to another. */
const isAmbiguous = ([, whole, mark, part]: RegExpExecArray): boolean =>
  mark === ',' && part?.length === 3 && whole !== '0' && whole !== '';

/** "14 3/8", read from behind the 14. */
function readSlashBehind(
  rest: string,
  whole: ReadAmount,
): Result<ReadAmount, PartError> | undefined {
  const gap = /^(?:\s*-\s*|\s+)(?=\d+\s*[/⁄]\s*\d)/.exec(rest.slice(whole.length));
  if (!gap) return undefined;
  const offset = whole.length + gap[0].length;
  const fraction = /^(\d+)\s*[/⁄]\s*(\d+)/.exec(rest.slice(offset));
  return fraction ? readFraction(rest, fraction, { whole: whole.amount, offset }) : undefined;
}

/** "14 ⅜", or "⅜" alone. */
function readVulgar(
  rest: string,
  whole: ReadAmount | null,
): Result<ReadAmount, PartError> | undefined {
  const { amount, length } = whole ?? { amount: 0, length: 0 };
  const vulgar = /^\s*([½¼¾⅛⅜⅝⅞⅓⅔])/.exec(rest.slice(length));
  const pair = vulgar?.[1] === undefined ? undefined : VULGAR[vulgar[1]];
  if (!vulgar || !pair) return undefined;
  return ok({ amount: amount + pair[0] / pair[1], length: length + vulgar[0].length });
}

function readFraction(
  rest: string,
  match: RegExpExecArray,
  { whole, offset }: { whole: number; offset: number },
): Result<{ amount: number; length: number }, PartError> {
  const over = Number(match[1]);
  const under = Number(match[2]);
  if (under === 0 || over >= under) return err(unreadable(rest, offset));
  return ok({ amount: whole + over / under, length: offset + match[0].length });
}

function readUnit(rest: string): { unit: LengthUnit; length: number } | undefined {
  for (const [pattern, unit] of UNIT_WORDS) {
    const match = pattern.exec(rest);
    if (match) return { unit, length: match[0].length };
  }
  return undefined;
}

const countBlanks = (text: string): number => /^\s*/.exec(text)?.[0].length ?? 0;

const unreadable = (text: string, atIndex: number): PartError => ({
  code: 'length_unreadable',
  atIndex,
  found: text.slice(atIndex, atIndex + 8),
});

function formatSixteenths(sixteenths: number): string {
  const whole = Math.floor(sixteenths / 16);
  let over = sixteenths % 16;
  let under = 16;
  while (over > 0 && over % 2 === 0) {
    over /= 2;
    under /= 2;
  }
  if (over === 0) return String(whole);
  return whole === 0 ? `${over}/${under}` : `${whole} ${over}/${under}`;
}
