import { notFound } from 'next/navigation';

import { decideConflictAction } from '@/app/actions/field';
import { HomeFrame } from '@/app/RoomFrame';
import { rankNext } from '@/core/desk';
import { loadHomePage } from '@/server/desk/homePage';
import { openHome } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { HomeTabs } from '@/ui/home/HomeTabs';
import { HomeTray, HomeView } from '@/ui/home/HomeView';

export const metadata = { title: 'The home' };

export default async function HomePage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'agreements', 'visits');
  if (!opened) notFound();
  const facts = await loadHomePage(opened, today());
  const { project, rooms } = opened.records;
  return (
    <HomeFrame
      step={undefined}
      opened={opened}
      tray={<HomeTray project={project} rooms={rooms} facts={facts} />}
    >
      <HomeTabs projectId={projectId} active="" />
      <HomeView
        project={project}
        next={rankNext(opened.desk)}
        rooms={rooms}
        facts={facts}
        conflicts={opened.conflicts}
        onDecide={decideConflictAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
