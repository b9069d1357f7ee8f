'use client';

import type { RoomToRoom } from '@/core/place';
import { formatCount, formatLitres, formatMass } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { stepHref } from '../shell/scope';
import { useMutation } from '../useMutation';
import { Checkbox } from '../primitives/Checkbox';
import { Link } from '../primitives/Link';

interface HomeMovesProps {
  readonly projectId: string;
  readonly rooms: readonly {
    readonly id: string;
    readonly name: string;
    /** Groups that move within the room, not yet in their places. */
    readonly ownCount: number;
    /** What its list of moves asks for, and where they stand meanwhile; undefined without a list. */
    readonly baskets: { readonly baskets: number; readonly basketsStand: string } | undefined;
  }[];
  readonly ways: readonly RoomToRoom[];
  readonly bayNames: Readonly<Record<string, string>>;
  readonly liftG: number;
  readonly onMoved: (
    assignment: readonly { readonly groupId: string; readonly bayId: string | null }[],
  ) => Promise<ActionResult>;
}

/** What changes rooms, once each, joined by way; and what every room moves within itself. */
export function HomeMoves({ projectId, rooms, ways, bayNames, liftG, onMoved }: HomeMovesProps) {
  const { mutate, isPending } = useMutation();
  const roomName = (id: string) => rooms.find((room) => room.id === id)?.name.toLowerCase() ?? '';
  const within = rooms.filter(({ ownCount }) => ownCount > 0);
  return (
    <div className="grid gap-3.5">
      {ways.length === 0 && (
        <p className="panel border-t-4 border-t-rim p-5 text-[16px]">
          No group changes rooms by the arrangement that is chosen, or all of them are where they
          belong.
        </p>
      )}
      {ways.length > 0 && (
        <p className="warn">
          Nobody lifts more than {formatMass(liftG)} at once: heavier groups go in several carries,
          or with two people. No stairs with full hands and no view of the steps.
        </p>
      )}
      {ways.map((way) => (
        <section
          key={`${way.fromRoomId} ${way.toRoomId}`}
          aria-label={`From the ${roomName(way.fromRoomId)} to the ${roomName(way.toRoomId)}`}
          className="panel border-t-4 border-t-rim px-4 py-3"
        >
          <h2 className="text-[18px]">
            {formatCount(way.groups.length, 'group')} from the {roomName(way.fromRoomId)} to the{' '}
            {roomName(way.toRoomId)}
          </h2>
          <p className="text-[14px] text-soft">
            <span className="font-mono">
              {formatLitres(way.litres)} · {formatMass(way.massG)}
            </span>
            , at least {formatCount(way.carryCount, 'carry', 'carries')}
          </p>
          <ul className="divide-y divide-line">
            {way.groups.map(({ groupId, name, litres, from, to }) => (
              <li key={groupId}>
                <label className="flex min-h-12 items-center gap-3 py-1">
                  <Checkbox
                    isLarge
                    checked={false}
                    disabled={isPending}
                    onChange={() =>
                      void mutate(() => onMoved([{ groupId, bayId: to?.bayId ?? null }]), {
                        done: `${name} stands in its new place.`,
                      })
                    }
                  />
                  <span className="min-w-0 leading-snug">
                    <b>{name}</b>, {formatLitres(litres)}
                    <span className="block text-[14px] text-soft">
                      {bayNames[from?.bayId ?? ''] ?? ''} → {bayNames[to?.bayId ?? ''] ?? ''}
                    </span>
                  </span>
                </label>
              </li>
            ))}
          </ul>
        </section>
      ))}
      {within.length > 0 && (
        <section aria-label="Within rooms" className="panel px-4 py-3">
          <h2 className="mb-1 text-[18px]">Within one room</h2>
          <ul className="divide-y divide-line">
            {within.map(({ id, name, ownCount, baskets }) => (
              <li key={id}>
                <Link
                  href={`${stepHref({ projectId, roomId: id }, 'place')}/moves`}
                  className="flex min-h-12 items-center justify-between gap-3 hover:bg-rim-wash"
                >
                  <b>{name}</b>
                  <span className="text-[14px] text-soft">
                    {formatCount(ownCount, 'group')} to move
                    {baskets && baskets.baskets > 0 && (
                      <>
                        {' '}
                        · {formatCount(baskets.baskets, 'basket')}
                        {baskets.basketsStand === '' ? '' : `, ${baskets.basketsStand}`}
                      </>
                    )}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
