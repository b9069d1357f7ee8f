import { notFound } from 'next/navigation';

import { addGroupAction, placeGroupAction } from '@/app/actions/groups';
import { undoAction } from '@/app/actions/projects';
import { usableLitresOf } from '@/core/look';
import { listDecisions } from '@/data/decisionLog';
import { openRoom } from '@/server/desk/openRoom';
import { StepFrame } from '@/ui/shell/StepFrame';
import { RoomMap } from '@/ui/sort/RoomMap';
import { SortBench } from '@/ui/sort/SortBench';
import { SortTray } from '@/ui/sort/SortTray';

export const metadata = { title: 'Sort' };

export default async function SortPage({ params }: { params: Promise<{ projectId: string; roomId: string }> }) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId);
  if (!opened) notFound();
  const { db, records, own, here } = opened;
  const bays = own.units.flatMap((unit) => unit.bays).filter((bay) => !bay.outOfScope);
  return (
    <StepFrame step="sort" project={records.project} desk={opened.desk} room={own.room} progress={here.progress} undo={opened.undo} onUndo={undoAction} tray={<SortTray things={own.things} progress={here.progress} />}>
      <h1 className="sr-only">Sort {own.room.name}</h1>
      <SortBench
        key={roomId}
        projectId={projectId}
        roomId={own.room.id}
        log={await listDecisions(db, records.project.id, own.room.id)}
        groups={records.groups}
        otherThings={records.things.filter((thing) => thing.roomId !== own.room.id)}
        units={own.units}
        otherRoomNames={records.rooms.filter(({ id }) => id !== own.room.id).map(({ name }) => name)}
        roomLitres={bays.reduce((sum, bay) => sum + usableLitresOf(bay), 0)}
        onAddGroup={addGroupAction.bind(null, projectId, roomId)}
        onPlaceGroup={placeGroupAction.bind(null, projectId)}
      />
      <RoomMap units={own.units} groups={own.groups} things={records.things} />
    </StepFrame>
  );
}
