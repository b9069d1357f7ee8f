import { notFound } from 'next/navigation';

import { CompareScreen, type ComparePageProps } from '@/app/CompareScreen';
import { RoomFrame } from '@/app/RoomFrame';
import { openRoom } from '@/server/desk/openRoom';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Compare arrangements' };

export default async function ComparePage({
  params,
  searchParams,
}: ComparePageProps<{ projectId: string; roomId: string }>) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(
    projectId,
    roomId,
    'drafts',
    'fixtures',
    'passages',
    'people',
    'putAwayTests',
  );
  if (!opened) notFound();
  const { room } = opened.own;
  return (
    <RoomFrame step="place" opened={opened}>
      <StepPages scope={{ projectId, roomId }} step="place" active="compare" />
      <h1 className="sr-only">Two arrangements of the {room.name.toLowerCase()}, point by point</h1>
      <CompareScreen records={opened.records} scope={room.id} asked={await searchParams} />
    </RoomFrame>
  );
}
