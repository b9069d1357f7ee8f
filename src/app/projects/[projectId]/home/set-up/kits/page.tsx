import { notFound } from 'next/navigation';

import { keepKitAction, packKitAction, removeKitAction } from '@/app/actions/cards';
import { HomeFrame } from '@/app/RoomFrame';
import { openHome } from '@/server/desk/openRoom';
import { KitsView } from '@/ui/setUp/KitsView';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Kits' };

export default async function KitsPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'kits');
  if (!opened) notFound();
  return (
    <HomeFrame step="set-up" opened={opened}>
      <StepPages scope={{ projectId }} step="set-up" active="kits" />
      <KitsView
        kits={opened.records.kits}
        people={opened.records.people}
        cardHref={`/api/projects/${projectId}/cards?what=kit&id=%`}
        onKit={keepKitAction.bind(null, projectId)}
        onPack={packKitAction.bind(null, projectId)}
        onRemove={removeKitAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
