import { isToday } from 'date-fns';

import { formatDate } from '@/core/shared';
/** The time of day of an instant, as this device's clock has it; with its day where that is another. */
export function timeOf(iso: string): string {
  const at = new Date(iso);
  return formatDate(at, isToday(at) ? 'HH:mm' : 'd MMM HH:mm');
}
