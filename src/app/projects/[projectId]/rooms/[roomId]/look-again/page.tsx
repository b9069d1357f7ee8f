import { notFound } from 'next/navigation';

import { groupStrayAction } from '@/app/actions/again';
import { missBeforeAction, removePictureAction } from '@/app/actions/look';
import { RoomFrame } from '@/app/RoomFrame';
import type { Look } from '@/core/again';
import { looksOf } from '@/server/again/looks';
import { openRoom } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { WalkView } from '@/ui/again/WalkView';
import { VantagePoints } from '@/ui/look/VantagePoints';

export const metadata = { title: 'Look again' };

export default async function WalkPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId);
  if (!opened) notFound();
  const { records, own } = opened;
  const ofRoom = looksOf(records).filter((look) => look.roomId === own.room.id);
  const look = lookToMake(ofRoom, { day: today(), room: own.room });
  const review = records.reviews.find(({ id }) => id === look.id);
  return (
    <RoomFrame step="look-again" opened={opened}>
      <WalkView
        key={look.id}
        roomId={own.room.id}
        look={look}
        note={review?.note ?? ''}
        units={own.units}
        lines={review?.lines ?? []}
        groups={records.groups.map(({ id, name, bayId, roomId: of }) => ({
          id,
          name,
          bayId,
          roomName: records.rooms.find((room) => room.id === of)?.name ?? '',
        }))}
        onGroup={groupStrayAction.bind(null, projectId, roomId)}
      />
      <h2 className="mt-5 mb-2 text-[18px]">From the same spots</h2>
      <VantagePoints
        projectId={projectId}
        vantagePoints={records.vantagePoints.filter((spot) => spot.roomId === roomId)}
        pictures={records.pictures}
        shownMoments={['after', 'later']}
        onAdd={undefined}
        onRemove={undefined}
        onRemovePicture={removePictureAction.bind(null, projectId)}
        onMissed={missBeforeAction.bind(null, projectId)}
      />
    </RoomFrame>
  );
}

/** The look that is meant today: the one that is due longest, the one that was made today, or one of one's own. */
function lookToMake(
  looks: readonly Look[],
  {
    day,
    room,
  }: { readonly day: string; readonly room: { readonly id: string; readonly name: string } },
): Look {
  const found =
    looks.find(({ doneOn }) => doneOn === day) ??
    looks.find(({ dueOn, doneOn }) => doneOn === null && dueOn <= day);
  return (
    found ?? {
      id: `${room.id}_own_${day}`,
      roomId: room.id as NonNullable<Look['roomId']>,
      roomName: room.name,
      kind: 'own',
      plannedOn: day,
      dueOn: day,
      doneOn: null,
      month: undefined,
    }
  );
}
