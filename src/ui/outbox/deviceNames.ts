import { createUuid } from '../createUuid';

const DEVICE_KEY = 'tin-box-device';
const MARK_KEY = 'tin-box-device-mark';

/** How this device is called in the log; the desk until it is given a name. */
export const deviceName = (): string =>
  typeof window === 'undefined' ? 'desk' : (window.localStorage.getItem(DEVICE_KEY) ?? 'desk');
/** Tells this browser from others of the same name. */
export function deviceMark(): string {
  const known = window.localStorage.getItem(MARK_KEY);
  if (known !== null) return known;
  const made = createUuid();
  window.localStorage.setItem(MARK_KEY, made);
  return made;
}
export const nameDevice = (name: string): void => window.localStorage.setItem(DEVICE_KEY, name);
