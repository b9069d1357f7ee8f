'use client';

import { useEffect, useRef, useState, useSyncExternalStore } from 'react';

import { formatCount, formatDate } from '@/core/shared';
import { HOMES_ARE_NEW } from '@/workers/along/messages';
import { listHomes, removeHome, type AlongHome } from '@/workers/along/alongStore';
import { Button } from '../primitives/Button';
import { showNotice } from '../primitives/notices';
import type { AlongProgress } from './takeAlong';

/** A browser that is not asked over an encrypted connection keeps no application. */
const never = () => () => undefined;
const useCanTakeAlong = (): boolean | undefined =>
  useSyncExternalStore(
    never,
    () => window.isSecureContext && 'serviceWorker' in navigator,
    () => undefined,
  );

/** Whether this device has the home along, since when, how large; taken, brought up to date, or removed. */
export function TakenAlong({ projectId }: { readonly projectId: string }) {
  const canTake = useCanTakeAlong();
  const [home, setHome] = useState<AlongHome>();
  const [progress, setProgress] = useState<AlongProgress>();
  const stop = useRef<AbortController>(undefined);
  useEffect(() => {
    listHomes()
      .then((homes) => setHome(homes.find((each) => each.projectId === projectId)))
      // A browser without a database has nothing along.
      .catch(() => undefined);
    return () => stop.current?.abort();
  }, [projectId]);
  if (canTake === false)
    return (
      <p className="text-[14.5px]">
        This browser keeps nothing for later: it does so over an encrypted connection only. Devices
        says how a device comes in over one.
      </p>
    );
  const take = async () => {
    stop.current = new AbortController();
    const { signal } = stop.current;
    setProgress({ done: 0, all: 0, bytes: 0 });
    try {
      const { takeAlong } = await import('./takeAlong');
      setHome(await takeAlong(projectId, { signal, onProgress: setProgress }));
      await tellWhenAllAreNew();
    } catch (fault) {
      const isFull = fault instanceof DOMException && fault.name === 'QuotaExceededError';
      if (!signal.aborted)
        showNotice({
          kind: 'fault',
          words: isFull
            ? 'This browser has no room for all of it. Remove another home from this device, or make room on it.'
            : 'The desk did not answer for all of it. What was taken along before is still here.',
        });
    }
    setProgress(undefined);
  };
  const remove = async () => {
    await removeHome(projectId);
    setHome(undefined);
  };
  return (
    <div className="text-[14.5px]">
      <p>
        {home
          ? `Taken along ${formatDate(new Date(home.takenAt), 'd MMMM, HH:mm')}: ` +
            `${formatCount(home.pageCount, 'page')} and ${formatCount(home.pictureCount, 'picture')}, ${megabytes(home.bytes)}.`
          : 'Not on this device. Taken along, every step of this home can be read without a connection.'}
      </p>
      {progress && (
        <p className="mt-2" role="status">
          <progress
            className="block h-2 w-full"
            max={Math.max(1, progress.all)}
            value={progress.done}
            aria-label="Taken along so far"
          />
          {progress.done} of {progress.all}, {megabytes(progress.bytes)}
        </p>
      )}
      <div className="mt-2.5 flex flex-wrap gap-2">
        {progress ? (
          <Button onClick={() => stop.current?.abort()}>Stop</Button>
        ) : (
          <>
            <Button look={home ? 'plain' : 'main'} onClick={() => void take()}>
              {home ? 'Bring up to date' : 'Take this home along'}
            </Button>
            {home && <Button onClick={() => void remove()}>Remove from this device</Button>}
          </>
        )}
      </div>
    </div>
  );
}

const megabytes = (bytes: number): string =>
  bytes < 1e5 ? 'under 0.1 MB' : `${(bytes / 1e6).toFixed(1)} MB`;

/** Files of an earlier version are needed by pages that were taken along with it; these no longer. */
async function tellWhenAllAreNew(): Promise<void> {
  const homes = await listHomes();
  if (homes.length === 1) navigator.serviceWorker.controller?.postMessage(HOMES_ARE_NEW);
}
