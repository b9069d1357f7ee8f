import { notFound } from 'next/navigation';

import {
  askPickUpAction,
  bookPickUpAction,
  cancelPickUpAction,
  changeBoxAction,
  changeDepartureAction,
  changeTripAction,
  listSlotsAction,
  planLeavingAction,
  saveLeavingTermsAction,
} from '@/app/actions/takeAway';
import { HomeFrame } from '@/app/RoomFrame';
import { tripsPageOf, waitingSharesOf } from '@/core/takeAway';
import { openHome } from '@/server/desk/openRoom';
import { leavingNames, loadLeaving } from '@/server/takeAway/leaving';
import { StepPages } from '@/ui/shell/StepPages';
import { TripsView } from '@/ui/takeAway/TripsView';

export const metadata = { title: 'Boxes and trips' };

export default async function TripsPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, ...leavingNames);
  if (!opened) notFound();
  const { records } = opened;
  const loaded = await loadLeaving(opened.db, records);
  const page = tripsPageOf(records, loaded);
  const collectors = waitingSharesOf(records.rooms, loaded).flatMap(
    ({ destination, litres, massG, piles }) =>
      destination?.collects
        ? [
            {
              id: destination.id as string,
              name: destination.name,
              feeMinor: destination.feeMinor,
              litres,
              massG,
              pileCount: piles.length,
            },
          ]
        : [],
  );
  return (
    <HomeFrame step="take-away" opened={opened}>
      <StepPages scope={{ projectId }} step="take-away" active="trips" />
      <TripsView
        projectId={projectId}
        unit={records.project.units}
        currency={records.project.currency}
        home={loaded.home}
        boxes={page.boxes}
        trips={page.trips}
        unboxedCount={page.unboxedCount}
        tooMuch={page.tooMuch}
        room={page.room}
        car={loaded.car}
        carNames={loaded.cars.map(({ name }) => name)}
        isCarUsual={loaded.isCarUsual}
        liftG={loaded.liftG}
        hourlyRateMinor={records.project.terms.hourlyRateMinor}
        departures={loaded.departures}
        collectors={collectors}
        onPlan={planLeavingAction.bind(null, projectId)}
        onBox={changeBoxAction.bind(null, projectId)}
        onTerms={saveLeavingTermsAction.bind(null, projectId)}
        onDeparture={changeDepartureAction.bind(null, projectId)}
        onTrip={changeTripAction.bind(null, projectId)}
        pickUps={{
          onSlots: listSlotsAction,
          onBook: bookPickUpAction.bind(null, projectId),
          onAsk: askPickUpAction.bind(null, projectId),
          onCancel: cancelPickUpAction.bind(null, projectId),
        }}
      />
    </HomeFrame>
  );
}
