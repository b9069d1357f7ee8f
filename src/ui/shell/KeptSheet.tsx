'use client';

import { formatCount } from '@/core/shared';
import { actOutbox, type WaitingAct } from '../field/actOutbox';
import { commandName } from '../field/fieldWords';
import { pictureOutbox, type OutgoingPicture } from '../look/pictureOutbox';
import type { Outbox } from '../outbox/Outbox';
import { useOutbox } from '../outbox/useOutbox';
import type { Waiting } from '../outbox/waiting';
import { Button } from '../primitives/Button';
import { Sheet } from '../primitives/Sheet';
import { decisionOutbox, type WaitingDecision } from '../sort/decisionOutbox';
import { handoverOutbox, type WaitingHandover } from '../takeAway/handoverOutbox';
import { timeOf } from './timeOf';

/** So many of what waits are named; the rest is counted. */
const MOST_NAMED = 60;

interface KeptSheetProps {
  readonly isOpen: boolean;
  readonly onOpenChange: (isOpen: boolean) => void;
}

/** What waits on this device to be sent, by name, and what was refused, with its reason. */
export function KeptSheet({ isOpen, onOpenChange }: KeptSheetProps) {
  const decisions = useOutbox(decisionOutbox);
  const pictures = useOutbox(pictureOutbox);
  const handovers = useOutbox(handoverOutbox);
  const acts = useOutbox(actOutbox);
  const all = [decisions, pictures, handovers, acts];
  const refused = all.reduce((sum, each) => sum + each.refused.length, 0);
  const lines = [
    ...decisions.open.map((entry) => ({
      id: entry.id,
      at: entry.deviceAt,
      name: decisionName(entry),
    })),
    ...handovers.open.map((entry) => ({
      id: entry.id,
      at: entry.said.at,
      name: handoverName(entry),
    })),
    ...acts.open.map((entry) => ({ id: entry.id, at: entry.act.at, name: actName(entry) })),
    ...pictures.open.map((entry) => ({ id: entry.id, at: '', name: pictureName(entry) })),
  ].sort((a, b) => a.at.localeCompare(b.at));
  return (
    <Sheet
      isOpen={isOpen}
      onOpenChange={onOpenChange}
      title={refused > 0 ? 'What could not be kept' : 'What waits on this device'}
    >
      {refused === 0 && lines.length === 0 && <p>Nothing is left here.</p>}
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
      {lines.length > 0 && (
        <section aria-label="Waits to be sent">
          <p className="mb-2">Sent in this order as soon as the desk answers.</p>
          <ul className="divide-y divide-line text-[14px]">
            {lines.slice(0, MOST_NAMED).map(({ id, at, name }) => (
              <li key={id} className="flex gap-3 py-1.5">
                <b className="min-w-0 flex-1 break-words">{name}</b>
                <span className="text-soft">{at === '' ? '' : timeOf(at)}</span>
              </li>
            ))}
          </ul>
          {lines.length > MOST_NAMED && <p>and {lines.length - MOST_NAMED} more</p>}
        </section>
      )}
    </Sheet>
  );
}

const decisionName = ({ event }: WaitingDecision): string =>
  event.kind === 'decided' ? `${event.count} ${event.name}` : 'A change';
const handoverName = ({ said }: WaitingHandover): string => `At ${said.destinationName}`;
const actName = ({ act }: WaitingAct): string => commandName(act.command);
const pictureName = ({ name }: OutgoingPicture): string => name;

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
