import { z } from 'zod';

import type { SetUp } from '@/core/setUp';
import { typedOptionalNumber } from '../typedValues';

/** The air where paint dries, as typed. */
export const airFormSchema = z
  .object({
    celsius: typedOptionalNumber({ least: 0, most: 45, what: 'degrees, or nothing' }),
    isDamp: z.boolean(),
  })
  .transform(({ celsius, isDamp }) => ({ airCelsius: celsius, isDamp }));
export type AirTyped = z.input<typeof airFormSchema>;

export const toTypedAir = ({ airCelsius, isDamp }: SetUp): AirTyped => ({
  celsius: airCelsius === null ? '' : String(airCelsius),
  isDamp,
});
