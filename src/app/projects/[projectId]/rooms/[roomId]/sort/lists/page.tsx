import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { settleAnyDebtAction } from '@/app/actions/sessions';
import { openDebts, openListsOf } from '@/core/sort';
import { openRoom } from '@/server/desk/openRoom';
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
  const { records, own } = opened;
  return (
    <RoomFrame step="sort" opened={opened}>
      <SortPages projectId={projectId} roomId={roomId} active="lists" />
      <h1 className="sr-only">What waits</h1>
      <ListsView
        projectId={projectId}
        roomId={own.room.id}
        roomName={own.room.name}
        rooms={records.rooms.map(({ id, name }) => ({ id, name }))}
        lists={openListsOf(records.things, own.room, records.carries)}
        debts={openDebts(records.carries)}
        onSettle={settleAnyDebtAction.bind(null, projectId)}
      />
    </RoomFrame>
  );
}
