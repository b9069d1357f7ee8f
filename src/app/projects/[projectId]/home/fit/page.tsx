import { notFound } from 'next/navigation';

import {
  addOwnedContainerAction,
  changeOwnedContainerAction,
  removeOwnedContainerAction,
} from '@/app/actions/containers';
import { listHomePlacesAction, takeFitsAction } from '@/app/actions/fit';
import { HomeFrame } from '@/app/RoomFrame';
import { openHome } from '@/server/desk/openRoom';
import { loadHomeFit } from '@/server/fit/homeFit';
import { AddOwned } from '@/ui/fit/AddOwned';
import { FitAll } from '@/ui/fit/FitAll';
import { NoContainers } from '@/ui/fit/NoContainers';
import { OpenPlaceList } from '@/ui/fit/OpenPlaceList';
import { OwnedList } from '@/ui/fit/OwnedList';
import { Leftovers } from '@/ui/shop/Leftovers';

export const metadata = { title: 'Fit, the whole home' };

export default async function HomeFitPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'fitWishes', 'giftCards', 'people', 'shortages');
  if (!opened) notFound();
  const { records } = opened;
  const { project } = records;
  const view = await loadHomeFit(opened);
  return (
    <HomeFrame
      step="fit"
      opened={opened}
      tray={
        <section>
          <h2 className="caption mb-1 font-text">In the home already</h2>
          {view.spare.length > 0 && (
            <p className="mb-1 text-[14px]">
              <b>Spare, in no fit:</b>{' '}
              {view.spare.map(({ name, count }) => `${count} × ${name}`).join(', ')}
            </p>
          )}
          <OwnedList
            owned={view.owned}
            measureUnit={project.units}
            onChange={changeOwnedContainerAction.bind(null, projectId)}
            onRemove={removeOwnedContainerAction.bind(null, projectId)}
          />
          <AddOwned
            measureUnit={project.units}
            onAdd={addOwnedContainerAction.bind(null, projectId)}
          />
        </section>
      }
    >
      <h1 className="mb-3 text-[24px]">Open places of the home</h1>
      <OpenPlaceList projectId={projectId} places={view.places} takenCount={records.fits.length} />
      {view.places.length > 0 && view.fitCount === 0 && (
        <div className="mt-3.5">
          <NoContainers currency={project.currency} />
        </div>
      )}
      <FitAll
        room={undefined}
        homeCount={view.fitCount}
        currency={project.currency}
        onHome={listHomePlacesAction.bind(null, projectId)}
        onTake={takeFitsAction.bind(null, projectId)}
      />
      <div className="mt-3.5 grid gap-3.5">
        {view.leftovers.map(({ room, leftovers }) => (
          <Leftovers
            key={room.id}
            roomName={room.name}
            leftovers={leftovers}
            rooms={records.rooms}
          />
        ))}
      </div>
    </HomeFrame>
  );
}
