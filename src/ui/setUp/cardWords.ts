import { parseISO } from 'date-fns';

import { packVolumeOf, type Decanted, type Jar } from '@/core/setUp';
import { formatNumber, formatDate } from '@/core/shared';

const litres = (amount: number): string =>
  amount < 0.1 ? 'less than 0.1 l' : `${formatNumber(Math.round(amount * 10) / 10)} l`;

/** Whether a pack goes into its jar, and what to do where it does not. */
export function decantWords(jar: Jar, decanted: Decanted): string {
  const volume = packVolumeOf(jar);
  const size =
    volume?.isAssumed === true
      ? `about ${litres(volume.low)} to ${litres(volume.high)}, assumed from its weight`
      : litres(volume?.litres ?? 0);
  if (decanted.fits === 'not')
    return (
      `The ${jar.pack} pack (${size}) does not go into the jar of ${litres(jar.jarLitres)}: about ${litres(decanted.leftLitres)} ` +
      'stay in the pack. Clip it; it stands behind the jar, and refills it.'
    );
  if (decanted.fits === 'unknown') return `The ${jar.pack} pack: how much that is, cannot be read.`;
  if (decanted.fits === 'whole')
    return `The ${jar.pack} pack (${size}) goes into the jar of ${litres(jar.jarLitres)} whole.`;
  return `The ${jar.pack} pack (${size}) just about goes into the jar of ${litres(jar.jarLitres)}; it may leave a rest.`;
}

/** `12 Dec 2026`. */
export const dayShort = (day: string): string => formatDate(parseISO(day), 'd MMM yyyy');
