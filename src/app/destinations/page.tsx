import {
  removeCarAction,
  removeDestinationAction,
  saveBetweenAction,
  saveCarAction,
  saveDestinationAction,
  saveFairValuesAction,
} from '@/app/actions/destinations';
import { listCars, listFairValues } from '@/data/settingsRepo';
import { getDatabase } from '@/data/startData';
import { listDestinations } from '@/server/takeAway/leaving';
import { Frame } from '@/ui/shell/Frame';
import { KeptStatus } from '@/ui/shell/KeptStatus';
import { Lid } from '@/ui/shell/Lid';
import { DestinationsView } from '@/ui/takeAway/DestinationsView';

export const metadata = { title: 'Destinations' };
export const dynamic = 'force-dynamic';

export default async function DestinationsPage() {
  const db = await getDatabase();
  return (
    <Frame
      lid={
        <Lid homeName="Destinations" homeNote="for every home">
          <KeptStatus />
        </Lid>
      }
    >
      <DestinationsView
        destinations={await listDestinations(db)}
        cars={await listCars(db)}
        values={await listFairValues(db)}
        onSave={saveDestinationAction}
        onRemove={removeDestinationAction}
        onBetween={saveBetweenAction}
        onCar={saveCarAction}
        onRemoveCar={removeCarAction}
        onValues={saveFairValuesAction}
      />
    </Frame>
  );
}
