import { z } from 'zod';

import { termsSchema, type Terms } from '@/core/agree';
import { formatMoneyInput } from '@/core/shared';
import { typedMoney, typedNumber } from '../typedValues';

/** The terms as typed: things that never leave, one a line; hours a visit; money. */
export const termsFormSchema = z
  .object({
    goals: z.string().max(600, 'At most 600 letters'),
    wantedLook: z.string().max(300, 'At most 300 letters'),
    neverLeaves: z.string().max(4000),
    reusePercent: typedNumber({ least: 0, most: 100, what: 'a share' }),
    hourlyRate: typedMoney,
    visitHours: typedNumber({ least: 0.5, most: 12, what: 'hours' }),
    visitsPerWeek: typedNumber({ least: 1, most: 7, what: 'a number' }),
    crewCount: typedNumber({ least: 1, most: 6, what: 'a number' }),
  })
  .transform(({ neverLeaves, hourlyRate, visitHours, ...form }, context) => {
    const things = [
      ...new Set(
        neverLeaves
          .split('\n')
          .map((thing) => thing.trim())
          .filter(Boolean),
      ),
    ];
    const terms = termsSchema.omit({ schools: true, days: true, liftLimitG: true }).safeParse({
      ...form,
      neverLeaves: things,
      hourlyRateMinor: hourlyRate,
      visitMinutes: Math.round(visitHours * 60),
      reusePercent: Math.round(form.reusePercent),
      visitsPerWeek: Math.round(form.visitsPerWeek),
      crewCount: Math.round(form.crewCount),
    });
    if (terms.success) return terms.data;
    context.addIssue({
      code: 'custom',
      path: ['neverLeaves'],
      message: 'At most 40 lines of 120 letters',
    });
    return z.NEVER;
  });
export type TermsTyped = z.input<typeof termsFormSchema>;

export const toTypedTerms = (terms: Terms): TermsTyped => ({
  goals: terms.goals,
  wantedLook: terms.wantedLook,
  neverLeaves: terms.neverLeaves.join('\n'),
  reusePercent: String(terms.reusePercent),
  hourlyRate: formatMoneyInput(terms.hourlyRateMinor),
  visitHours: String(terms.visitMinutes / 60),
  visitsPerWeek: String(terms.visitsPerWeek),
  crewCount: String(terms.crewCount),
});

/**
 * What stands in the fields when `given` comes in: a field that says something else than it did, in
 * any of `known`, is being typed in and stays.
 */
export function mergeTyped(
  typed: TermsTyped,
  given: TermsTyped,
  known: readonly TermsTyped[],
): TermsTyped {
  const isTyping = (name: keyof TermsTyped) => known.every((other) => other[name] !== typed[name]);
  return {
    ...given,
    ...Object.fromEntries(
      Object.entries(typed).filter(([name]) => isTyping(name as keyof TermsTyped)),
    ),
  };
}
