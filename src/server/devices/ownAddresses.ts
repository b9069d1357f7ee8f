import 'server-only';

import { networkInterfaces } from 'node:os';

/** The IPv4 addresses of this machine; those that it alone reaches are `internal`. */
export const ownAddresses = (): { readonly address: string; readonly internal: boolean }[] =>
  Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter(({ family }) => family === 'IPv4');
