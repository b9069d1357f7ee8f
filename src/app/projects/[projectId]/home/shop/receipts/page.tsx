import { notFound } from 'next/navigation';

import { removeReceiptAction } from '@/app/actions/shop';
import { HomeFrame } from '@/app/RoomFrame';
import { checkReceipt } from '@/core/shop';
import { openHome } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { loadPriceList } from '@/server/shop/roomShopping';
import { StepPages } from '@/ui/shell/StepPages';
import { Receipts } from '@/ui/shop/Receipts';

export const metadata = { title: 'Receipts of the home' };

export default async function ReceiptsPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'receipts');
  if (!opened) notFound();
  const { db, records } = opened;
  const { shops } = await loadPriceList(db);
  return (
    <HomeFrame step="shop" opened={opened}>
      <StepPages scope={{ projectId }} step="shop" active="receipts" />
      <h1 className="mb-3 text-[24px]">Receipts of the home</h1>
      <Receipts
        projectId={projectId}
        roomId={undefined}
        receipts={records.receipts.map((receipt) => {
          const { purchases, ...check } = checkReceipt(receipt, records.purchases);
          return { ...receipt, ...check, lineCount: purchases.length };
        })}
        shopNames={shops.map(({ name }) => name)}
        today={today()}
        currency={records.project.currency}
        onRemove={removeReceiptAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
