import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { openRoom } from '@/server/desk/openRoom';
import { nowIso, today } from '@/server/means';
import { taskTimesElsewhere } from '@/app/taskTimes';
import { loadSetUp } from '@/server/setUp/setUp';
import { unitsToLoad } from '@/server/setUp/roomSetUp';
import { StepPages } from '@/ui/shell/StepPages';
import { UnitsView } from '@/ui/setUp/UnitsView';

export const metadata = { title: 'Units and loading' };

export default async function UnitsPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'visits');
  if (!opened) notFound();
  const { records, own } = opened;
  const { plan } = await loadSetUp(records, own.room, {
    now: nowIso(),
    today: today(),
    elsewhere: await taskTimesElsewhere(roomId),
  });
  return (
    <RoomFrame step="set-up" opened={opened}>
      <StepPages scope={{ projectId, roomId }} step="set-up" active="units" />
      <UnitsView
        roomName={own.room.name}
        {...unitsToLoad(records, own.room.id)}
        loadFrom={plan.loadFrom}
      />
    </RoomFrame>
  );
}
