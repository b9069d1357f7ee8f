import { formatCount, formatMoney, type Currency } from '@/core/shared';
import { stepHref } from '../shell/scope';
import { Link } from '../primitives/Link';

/** What each room pays of the trip, against its share. */
export function RoomShares({
  projectId,
  rows,
  currency,
}: {
  projectId: string;
  rows: readonly {
    readonly roomId: string;
    readonly name: string;
    readonly payMinor: number;
    readonly leftMinor: number;
  }[];
  currency: Currency;
}) {
  return (
    <section aria-label="Shares of the rooms" className="panel px-4 py-3">
      <h2 className="mb-1 text-[17px]">Each room’s part</h2>
      <ul className="divide-y divide-line text-[14.5px]">
        {rows.map(({ roomId, name, payMinor, leftMinor }) => (
          <li key={roomId} className="flex flex-wrap items-center justify-between gap-x-4 py-1">
            <Link
              className="min-h-9 content-center text-rim underline underline-offset-3 max-md:min-h-12"
              href={stepHref({ projectId, roomId }, 'shop')}
            >
              {name}
            </Link>
            <span>
              <b className="font-mono">{formatMoney(payMinor, currency)}</b>{' '}
              <span className={payMinor > leftMinor ? 'font-bold text-signal-deep' : 'text-soft'}>
                of {formatMoney(leftMinor, currency)} left
                {payMinor > leftMinor &&
                  `, ${formatMoney(payMinor - leftMinor, currency)} too much`}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Pieces that lie spare in one room and are wanted in another: carried, not bought. */
export function SpareFirst({
  spare,
  roomName,
}: {
  spare: readonly {
    readonly label: string;
    readonly pieces: number;
    readonly fromRoomId: string;
    readonly toRoomId: string;
  }[];
  roomName: (id: string) => string;
}) {
  if (spare.length === 0) return null;
  return (
    <section aria-label="Spare pieces first" className="panel px-4 py-3">
      <h2 className="mb-1 text-[17px]">Not to buy: spare in another room</h2>
      <ul className="text-[14.5px]">
        {spare.map(({ label, pieces, fromRoomId, toRoomId }) => (
          <li key={`${label} ${fromRoomId} ${toRoomId}`}>
            <b>
              {pieces} × {label}
            </b>{' '}
            from the {roomName(fromRoomId)} to the {roomName(toRoomId)}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Bought pieces and where they go, room by room and place by place, for the unpacking. */
export function Unpacking({
  rows,
}: {
  rows: readonly {
    readonly roomName: string;
    readonly lines: readonly {
      readonly label: string;
      readonly pieces: number;
      readonly places: readonly { readonly name: string; readonly count: number }[];
    }[];
  }[];
}) {
  if (rows.length === 0) return null;
  return (
    <section aria-label="Unpacking" className="panel px-4 py-3">
      <h2 className="mb-1 text-[17px]">Unpacking: what goes where</h2>
      <div className="grid gap-3 md:grid-cols-2">
        {rows.map(({ roomName, lines }) => (
          <div key={roomName}>
            <h3 className="caption font-text">{roomName}</h3>
            <ul className="text-[14.5px]">
              {lines.map(({ label, pieces, places }) => (
                <li key={label}>
                  <b>
                    {pieces} × {label}
                  </b>
                  {places.length > 0 && (
                    <span className="text-soft">
                      :{' '}
                      {places
                        .map(({ name, count }) => `${formatCount(count, 'piece')} in ${name}`)
                        .join(', ')}
                    </span>
                  )}
                </li>
              ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
}
