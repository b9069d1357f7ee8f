'use client';

import { useParams } from 'next/navigation';
import { useState } from 'react';

import { formatCount, type RoomId, type DecisionId, toId } from '@/core/shared';
import { createUuid } from '../createUuid';
import { actOutbox, type WaitingAct } from '../field/actOutbox';
import { commandName } from '../field/fieldWords';
import { pictureOutbox, type OutgoingPicture } from '../look/pictureOutbox';
import type { Outbox } from '../outbox/Outbox';
import { useOutbox } from '../outbox/useOutbox';
import type { Waiting } from '../outbox/waiting';
import { Button } from '../primitives/Button';
import { SelectField } from '../primitives/Field';
import { showNotice } from '../primitives/notices';
import { Sheet } from '../primitives/Sheet';
import { decisionOutbox, type WaitingDecision } from '../sort/decisionOutbox';
import { handoverOutbox, type WaitingHandover } from '../takeAway/handoverOutbox';
import { timeOf } from './timeOf';

/** So many of what waits are named; the rest is counted. */
const MOST_NAMED = 60;

/** The rooms of the home on this page, for what can be taken up in another. */
export type KeptRooms = readonly { readonly id: RoomId; readonly name: string }[];

interface KeptSheetProps {
  readonly rooms: KeptRooms;
  readonly isOpen: boolean;
  readonly onOpenChange: (isOpen: boolean) => void;
}

/** What waits on this device to be sent, by name, and what was refused, with its reason. */
export function KeptSheet({ isOpen, onOpenChange, rooms }: KeptSheetProps) {
  const { projectId } = useParams<{ projectId?: string }>();
  const decisions = useOutbox(decisionOutbox);
  const pictures = useOutbox(pictureOutbox);
  const handovers = useOutbox(handoverOutbox);
  const acts = useOutbox(actOutbox);
  const all = [decisions, pictures, handovers, acts];
  const refused = all.reduce((sum, each) => sum + each.refused.length, 0);
  const lines: WaitingLine[] = [
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
    ...acts.open.map((entry) => ({
      id: entry.id,
      at: entry.act.at,
      name: actName(entry),
      takeBack: () => takeBack(entry.id),
    })),
    ...pictures.open.map((entry) => ({ id: entry.id, at: '', name: pictureName(entry) })),
  ];
  lines.sort((a, b) => a.at.localeCompare(b.at));
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
        rooms={rooms}
        elsewhere={(entry, roomId) =>
          entry.projectId === projectId ? decisionIn(entry, roomId) : undefined
        }
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
      <RefusedList
        outbox={actOutbox}
        refused={acts.refused}
        one="act"
        nameOf={actName}
        rooms={rooms}
        elsewhere={(entry, roomId) =>
          entry.projectId === projectId ? actIn(entry, roomId) : undefined
        }
      />
      {lines.length > 0 && (
        <section aria-label="Waits to be sent">
          <p className="mb-2">Sent in this order as soon as the desk answers.</p>
          <ul className="divide-y divide-line text-[14px]">
            {lines.slice(0, MOST_NAMED).map(({ id, at, name, takeBack }) => (
              <li key={id} className="flex items-center gap-3 py-1.5">
                <b className="min-w-0 flex-1 break-words">{name}</b>
                <span className="text-soft">{at === '' ? '' : timeOf(at)}</span>
                {takeBack && (
                  <Button look="plain" aria-label={`Take back: ${name}`} onClick={takeBack}>
                    Take back
                  </Button>
                )}
              </li>
            ))}
          </ul>
          {lines.length > MOST_NAMED && <p>and {lines.length - MOST_NAMED} more</p>}
        </section>
      )}
    </Sheet>
  );
}

interface WaitingLine {
  readonly id: string;
  readonly at: string;
  readonly name: string;
  readonly takeBack?: () => void;
}

function takeBack(id: string): void {
  void actOutbox.withdraw([id]).then(() =>
    showNotice({
      kind: 'done',
      words:
        'Taken back on this device. If the connection broke while it was sent, see whether the desk has it.',
    }),
  );
}

/** What went out, or was bought, can have been in any room; everything else is of its own. */
const actIn = (entry: WaitingAct, roomId: RoomId): WaitingAct | undefined => {
  const { command } = entry.act;
  if (command.kind !== 'bought' && command.kind !== 'debt') return undefined;
  const id = createUuid();
  return { ...entry, id, problem: '', act: { ...entry.act, id, command: { ...command, roomId } } };
};

const decisionIn = (entry: WaitingDecision, roomId: RoomId): WaitingDecision | undefined => {
  if (entry.event.kind !== 'decided') return undefined;
  const id = toId<DecisionId>(createUuid());
  return {
    ...entry,
    id,
    problem: '',
    event: { ...entry.event, id, roomId, groupId: null },
  };
};

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
  readonly rooms?: KeptRooms;
  /** The same in another room; undefined where it means nothing there. */
  readonly elsewhere?: (entry: T, roomId: RoomId) => T | undefined;
}

function RefusedList<T extends Waiting>({
  outbox,
  refused,
  one,
  nameOf,
  rooms = [],
  elsewhere = () => undefined,
}: RefusedListProps<T>) {
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
            <TakeUpElsewhere
              name={nameOf(entry)}
              rooms={rooms.filter(({ id }) => elsewhere(entry, id) !== undefined)}
              onRoom={(roomId) => {
                const other = elsewhere(entry, roomId);
                if (other) void outbox.replace(entry, other);
              }}
            />
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

/** Takes a refused one up in another room, where that means something. */
function TakeUpElsewhere({
  name,
  rooms,
  onRoom,
}: {
  readonly name: string;
  readonly rooms: KeptRooms;
  readonly onRoom: (roomId: RoomId) => void;
}) {
  const [chosen, setChosen] = useState('');
  const room = rooms.find(({ id }) => id === chosen);
  if (rooms.length === 0) return null;
  return (
    <span className="flex flex-wrap items-end gap-2">
      <SelectField
        label="In another room"
        aria-label={`In another room: ${name}`}
        value={chosen}
        onChange={(event) => setChosen(event.target.value)}
      >
        <option value="">Choose a room</option>
        {rooms.map(({ id, name: roomName }) => (
          <option key={id} value={id}>
            {roomName}
          </option>
        ))}
      </SelectField>
      <Button disabled={!room} onClick={() => room && onRoom(room.id)}>
        Take it up there
      </Button>
    </span>
  );
}
