import { notFound } from 'next/navigation';

import { noteFetchAction, noteSaleAction, removeSaleAction } from '@/app/actions/takeAway';
import { HomeFrame } from '@/app/RoomFrame';
import { promisedOf, salesOf, soldMinorOf } from '@/core/takeAway';
import { openHome } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { leavingNames, loadLeaving } from '@/server/takeAway/leaving';
import { StepPages } from '@/ui/shell/StepPages';
import { SoldView } from '@/ui/takeAway/SoldView';

export const metadata = { title: 'Sold and promised' };

export default async function SoldPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, ...leavingNames);
  if (!opened) notFound();
  const { records } = opened;
  const { leaving } = await loadLeaving(opened.db, records);
  return (
    <HomeFrame step="take-away" opened={opened}>
      <StepPages scope={{ projectId }} step="take-away" active="sold" />
      <SoldView
        projectId={projectId}
        unit={records.project.units}
        currency={records.project.currency}
        sales={salesOf({ ...records, leaving }, today())}
        people={promisedOf({ ...records, leaving }, today())}
        soldMinor={soldMinorOf(records.sales)}
        onSale={noteSaleAction.bind(null, projectId)}
        onRemoveSale={removeSaleAction.bind(null, projectId)}
        onFetch={noteFetchAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
