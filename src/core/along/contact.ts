/** Days without contact after which a device forgets what it took along. */
export const DEFAULT_DAYS_WITHOUT_CONTACT = 14;
export const MOST_DAYS_WITHOUT_CONTACT = 90;
const DAY_MS = 86_400_000;

/**
 * Whether a device has been without contact for so long that it forgets what it took along. A clock
 * that was set back makes nothing younger than it is: a time that lies ahead counts as none known.
 */
export function isForgotten(contactAt: string, days: number, now: Date): boolean {
  const sinceMs = now.getTime() - Date.parse(contactAt);
  return !(sinceMs < days * DAY_MS) || sinceMs < -DAY_MS;
}
