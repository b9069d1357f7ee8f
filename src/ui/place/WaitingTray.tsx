'use client';
import clsx from 'clsx';

import { formatCount, formatLitres } from '@/core/shared';
import type { OpenLists, Thing } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { useMutation } from '../useMutation';

interface WaitingTrayProps {
  readonly lists: Pick<OpenLists, 'comingIn' | 'noHome'>;
  readonly rooms: readonly { readonly id: string; readonly name: string }[];
  readonly onTakeIn: (thingId: string) => Promise<ActionResult<unknown>>;
}

/**
 * Things of other rooms that belong here, and those of the whole home that nobody has a room for:
 * taken in, each becomes a tag.
 */
export function WaitingTray({ lists, rooms, onTakeIn }: WaitingTrayProps) {
  return (
    <>
      <Waiting title="Coming in" things={lists.comingIn} rooms={rooms} onTakeIn={onTakeIn} />
      <Waiting
        title="No home yet, in the whole home"
        things={lists.noHome}
        rooms={rooms}
        onTakeIn={onTakeIn}
      />
    </>
  );
}

function Waiting({
  title,
  things,
  rooms,
  onTakeIn,
}: { title: string; things: readonly Thing[] } & Pick<WaitingTrayProps, 'rooms' | 'onTakeIn'>) {
  const { mutate } = useMutation();
  if (things.length === 0) return null;
  const take = async (thing: Thing) => {
    await mutate(() => onTakeIn(thing.id));
  };
  return (
    <section>
      <h2 className="caption mb-1 font-text">{title}</h2>
      <ul className="divide-y divide-line">
        {things.map((thing) => (
          <li key={thing.id} className="flex min-h-9 items-center gap-2 py-1 text-[14px]">
            <span className="min-w-0 flex-1">
              {formatCount(thing.count, thing.name)}{' '}
              <span className="text-[13px] text-soft">
                {formatLitres(thing.litres)},{' '}
                {rooms.find(({ id }) => id === thing.roomId)?.name.toLowerCase() ?? ''}
              </span>
            </span>
            <button
              type="button"
              className={clsx(
                'min-h-8 shrink-0 rounded-[5px] border-[1.5px] border-line bg-white px-2 text-[13.5px]',
                'hover:border-rim max-md:min-h-12',
              )}
              aria-label={`Take in ${thing.name}`}
              onClick={() => void take(thing)}
            >
              take in
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
