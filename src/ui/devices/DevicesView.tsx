'use client';

import { parseISO } from 'date-fns';

import { formatDate } from '@/core/shared';
import { Smartphone } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useState, useSyncExternalStore } from 'react';

import type { ActionResult } from '../actionResult';
import { InHand } from '../inHand/InHand';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { useNow } from '../primitives/useNow';
import { deviceName, nameDevice } from '../outbox/deviceNames';
import { whileSeen } from '../primitives/whileSeen';
import { useMutation } from '../useMutation';

interface JoinCode {
  readonly code: string;
  readonly endsAt: string;
  readonly addresses: readonly string[];
  readonly qr: string;
  readonly trust?: { readonly address: string; readonly qr: string; readonly fingerprint: string };
}
interface DevicesViewProps {
  readonly devices: readonly {
    readonly id: string;
    readonly name: string;
    readonly pairedAt: string;
    readonly seenAt: string;
    readonly putOutAt: string | null;
  }[];
  readonly isOpenToNetwork: boolean;
  readonly onMakeCode: () => Promise<ActionResult<JoinCode>>;
  readonly onPutOut: (deviceId: string) => Promise<ActionResult>;
}

/** What this device is called, who else joined, and a code for one more. */
export function DevicesView({ devices, isOpenToNetwork, onMakeCode, onPutOut }: DevicesViewProps) {
  const { mutate } = useMutation();
  const putOut = (id: string) => mutate(() => onPutOut(id));
  return (
    <div className="grid items-start gap-4 md:grid-cols-2">
      <div className="grid gap-4">
        <ThisDevice />
        <InHand />
        <section aria-label="Joined devices" className="panel p-4">
          <h2 className="mb-1 text-[17px]">Joined</h2>
          {devices.length === 0 && (
            <p className="text-[14.5px] text-soft">No other device has joined yet.</p>
          )}
          <ul className="divide-y divide-line">
            {devices.map((device) => (
              <li key={device.id} className="flex items-center justify-between gap-3 py-2">
                <span className={device.putOutAt === null ? '' : 'text-soft'}>
                  <b>{device.name}</b>{' '}
                  <span className="block text-[13.5px] text-soft">
                    joined {formatDate(parseISO(device.pairedAt), 'd MMM, HH:mm')} ·{' '}
                    {device.putOutAt === null
                      ? `last seen ${formatDate(parseISO(device.seenAt), 'd MMM, HH:mm')}`
                      : `revoked ${formatDate(parseISO(device.putOutAt), 'd MMM, HH:mm')}`}
                  </span>
                </span>
                {device.putOutAt === null && (
                  <Button
                    aria-label={`Revoke ${device.name}`}
                    onClick={() => void putOut(device.id)}
                  >
                    Revoke
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </section>
      </div>
      <Join isOpenToNetwork={isOpenToNetwork} onMakeCode={onMakeCode} />
    </div>
  );
}

const never = () => () => undefined;

function ThisDevice() {
  const kept = useSyncExternalStore(never, deviceName, () => '');
  const [typed, setTyped] = useState<string>();
  const [isKept, setIsKept] = useState(false);
  const name = typed ?? kept;
  return (
    <form
      className="panel border-t-4 border-t-rim p-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== '') {
          nameDevice(name.trim());
          setIsKept(true);
        }
      }}
    >
      <h2 className="mb-1 text-[17px]">This device</h2>
      <TextField
        label="Its name in the log, beside each decision"
        maxLength={40}
        value={name}
        onChange={(event) => {
          setTyped(event.target.value);
          setIsKept(false);
        }}
      />
      <div className="mt-2 flex items-center gap-3">
        <Button type="submit" look="quiet" disabled={name.trim() === ''}>
          Keep the name
        </Button>
        <span role="status" className="text-[14px] text-soft">
          {isKept ? 'Kept.' : ''}
        </span>
      </div>
    </form>
  );
}

function Join({
  isOpenToNetwork,
  onMakeCode,
}: Pick<DevicesViewProps, 'isOpenToNetwork' | 'onMakeCode'>) {
  const router = useRouter();
  const { mutate } = useMutation();
  const [join, setJoin] = useState<JoinCode>();
  const now = useNow(1000);
  const leftS =
    join && now ? Math.max(0, Math.round((Date.parse(join.endsAt) - now.getTime()) / 1000)) : 0;
  const isGood = join !== undefined && leftS > 0;
  useEffect(() => {
    if (!isGood) return undefined;
    // Whoever joins shows up in the list by itself.
    return whileSeen(() => {
      const timer = setInterval(() => router.refresh(), 3000);
      return () => clearInterval(timer);
    });
  }, [isGood, router]);
  const make = async () => {
    const result = await mutate(() => onMakeCode());
    setJoin(result.ok ? result.value : undefined);
  };
  return (
    <section aria-label="Let a device in" className="panel p-4">
      <h2 className="mb-2.5 flex items-center gap-2 text-[17px]">
        <Smartphone size={18} aria-hidden="true" /> Let a device in
      </h2>
      {!isOpenToNetwork && (
        <p className="mb-2 text-[14.5px] text-soft">
          Tin Box listens on this machine alone. Started with{' '}
          <code className="font-mono text-[13.5px]">npm start -- --lan</code> it lets phones of the
          same network in, one by one, by a code.
        </p>
      )}
      {isGood && join.trust && <TrustFirst trust={join.trust} />}
      {isGood && (
        <div className="mb-2 flex flex-wrap items-start gap-4">
          {/* eslint-disable-next-line @next/next/no-img-element -- made here, not fetched */}
          <img
            src={join.qr}
            alt="QR code that opens the pairing page with the code filled in"
            width={190}
            height={190}
            className="rounded-[5px] border border-line"
          />
          <div className="min-w-[170px] flex-1 text-[14.5px]">
            <p>
              <b>{join.trust ? 'Second, it joins.' : 'It joins.'}</b> Point the phone’s camera at
              it, or open
            </p>
            {join.addresses.map((address) => (
              <p key={address} className="font-mono text-[14px]">
                {address}
              </p>
            ))}
            <p className="mt-1.5">and type</p>
            <p className="font-mono text-[26px] font-[650] tracking-wider">
              {join.code.slice(0, 4)} {join.code.slice(4)}
            </p>
            <p role="timer" className="text-soft">
              good for {Math.floor(leftS / 60)}:{String(leftS % 60).padStart(2, '0')}, for one
              device
            </p>
          </div>
        </div>
      )}
      {join && now && !isGood && (
        <p className="mb-2 text-[14.5px] text-soft">That code has run out.</p>
      )}
      <Button
        look={isGood ? 'plain' : 'main'}
        disabled={!isOpenToNetwork}
        onClick={() => void make()}
      >
        {join ? 'A new code' : 'Make a code'}
      </Button>
      <p className="mt-3 text-[13.5px] text-soft">
        What goes between the phone and this machine is encrypted. Revoke devices when the project
        is done.
      </p>
    </section>
  );
}

/** The once that a device is led to trust this machine, with what is compared by eye. */
function TrustFirst({ trust }: { readonly trust: NonNullable<JoinCode['trust']> }) {
  return (
    <div className="mb-4 flex flex-wrap items-start gap-4">
      {/* eslint-disable-next-line @next/next/no-img-element -- made here, not fetched */}
      <img
        src={trust.qr}
        alt="QR code that opens the page on which a device learns to trust this machine"
        width={140}
        height={140}
        className="rounded-[5px] border border-line"
      />
      <div className="min-w-[170px] flex-1 text-[14.5px]">
        <p>
          <b>First, once for each device: it trusts this machine.</b> The page at
        </p>
        <p className="font-mono text-[14px]">{trust.address}</p>
        <p>
          gives it the certificate and says for each system how it is installed. Compare the
          fingerprint that the device shows of it with this one:
        </p>
        <p aria-label="Fingerprint" className="font-mono text-[13px] break-words">
          {trust.fingerprint.replace(/:/g, ' ')}
        </p>
      </div>
    </div>
  );
}
