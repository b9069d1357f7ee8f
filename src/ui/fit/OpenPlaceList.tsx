import { formatCount, formatLitres } from '@/core/shared';
import { buttonClass } from '../primitives/Button';
import { Link } from '../primitives/Link';

interface OpenPlaceListProps {
  readonly projectId: string;
  readonly places: readonly {
    readonly bayId: string;
    readonly name: string;
    readonly unitName: string;
    readonly room: { readonly id: string; readonly name: string };
    readonly groupNames: readonly string[];
    readonly litres: number;
  }[];
  readonly takenCount: number;
}

/** Places of every room with something to go in and no fit yet, each one press from its fits. */
export function OpenPlaceList({ projectId, places, takenCount }: OpenPlaceListProps) {
  if (places.length === 0)
    return (
      <p className="panel border-t-4 border-t-rim p-6 text-[17px]">
        {takenCount === 0
          ? 'Containers are chosen for a place and the groups that live there. Put groups on places first.'
          : `Every place with something to go in is fitted out: ${formatCount(takenCount, 'fit')} taken.`}{' '}
        {takenCount === 0 && (
          <Link className={buttonClass('main', 'ml-2')} href={`/projects/${projectId}/home/place`}>
            Place the groups
          </Link>
        )}
      </p>
    );
  return (
    <ul className="panel divide-y divide-line border-t-4 border-t-rim px-4">
      {places.map(({ bayId, name, unitName, room, groupNames, litres }) => (
        <li key={bayId}>
          <Link
            href={`/projects/${projectId}/rooms/${room.id}/fit?bay=${bayId}`}
            className="flex min-h-12 flex-wrap items-center justify-between gap-x-4 py-1.5 hover:bg-rim-wash"
          >
            <span className="min-w-0 leading-snug">
              <b>{name}</b>, {unitName}{' '}
              <span className="text-[14px] text-soft">{room.name.toLowerCase()}</span>
              <span className="block text-[14px] text-soft">{groupNames.join(', ')}</span>
            </span>
            <span className="font-mono text-[14px]">{formatLitres(litres)}</span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
