import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { waitingSharesOf } from '@/core/takeAway';
import { openRoom } from '@/server/desk/openRoom';
import { leavingNames, loadLeaving } from '@/server/takeAway/leaving';
import { RoomLeaving } from '@/ui/takeAway/RoomLeaving';

export const metadata = { title: 'Take away' };

export default async function RoomTakeAwayPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, ...leavingNames);
  if (!opened) notFound();
  const loaded = await loadLeaving(opened.db, opened.records);
  const leaving = loaded.leaving.filter(({ thing }) => thing.roomId === roomId);
  return (
    <RoomFrame step="take-away" opened={opened}>
      <RoomLeaving
        projectId={projectId}
        roomName={opened.own.room.name}
        shares={waitingSharesOf(opened.records.rooms, { ...loaded, leaving })}
      />
    </RoomFrame>
  );
}
