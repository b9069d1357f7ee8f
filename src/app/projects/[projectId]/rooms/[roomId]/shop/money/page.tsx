import { notFound } from 'next/navigation';

import { undoAction } from '@/app/actions/projects';
import { openRoom } from '@/server/desk/openRoom';
import { loadHomeMoney } from '@/server/shop/homeMoney';
import { hoursWords } from '@/ui/agree/agreeWords';
import { MoneyView } from '@/ui/shop/MoneyView';
import { ShopPages } from '@/ui/shop/ShopPages';
import { StepFrame } from '@/ui/shell/StepFrame';

export const metadata = { title: 'Money of the home' };

export default async function MoneyPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId, 'approvals', 'giftCards');
  if (!opened) notFound();
  const { db, records, own, here } = opened;
  const { rooms, fee, ...money } = await loadHomeMoney(db, records);
  return (
    <StepFrame
      step="shop"
      project={records.project}
      desk={opened.desk}
      room={own.room}
      progress={here.progress}
      undo={opened.undo}
      onUndo={undoAction}
    >
      <ShopPages projectId={projectId} roomId={roomId} active="money" />
      <h1 className="mb-3 text-[24px]">Money of the home</h1>
      <MoneyView
        {...money}
        rooms={rooms.map(({ room, sums, isShort }) => ({
          name: room.name,
          href: `/projects/${projectId}/rooms/${room.id}/shop`,
          sums,
          isShort,
        }))}
        fee={{ ...fee, hoursWords: hoursWords(fee.workedMinutes) }}
        currency={records.project.currency}
      />
    </StepFrame>
  );
}
