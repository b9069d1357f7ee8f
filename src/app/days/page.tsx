import {
  moveVisitAction,
  proposeDaysAction,
  removeWorkerAction,
  saveWorkerAction,
  takeDaysAction,
} from '@/app/actions/visits';
import { listWorkers } from '@/data/settingsRepo';
import { getDatabase } from '@/data/startData';
import { loadDesk } from '@/server/desk/loadDesk';
import { today } from '@/server/means';
import { listVisits } from '@/server/visits/saveVisit';
import { AllDays } from '@/ui/desk/AllDays';
import { Frame } from '@/ui/shell/Frame';
import { Lid } from '@/ui/shell/Lid';

export const metadata = { title: 'Days of all homes' };
export const dynamic = 'force-dynamic';

export default async function AllDaysPage() {
  const db = await getDatabase();
  const desk = await loadDesk(db);
  const visits = await listVisits(db);
  return (
    <Frame lid={<Lid homeName="Days" homeNote="all homes" />}>
      <AllDays
        today={today()}
        homes={desk
          .filter(({ project }) => project.status === 'active')
          .map(({ project, due }) => ({
            id: project.id,
            name: project.name,
            readyBy: project.readyBy,
            people: project.terms.days.people,
            due,
          }))}
        visits={visits}
        workers={await listWorkers(db)}
        acts={{
          onAsk: proposeDaysAction.bind(null, undefined),
          onTake: takeDaysAction,
          onMove: moveVisitAction,
          onWorker: saveWorkerAction,
          onRemoveWorker: removeWorkerAction,
        }}
      />
    </Frame>
  );
}
