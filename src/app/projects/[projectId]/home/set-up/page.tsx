import { notFound } from 'next/navigation';

import { HomeFrame } from '@/app/RoomFrame';
import { openHome } from '@/server/desk/openRoom';
import { homeSetUpOf } from '@/server/setUp/roomSetUp';
import { HomeSetUp } from '@/ui/setUp/HomeSetUp';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Set up' };

export default async function HomeSetUpPage({
  params,
}: {
  params: Promise<{ projectId: string }>;
}) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'routines');
  if (!opened) notFound();
  return (
    <HomeFrame step="set-up" opened={opened}>
      <StepPages scope={{ projectId }} step="set-up" active="" />
      <HomeSetUp projectId={projectId} rooms={homeSetUpOf(opened.records)} />
    </HomeFrame>
  );
}
