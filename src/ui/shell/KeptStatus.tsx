'use client';

import { useState, useSyncExternalStore } from 'react';

import { formatCount } from '@/core/shared';
import { pictureOutbox } from '../look/pictureOutbox';
import { usePictureOutbox } from '../look/usePictureOutbox';
import { Button } from '../primitives/Button';
import { Sheet } from '../primitives/Sheet';
import { decisionOutbox } from '../sort/decisionOutbox';
import type { WaitingDecision } from '../sort/decisionStore';

const NONE: readonly WaitingDecision[] = [];

/** What waits to be sent, and what was refused. Everything else is on the disk before its screen says so. */
export function KeptStatus() {
  const { pictures } = usePictureOutbox();
  const { subscribe } = decisionOutbox;
  const decisions = useSyncExternalStore(subscribe, decisionOutbox.countWaiting, () => 0);
  const refused = useSyncExternalStore(subscribe, decisionOutbox.listRefused, () => NONE);
  const problem = useSyncExternalStore(subscribe, decisionOutbox.getProblem, () => '');
  const pictureProblem = useSyncExternalStore(
    pictureOutbox.subscribe,
    pictureOutbox.getProblem,
    () => '',
  );
  const [isOpen, setIsOpen] = useState(false);
  // A picture that was refused waits for a person, not for the line; its slot says so.
  const waiting = decisions + pictures.filter((each) => each.problem === '').length;
  const isQuiet = waiting === 0 && refused.length === 0;
  return (
    <span
      role="status"
      className={`shrink-0 text-right text-[12.5px] leading-tight ${isQuiet ? 'text-soft' : 'font-[650] text-signal-deep'}`}
    >
      {isQuiet && 'All kept'}
      {waiting > 0 && `${waiting} waiting`}
      {refused.length > 0 && (
        <button
          type="button"
          className="ml-2 min-h-[24px] underline max-md:min-h-11"
          onClick={() => setIsOpen(true)}
        >
          {refused.length} refused
        </button>
      )}
      {(problem || pictureProblem) !== '' && (
        <span className="block font-normal">{problem || pictureProblem}</span>
      )}
      <Sheet isOpen={isOpen} onOpenChange={setIsOpen} title="What could not be kept">
        <RefusedList refused={refused} />
      </Sheet>
    </span>
  );
}

function RefusedList({ refused }: { readonly refused: readonly WaitingDecision[] }) {
  if (refused.length === 0) return <p>Nothing is left here.</p>;
  const ids = refused.map(({ event }) => event.id);
  return (
    <>
      <p className="mb-2">
        {formatCount(refused.length, 'decision')} could not be kept. They are still here.
      </p>
      <ul className="divide-y divide-line text-[14px]">
        {refused.map(({ event, problem }) => (
          <li key={event.id} className="flex flex-wrap items-center gap-2 py-1.5">
            <span className="min-w-[180px] flex-1">
              <b>{event.kind === 'decided' ? `${event.count} ${event.name}` : 'A change'}</b>
              <span className="block text-soft">{problem}</span>
            </span>
            <Button look="plain" onClick={() => void decisionOutbox.settle([event.id], 'put_away')}>
              Put away
            </Button>
          </li>
        ))}
      </ul>
      <Button
        look="main"
        className="mt-3"
        onClick={() => void decisionOutbox.settle(ids, 'send_again')}
      >
        Send again
      </Button>
    </>
  );
}
