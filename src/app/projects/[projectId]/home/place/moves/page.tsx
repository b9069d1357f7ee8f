import { notFound } from 'next/navigation';

import { arrangeAction } from '@/app/actions/drafts';
import { HomeFrame } from '@/app/RoomFrame';
import { joinMovesByWay } from '@/core/place';
import { openHome, type OpenHome } from '@/server/desk/openRoom';
import { standingsOf } from '@/server/place/standings';
import { BASKET_LITRES } from '@/server/place/moveList';
import { HomeMoves } from '@/ui/place/HomeMoves';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Moves of the home' };

export default async function HomeMovesPage({
  params,
}: {
  params: Promise<{ projectId: string }>;
}) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'moveLists');
  if (!opened) notFound();
  return (
    <HomeFrame step="place" opened={opened}>
      <StepPages scope={{ projectId }} step="place" active="moves" />
      <h1 className="sr-only">Moves of the whole home</h1>
      <MovesScreen records={opened.records} />
    </HomeFrame>
  );
}

function MovesScreen({ records }: { records: OpenHome<'moveLists'>['records'] }) {
  const { project, rooms, units, moveLists } = records;
  const standings = standingsOf(records);
  const { liftLimitG } = project.terms;
  return (
    <HomeMoves
      projectId={project.id}
      rooms={rooms.map(({ id, name }) => ({
        id,
        name,
        baskets: moveLists.find((list) => list.id === id),
        ownCount: standings.filter(
          ({ from, to }) => to?.roomId === id && from?.roomId === id && from.bayId !== to.bayId,
        ).length,
      }))}
      ways={joinMovesByWay(standings, { liftG: liftLimitG, basketLitres: BASKET_LITRES })}
      bayNames={Object.fromEntries(
        units.flatMap((unit) =>
          unit.bays.map((bay) => [bay.id, `${bay.name}, ${unit.name}`] as const),
        ),
      )}
      liftG={liftLimitG}
      onMoved={arrangeAction.bind(null, project.id, null, 'today')}
    />
  );
}
