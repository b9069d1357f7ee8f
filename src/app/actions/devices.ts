'use server';

import { headers } from 'next/headers';
import QRCode from 'qrcode';
import { z } from 'zod';

import { dataDirOf } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { readAuthorityCertificate } from '@/server/devices/authorityFile';
import { ownAddresses } from '@/server/devices/ownAddresses';
import { makePairingCode, putOutDevice } from '@/server/devices/pairing';
import type { ActionResult } from '@/ui/actionResult';
import { answer, done } from './answer';

/** A code, the addresses it can be used at, and the first of them as a QR code. */
export interface JoinCode {
  readonly code: string;
  readonly endsAt: string;
  readonly addresses: readonly string[];
  /** PNG as a data address. */
  readonly qr: string;
  /** For a device that does not trust this machine yet; undefined where another's word is trusted anyway. */
  readonly trust?: TrustFirst;
}
export interface TrustFirst {
  readonly address: string;
  readonly qr: string;
  readonly fingerprint: string;
}

/**
 * Only whoever sits at the machine lets others in or puts them out; a paired device comes through
 * the gateway, which says so.
 */
const isAtDesk = async (): Promise<boolean> => (await headers()).get('x-tinbox-device') === null;
const NOT_AT_DESK = {
  ok: false,
  message: 'Devices are let in and revoked at the desk itself.',
} as const;

export async function makeCodeAction(): Promise<ActionResult<JoinCode>> {
  if (!(await isAtDesk())) return NOT_AT_DESK;
  const port = process.env.TINBOX_LAN_PORT;
  if (port === undefined)
    return {
      ok: false,
      message:
        'Tin Box listens on this machine alone. Start it with “npm start -- --lan” to let others in.',
    };
  const addresses = ownAddresses()
    .filter(({ internal }) => !internal)
    .map(({ address }) => `https://${address}:${port}`);
  const [first] = addresses;
  if (first === undefined)
    return { ok: false, message: 'This machine is in no network at the moment.' };
  const authority =
    process.env.TINBOX_CERT === undefined
      ? readAuthorityCertificate(dataDirOf(process.env))
      : undefined;
  const inTheClear = first.replace('https://', 'http://');
  const { code, endsAt } = await makePairingCode(await getDatabase(), new Date());
  // Behind the #, where no server and no log sees it.
  return {
    ok: true,
    value: {
      code,
      endsAt,
      addresses,
      qr: await toQr(`${first}/pair#${code}`),
      ...(authority
        ? {
            trust: {
              address: inTheClear,
              qr: await toQr(inTheClear),
              fingerprint: authority.fingerprint,
            },
          }
        : {}),
    },
  };
}

const toQr = (address: string): Promise<string> =>
  QRCode.toDataURL(address, { margin: 1, width: 240 });

export async function putOutAction(deviceId: string): Promise<ActionResult> {
  if (!(await isAtDesk())) return NOT_AT_DESK;
  return answer(z.string().min(1).max(64), deviceId, async (id) => {
    await putOutDevice(await getDatabase(), id, new Date());
    return done;
  });
}
