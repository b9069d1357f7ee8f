import { z } from 'zod';

import type { SetUp } from '@/core/setUp';
import { typedOptionalNumber } from '../typedValues';

/** The air where paint dries, and what is done before the first coat, as typed. */
export const airFormSchema = z
  .object({
    celsius: typedOptionalNumber({ least: 0, most: 45, what: 'degrees, or nothing' }),
    isDamp: z.boolean(),
    holes: typedOptionalNumber({ least: 0, most: 500, what: 'holes, or nothing' }),
    primes: z.boolean(),
  })
  .transform(({ celsius, isDamp, holes, primes }) => ({
    airCelsius: celsius,
    isDamp,
    prep: { holes: Math.round(holes ?? 0), primes },
  }));
export type AirTyped = z.input<typeof airFormSchema>;

export const toTypedAir = ({ airCelsius, isDamp, prep }: SetUp): AirTyped => ({
  celsius: airCelsius === null ? '' : String(airCelsius),
  isDamp,
  holes: prep.holes === 0 ? '' : String(prep.holes),
  primes: prep.primes,
});
