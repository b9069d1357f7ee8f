import { z } from 'zod';

import type { UnitSetUp } from '@/core/setUp';
import { typedOptionalNumber } from '../typedValues';

/** How a unit comes, what it weighs and whether it is anchored, as typed. */
export const unitSetUpFormSchema = z
  .object({
    comes: z.enum(['stays', 'bought', 'moved']),
    kilograms: typedOptionalNumber({ least: 0.1, most: 1000, what: 'kilograms, or nothing' }),
    isAnchored: z.enum(['unknown', 'yes', 'no']),
  })
  .transform(({ comes, kilograms, isAnchored }) => ({
    comes,
    massG: kilograms === null ? null : Math.round(kilograms * 1000),
    isAnchored: isAnchored === 'unknown' ? null : isAnchored === 'yes',
  }));
export type UnitSetUpTyped = z.input<typeof unitSetUpFormSchema>;

const anchoredWord = (isAnchored: boolean | null): UnitSetUpTyped['isAnchored'] => {
  if (isAnchored === null) return 'unknown';
  return isAnchored ? 'yes' : 'no';
};
export const toTypedUnitSetUp = ({ comes, massG, isAnchored }: UnitSetUp): UnitSetUpTyped => ({
  comes,
  kilograms: massG === null ? '' : String(massG / 1000),
  isAnchored: anchoredWord(isAnchored),
});
