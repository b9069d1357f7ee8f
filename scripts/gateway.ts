/**
 * Lets paired devices of the home's network in; started by `npm start -- --lan`, never by itself.
 * TINBOX_DATA names the data folder, TINBOX_PORT the app's port on the loopback, TINBOX_LAN_PORT its own;
 * TINBOX_CERT and TINBOX_KEY a certificate that is brought, TINBOX_PROXIES the proxies whose word counts.
 */
import { randomBytes } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

import { dataDirOf, openDatabase } from '@/data/db';
import { readAuthorityCertificate } from '@/server/devices/authorityFile';
import { certifyMachine, namesOfMachine, readBrought } from '@/gateway/certificates';
import { startGateway } from '@/gateway/startGateway';

/** What seals the cookies: made once, readable by its owner alone, never printed. */
function readSecret(dataDir: string): string {
  const file = path.join(dataDir, 'pairing.secret');
  try {
    writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600, flag: 'wx' });
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
  }
  return readFileSync(file, 'utf8');
}

const isBrought = (): boolean => process.env.TINBOX_CERT !== undefined;

async function certify(dataDir: string) {
  const { TINBOX_CERT: cert, TINBOX_KEY: key } = process.env;
  return cert !== undefined && key !== undefined
    ? readBrought(cert, key)
    : certifyMachine(dataDir, { now: new Date(), names: namesOfMachine() });
}

async function main(): Promise<void> {
  const dataDir = dataDirOf(process.env);
  const db = await openDatabase(dataDir);
  const gateway = await startGateway({
    db,
    secret: readSecret(dataDir),
    upstreamPort: Number(process.env.TINBOX_PORT),
    host: '0.0.0.0',
    port: Number(process.env.TINBOX_LAN_PORT),
    certify: () => certify(dataDir),
    authority: () => (isBrought() ? undefined : readAuthorityCertificate(dataDir)),
    proxies: (process.env.TINBOX_PROXIES ?? '').split(',').filter(Boolean),
  });
  process.stdout.write(
    `Paired devices of this network come in encrypted on port ${gateway.port}; pair one under “Devices” at the desk\n`,
  );
  process.on(
    'SIGTERM',
    () =>
      void gateway
        .close()
        .then(() => db.destroy())
        .then(() => process.exit(0)),
  );
}

main().catch((error: unknown) => {
  process.stderr.write(
    `The network cannot be let in: ${error instanceof Error ? error.message : String(error)}\n`,
  );
  process.exitCode = 1;
});
