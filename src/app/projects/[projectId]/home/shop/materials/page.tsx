import { notFound } from 'next/navigation';

import { HomeFrame } from '@/app/RoomFrame';
import { openHome } from '@/server/desk/openRoom';
import { StepPages } from '@/ui/shell/StepPages';
import { HomeMaterials } from '@/ui/shop/HomeMaterials';

export const metadata = { title: 'Materials of the home' };

export default async function HomeMaterialsPage({
  params,
}: {
  params: Promise<{ projectId: string }>;
}) {
  const { projectId } = await params;
  const opened = await openHome(projectId);
  if (!opened) notFound();
  const { rooms, materials } = opened.records;
  return (
    <HomeFrame step="shop" opened={opened}>
      <StepPages scope={{ projectId }} step="shop" active="materials" />
      <h1 className="mb-3 text-[24px]">Materials of the home</h1>
      <HomeMaterials
        projectId={projectId}
        rooms={rooms.map(({ id, name }) => ({
          id,
          name,
          materials: materials.find((each) => each.id === id),
        }))}
      />
    </HomeFrame>
  );
}
