import { notFound } from 'next/navigation';

import { soldMinorOf } from '@/core/takeAway';
import { HomeFrame } from '@/app/RoomFrame';
import { openHome, type OpenHome } from '@/server/desk/openRoom';
import {
  loadHomeFacts,
  loadRoomsMoney,
  sumHomeMoney,
  type HomeMoney,
} from '@/server/shop/homeMoney';
import { loadPriceList } from '@/server/shop/roomShopping';
import { KnownNote } from '@/ui/shell/KnownNote';
import { AnswerWhenThere } from '@/app/AnswerWhenThere';
import { hoursWords } from '@/ui/agree/agreeWords';
import { MoneyView } from '@/ui/shop/MoneyView';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Money of the home' };

export default async function MoneyPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(
    projectId,
    'approvals',
    'giftCards',
    'sales',
    'shortages',
    'visits',
  );
  if (!opened) notFound();
  const { db, records } = opened;
  const prices = await loadPriceList(db);
  const facts = await loadHomeFacts(db, records, prices);
  return (
    <AnswerWhenThere
      answered={await loadRoomsMoney(opened, prices)}
      show={(rooms, knownAt) => (
        <MoneyScreen opened={opened} view={sumHomeMoney(records, rooms, facts)} knownAt={knownAt} />
      )}
    />
  );
}

interface MoneyScreenProps {
  readonly opened: OpenHome<'approvals' | 'giftCards' | 'sales'>;
  readonly view: HomeMoney;
  readonly knownAt: string | undefined;
}

function MoneyScreen({ opened, view, knownAt }: MoneyScreenProps) {
  const { records } = opened;
  const projectId = records.project.id;
  const { rooms, fee, ...money } = view;
  return (
    <HomeFrame step="shop" opened={opened}>
      <StepPages scope={{ projectId }} step="shop" active="money" />
      <h1 className="mb-3 text-[24px]">Money of the home</h1>
      {knownAt !== undefined && <KnownNote knownAt={knownAt} />}
      <MoneyView
        {...money}
        soldMinor={soldMinorOf(records.sales)}
        rooms={rooms.map(({ room, sums, isShort }) => ({
          name: room.name,
          href: `/projects/${projectId}/rooms/${room.id}/shop`,
          sums,
          isShort,
        }))}
        fee={{ ...fee, hoursWords: hoursWords(fee.workedMinutes) }}
        currency={records.project.currency}
      />
    </HomeFrame>
  );
}
