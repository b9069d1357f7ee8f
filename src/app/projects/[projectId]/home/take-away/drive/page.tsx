import { notFound } from 'next/navigation';

import { startTripAction } from '@/app/actions/takeAway';
import { HomeFrame } from '@/app/RoomFrame';
import { tripsPageOf } from '@/core/takeAway';
import { openHome } from '@/server/desk/openRoom';
import { leavingNames, loadLeaving } from '@/server/takeAway/leaving';
import { StepPages } from '@/ui/shell/StepPages';
import { DriveView } from '@/ui/takeAway/DriveView';

export const metadata = { title: 'On the road' };

export default async function DrivePage({
  params,
  searchParams,
}: {
  params: Promise<{ projectId: string }>;
  searchParams: Promise<{ readonly trip?: string | string[] }>;
}) {
  const { projectId } = await params;
  const { trip } = await searchParams;
  const opened = await openHome(projectId, ...leavingNames);
  if (!opened) notFound();
  const loaded = await loadLeaving(opened.db, opened.records);
  const { trips } = tripsPageOf(opened.records, loaded);
  const pilesOf = Object.fromEntries(
    trips.flatMap((each) =>
      each.stops.map(({ destination }) => [
        destination.id as string,
        loaded.leaving
          .filter(({ place }) => place?.destination.id === destination.id)
          .map(({ thing }) => ({ id: thing.id as string, name: thing.name, count: thing.count })),
      ]),
    ),
  );
  return (
    <HomeFrame step="take-away" opened={opened}>
      <StepPages scope={{ projectId }} step="take-away" active="drive" />
      <DriveView
        projectId={projectId}
        trips={trips}
        activeId={typeof trip === 'string' ? trip : undefined}
        pilesOf={pilesOf}
        unwiped={loaded.leaving
          .filter(({ needsWiping }) => needsWiping)
          .map(({ thing }) => thing.id)}
        onStart={startTripAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
