import { notFound } from 'next/navigation';

import { HomeFrame } from '@/app/RoomFrame';
import { removePassageAction, savePassageAction } from '@/app/actions/ways';
import { usableLitresOf } from '@/core/look';
import { pairPictures } from '@/core/show';
import { openHome, type OpenHome } from '@/server/desk/openRoom';
import { waysOfHome } from '@/server/look/waysOfHome';
import { HomeRooms } from '@/ui/look/HomeRooms';
import { HomeWays } from '@/ui/look/HomeWays';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Rooms of the home' };

export default async function HomeLookPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'fixtures', 'passages');
  if (!opened) notFound();
  const { records } = opened;
  return (
    <HomeFrame step="look" opened={opened}>
      <StepPages scope={{ projectId }} step="look" active="" />
      <h1 className="mb-3 text-[24px]">Rooms of {records.project.name}</h1>
      <HomeRooms
        projectId={projectId}
        measureUnit={records.project.units}
        rooms={records.rooms.map((room) => lookedAt(records, room))}
      />
      <HomeWays
        {...waysOfHome(records)}
        rooms={records.rooms.map(({ id, name }) => ({ id, name }))}
        passages={records.passages}
        measureUnit={records.project.units}
        onSave={savePassageAction.bind(null, projectId)}
        onRemove={removePassageAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}

type Records = OpenHome<'fixtures' | 'passages'>['records'];

/** What is measured and pictured of a room. */
function lookedAt(records: Records, room: Records['rooms'][number]) {
  const units = records.units.filter((unit) => unit.roomId === room.id);
  const bays = units.flatMap((unit) => unit.bays).filter((bay) => !bay.outOfScope);
  const pairs = pairPictures(
    records.vantagePoints.filter((spot) => spot.roomId === room.id),
    records.pictures,
  );
  return {
    id: room.id,
    name: room.name,
    purpose: room.purpose,
    units,
    bayCount: bays.length,
    usualCount: bays.filter(({ isUsual }) => isUsual).length,
    usableLitres: bays.reduce((sum, bay) => sum + usableLitresOf(bay), 0),
    hasPlan: room.plan !== null,
    spotCount: pairs.length,
    beforeCount: pairs.filter(({ before }) => before !== undefined).length,
    missedCount: pairs.filter(({ vantagePoint }) => vantagePoint.beforeMissed !== null).length,
  };
}
