'use client';

import { useSyncExternalStore } from 'react';

import { usePictureOutbox } from '../look/usePictureOutbox';
import { decisionOutbox } from '../sort/decisionOutbox';

/** What waits to be sent. Everything else is on the disk before its screen says so. */
export function KeptStatus() {
  const { pictures } = usePictureOutbox();
  const decisions = useSyncExternalStore(
    decisionOutbox.subscribe,
    decisionOutbox.countWaiting,
    () => 0,
  );
  // One that was refused waits for a person, not for the line; its slot says so.
  const waiting = decisions + pictures.filter(({ problem: refused }) => refused === '').length;
  const problem = useSyncExternalStore(
    decisionOutbox.subscribe,
    decisionOutbox.getProblem,
    () => '',
  );
  return (
    <span
      role="status"
      className={`shrink-0 text-right text-[12.5px] leading-tight ${waiting > 0 ? 'font-[650] text-signal-deep' : 'text-soft'}`}
    >
      {waiting === 0 ? 'All kept' : `${waiting} waiting`}
      {problem !== '' && <span className="block font-normal">{problem}</span>}
    </span>
  );
}
