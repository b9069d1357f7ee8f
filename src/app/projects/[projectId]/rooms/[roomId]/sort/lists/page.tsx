import { notFound } from 'next/navigation';

import { undoAction } from '@/app/actions/projects';
import { openListsOf } from '@/core/sort';
import { openRoom } from '@/server/desk/openRoom';
import { StepFrame } from '@/ui/shell/StepFrame';
import { ListsView } from '@/ui/sort/ListsView';
import { SortPages } from '@/ui/sort/SortPages';

export const metadata = { title: 'What waits' };

export default async function ListsPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId);
  if (!opened) notFound();
  const { records, own, here } = opened;
  return (
    <StepFrame
      step="sort"
      project={records.project}
      desk={opened.desk}
      room={own.room}
      progress={here.progress}
      undo={opened.undo}
      onUndo={undoAction}
    >
      <SortPages projectId={projectId} roomId={roomId} active="lists" />
      <h1 className="sr-only">What waits</h1>
      <ListsView
        projectId={projectId}
        roomId={own.room.id}
        roomName={own.room.name}
        rooms={records.rooms.map(({ id, name }) => ({ id, name }))}
        lists={openListsOf(records.things, own.room)}
      />
    </StepFrame>
  );
}
