import { notFound } from 'next/navigation';

import { keepJarAction, removeJarAction } from '@/app/actions/cards';
import { RoomFrame } from '@/app/RoomFrame';
import { openRoom } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { linersOf } from '@/server/setUp/roomSetUp';
import { JarsView } from '@/ui/setUp/JarsView';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Jars and dates' };

export default async function JarsPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'jars');
  if (!opened) notFound();
  const { records, own } = opened;
  return (
    <RoomFrame step="set-up" opened={opened}>
      <StepPages scope={{ projectId, roomId }} step="set-up" active="jars" />
      <JarsView
        roomName={own.room.name}
        jars={records.jars.filter((jar) => jar.roomId === own.room.id)}
        liners={linersOf(records, own.room.id)}
        today={today()}
        slipsHref={`/api/projects/${projectId}/cards?what=jars&id=${roomId}`}
        datesHref={`/api/projects/${projectId}/dates-card?room=${roomId}`}
        onJar={keepJarAction.bind(null, projectId, roomId)}
        onRemove={removeJarAction.bind(null, projectId)}
      />
    </RoomFrame>
  );
}
