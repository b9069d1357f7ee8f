import { formatCount, formatLitres } from '@/core/shared';
import { buttonClass } from '../primitives/Button';
import { stepHref } from '../shell/scope';
import { FrontDrawing } from './FrontDrawing';
import { Link } from '../primitives/Link';

type Drawn = Pick<Parameters<typeof FrontDrawing>[0], 'units' | 'measureUnit'>;

interface HomeRoomsProps {
  readonly projectId: string;
  readonly measureUnit: Drawn['measureUnit'];
  readonly rooms: readonly {
    readonly id: string;
    readonly name: string;
    readonly purpose: string;
    readonly units: Drawn['units'];
    readonly bayCount: number;
    readonly usualCount: number;
    readonly usableLitres: number;
    readonly hasPlan: boolean;
    readonly spotCount: number;
    readonly beforeCount: number;
    readonly missedCount: number;
  }[];
}

/** Every room with what is measured and pictured in it. */
export function HomeRooms({ projectId, measureUnit, rooms }: HomeRoomsProps) {
  return (
    <>
      <ul className="grid gap-3.5 lg:grid-cols-2">
        {rooms.map((room) => (
          <li key={room.id} className="panel border-t-4 border-t-rim p-4">
            <h2 className="text-[19px]">
              <Link
                href={stepHref({ projectId, roomId: room.id }, 'look')}
                className="hover:underline"
              >
                {room.name}
              </Link>
            </h2>
            <p className="text-[14.5px] text-soft">{room.purpose || 'What it is for is open.'}</p>
            {room.units.length > 0 && (
              <div className="mt-2 max-h-[220px] overflow-hidden">
                <FrontDrawing
                  units={room.units}
                  measureUnit={measureUnit}
                  box={{ widthPx: 440, heightPx: 210 }}
                />
              </div>
            )}
            <ul className="mt-2 grid gap-0.5 text-[14.5px]">
              <li>
                {room.units.length === 0 ? 'Nothing is measured yet' : measuredWords(room)}
                {room.usualCount > 0 && (
                  <span className="text-signal-deep">
                    {' '}
                    · {room.usualCount} at their usual size only
                  </span>
                )}
              </li>
              <li>{room.hasPlan ? 'Drawn from above' : 'No plan of the walls yet'}</li>
              <li>
                {room.spotCount === 0
                  ? 'No spot to photograph from yet'
                  : `${room.beforeCount} of ${formatCount(room.spotCount, 'spot')} photographed before`}
                {room.missedCount > 0 && `, ${room.missedCount} missed`}
              </li>
            </ul>
          </li>
        ))}
      </ul>
      <Link className={buttonClass('quiet', 'mt-3.5')} href={`/projects/${projectId}/rooms/new`}>
        Add a room
      </Link>
    </>
  );
}

const measuredWords = (room: HomeRoomsProps['rooms'][number]): string =>
  [
    formatCount(room.units.length, 'unit'),
    formatCount(room.bayCount, 'place'),
    `${formatLitres(room.usableLitres)} usable`,
  ].join(', ');
