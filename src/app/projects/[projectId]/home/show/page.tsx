import { notFound } from 'next/navigation';

import { HomeFrame } from '@/app/RoomFrame';
import { openHome } from '@/server/desk/openRoom';
import { nowIso } from '@/server/means';
import { gatherHandedHome } from '@/server/show/handedHome';
import { figuresOf } from '@/server/show/clientWords';
import { StepPages } from '@/ui/shell/StepPages';
import { HomeReport } from '@/ui/show/HomeReport';

export const metadata = { title: 'Report of the home' };

export default async function HomeShowPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'fixtures');
  if (!opened) notFound();
  const page = gatherHandedHome(opened.records, { roomId: undefined, now: nowIso() });
  return (
    <HomeFrame step="show" opened={opened}>
      <StepPages scope={{ projectId }} step="show" active="" />
      <HomeReport
        projectId={projectId}
        homeName={opened.records.project.name}
        rooms={page.rooms.map((each) => ({
          id: each.room.id,
          name: each.room.name,
          pairCount: each.pairs.filter(({ before, after }) => before && after).length,
          spotCount: each.pairs.length,
          figures: figuresOf(each, page.project.currency),
        }))}
      />
    </HomeFrame>
  );
}
