import 'server-only';

import { ownAddresses } from '../devices/ownAddresses';

/** Where a link leads, and who reaches that. */
export interface LinkBase {
  readonly address: string;
  readonly reach: 'anywhere' | 'network' | 'machine';
}

/** The address under which clients reach their pages: a proxy's, the gateway's, or this machine alone. */
export function linkBaseOf(env: Readonly<Record<string, string | undefined>>): LinkBase {
  const open = env.TINBOX_PUBLIC_ADDRESS?.replace(/\/+$/, '');
  if (open) return { address: open, reach: 'anywhere' };
  const lan = env.TINBOX_LAN_PORT;
  const own = ownAddresses().find(({ internal }) => !internal)?.address;
  if (lan && own) return { address: `https://${own}:${lan}`, reach: 'network' };
  return { address: `http://127.0.0.1:${env.TINBOX_PORT ?? '4310'}`, reach: 'machine' };
}
