'use client';

import { format, isToday } from 'date-fns';
import { useState } from 'react';

import { formatCount } from '@/core/shared';
import { useKeptAt } from '../along/useKeptAt';
import { pictureOutbox, type OutgoingPicture } from '../look/pictureOutbox';
import type { Outbox, OutboxFault } from '../outbox/Outbox';
import { useOutbox } from '../outbox/useOutbox';
import type { Waiting } from '../outbox/waiting';
import { Button } from '../primitives/Button';
import { Sheet } from '../primitives/Sheet';
import { decisionOutbox, type WaitingDecision } from '../sort/decisionOutbox';
import { actOutbox, type WaitingAct } from '../field/actOutbox';
import { commandName } from '../field/fieldWords';
import { useRefreshWhenSent } from '../field/useFieldAct';
import { useUnanswered } from '../unanswered';
import { handoverOutbox, type WaitingHandover } from '../takeAway/handoverOutbox';

/** What waits to be sent, and what was refused. Everything else is on the disk before its screen says so. */
export function KeptStatus() {
  const decisions = useOutbox(decisionOutbox);
  const pictures = useOutbox(pictureOutbox);
  const handovers = useOutbox(handoverOutbox);
  const acts = useOutbox(actOutbox);
  const keptAt = useKeptAt();
  const isUnanswered = useUnanswered();
  useRefreshWhenSent();
  const [isOpen, setIsOpen] = useState(false);
  const all = [decisions, pictures, handovers, acts];
  const waiting = all.reduce((sum, { open }) => sum + open.length, 0);
  const refused = all.reduce((sum, each) => sum + each.refused.length, 0);
  const since = earliestOf([
    ...decisions.open.map(({ deviceAt }) => deviceAt),
    ...handovers.open.map(({ said }) => said.at),
    ...acts.open.map(({ act }) => act.at),
  ]);
  const isQuiet = waiting === 0 && refused === 0;
  const fault = faultWords(decisions.fault ?? pictures.fault ?? handovers.fault ?? acts.fault);
  return (
    <span
      role="status"
      className={
        'shrink-0 text-right text-[12.5px] leading-tight max-md:min-w-0 max-md:shrink ' +
        (isQuiet ? 'text-soft' : 'font-[650] text-signal-deep')
      }
    >
      {isQuiet && !isUnanswered && keptAt === undefined && 'Kept at the desk'}
      {waiting > 0 && `${waiting} waiting${since === undefined ? '' : ` since ${timeOf(since)}`}`}
      {refused > 0 && (
        <button
          type="button"
          className="ml-2 min-h-[24px] underline max-md:min-h-11"
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
      <Sheet isOpen={isOpen} onOpenChange={setIsOpen} title="What could not be kept">
        {refused === 0 && <p>Nothing is left here.</p>}
        <RefusedList
          outbox={decisionOutbox}
          refused={decisions.refused}
          one="decision"
          nameOf={decisionName}
        />
        <RefusedList
          outbox={pictureOutbox}
          refused={pictures.refused}
          one="picture"
          nameOf={pictureName}
        />
        <RefusedList
          outbox={handoverOutbox}
          refused={handovers.refused}
          one="handover"
          nameOf={handoverName}
        />
        <RefusedList outbox={actOutbox} refused={acts.refused} one="act" nameOf={actName} />
      </Sheet>
    </span>
  );
}

const earliestOf = (times: readonly string[]): string | undefined => [...times].sort()[0];

/** The time of day; with its day where that is another. */
function timeOf(iso: string): string {
  const at = new Date(iso);
  return format(at, isToday(at) ? 'HH:mm' : 'd MMM HH:mm');
}

const decisionName = ({ event }: WaitingDecision): string =>
  event.kind === 'decided' ? `${event.count} ${event.name}` : 'A change';
const handoverName = ({ said }: WaitingHandover): string => `At ${said.destinationName}`;
const actName = ({ act }: WaitingAct): string => commandName(act.command);
const pictureName = ({ name }: OutgoingPicture): string => name;

function faultWords(fault: OutboxFault | undefined): string {
  if (!fault) return '';
  return fault.code === 'server' ? fault.words : 'no connection, trying again';
}

interface RefusedListProps<T extends Waiting> {
  readonly outbox: Outbox<T>;
  readonly refused: readonly T[];
  /** What one of them is called. */
  readonly one: string;
  readonly nameOf: (entry: T) => string;
}

function RefusedList<T extends Waiting>({ outbox, refused, one, nameOf }: RefusedListProps<T>) {
  if (refused.length === 0) return null;
  const ids = refused.map(({ id }) => id);
  return (
    <section aria-label={`Refused: ${one}s`} className="mb-4">
      <p className="mb-2">
        {formatCount(refused.length, one)} could not be kept. What was refused is still here.
      </p>
      <ul className="divide-y divide-line text-[14px]">
        {refused.map((entry) => (
          <li key={entry.id} className="flex flex-wrap items-center gap-2 py-1.5">
            <span className="min-w-[180px] flex-1">
              <b className="break-all">{nameOf(entry)}</b>
              <span className="block text-soft">{entry.problem}</span>
            </span>
            <Button look="plain" onClick={() => void outbox.settle([entry.id], 'put_away')}>
              Put away
            </Button>
          </li>
        ))}
      </ul>
      <Button look="main" className="mt-3" onClick={() => void outbox.settle(ids, 'send_again')}>
        Send again
      </Button>
    </section>
  );
}
