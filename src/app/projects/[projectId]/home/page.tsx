import { notFound } from 'next/navigation';

import { HomeFrame } from '@/app/RoomFrame';
import { rankNext } from '@/core/desk';
import { loadHomePage } from '@/server/desk/homePage';
import { openHome } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { HomeView } from '@/ui/home/HomeView';

export const metadata = { title: 'The home' };

export default async function HomePage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'agreements');
  if (!opened) notFound();
  return (
    <HomeFrame step={undefined} opened={opened}>
      <HomeView
        project={opened.records.project}
        next={rankNext(opened.desk)}
        rooms={opened.records.rooms}
        facts={await loadHomePage(opened, today())}
      />
    </HomeFrame>
  );
}
