'use client';

import { formatCount } from '@/core/shared';
import type { Leftover } from '@/core/shop';
import { returnWords } from './BoughtList';

/** What is bought and not needed here: first for another room, else back to the shop in time. */
export function Leftovers({
  leftovers,
  rooms,
  roomName,
}: {
  leftovers: readonly Leftover[];
  rooms: readonly { readonly id: string; readonly name: string }[];
  /** Whose they are, where it is not the room that is open. */
  roomName?: string;
}) {
  if (leftovers.length === 0) return null;
  return (
    <section
      aria-label={roomName === undefined ? 'Left over' : `Left over, ${roomName}`}
      className="panel border-t-4 border-t-signal px-4 py-3"
    >
      <h2 className="mb-1 text-[17px]">
        Left over{roomName !== undefined && ` in the ${roomName.toLowerCase()}`}
      </h2>
      <ul className="divide-y divide-line text-[14.5px]">
        {leftovers.map(({ containerId, label, pieces, purchases, wantedElsewhere }) => (
          <li key={containerId} className="py-1.5">
            <b>
              {pieces} × {label}
            </b>{' '}
            {pieces === 1 ? 'is' : 'are'} not in any fit of this room.
            {wantedElsewhere.map(({ roomId, pieces: wanted }) => (
              <span key={roomId} className="block">
                {rooms.find(({ id }) => id === roomId)?.name ?? ''} still wants{' '}
                {formatCount(wanted, 'piece')}: use {wanted >= pieces ? 'them' : 'those'} there
                first.
              </span>
            ))}
            <span className="block text-[13.5px] text-soft" suppressHydrationWarning>
              {purchases[0]?.shopName}: {returnWords(purchases[0]?.returnBy ?? null)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
