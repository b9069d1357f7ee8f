import { formatCount } from '@/core/shared';
import type { Materials } from '@/core/shop';
import { Link } from '../primitives/Link';
import { stepHref } from '../shell/scope';

interface HomeMaterialsProps {
  readonly projectId: string;
  readonly rooms: readonly {
    readonly id: string;
    readonly name: string;
    readonly materials: Materials | undefined;
  }[];
}

/** What each room wants cut, lined, painted, labelled and fixed; each one press from where it is typed. */
export function HomeMaterials({ projectId, rooms }: HomeMaterialsProps) {
  return (
    <>
      <p className="mb-3 max-w-[64ch] text-[14.5px] text-soft">
        What is put on the list here is on the trip, too, at its shop.
      </p>
      <ul className="panel divide-y divide-line border-t-4 border-t-rim px-4">
        {rooms.map(({ id, name, materials }) => (
          <li key={id}>
            <Link
              href={`${stepHref({ projectId, roomId: id }, 'shop')}/materials`}
              className="block min-h-12 py-2 leading-snug hover:bg-rim-wash"
            >
              <b>{name}</b>
              <span className="block text-[14.5px] text-soft">{materialsWords(materials)}</span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  );
}

function materialsWords(materials: Materials | undefined): string {
  if (!materials) return 'nothing yet';
  const { cuts, panel, linedBayIds, paint, labels, fixings } = materials;
  const pieces = cuts.reduce((sum, { qty }) => sum + qty, 0);
  const fixed = fixings.rows.reduce((sum, { things }) => sum + things, 0);
  const words = [
    pieces > 0 && `${formatCount(pieces, 'piece')} to cut`,
    panel && 'false floors',
    linedBayIds.length > 0 && `${formatCount(linedBayIds.length, 'place')} to line`,
    paint && `${formatCount(paint.surfaces.length, 'surface')} to paint`,
    labels && 'labels',
    fixed > 0 && `${formatCount(fixed, 'thing')} to fix to the wall`,
  ].filter(Boolean);
  return words.join(' · ') || 'nothing yet';
}
