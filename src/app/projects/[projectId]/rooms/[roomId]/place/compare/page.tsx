import clsx from 'clsx';
import Link from 'next/link';
import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { chooseDraftAction } from '@/app/actions/drafts';
import { compareArrangements } from '@/core/place';
import { openRoom } from '@/server/desk/openRoom';
import { loadArrangement, slipsOf } from '@/server/place/loadArrangement';
import { CompareView, type CompareSide } from '@/ui/place/CompareView';
import { PlacePages } from '@/ui/place/PlacePages';
import { ROOM_GAP_NOTE } from '@/ui/place/placeWords';

export const metadata = { title: 'Compare arrangements' };

interface ComparePageProps {
  readonly params: Promise<{ projectId: string; roomId: string }>;
  readonly searchParams: Promise<{
    of?: string | string[];
    a?: string | string[];
    b?: string | string[];
  }>;
}

export default async function ComparePage({ params, searchParams }: ComparePageProps) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'drafts', 'fixtures', 'people');
  if (!opened) notFound();
  const { records, own } = opened;
  const asked = await searchParams;
  const isHome = asked.of === 'home';
  const scope = isHome ? null : own.room.id;
  const slips = slipsOf({ records, scope });
  // Today against the chosen one, unless others are asked for.
  const [a, b] = [
    loadArrangement({ records, scope }, asked.a ?? 'today'),
    loadArrangement({ records, scope }, asked.b),
  ];
  const placesOf = ({ groups }: typeof a) =>
    Object.fromEntries(groups.map(({ id, bayId }) => [id, bayId]));
  const toSide = ({ shownRef, judged, awayIds }: typeof a): CompareSide => ({
    ref: shownRef,
    judged,
    awayIds,
  });
  return (
    <RoomFrame step="place" opened={opened}>
      <PlacePages projectId={projectId} roomId={roomId} active="compare" />
      <h1 className="sr-only">
        Two arrangements of the {isHome ? 'whole home' : own.room.name.toLowerCase()}, point by
        point
      </h1>
      <nav aria-label="What is compared" className="mb-3 flex gap-4 text-[14.5px]">
        {[
          [own.room.name, ''],
          ['Whole home', '?of=home'],
        ].map(([name, query]) => (
          <Link
            key={name}
            href={`/projects/${projectId}/rooms/${roomId}/place/compare${query}`}
            aria-current={(query !== '') === isHome ? 'true' : undefined}
            className={clsx(
              'min-h-8 content-center text-rim underline underline-offset-3 aria-current:font-bold',
              'aria-current:text-ink aria-current:no-underline max-md:min-h-11',
            )}
          >
            {name}
          </Link>
        ))}
      </nav>
      <CompareView
        slips={slips}
        sides={[toSide(a), toSide(b)]}
        changes={
          a.zones ? compareArrangements(a.zones, { from: placesOf(a), to: placesOf(b) }) : []
        }
        scopeQuery={isHome ? 'of=home&' : ''}
        note={isHome ? ROOM_GAP_NOTE : undefined}
        groups={(isHome ? records.groups : own.groups).map(({ id, name }) => ({ id, name }))}
        people={records.people.map(({ id, name }) => ({ id, name }))}
        bayNames={a.bayNames}
        onChoose={chooseDraftAction.bind(null, projectId, scope)}
      />
    </RoomFrame>
  );
}
