'use client';

import { useParams } from 'next/navigation';
import { useState } from 'react';

import { formatCount, formatLitres, formatMass, type RoomId, toId } from '@/core/shared';
import {
  boxesNow,
  boxKey,
  carryCountOf,
  openDebts,
  type Carry,
  type DoorBox,
  type OpenBox,
} from '@/core/sort';
import { dayWords } from '../home/homeWords';
import { WAITS_WORDS } from '../field/fieldWords';
import { useFieldAct, useWaitingCommands } from '../field/useFieldAct';
import { Button } from '../primitives/Button';
import { Cautions } from './Cautions';
import { NoteDebt } from './NoteDebt';
import { sayBox } from './sortWords';

interface CarryCallsProps {
  /** Boxes with something in them that is still in the room. */
  readonly boxes: readonly OpenBox[];
  readonly carries: readonly Carry[];
  readonly liftLimitG: number;
}

/** Calls for a full box to go out now, lets any go out, and remembers what went out unsorted until it is settled. */
export function CarryCalls({ boxes, carries, liftLimitG }: CarryCallsProps) {
  const { act, isPending: isBusy } = useFieldAct();
  const roomId = toId<RoomId>(useParams<{ roomId: string }>().roomId);
  const waiting = useWaitingCommands().filter((each) => 'roomId' in each && each.roomId === roomId);
  const isSettled = (carryId: string) =>
    waiting.some((each) => each.kind === 'debt_settled' && each.carryId === carryId);
  const [isNoting, setIsNoting] = useState(false);
  const isCarried = (box: DoorBox) =>
    waiting.some((each) => each.kind === 'carried' && boxKey(each) === boxKey(box));
  const now = boxesNow(
    boxes.filter((box) => !isCarried(box)),
    liftLimitG,
  );
  const others = now.filter(({ isDue }) => !isDue);
  const carry = ({ verdict, toward }: DoorBox) =>
    void act({ kind: 'carried', roomId, verdict, toward });
  return (
    <section aria-label="Carrying out" className="mt-4 grid gap-1.5 text-[14px]">
      {now
        .filter(({ isDue }) => isDue)
        .map((box) => (
          <p key={boxKey(box)} className="warn flex flex-wrap items-center gap-x-3 gap-y-1.5">
            <span className="min-w-0 flex-1">
              <b>{sayBox(box)}: carry it out now.</b> {formatLitres(box.litres)},{' '}
              {formatMass(box.massG)};{' '}
              {formatCount(carryCountOf(box, liftLimitG), 'carry', 'carries')} of at most{' '}
              {formatMass(liftLimitG)}.
              <Cautions codes={box.cautions} />
            </span>
            <Button disabled={isBusy} onClick={() => carry(box)}>
              It is by the door
            </Button>
          </p>
        ))}
      {waiting.map(
        (each) =>
          each.kind === 'debt' && (
            <p key={each.at} className="warn">
              <b>Went out unsorted:</b> {each.note} · {WAITS_WORDS}
            </p>
          ),
      )}
      {openDebts(carries).map((debt) => (
        <p key={debt.id} className="warn flex flex-wrap items-center gap-x-3 gap-y-1.5">
          <span className="min-w-0 flex-1">
            <b>Went out unsorted:</b> {debt.note}
            {debt.dueOn === null ? '' : `, to be gone through by ${dayWords(debt.dueOn)}`}
          </span>
          {isSettled(debt.id) ? (
            <span>sorted, {WAITS_WORDS}</span>
          ) : (
            <Button
              disabled={isBusy}
              onClick={() => void act({ kind: 'debt_settled', roomId, carryId: debt.id })}
            >
              It is sorted
            </Button>
          )}
        </p>
      ))}
      {others.length > 0 && (
        <details>
          <summary className="min-h-9 content-center text-rim max-md:min-h-12">
            {formatCount(others.length, 'box', 'boxes')} that can go to the door already
          </summary>
          <ul className="panel divide-y divide-line px-3">
            {others.map((box) => (
              <li key={boxKey(box)} className="flex flex-wrap items-center gap-x-3 py-1.5">
                <span className="min-w-0 flex-1">
                  {sayBox(box)}: {formatCount(box.count, 'thing')}, {formatLitres(box.litres)},{' '}
                  {formatMass(box.massG)}
                  <Cautions codes={box.cautions} />
                </span>
                <Button disabled={isBusy} onClick={() => carry(box)}>
                  It is by the door
                </Button>
              </li>
            ))}
          </ul>
        </details>
      )}
      {isNoting ? (
        <NoteDebt
          onNote={(note, dueOn) => {
            setIsNoting(false);
            void act({ kind: 'debt', roomId, note, dueOn });
          }}
          onBack={() => setIsNoting(false)}
        />
      ) : (
        <p>
          <button
            type="button"
            className="min-h-9 text-rim underline underline-offset-3 max-md:min-h-12"
            onClick={() => setIsNoting(true)}
          >
            Something goes out unsorted
          </button>
        </p>
      )}
    </section>
  );
}
