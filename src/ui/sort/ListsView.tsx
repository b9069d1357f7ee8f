'use client';

import { useState, type ReactNode } from 'react';

import { formatCount, formatLitres, type Currency } from '@/core/shared';
import {
  addUp,
  dayOf,
  laterBoxesOf,
  targetRoomOf,
  type Carry,
  type OpenLists,
  type Thing,
  type Verdict,
} from '@/core/sort';
import type { AnswerOnDesk } from '@/core/client';
import { AnswerLines } from '../client/AnswerLines';
import { Link } from '../primitives/Link';
import { dayWords } from '../home/homeWords';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { useMutation } from '../useMutation';
import { Cautions } from './Cautions';
import { verdictWords } from './sortWords';
import { useRefreshWhenKept, useRefreshWhenTold } from './useRefreshWhenKept';
import { decideFromList } from './decideFromList';

interface ListsViewProps {
  readonly projectId: string;
  readonly rooms: readonly { readonly id: Thing['roomId']; readonly name: string }[];
  readonly lists: OpenLists;
  /** What was carried out unsorted, of every room. */
  readonly debts: readonly Carry[];
  readonly onSettle: (place: {
    readonly roomId: string;
    readonly carryId: string;
  }) => Promise<ActionResult>;
  /** How far the log was read. */
  readonly lastSeq: number;
  /** What the client answered and nobody has taken yet. */
  readonly clientAnswers: readonly AnswerOnDesk[];
  readonly currency: Currency;
  readonly onTakeAnswer: (answerId: string, despite: boolean) => Promise<ActionResult>;
  readonly onSetAnswerAside: (answerId: string) => Promise<ActionResult>;
}

const ANSWERS: readonly Verdict[] = ['keep', 'donate', 'discard', 'sell', 'later'];

/** What waits for another room, for the client, for a later day. An answer takes a thing off its list. */
export function ListsView(props: ListsViewProps) {
  const { projectId, rooms, lists, debts, onSettle, clientAnswers } = props;
  const [answered, setAnswered] = useState<ReadonlySet<string>>(new Set());
  useRefreshWhenKept();
  useRefreshWhenTold(projectId, props.lastSeq);
  const roomOf = (thing: Thing) => rooms.find(({ id }) => id === thing.roomId)?.name ?? '';
  const targetOf = (thing: Thing) => targetRoomOf(thing, rooms);
  const decide = (thing: Thing, change: Parameters<typeof decideFromList>[2]) => {
    decideFromList(projectId, thing, change);
    setAnswered(new Set([...answered, thing.decisionId]));
  };
  const open = (list: readonly Thing[]) =>
    list.filter(({ decisionId }) => !answered.has(decisionId));
  const boxes = laterBoxesOf(lists.later);
  const small =
    'min-h-9 rounded-[5px] border-[1.5px] border-line bg-white px-2.5 text-[13.5px] hover:border-rim max-md:min-h-12';
  const roomNameOf = (id: string) => rooms.find((room) => room.id === id)?.name ?? '';
  return (
    <div className="grid items-start gap-4 lg:grid-cols-2">
      <Debts debts={debts} roomNameOf={roomNameOf} onSettle={onSettle} />
      <ThingList
        title="Belongs in another room"
        empty="Everything lies in the room it belongs to."
        things={open(lists.comingIn)}
        note={(thing) =>
          `from the ${roomOf(thing).toLowerCase()} to the ${targetOf(thing)?.name.toLowerCase() ?? ''}`
        }
      >
        {(thing) => (
          <button
            type="button"
            className={small}
            onClick={() =>
              decide(thing, {
                verdict: 'keep',
                to: '',
                groupId: null,
                roomId: targetOf(thing)?.id ?? thing.roomId,
              })
            }
          >
            It is there, keep
          </button>
        )}
      </ThingList>
      <ThingList
        title="No home yet, whole home"
        empty="Everything that belongs elsewhere has a room."
        things={open(lists.noHome)}
        note={(thing) => `now in the ${roomOf(thing).toLowerCase()}`}
      >
        {(thing) => (
          <select
            className="input min-h-9 w-auto py-1 text-[13.5px]"
            aria-label={`Which room ${thing.name} belongs to`}
            value=""
            onChange={(event) => decide(thing, { to: event.target.value })}
          >
            <option value="">belongs to …</option>
            {rooms.map(({ id, name }) => (
              <option key={id} value={name}>
                {name}
              </option>
            ))}
          </select>
        )}
      </ThingList>
      <ThingList
        title="To ask the client"
        empty="No question is open."
        things={open(lists.ask)}
        note={roomOf}
        head={
          clientAnswers.length > 0 && (
            <div className="mb-2 rounded-md border-[1.5px] border-rim px-3 pb-2">
              <h3 className="pt-2 text-[15.5px]">
                {formatCount(clientAnswers.length, 'answer')} of the client
              </h3>
              <AnswerLines
                answers={clientAnswers}
                currency={props.currency}
                onTake={props.onTakeAnswer}
                onSetAside={props.onSetAnswerAside}
              />
            </div>
          )
        }
        foot={
          <span className="mt-2 flex flex-wrap gap-2">
            <Link className={buttonClass('quiet')} href={`/projects/${projectId}/home/show/client`}>
              Send them to the client
            </Link>
            <a
              className={buttonClass('quiet')}
              href={`/api/projects/${projectId}/questions`}
              target="_blank"
              rel="noreferrer"
            >
              Show or print the questions
            </a>
          </span>
        }
      >
        {(thing) => (
          <span className="flex flex-wrap gap-1.5">
            {ANSWERS.map((verdict) => (
              <button
                key={verdict}
                type="button"
                className={small}
                aria-label={`${thing.name}: ${verdictWords[verdict]}`}
                onClick={() => decide(thing, { verdict, to: '' })}
              >
                {verdictWords[verdict]}
              </button>
            ))}
          </span>
        )}
      </ThingList>
      <ThingList
        title="Decide later"
        empty="Nothing is put off."
        things={open(lists.later)}
        note={(thing) =>
          `${roomOf(thing)}, later box ${boxes.get(thing.id) ?? 1}${thing.to === '' ? ', no day yet' : ''}`
        }
        foot={
          lists.later.some((thing) => dayOf(thing) !== undefined) ? (
            <a
              className={buttonClass('quiet', 'mt-2')}
              href={`/api/projects/${projectId}/reminders`}
              download
            >
              Reminders as a calendar file
            </a>
          ) : (
            <p className="mt-2 text-[14px] text-soft">
              What gets a day can remind you, as a calendar file.
            </p>
          )
        }
      >
        {(thing) => (
          <span className="flex flex-wrap items-center gap-1.5">
            <input
              type="date"
              className="input min-h-9 w-auto py-1 text-[13.5px]"
              aria-label={`Day to decide on ${thing.name}`}
              defaultValue={thing.to}
              onBlur={(event) =>
                event.target.value !== thing.to && decide(thing, { to: event.target.value })
              }
            />
            {(['keep', 'donate'] as const).map((verdict) => (
              <button
                key={verdict}
                type="button"
                className={small}
                aria-label={`${thing.name}: ${verdictWords[verdict]}`}
                onClick={() => decide(thing, { verdict, to: '' })}
              >
                {verdictWords[verdict]}
              </button>
            ))}
          </span>
        )}
      </ThingList>
      {lists.forPeople.map(({ name, things }) => (
        <ThingList key={name} title={`For ${name}`} empty="" things={open(things)} note={roomOf}>
          {() => null}
        </ThingList>
      ))}
      {lists.forSale.length > 0 && (
        <ThingList title="For sale" empty="" things={open(lists.forSale)} note={roomOf}>
          {() => null}
        </ThingList>
      )}
    </div>
  );
}

