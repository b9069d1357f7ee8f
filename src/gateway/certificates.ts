import 'reflect-metadata';
import 'server-only';

import { webcrypto, X509Certificate } from 'node:crypto';
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { hostname } from 'node:os';
import path from 'node:path';
import * as x509 from '@peculiar/x509';

import { ownAddresses } from '@/server/devices/ownAddresses';
import { AUTHORITY_PEM, readAuthorityCertificate } from '@/server/devices/authorityFile';

/** What a server shows, and whose word it is. */
export interface ServedCertificate {
  /** PEM, the machine's own first. */
  readonly cert: string;
  readonly key: string;
  /** Names and addresses it is good for, lower case. */
  readonly names: readonly string[];
  readonly endsAt: Date;
  /** Somebody brought it; false where this machine made it, with an authority to trust. */
  readonly isBrought: boolean;
}

const AUTHORITY_YEARS = 10;
/** Phones refuse longer ones. */
const MACHINE_DAYS = 200;
/** Renewed when less than this is left. */
const RENEW_DAYS = 30;
/** A clock that is a little behind must not find it in the future. */
const EARLIER_MS = 86_400_000;
const DAY_MS = 86_400_000;
const KEYS = { name: 'ECDSA', namedCurve: 'P-256' } as const;
const SIGNED_WITH = { name: 'ECDSA', hash: 'SHA-256' } as const;

const FILES = {
  authority: AUTHORITY_PEM,
  authorityKey: 'authority.key',
  machine: 'machine.pem',
  machineKey: 'machine.key',
} as const;

x509.cryptoProvider.set(webcrypto as Crypto);

/** The names and addresses under which this machine is found in its network. */
export function namesOfMachine(): string[] {
  const own = hostname().toLowerCase();
  const addresses = ownAddresses().map(({ address }) => address);
  return [...new Set(['localhost', own, `${own.replace(/\..*$/, '')}.local`, ...addresses])];
}

/**
 * The certificate of this machine for these names, signed by its own authority. Both are made where they
 * are not there yet, kept in the data folder (keys readable by their owner alone), and the machine's is
 * made anew where a name is missing or it ends soon.
 * Source: RFC 5280; 200 days because browsers refuse what lasts longer than 398.
 */
export async function certifyMachine(
  dataDir: string,
  { now, names }: { readonly now: Date; readonly names: readonly string[] },
): Promise<ServedCertificate> {
  const authority = await readAuthority(dataDir, now);
  const kept = readMachine(dataDir);
  const isGood =
    kept !== undefined &&
    names.every((name) => kept.names.includes(name)) &&
    kept.endsAt.getTime() - now.getTime() > RENEW_DAYS * DAY_MS &&
    new X509Certificate(kept.cert).checkIssued(
      new X509Certificate(authority.certificate.toString('pem')),
    );
  if (isGood) return kept;
  const keys = await makeKeys();
  const notAfter = new Date(now.getTime() + MACHINE_DAYS * DAY_MS);
  const certificate = await x509.X509CertificateGenerator.create({
    serialNumber: newSerial(),
    subject: `CN=${names.find((name) => !isAddress(name) && name !== 'localhost') ?? 'tin-box'}`,
    issuer: authority.certificate.subject,
    notBefore: new Date(now.getTime() - EARLIER_MS),
    notAfter,
    signingAlgorithm: SIGNED_WITH,
    publicKey: keys.publicKey,
    signingKey: authority.key,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        names.map((name) => ({
          type: isAddress(name) ? ('ip' as const) : ('dns' as const),
          value: name,
        })),
      ),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      await x509.AuthorityKeyIdentifierExtension.create(authority.certificate.publicKey),
    ],
  });
  keep(dataDir, FILES.machineKey, await keyToPem(keys.privateKey));
  keep(dataDir, FILES.machine, certificate.toString('pem'));
  const made = readMachine(dataDir);
  if (!made) throw new Error('the certificate of this machine could not be kept');
  return made;
}

