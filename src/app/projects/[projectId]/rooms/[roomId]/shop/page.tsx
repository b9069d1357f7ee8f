import { notFound } from 'next/navigation';

import { AnswerWhenThere } from '@/app/AnswerWhenThere';
import { openRoom } from '@/server/desk/openRoom';
import { loadLearned } from '@/server/learn/loadLearned';
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
    'clientAnswers',
    'fitWishes',
    'giftCards',
    'receipts',
    'shortages',
  );
  if (!opened) notFound();
  const prices = await loadPriceList(opened.db);
  const own = prices.shops.filter(({ currency }) => currency === opened.records.project.currency);
  const { learned } = await loadLearned(opened.db, { asKept: opened.records.project.id });
  return (
    <AnswerWhenThere
      answered={await loadShopView(opened, opened.own.room.id, prices)}
      show={(view, knownAt) => (
        <ShopScreen opened={opened} shops={own} view={view} learned={learned} knownAt={knownAt} />
      )}
    />
  );
}
