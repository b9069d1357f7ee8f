import { notFound } from 'next/navigation';

import { sayGoingOutAction, takeBackCarryAction } from '@/app/actions/sessions';
import { HomeFrame } from '@/app/RoomFrame';
import { sortResultsOf } from '@/core/count';
import { leavesHome, leavingStatesOf, sumLeaving } from '@/core/sort';
import { listDecisions } from '@/data/decisionLog';
import { openHome } from '@/server/desk/openRoom';
import { ResultsView } from '@/ui/count/ResultsView';
import { unanchoredNamesOf } from '@/server/setUp/roomSetUp';
import { NotAnchored } from '@/ui/setUp/NotAnchored';
import { Link } from '@/ui/primitives/Link';
import { stepHref } from '@/ui/shell/scope';
import { StepPages } from '@/ui/shell/StepPages';
import { GoingOut } from '@/ui/sort/GoingOut';
import { sayHowSure, wentOutOf } from '@/ui/sort/sortWords';

export const metadata = { title: 'Results of the home' };

export default async function HomeResultsPage({
  params,
}: {
  params: Promise<{ projectId: string }>;
}) {
  const { projectId } = await params;
  const opened = await openHome(projectId);
  if (!opened) notFound();
  const { db, records } = opened;
  const { things, carries } = records;
  const wentOut = wentOutOf(carries, things);
  return (
    <HomeFrame step="sort" opened={opened}>
      <StepPages scope={{ projectId }} step="sort" active="results" />
      <h1 className="sr-only">Results of the whole home</h1>
      <NotAnchored
        rooms={records.rooms.map(({ id, name }) => ({
          name,
          href: `${stepHref({ projectId, roomId: id }, 'set-up')}/units`,
          unitNames: unanchoredNamesOf(records, id),
        }))}
      />
      <ResultsView
        scope="project"
        roomName={undefined}
        results={sortResultsOf(things, await listDecisions(db, records.project.id))}
        states={sumLeaving(things, leavingStatesOf(things, carries), leavesHome)}
        weighedWords={sayHowSure(things)}
        sessions={[]}
        session={undefined}
        href={`/projects/${projectId}/home/sort/results`}
        csvHref={`/api/projects/${projectId}/csv?what=things`}
      />
      <p className="mt-3">
        <Link
          className="text-rim underline"
          href={`${stepHref({ projectId, roomId: undefined }, 'take-away')}/given`}
        >
          What was handed over, with receipts
        </Link>
      </p>
      {records.rooms.map((room) => {
        const place = { projectId, roomId: room.id };
        const ofRoom = wentOut.filter(({ carry }) => carry.roomId === room.id);
        if (ofRoom.length === 0) return null;
        return (
          <section key={room.id} aria-label={`Out of the ${room.name}`} className="mt-4">
            <h2 className="mb-2 text-[19px]">What went out of the {room.name.toLowerCase()}</h2>
            <GoingOut
              wentOut={ofRoom}
              onSay={sayGoingOutAction.bind(null, place)}
              onTakeBack={takeBackCarryAction.bind(null, place)}
            />
          </section>
        );
      })}
    </HomeFrame>
  );
}
