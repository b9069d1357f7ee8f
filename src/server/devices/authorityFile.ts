import 'server-only';

import { X509Certificate } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';

/** Where the authority's own certificate lies in the data folder. */
export const AUTHORITY_PEM = 'authority.pem';

/** The authority's certificate as PEM and its fingerprint; undefined where none was made yet. */
export function readAuthorityCertificate(
  dataDir: string,
): { readonly pem: string; readonly fingerprint: string; readonly endsAt: Date } | undefined {
  const file = path.join(dataDir, AUTHORITY_PEM);
  if (!existsSync(file)) return undefined;
  const pem = readFileSync(file, 'utf8');
  const { fingerprint256, validTo } = new X509Certificate(pem);
  return { pem, fingerprint: fingerprint256, endsAt: new Date(validTo) };
}
