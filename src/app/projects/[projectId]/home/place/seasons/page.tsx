import { notFound } from 'next/navigation';

import { HomeFrame } from '@/app/RoomFrame';
import { seasonOf } from '@/core/place';
import { openHome } from '@/server/desk/openRoom';
import { seasonsOfRoom } from '@/server/place/seasons';
import { StepPages } from '@/ui/shell/StepPages';
import { SeasonsView } from '@/ui/place/SeasonsView';

export const metadata = { title: 'Seasons' };

export default async function SeasonsPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'fixtures', 'people');
  if (!opened) notFound();
  const { records } = opened;
  const bayNames = Object.fromEntries(
    records.units.flatMap((unit) => unit.bays.map(({ id, name }) => [id, name] as const)),
  );
  const rooms = records.rooms
    .map((room) => ({
      room,
      seasonal: records.groups.flatMap((group) => {
        const season = group.roomId === room.id ? seasonOf(group) : undefined;
        return season
          ? [{ id: group.id, name: group.name, ...season, isPlaced: group.bayId !== null }]
          : [];
      }),
    }))
    .filter(({ seasonal }) => seasonal.length > 0);
  return (
    <HomeFrame step="place" opened={opened}>
      <StepPages scope={{ projectId }} step="place" active="seasons" />
      <h1 className="sr-only">What changes with the seasons</h1>
      {rooms.length === 0 && (
        <p className="panel border-t-4 border-t-rim p-6 text-[17px]">
          No group of this home has a season. Give one its months in Place, under the groups of its
          room, or in its name: “Beach towels, May to September”.
        </p>
      )}
      <div className="grid grid-cols-[minmax(0,1fr)] gap-5">
        {rooms.map(({ room, seasonal }) => (
          <section key={room.id} aria-label={room.name}>
            <h2 className="mb-2 text-[19px]">{room.name}</h2>
            <SeasonsView
              swaps={seasonsOfRoom(records, room.id)}
              seasonal={seasonal}
              groups={records.groups.map(({ id, name }) => ({ id, name }))}
              bayNames={bayNames}
              calendarHref={`/api/projects/${projectId}/season-reminders?room=${room.id}`}
            />
          </section>
        ))}
      </div>
    </HomeFrame>
  );
}
