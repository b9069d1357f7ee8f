import { notFound } from 'next/navigation';

import { moveLookAction } from '@/app/actions/again';
import { HomeFrame } from '@/app/RoomFrame';
import { findingsOfWalk } from '@/core/again';
import { looksOf } from '@/server/again/looks';
import { namesOf } from '@/server/again/names';
import { openHome } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { findingWords } from '@/ui/again/againWords';
import { LooksView } from '@/ui/again/LooksView';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Look again' };

export default async function LookAgainPage({
  params,
}: {
  params: Promise<{ projectId: string }>;
}) {
  const { projectId } = await params;
  const opened = await openHome(projectId);
  if (!opened) notFound();
  const { records } = opened;
  const names = namesOf(records);
  return (
    <HomeFrame step="look-again" opened={opened}>
      <StepPages scope={{ projectId }} step="look-again" active="" />
      <LooksView
        projectId={projectId}
        today={today()}
        looks={looksOf(records)}
        found={Object.fromEntries(
          records.reviews.map((review) => [
            review.id,
            findingsOfWalk(review).map((finding) => findingWords(finding, names)),
          ]),
        )}
        onMove={moveLookAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
