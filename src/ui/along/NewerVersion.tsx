'use client';

import { useEffect, useState } from 'react';

import { TAKE_OVER } from '@/workers/along/messages';
import { Button } from '../primitives/Button';

/**
 * Sets the service worker up where the browser allows one, and offers a newer version where one waits. It is
 * taken up when a person says so: what waits to be sent lies in the browser's database and stays there.
 */
export function NewerVersion() {
  const [waiting, setWaiting] = useState<ServiceWorker>();
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
    void register(setWaiting);
  }, []);
  if (!waiting) return null;
  const takeUp = () => {
    navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), {
      once: true,
    });
    waiting.postMessage(TAKE_OVER);
  };
  return (
    <aside
      role="status"
      className={
        'no-print fixed inset-x-3 bottom-3 z-40 flex flex-wrap items-center gap-3 rounded-[6px] ' +
        'border-[1.5px] border-rim bg-sheet p-3 shadow md:left-auto md:max-w-[420px]'
      }
    >
      <span className="min-w-[180px] flex-1">
        A newer version of Tin Box is here. What waits on this device stays.
      </span>
      <Button look="main" onClick={takeUp}>
        Use it now
      </Button>
      <Button look="plain" onClick={() => setWaiting(undefined)}>
        Later
      </Button>
    </aside>
  );
}

async function register(onWaiting: (worker: ServiceWorker) => void): Promise<void> {
  const registration = await navigator.serviceWorker
    .register('/sw.js', { scope: '/', updateViaCache: 'none' })
    // A server for development has none; a browser in private mode may allow none.
    .catch(() => undefined);
  if (!registration) return;
  const tell = () => {
    // The first one of all takes over by itself and is no newer one.
    if (registration.waiting && navigator.serviceWorker.controller) onWaiting(registration.waiting);
  };
  tell();
  registration.addEventListener('updatefound', () =>
    registration.installing?.addEventListener('statechange', tell),
  );
}
