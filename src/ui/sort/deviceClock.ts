/** What this device knows of the server's time. Kept for the browser, so that a reload does not forget it. */
interface KnownClock {
  /** Server's time less this device's, in ms, at the last contact. */
  readonly offsetMs: number;
  /** The server's time then, ISO. */
  readonly knownAt: string | null;
}

const KEY = 'tin-box-clock';
const UNKNOWN: KnownClock = { offsetMs: 0, knownAt: null };

function read(): KnownClock {
  if (typeof window === 'undefined') return UNKNOWN;
  try {
    return { ...UNKNOWN, ...(JSON.parse(window.localStorage.getItem(KEY) ?? '{}') as KnownClock) };
  } catch {
    return UNKNOWN;
  }
}

/** Notes what the server's clock says, as it was just heard. */
export function noteServerTime(serverNow: string): void {
  const at = Date.parse(serverNow);
  if (Number.isNaN(at)) return;
  const known: KnownClock = { offsetMs: at - Date.now(), knownAt: serverNow };
  window.localStorage.setItem(KEY, JSON.stringify(known));
}

/** This device's clock, as it stands. */
export const deviceNow = (): string => new Date().toISOString();
/** The server's time as far as this device knows it. */
export const serverNow = (): string => new Date(Date.now() + read().offsetMs).toISOString();
export const lastKnownAt = (): string | null => read().knownAt;
