'use client';

import { Ruler } from 'lucide-react';
import { useEffect, useState } from 'react';

import { Button } from '../primitives/Button';
import { whileSeen } from '../primitives/whileSeen';
import { fillFocusedLength, isLengthField } from './fillFocusedLength';

type Link = 'off' | 'looking' | 'connected' | 'gone';

/** Takes readings from a distance meter: each goes to the field in focus, and the focus moves on. */
export function MeterStrip() {
  const [isOn, setIsOn] = useState(false);
  const { link, last } = useMeter(isOn);
  return (
    <div className="panel flex flex-wrap items-center gap-x-4 gap-y-1 px-3.5 py-2 text-[14px]">
      <Button look={isOn ? 'main' : 'quiet'} aria-pressed={isOn} onClick={() => setIsOn(!isOn)}>
        <Ruler size={16} aria-hidden="true" /> Distance meter
      </Button>
      <p role="status" className="min-w-0 flex-1 text-soft">
        {wordsOf(link, last)}
      </p>
    </div>
  );
}

interface LastReading {
  readonly text: string;
  /** The field it went to; undefined: it waits for one. */
  readonly into: string | undefined;
  readonly isReadable: boolean;
}

function wordsOf(link: Link, last: LastReading | undefined): string {
  if (link === 'off') return 'Readings go to the field you are in, and the next field is yours.';
  if (link === 'looking') return 'Looking for the meter.';
  if (link === 'gone')
    return 'No meter answers. Switch its bridge on; this goes on looking. The simulated one: npm run meter.';
  if (!last) return 'Connected. Tap the first field, then measure.';
  if (!last.isReadable) return `The meter said “${last.text}”, which is no length. Measure again.`;
  return last.into === undefined
    ? `${last.text} waits: tap the field it belongs to.`
    : `${last.text} went to ${last.into}.`;
}

/** Follows the app's relay of the meter's bridge while it is on. */
function useMeter(isOn: boolean): { readonly link: Link; readonly last: LastReading | undefined } {
  const [link, setLink] = useState<Link>('off');
  const [last, setLast] = useState<LastReading>();
  useEffect(() => {
    if (!isOn) return undefined;
    // In a pocket the page hears no meter, and holds no line.
    return whileSeen(() => {
      const source = new EventSource('/api/meter');
      let waiting: string | undefined;
      const place = (text: string, field: EventTarget | null) => {
        const into = fillFocusedLength(text, field);
        waiting = into === undefined ? text : undefined;
        setLast({ text, into, isReadable: true });
      };
      source.addEventListener('connected', () => setLink('connected'));
      source.addEventListener('gone', () => setLink('gone'));
      source.addEventListener('reading', (event: MessageEvent<string>) =>
        place(event.data, document.activeElement),
      );
      source.addEventListener('unreadable', (event: MessageEvent<string>) =>
        setLast({ text: event.data, into: undefined, isReadable: false }),
      );
      source.onerror = () => setLink('gone');
      const onFocus = (event: FocusEvent) => {
        if (waiting !== undefined && isLengthField(event.target)) place(waiting, event.target);
      };
      document.addEventListener('focusin', onFocus);
      return () => {
        source.close();
        document.removeEventListener('focusin', onFocus);
        setLink('off');
      };
    });
  }, [isOn]);
  return { link: isOn && link === 'off' ? 'looking' : link, last };
}
