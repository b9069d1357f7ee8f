import 'server-only';

import type { Moment } from '@/core/look';

const TIMEOUT_MS = 20_000;
const KNOCK_MS = 500;
const MAX_BYTES = 25_000_000;

type Env = Readonly<Record<string, string | undefined>>;
const addressIn = (env: Env): string => env.TINBOX_CAMERA ?? 'http://127.0.0.1:4318/picture';

/** Whether a camera's bridge, real or simulated, answers at all. */
export async function isCameraThere(env: Env): Promise<boolean> {
  try {
    await fetch(addressIn(env), { signal: AbortSignal.timeout(KNOCK_MS), cache: 'no-store' });
    return true;
  } catch {
    return false;
  }
}

/**
 * Asks the camera's bridge, real or simulated, for a picture; undefined where none answers. See
 * docs/devices.md.
 */
export async function fetchCameraPicture(
  env: Env,
  { spot, moment }: { readonly spot: string; readonly moment: Moment },
): Promise<ArrayBuffer | undefined> {
  const address = `${addressIn(env)}?${new URLSearchParams({ spot, moment })}`;
  try {
    const response = await fetch(address, {
      signal: AbortSignal.timeout(TIMEOUT_MS),
      cache: 'no-store',
    });
    const bytes = response.ok ? await response.arrayBuffer() : undefined;
    return bytes && bytes.byteLength <= MAX_BYTES ? bytes : undefined;
  } catch {
    return undefined;
  }
}
