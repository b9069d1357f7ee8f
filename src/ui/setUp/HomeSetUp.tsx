import { formatCount } from '@/core/shared';
import { Link } from '../primitives/Link';
import { stepHref } from '../shell/scope';
import { dayShort } from './cardWords';

export interface RoomToSetUp {
  readonly id: string;
  readonly name: string;
  readonly doneCount: number;
  readonly openCount: number;
  readonly unanchoredNames: readonly string[];
  readonly madeCount: number;
  readonly openLabelCount: number;
  /** Labels wait until the room has settled; null: they do not, or nobody set the day. */
  readonly settlesOn: string | null;
  readonly hasSettling: boolean;
  readonly routineCount: number;
}

/** How far each room of the home is set up. */
export function HomeSetUp({
  projectId,
  rooms,
}: {
  readonly projectId: string;
  readonly rooms: readonly RoomToSetUp[];
}) {
  return (
    <div className="grid gap-4">
      <h1 className="text-[24px]">Set up, all rooms</h1>
      <ul className="grid gap-3 sm:grid-cols-2">
        {rooms.map((room) => {
          const base = stepHref({ projectId, roomId: room.id }, 'set-up');
          return (
            <li key={room.id} className="panel p-4">
              <h2 className="text-[18px]">
                <Link className="text-rim underline" href={base}>
                  {room.name}
                </Link>
              </h2>
              <p className="text-[14.5px]">
                {room.openCount + room.doneCount === 0
                  ? 'Nothing to set up yet.'
                  : `${room.doneCount} of ${formatCount(room.openCount + room.doneCount, 'task')} done`}
              </p>
              {room.unanchoredNames.length > 0 && (
                <p className="text-[14.5px] text-signal-deep">
                  Not anchored, as far as anybody has said: {room.unanchoredNames.join(', ')}
                </p>
              )}
              <p className="text-[14.5px]">
                <Link className="text-rim underline" href={`${base}/labels`}>
                  Labels
                </Link>
                : {labelWords(room)}
              </p>
              {room.routineCount > 0 && (
                <p className="text-[14.5px]">
                  <Link className="text-rim underline" href={`${base}/routines`}>
                    {formatCount(room.routineCount, 'routine')}
                  </Link>
                </p>
              )}
            </li>
          );
        })}
      </ul>
    </div>
  );
}

function labelWords({ hasSettling, settlesOn, madeCount, openLabelCount }: RoomToSetUp): string {
  if (hasSettling)
    return settlesOn === null
      ? 'wait until the room has settled'
      : `wait until ${dayShort(settlesOn)}, when the room has settled`;
  return madeCount + openLabelCount === 0 ? 'none' : `${madeCount} made, ${openLabelCount} to make`;
}
