import { format, isToday } from 'date-fns';

/** The time of day of an instant, as this device's clock has it; with its day where that is another. */
export function timeOf(iso: string): string {
  const at = new Date(iso);
  return format(at, isToday(at) ? 'HH:mm' : 'd MMM HH:mm');
}
