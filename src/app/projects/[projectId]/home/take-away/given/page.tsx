import { notFound } from 'next/navigation';

import { correctHandoverAction, removeHandoverAction } from '@/app/actions/takeAway';
import { HomeFrame } from '@/app/RoomFrame';
import { openHome } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { givenByDestination, handedOverIn, yearOf } from '@/server/takeAway/givenFiles';
import { leavingNames } from '@/server/takeAway/leaving';
import { StepPages } from '@/ui/shell/StepPages';
import { GivenView } from '@/ui/takeAway/GivenView';

export const metadata = { title: 'Handed over' };

export default async function GivenPage({
  params,
  searchParams,
}: {
  params: Promise<{ projectId: string }>;
  searchParams: Promise<{ readonly year?: string | string[] }>;
}) {
  const { projectId } = await params;
  const opened = await openHome(projectId, ...leavingNames);
  if (!opened) notFound();
  const { handovers, project, leavings } = opened.records;
  const thisYear = Number(today().slice(0, 4));
  const asked = Number((await searchParams).year);
  const year = Number.isInteger(asked) && asked > 0 ? asked : thisYear;
  const years = [...new Set([thisYear, ...handovers.map(({ at }) => yearOf(at))])].sort();
  return (
    <HomeFrame step="take-away" opened={opened}>
      <StepPages scope={{ projectId }} step="take-away" active="given" />
      <GivenView
        projectId={projectId}
        year={year}
        years={years}
        currency={project.currency}
        hasValues={leavings[0]?.wantsValues ?? false}
        groups={givenByDestination(handedOverIn(handovers, year))}
        onCorrect={correctHandoverAction.bind(null, projectId)}
        onRemove={removeHandoverAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
