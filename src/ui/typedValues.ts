import { z } from 'zod';

import { parseLength, parseMoney, type Length, type LengthUnit } from '@/core/shared';
import { lengthErrorWords, moneyErrorWords } from './home/homeWords';

/** A typed measure that must be there; a bare number takes `unit`. */
export const typedLength = (unit: LengthUnit) =>
  z.string().transform((text, context): Length => {
    const length = parseLength(text, unit);
    if (length.ok) return length.value;
    context.addIssue({ code: 'custom', message: lengthErrorWords(length.error) });
    return z.NEVER;
  });

/** A typed measure above nothing. */
export const typedPositiveLength = (unit: LengthUnit) =>
  typedLength(unit).refine((length) => length.mm > 0, 'That is nothing; type the measure');

/** A typed measure that may be left empty. */
export const typedOptionalLength = (unit: LengthUnit) =>
  z.string().transform((text, context): Length | null => {
    if (text.trim() === '') return null;
    const length = parseLength(text, unit);
    if (length.ok && length.value.mm > 0) return length.value;
    context.addIssue({
      code: 'custom',
      message: length.ok ? 'That is nothing; type the measure' : lengthErrorWords(length.error),
    });
    return z.NEVER;
  });

export const typedMoney = z.string().transform((text, context): number => {
  const money = parseMoney(text);
  if (money.ok) return money.value;
  context.addIssue({ code: 'custom', message: moneyErrorWords(money.error) });
  return z.NEVER;
});

interface NumberLimits {
  readonly least: number;
  readonly most: number;
  readonly what: string;
}
/** A number with point or comma, at least `least`. */
export const typedNumber = (limits: NumberLimits) =>
  z.string().transform((text, context): number => readNumber(text, limits, context));

/** A number that may be left empty. */
export const typedOptionalNumber = (limits: NumberLimits) =>
  z
    .string()
    .transform((text, context): number | null =>
      text.trim() === '' ? null : readNumber(text, limits, context),
    );

function readNumber(
  text: string,
  { least, most, what }: NumberLimits,
  context: z.RefinementCtx,
): number {
  const value = Number(text.trim().replace(',', '.'));
  if (text.trim() !== '' && Number.isFinite(value) && value >= least && value <= most) return value;
  context.addIssue({ code: 'custom', message: `Type ${what}, from ${least} to ${most}` });
  return z.NEVER;
}
