import { notFound } from 'next/navigation';

import {
  checkRoutineAction,
  hangRoutineAction,
  keepRoutineAction,
  removeRoutineAction,
} from '@/app/actions/cards';
import { RoomFrame } from '@/app/RoomFrame';
import { openRoom } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { RoutinesView } from '@/ui/setUp/RoutinesView';
import { stepHref } from '@/ui/shell/scope';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Routines' };

export default async function RoutinesPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'routines');
  if (!opened) notFound();
  const { records, own } = opened;
  return (
    <RoomFrame step="set-up" opened={opened}>
      <StepPages scope={{ projectId, roomId }} step="set-up" active="routines" />
      <RoutinesView
        roomName={own.room.name}
        routines={records.routines.filter((routine) => routine.roomId === own.room.id)}
        breaks={own.room.routineBreaks}
        today={today()}
        cardHref={`/api/projects/${projectId}/cards?what=routine&id=%`}
        shopHref={stepHref({ projectId, roomId }, 'shop')}
        onRoutine={keepRoutineAction.bind(null, projectId, roomId)}
        onRemove={removeRoutineAction.bind(null, projectId)}
        onHang={hangRoutineAction.bind(null, projectId)}
        onCheck={checkRoutineAction.bind(null, projectId)}
      />
    </RoomFrame>
  );
}
