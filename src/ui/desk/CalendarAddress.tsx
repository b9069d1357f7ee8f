'use client';

import { useState } from 'react';
import { z } from 'zod';

import { Button } from '../primitives/Button';

const answerSchema = z.object({ address: z.string(), isOfDevice: z.boolean() });
type Address = z.infer<typeof answerSchema>;

/** The address under which a calendar program reads all visits anew by itself. */
export function CalendarAddress() {
  const [address, setAddress] = useState<Address>();
  const [fault, setFault] = useState('');
  const show = async () => {
    try {
      const response = await fetch('/api/calendar/address');
      setAddress(answerSchema.parse(await response.json()));
      setFault('');
    } catch {
      setFault('The address cannot be made at the moment. Try again.');
    }
  };
  return (
    <section aria-label="Calendar subscription" className="panel p-4">
      <h2 className="text-[18px]">Subscribe with a calendar</h2>
      <p className="mt-0.5 max-w-[70ch] text-[14px] text-soft">
        A calendar program on this device reads visits and what is due from here, and keeps up with
        them by itself. Nothing leaves this machine but to devices that are paired with it.
      </p>
      {!address && (
        <Button className="mt-2" onClick={() => void show()}>
          Show the address
        </Button>
      )}
      {fault !== '' && (
        <p role="alert" className="mt-1 text-[14px] text-signal-deep">
          {fault}
        </p>
      )}
      {address && (
        <>
          <input
            readOnly
            aria-label="Address of the calendar"
            className="mt-2 w-full rounded-[5px] border-[1.5px] border-line bg-sheet px-2 py-2 font-mono text-[13.5px]"
            value={address.address}
            onFocus={(event) => event.currentTarget.select()}
          />
          <p className="mt-1 text-[14px] text-soft">
            {address.isOfDevice
              ? 'For this device alone: whoever has the address reads the calendar until the device is revoked.'
              : 'Good on this machine alone. A paired phone shows its own address on this page.'}
          </p>
        </>
      )}
    </section>
  );
}
