'use client';

import { useEffect } from 'react';

import { useHandSettings } from './handSettings';

/** Keeps the screen on while `isOn`, where the device can; given back as soon as it is not, or the page is hidden. */
export function useWakeLock(isOn: boolean): void {
  const { stayAwake } = useHandSettings();
  useEffect(() => {
    if (!isOn || !stayAwake || !('wakeLock' in navigator)) return;
    let isOver = false;
    let lock: WakeLockSentinel | undefined;
    const ask = async () => {
      if (document.hidden || (lock && !lock.released)) return;
      // A device that saves its battery refuses.
      const given = await navigator.wakeLock.request('screen').catch(() => undefined);
      if (isOver) await given?.release();
      else lock = given;
    };
    const onChange = () => void ask();
    void ask();
    // The browser takes it back with every page that is hidden.
    document.addEventListener('visibilitychange', onChange);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', onChange);
      void lock?.release();
    };
  }, [isOn, stayAwake]);
}
