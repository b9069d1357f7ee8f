import { notFound } from 'next/navigation';

import { makeMoveListAction, noteDeviationAction, tickMoveAction } from '@/app/actions/drafts';
import { undoAction } from '@/app/actions/projects';
import { keptLitresOf, keptMassGOf, LIFTING_LIMIT_G } from '@/core/sort';
import { openRoom } from '@/server/desk/openRoom';
import { BASKET_LITRES } from '@/server/place/moveList';
import { MoveListView } from '@/ui/place/MoveListView';
import { PlacePages } from '@/ui/place/PlacePages';
import { StepFrame } from '@/ui/shell/StepFrame';

export const metadata = { title: 'Order of moves' };

export default async function MovesPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'moveLists');
  if (!opened) notFound();
  const { records, own, here } = opened;
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
    <StepFrame
      step="place"
      project={records.project}
      desk={opened.desk}
      room={own.room}
      progress={here.progress}
      undo={opened.undo}
      onUndo={undoAction}
    >
      <PlacePages projectId={projectId} roomId={roomId} active="moves" />
      <h1 className="sr-only">The order of moves in the {own.room.name.toLowerCase()}</h1>
      <MoveListView
        list={records.moveLists.find(({ id }) => id === own.room.id)}
        bays={bays}
        groups={groups}
        basketLitres={BASKET_LITRES}
        liftG={LIFTING_LIMIT_G}
        onMake={makeMoveListAction.bind(null, projectId, roomId)}
        onTick={tickMoveAction.bind(null, projectId, roomId)}
        onDeviate={noteDeviationAction.bind(null, projectId, roomId)}
      />
    </StepFrame>
  );
}