/** A certificate and key that somebody brought, read anew each time: they are renewed by others. */
export function readBrought(certFile: string, keyFile: string): ServedCertificate {
  const cert = readFileSync(certFile, 'utf8');
  return { ...factsOf(cert), cert, key: readFileSync(keyFile, 'utf8'), isBrought: true };
}

interface Authority {
  readonly certificate: x509.X509Certificate;
  readonly key: CryptoKey;
}

async function readAuthority(dataDir: string, now: Date): Promise<Authority> {
  const kept = readAuthorityCertificate(dataDir);
  const keyFile = path.join(dataDir, FILES.authorityKey);
  // Close to its end a new one is made, and devices are led to it once more.
  if (kept && existsSync(keyFile) && kept.endsAt.getTime() - now.getTime() > MACHINE_DAYS * DAY_MS)
    return {
      certificate: new x509.X509Certificate(kept.pem),
      key: await pemToKey(readFileSync(keyFile, 'utf8')),
    };
  const keys = await makeKeys();
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: newSerial(),
    name: `CN=Tin Box on ${hostname().replace(/[^\w.-]/g, '')}`,
    notBefore: new Date(now.getTime() - EARLIER_MS),
    notAfter: new Date(now.getTime() + AUTHORITY_YEARS * 365 * DAY_MS),
    signingAlgorithm: SIGNED_WITH,
    keys,
    extensions: [
      // It signs this machine and nobody who signs in turn.
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(
        x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign,
        true,
      ),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  keep(dataDir, FILES.authorityKey, await keyToPem(keys.privateKey));
  keep(dataDir, FILES.authority, certificate.toString('pem'));
  return { certificate, key: keys.privateKey };
}

function readMachine(dataDir: string): ServedCertificate | undefined {
  const [certFile, keyFile] = [FILES.machine, FILES.machineKey].map((name) =>
    path.join(dataDir, name),
  );
  if (!certFile || !keyFile || !existsSync(certFile) || !existsSync(keyFile)) return undefined;
  const cert = readFileSync(certFile, 'utf8');
  return { ...factsOf(cert), cert, key: readFileSync(keyFile, 'utf8'), isBrought: false };
}

/** What a certificate says of itself; of a chain the first. */
function factsOf(pem: string): Pick<ServedCertificate, 'names' | 'endsAt'> {
  const { subjectAltName = '', validTo } = new X509Certificate(pem);
  const names = subjectAltName
    .split(',')
    .map((each) => each.trim().replace(/^(DNS|IP Address):/, ''))
    .filter((each) => each !== '');
  return { names: names.map((name) => name.toLowerCase()), endsAt: new Date(validTo) };
}

const isAddress = (name: string): boolean => /^[\d.]+$/.test(name) || name.includes(':');

/** Sixteen bytes that nobody guesses; the first below 0x80, so that the number is positive. */
function newSerial(): string {
  const bytes = webcrypto.getRandomValues(new Uint8Array(16));
  bytes[0] = (bytes[0]! & 0x7f) | 0x01;
  return Buffer.from(bytes).toString('hex');
}

const makeKeys = (): Promise<CryptoKeyPair> =>
  webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify']) as Promise<CryptoKeyPair>;

async function keyToPem(key: CryptoKey): Promise<string> {
  return x509.PemConverter.encode(
    await webcrypto.subtle.exportKey('pkcs8', key as never),
    'PRIVATE KEY',
  );
}

const pemToKey = (pem: string): Promise<CryptoKey> =>
  webcrypto.subtle.importKey('pkcs8', x509.PemConverter.decodeFirst(pem), KEYS, false, [
    'sign',
  ]) as Promise<CryptoKey>;

/** Written whole or not at all, readable by its owner alone. */
function keep(dataDir: string, name: string, text: string): void {
  const file = path.join(dataDir, name);
  writeFileSync(`${file}.new`, text, { mode: 0o600 });
  renameSync(`${file}.new`, file);
}
