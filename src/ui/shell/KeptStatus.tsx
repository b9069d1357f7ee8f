'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';

import { useKeptAt } from '../along/useKeptAt';
import { actOutbox } from '../field/actOutbox';
import { useRefreshWhenSent } from '../field/useFieldAct';
import { pictureOutbox } from '../look/pictureOutbox';
import type { OutboxState } from '../outbox/Outbox';
import type { Waiting } from '../outbox/waiting';
import { useOutbox } from '../outbox/useOutbox';
import { decisionOutbox } from '../sort/decisionOutbox';
import { handoverOutbox } from '../takeAway/handoverOutbox';
import { useAtRest } from '../primitives/useAtRest';
import { useOnItsWay } from '../onItsWay';
import { useUnanswered } from '../unanswered';
import type { KeptRooms } from './KeptSheet';
import { timeOf } from './timeOf';

const loadSheet = () => import('./KeptSheet');
const KeptSheet = dynamic(() => loadSheet().then((part) => part.KeptSheet), { ssr: false });

/** What waits to be sent, and what was refused. Everything else is on the disk before its screen says so. */
export function KeptStatus({ rooms = [] }: { readonly rooms?: KeptRooms }) {
  const decisions = useOutbox(decisionOutbox);
  const pictures = useOutbox(pictureOutbox);
  const handovers = useOutbox(handoverOutbox);
  const acts = useOutbox(actOutbox);
  const keptAt = useKeptAt();
  const isUnanswered = useUnanswered();
  const onItsWay = useOnItsWay();
  useRefreshWhenSent();
  const [isOpen, setIsOpen] = useState(false);
  useAtRest(loadSheet);
  const all = [decisions, pictures, handovers, acts];
  const waiting = all.reduce((sum, { open }) => sum + open.length, 0);
  const refused = all.reduce((sum, each) => sum + each.refused.length, 0);
  const since = earliestOf([
    ...decisions.open.map(({ deviceAt }) => deviceAt),
    ...handovers.open.map(({ said }) => said.at),
    ...acts.open.map(({ act }) => act.at),
  ]);
  const isRead = all.every((each) => each.isRead);
  const isQuiet = isRead && waiting === 0 && refused === 0;
  const fault = faultWords(all, keptAt !== undefined);
  return (
    <span
      role="status"
      aria-busy={onItsWay !== 'none'}
      className={
        'shrink-0 text-right text-[12.5px] leading-tight max-md:min-w-0 max-md:shrink ' +
        (isQuiet || !isRead ? 'text-soft' : 'font-[650] text-signal-deep')
      }
    >
      {isQuiet && !isUnanswered && keptAt === undefined && (
        <>{onItsWay === 'long' ? 'Being kept…' : 'Kept at the desk'}</>
      )}
      {waiting > 0 && (
        <button
          type="button"
          className="min-h-[24px] text-right underline decoration-dotted underline-offset-3 max-md:min-h-12"
          onClick={() => setIsOpen(true)}
        >
          {waiting} waiting{since === undefined ? '' : ` since ${timeOf(since)}`}
        </button>
      )}
      {refused > 0 && (
        <button
          type="button"
          className="ml-2 min-h-[24px] underline max-md:min-h-12"
          onClick={() => setIsOpen(true)}
        >
          {refused} refused
        </button>
      )}
      {isUnanswered && <span className="block">A change was not answered</span>}
      {keptAt !== undefined && (
        <span className="block font-normal">No connection: as of {timeOf(keptAt)}</span>
      )}
      {fault !== '' && <span className="block font-normal">{fault}</span>}
      {isOpen && <KeptSheet isOpen onOpenChange={setIsOpen} rooms={rooms} />}
    </span>
  );
}

const earliestOf = (times: readonly string[]): string | undefined =>
  times.reduce<string | undefined>(
    (earliest, time) => (earliest === undefined || time < earliest ? time : earliest),
    undefined,
  );

/** A page as it was kept says itself that there is no connection: it is said once. */
function faultWords(all: readonly Pick<OutboxState<Waiting>, 'fault'>[], isKept: boolean): string {
  const fault = all.find((each) => each.fault)?.fault;
  if (!fault) return '';
  if (fault.code === 'server') return fault.words;
  return isKept ? '' : 'no connection, trying again';
}
