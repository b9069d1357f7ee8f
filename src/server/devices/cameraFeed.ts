import 'server-only';

import type { Moment } from '@/core/look';

const TIMEOUT_MS = 20_000;
const MAX_BYTES = 25_000_000;

/**
 * Asks the camera's bridge, real or simulated, for a picture; undefined where none answers. See
 * docs/devices.md.
 */
export async function fetchCameraPicture(
  env: Readonly<Record<string, string | undefined>>,
  { spot, moment }: { readonly spot: string; readonly moment: Moment },
): Promise<ArrayBuffer | undefined> {
  const address = `${env.TINBOX_CAMERA ?? 'http://127.0.0.1:4318/picture'}?${new URLSearchParams({ spot, moment })}`;
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
