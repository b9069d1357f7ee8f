'use client';

import clsx from 'clsx';
import { Mic } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';

import { LOCALE } from '@/core/shared';
import { useHandSettings } from './handSettings';
import { findLocalSpeech, listen } from './speech';

/**
 * Says a line instead of typing it, where somebody wants that and the browser understands speech on the device
 * itself; otherwise nothing is shown. What was understood stands in the line like what is typed.
 */
export function SayIt({ onHeard }: { readonly onHeard: (text: string) => void }) {
  const { speech } = useHandSettings();
  const [kind, setKind] = useState<Awaited<ReturnType<typeof findLocalSpeech>>>();
  const [isListening, setIsListening] = useState(false);
  const stop = useRef<() => void>(undefined);
  useEffect(() => {
    if (!speech) return;
    let isGone = false;
    void findLocalSpeech(LOCALE).then((found) => {
      // A class is a function too: handed over as it is, it would be called.
      if (!isGone) setKind(() => found);
    });
    return () => {
      isGone = true;
      stop.current?.();
    };
  }, [speech]);
  if (!speech || !kind) return null;
  const toggle = () => {
    if (isListening) return stop.current?.();
    setIsListening(true);
    stop.current = listen(kind, LOCALE, {
      heard: onHeard,
      ended: () => setIsListening(false),
    });
  };
  return (
    <button
      type="button"
      aria-label={isListening ? 'Stop listening' : 'Say it'}
      aria-pressed={isListening}
      onClick={toggle}
      className={clsx(
        'grid size-12 shrink-0 place-items-center rounded-[5px] border-[1.5px]',
        isListening ? 'border-signal bg-signal-wash text-signal-deep' : 'border-line bg-sheet',
      )}
    >
      <Mic size={20} aria-hidden="true" />
    </button>
  );
}
