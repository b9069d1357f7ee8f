import { notFound } from 'next/navigation';

import { CompareScreen, type ComparePageProps } from '@/app/CompareScreen';
import { HomeFrame } from '@/app/RoomFrame';
import { openHome } from '@/server/desk/openRoom';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Compare arrangements of the home' };

export default async function HomeComparePage({
  params,
  searchParams,
}: ComparePageProps<{ projectId: string }>) {
  const { projectId } = await params;
  const opened = await openHome(
    projectId,
    'drafts',
    'fixtures',
    'passages',
    'people',
    'putAwayTests',
  );
  if (!opened) notFound();
  return (
    <HomeFrame step="place" opened={opened}>
      <StepPages scope={{ projectId }} step="place" active="compare" />
      <h1 className="sr-only">Two arrangements of the whole home, point by point</h1>
      <CompareScreen records={opened.records} scope={null} asked={await searchParams} />
    </HomeFrame>
  );
}
