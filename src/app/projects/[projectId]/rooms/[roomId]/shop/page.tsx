import { notFound } from 'next/navigation';

import { AnswerWhenThere } from '@/app/AnswerWhenThere';
import { openRoom } from '@/server/desk/openRoom';
import { loadPriceList } from '@/server/shop/roomShopping';
import { loadShopView } from '@/server/shop/shopView';
import { ShopScreen } from './ShopScreen';

export const metadata = { title: 'Shop' };

export default async function ShopPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(
    projectId,
    roomId,
    'approvals',
    'fitWishes',
    'giftCards',
    'receipts',
    'shortages',
  );
  if (!opened) notFound();
  const prices = await loadPriceList(opened.db);
  const own = prices.shops.filter(({ currency }) => currency === opened.records.project.currency);
  return (
    <AnswerWhenThere
      answered={await loadShopView(opened, opened.own.room.id, prices)}
      show={(view, knownAt) => (
        <ShopScreen opened={opened} shops={own} view={view} knownAt={knownAt} />
      )}
    />
  );
}
