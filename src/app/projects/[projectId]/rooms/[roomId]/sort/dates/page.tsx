import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { ownKindsOf } from '@/core/sort';
import { listKindSizes } from '@/data/countRepo';
import { loadLearned } from '@/server/learn/loadLearned';
import { openRoom } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { DatesView } from '@/ui/count/DatesView';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Dates' };

export default async function DatesPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId);
  if (!opened) notFound();
  const { db, records, own } = opened;
  return (
    <RoomFrame step="sort" opened={opened}>
      <StepPages scope={{ projectId, roomId }} step="sort" active="dates" />
      <h1 className="sr-only">Dates, {own.room.name}</h1>
      <DatesView
        projectId={projectId}
        roomId={own.room.id}
        things={records.things.filter((thing) => thing.roomId === own.room.id)}
        groups={own.groups}
        own={ownKindsOf(
          await listKindSizes(db),
          (await loadLearned(db, { asKept: records.project.id })).learned.sizes,
        )}
        today={today()}
      />
    </RoomFrame>
  );
}
