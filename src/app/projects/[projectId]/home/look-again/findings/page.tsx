import { notFound } from 'next/navigation';

import { takeMendingAction } from '@/app/actions/again';
import { HomeFrame } from '@/app/RoomFrame';
import { isWorthTaking, type Finding } from '@/core/again';
import { draftScopeOf, findingsToMend, mendNames } from '@/server/again/mend';
import { namesOf } from '@/server/again/names';
import { openHome } from '@/server/desk/openRoom';
import { effectWords, findingWords } from '@/ui/again/againWords';
import { FindingsView } from '@/ui/again/FindingsView';
import { stepHref } from '@/ui/shell/scope';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'What was found' };

export default async function FindingsPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, ...mendNames);
  if (!opened) notFound();
  const { records } = opened;
  const names = namesOf(records);
  const { open, held } = await findingsToMend(opened.db, records);
  const roomOf = (finding: Finding): string | undefined => {
    const bayId = 'bayId' in finding ? finding.bayId : undefined;
    return records.units.find(({ bays }) => bays.some(({ id }) => id === bayId))?.roomId;
  };
  const home = { projectId };
  return (
    <HomeFrame step="look-again" opened={opened}>
      <StepPages scope={home} step="look-again" active="findings" />
      <FindingsView
        open={open.map(({ key, finding, mended, ways }) => {
          const roomId = roomOf(finding);
          const scope = roomId === undefined ? home : { projectId, roomId };
          const moves = ways.find(({ effect }) => effect.code === 'moves')?.effect;
          const draftRoomId = moves?.code === 'moves' ? draftScopeOf(moves.places, records) : null;
          const bayId = 'bayId' in finding ? finding.bayId : undefined;
          const found = 'litresFound' in finding ? finding.litresFound : null;
          return {
            key,
            words: findingWords(finding, names),
            mended,
            ways: ways.map(({ mending, effect }) => ({
              mending,
              effect: effectWords(effect, names),
              canTake: isWorthTaking(effect),
            })),
            hrefs: {
              enough: `${stepHref(home, 'sort')}/count`,
              refit: `${stepHref(scope, 'fit')}?bay=${bayId ?? ''}${found === null ? '' : `&found=${found}`}`,
              join: stepHref(scope, 'place'),
              give_back: stepHref(scope, 'shop'),
              ...(roomId === undefined
                ? {}
                : {
                    label: `${stepHref(scope, 'set-up')}/labels`,
                    picture: `${stepHref(scope, 'set-up')}/labels`,
                  }),
            },
            compareHref: `${stepHref(draftRoomId === null ? home : { projectId, roomId: draftRoomId }, 'place')}/compare`,
          };
        })}
        held={held.map(({ key, finding, mended }) => ({
          key,
          mended,
          words: findingWords(finding, names),
        }))}
        onTake={takeMendingAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
