import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { seasonOf } from '@/core/place';
import { openRoom } from '@/server/desk/openRoom';
import { seasonsOfRoom } from '@/server/place/seasons';
import { PlacePages } from '@/ui/place/PlacePages';
import { SeasonsView } from '@/ui/place/SeasonsView';

export const metadata = { title: 'Seasons' };

export default async function SeasonsPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'fixtures', 'people');
  if (!opened) notFound();
  const { records, own } = opened;
  return (
    <RoomFrame step="place" opened={opened}>
      <PlacePages projectId={projectId} roomId={roomId} active="seasons" />
      <h1 className="sr-only">
        What changes with the seasons in the {own.room.name.toLowerCase()}
      </h1>
      <SeasonsView
        swaps={seasonsOfRoom(records, own.room.id)}
        seasonal={own.groups.flatMap((group) => {
          const season = seasonOf(group);
          return season
            ? [{ id: group.id, name: group.name, ...season, isPlaced: group.bayId !== null }]
            : [];
        })}
        groups={records.groups.map(({ id, name }) => ({ id, name }))}
        bayNames={Object.fromEntries(
          records.units.flatMap((unit) => unit.bays.map(({ id, name }) => [id, name] as const)),
        )}
        calendarHref={`/api/projects/${projectId}/season-reminders?room=${roomId}`}
      />
    </RoomFrame>
  );
}
