import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { makeMoveListAction, noteDeviationAction } from '@/app/actions/drafts';
import { keptLitresOf, keptMassGOf } from '@/core/sort';
import { LIFTING_LIMIT_G } from '@/core/things';
import { openRoom } from '@/server/desk/openRoom';
import { BASKET_LITRES } from '@/server/place/moveList';
import { MoveListView } from '@/ui/place/MoveListView';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Order of moves' };

export default async function MovesPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'moveLists');
  if (!opened) notFound();
  const { records, own } = opened;
  const bays = records.units.flatMap((unit) =>
    unit.bays.map(({ id, name }) => ({ id, name, isOwn: unit.roomId === own.room.id })),
  );
  const groups = records.groups.map((group) => ({
    id: group.id,
    name: group.name,
    litres: keptLitresOf(group, records.things),
    massG: keptMassGOf(group, records.things),
    standsBayId: group.standsBayId,
    bayId: group.bayId,
    isOwn: group.roomId === own.room.id,
  }));
  return (
    <RoomFrame step="place" opened={opened}>
      <StepPages scope={{ projectId, roomId }} step="place" active="moves" />
      <h1 className="sr-only">The order of moves in the {own.room.name.toLowerCase()}</h1>
      <MoveListView
        list={records.moveLists.find(({ id }) => id === own.room.id)}
        bays={bays}
        groups={groups}
        basketLitres={BASKET_LITRES}
        liftG={LIFTING_LIMIT_G}
        onMake={makeMoveListAction.bind(null, projectId, roomId)}
        onDeviate={noteDeviationAction.bind(null, projectId, roomId)}
      />
    </RoomFrame>
  );
}
