import { notFound } from 'next/navigation';

import { HomeFrame } from '@/app/RoomFrame';
import { openHome } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { HomeDates } from '@/ui/count/HomeDates';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Dates of the home' };

export default async function HomeDatesPage({
  params,
}: {
  params: Promise<{ projectId: string }>;
}) {
  const { projectId } = await params;
  const opened = await openHome(projectId);
  if (!opened) notFound();
  const { rooms, things } = opened.records;
  return (
    <HomeFrame step="sort" opened={opened}>
      <StepPages scope={{ projectId }} step="sort" active="dates" />
      <h1 className="sr-only">Dates of the whole home</h1>
      <HomeDates
        projectId={projectId}
        rooms={rooms.map(({ id, name }) => ({ id, name }))}
        things={things}
        today={today()}
      />
    </HomeFrame>
  );
}
