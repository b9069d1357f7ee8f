import Link from 'next/link';
import { notFound } from 'next/navigation';

import { undoAction } from '@/app/actions/projects';
import { openListsOf } from '@/core/sort';
import { openRoom } from '@/server/desk/openRoom';
import { buttonClass } from '@/ui/primitives/Button';
import { StepFrame } from '@/ui/shell/StepFrame';
import { ListsView } from '@/ui/sort/ListsView';

export const metadata = { title: 'What waits' };

export default async function ListsPage({ params }: { params: Promise<{ projectId: string; roomId: string }> }) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId);
  if (!opened) notFound();
  const { records, own, here } = opened;
  return (
    <StepFrame step="sort" project={records.project} desk={opened.desk} room={own.room} progress={here.progress} undo={opened.undo} onUndo={undoAction}>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
        <h1 className="text-[24px]">What waits</h1>
        <Link className={buttonClass('quiet')} href={`/projects/${projectId}/rooms/${roomId}/sort`}>Back to the bench</Link>
      </div>
      <ListsView projectId={projectId} roomId={own.room.id} roomName={own.room.name} rooms={records.rooms.map(({ id, name }) => ({ id, name }))} lists={openListsOf(records.things, own.room)} />
    </StepFrame>
  );
}
