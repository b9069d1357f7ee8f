import { parseISO } from 'date-fns';

import { datesCardOf, type DatedThing } from '@/core/count';
import { formatCount, formatDate } from '@/core/shared';
import type { Thing } from '@/core/sort';
import { buttonClass } from '../primitives/Button';
import { Link } from '../primitives/Link';

interface HomeDatesProps {
  readonly projectId: string;
  readonly rooms: readonly { readonly id: string; readonly name: string }[];
  readonly things: readonly Thing[];
  readonly today: string;
}

/** What carries a date in the whole home, what runs out first on top, and where dates are read. */
export function HomeDates({ projectId, rooms, things, today }: HomeDatesProps) {
  const card = datesCardOf(things, today);
  const lists = [
    ['Out of date, still kept', card.out],
    ['Within 30 days', card.soon],
    ['Later', card.good],
  ] as const;
  const count = lists.reduce((sum, [, list]) => sum + list.length, 0);
  const roomName = (id: string) => rooms.find((room) => room.id === id)?.name ?? '';
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)]">
      <section aria-label="Dates of the home" className="panel border-t-4 border-t-rim p-4">
        <div className="flex flex-wrap items-center justify-between gap-2">
          <h2 className="text-[18px]">What runs out first</h2>
          {count > 0 && (
            <a
              className={buttonClass('quiet')}
              href={`/api/projects/${projectId}/dates-card`}
              target="_blank"
              rel="noreferrer"
            >
              Print the dates card
            </a>
          )}
        </div>
        {count === 0 && (
          <p className="mt-1 text-[14.5px] text-soft">
            Nothing with a date is kept yet. Choose a room and read its packs, one line each.
          </p>
        )}
        {lists.map(([title, list]) => (
          <DatedList key={title} title={title} list={list} roomName={roomName} />
        ))}
      </section>
      <section aria-label="Read dates" className="panel p-4">
        <h2 className="mb-1 text-[18px]">Read packs, room by room</h2>
        <ul className="divide-y divide-line">
          {rooms.map((room) => {
            const own = datesCardOf(
              things.filter(({ roomId }) => roomId === room.id),
              today,
            );
            return (
              <li key={room.id}>
                <Link
                  href={`/projects/${projectId}/rooms/${room.id}/sort/dates`}
                  className="flex min-h-12 flex-wrap items-center justify-between gap-x-3 py-1 hover:bg-rim-wash"
                >
                  <b>{room.name}</b>
                  <span className="text-[14px] text-soft">
                    {formatCount(own.out.length + own.soon.length + own.good.length, 'date')} read
                    {own.undated.length > 0 && `, ${own.undated.length} without`}
                  </span>
                </Link>
              </li>
            );
          })}
        </ul>
      </section>
    </div>
  );
}

function DatedList({
  title,
  list,
  roomName,
}: {
  title: string;
  list: readonly DatedThing[];
  roomName: (id: string) => string;
}) {
  if (list.length === 0) return null;
  return (
    <>
      <h3 className="caption mt-3 font-text">
        {title}, {list.length}
      </h3>
      <ul className="divide-y divide-line">
        {list.map(({ thing, expiresOn }) => (
          <li key={thing.id} className="flex items-baseline justify-between gap-3 py-1">
            <span>
              {thing.count > 1 ? `${thing.count} ` : ''}
              {thing.name} <span className="text-[13.5px] text-soft">{roomName(thing.roomId)}</span>
            </span>
            <span className="shrink-0 font-mono text-[13.5px]">
              {formatDate(parseISO(expiresOn), 'd MMM yyyy')}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