interface DebtsProps extends Pick<ListsViewProps, 'debts' | 'onSettle'> {
  readonly roomNameOf: (id: string) => string;
}

/** What was carried out unsorted is owed until it is gone through. */
function Debts({ debts, roomNameOf, onSettle }: DebtsProps) {
  const { mutate, isPending } = useMutation();
  if (debts.length === 0) return null;
  return (
    <section aria-label="Went out unsorted" className="panel border-t-4 border-t-signal p-4">
      <h2 className="text-[17px]">Went out unsorted</h2>
      <ul className="divide-y divide-line">
        {debts.map(({ id, roomId, note, dueOn }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2">
            <span className="min-w-0 flex-1">
              {note}
              <span className="block text-[13px] text-soft">
                from the {roomNameOf(roomId).toLowerCase()}
                {dueOn === null ? ', no day yet' : `, to be gone through by ${dayWords(dueOn)}`}
              </span>
            </span>
            <Button
              disabled={isPending}
              onClick={() => void mutate(() => onSettle({ roomId, carryId: id }))}
            >
              It is sorted
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

interface ThingListProps {
  readonly title: string;
  readonly empty: string;
  readonly things: readonly Thing[];
  readonly note: (thing: Thing) => string;
  readonly head?: ReactNode;
  readonly foot?: ReactNode;
  readonly children: (thing: Thing) => ReactNode;
}

function ThingList({ title, empty, things, note, head, foot, children }: ThingListProps) {
  const sum = addUp(things);
  return (
    <section aria-label={title} className="panel p-4">
      <h2 className="text-[17px]">{title}</h2>
      <p className="mb-1.5 text-[14px] text-soft">
        {things.length === 0 ? (
          empty
        ) : (
          <>
            {formatCount(sum.count, 'thing')},{' '}
            <span className="measure text-[13px]">{formatLitres(sum.litres)}</span>
          </>
        )}
      </p>
      {head}
      <ul className="divide-y divide-line">
        {things.map((thing) => (
          <li
            key={thing.id}
            className="flex flex-wrap items-center justify-between gap-x-3 gap-y-1.5 py-2"
          >
            <span className="min-w-[140px] flex-1 leading-snug">
              {thing.count === 1 ? '' : `${thing.count} `}
              {thing.name}{' '}
              <span className="block text-[13px] text-soft">
                {note(thing)} ·{' '}
                <span className="measure text-[12.5px] whitespace-nowrap">
                  {formatLitres(thing.litres)}
                </span>
              </span>
              <Cautions codes={thing.cautions ?? []} />
            </span>
            {children(thing)}
          </li>
        ))}
      </ul>
      {things.length > 0 && foot}
    </section>
  );
}
