import { notFound } from 'next/navigation';

import { choosePlaceAction, noteWipedAction, saveWayAction } from '@/app/actions/takeAway';
import { HomeFrame } from '@/app/RoomFrame';
import { goesBackToShops, waitingSharesOf } from '@/core/takeAway';
import { openHome } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { leavingNames, loadLeaving } from '@/server/takeAway/leaving';
import { StepPages } from '@/ui/shell/StepPages';
import { TakeAwayView } from '@/ui/takeAway/TakeAwayView';

export const metadata = { title: 'Take away' };

export default async function TakeAwayPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, ...leavingNames);
  if (!opened) notFound();
  const { records } = opened;
  const loaded = await loadLeaving(opened.db, records);
  return (
    <HomeFrame step="take-away" opened={opened}>
      <StepPages scope={{ projectId }} step="take-away" active="" />
      <TakeAwayView
        projectId={projectId}
        unit={records.project.units}
        shares={waitingSharesOf(records.rooms, loaded)}
        returns={goesBackToShops(records, today())}
        hasDestinations={loaded.destinations.length > 0}
        onChoose={choosePlaceAction.bind(null, projectId)}
        onWay={saveWayAction.bind(null, projectId)}
        onWiped={noteWipedAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
