'use client';

import { useSyncExternalStore } from 'react';

import type { Outbox, OutboxState } from './Outbox';
import type { Waiting } from './waiting';

/** How an outbox stands, followed as it changes. */
export const useOutbox = <T extends Waiting>(outbox: Outbox<T>): OutboxState<T> =>
  useSyncExternalStore(outbox.subscribe, outbox.getState, outbox.getOnServer);
