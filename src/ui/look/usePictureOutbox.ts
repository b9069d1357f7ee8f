'use client';

import { useSyncExternalStore } from 'react';

import type { OutgoingPicture } from './outgoingPicture';
import { pictureOutbox } from './pictureOutbox';

const NONE: readonly OutgoingPicture[] = [];

/** Pictures on their way, and whether the connection is gone. */
export function usePictureOutbox(): {
  readonly pictures: readonly OutgoingPicture[];
  readonly isOffline: boolean;
} {
  const pictures = useSyncExternalStore(pictureOutbox.subscribe, pictureOutbox.list, () => NONE);
  const isOffline = useSyncExternalStore(
    pictureOutbox.subscribe,
    pictureOutbox.isOffline,
    () => false,
  );
  return { pictures, isOffline };
}
