import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { openRoom } from '@/server/desk/openRoom';
import { nowIso, today } from '@/server/means';
import { taskTimesElsewhere } from '@/app/taskTimes';
import { loadSetUp } from '@/server/setUp/setUp';
import { SetUpView } from '@/ui/setUp/SetUpView';
import { stepHref } from '@/ui/shell/scope';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Set up' };

export default async function SetUpPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'visits');
  if (!opened) notFound();
  const { records, own } = opened;
  const now = nowIso();
  const loaded = await loadSetUp(records, own.room, {
    now,
    today: today(),
    elsewhere: await taskTimesElsewhere(roomId),
  });
  return (
    <RoomFrame step="set-up" opened={opened}>
      <StepPages scope={{ projectId, roomId }} step="set-up" active="" />
      <SetUpView
        {...loaded}
        roomName={own.room.name}
        unitNames={Object.fromEntries(own.units.map(({ id, name }) => [id, name]))}
        hasPaint={loaded.tasks.some(({ kind }) => kind === 'paint')}
        movesHref={`${stepHref({ projectId, roomId }, 'place')}/moves`}
        now={now}
      />
    </RoomFrame>
  );
}
