import { notFound } from 'next/navigation';

import { RoomFrame } from '@/app/RoomFrame';
import { sessionEvents, sortResultsOf } from '@/core/count';
import { foldDecisions, leavesHome, leavingStatesOf, sumLeaving } from '@/core/sort';
import { listDecisions } from '@/data/decisionLog';
import { listSessions } from '@/data/sessionRepo';
import { openRoom } from '@/server/desk/openRoom';
import { ResultsView } from '@/ui/count/ResultsView';
import { sayGoingOutAction, takeBackCarryAction } from '@/app/actions/sessions';
import { GoingOut } from '@/ui/sort/GoingOut';
import { sayHowSure, wentOutOf } from '@/ui/sort/sortWords';
import { unanchoredNamesOf } from '@/server/setUp/roomSetUp';
import { NotAnchored } from '@/ui/setUp/NotAnchored';
import { stepHref } from '@/ui/shell/scope';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Results' };

interface ResultsPageProps {
  readonly params: Promise<{ projectId: string; roomId: string }>;
  readonly searchParams: Promise<{ of?: string; session?: string }>;
}

export default async function ResultsPage({ params, searchParams }: ResultsPageProps) {
  const { projectId, roomId } = await params;
  const asked = await searchParams;
  const opened = await openRoom(projectId, roomId);
  if (!opened) notFound();
  const { db, records, own } = opened;
  const sessions = await listSessions(db, own.room.id);
  const usualScope = asked.of === 'session' || sessions.length > 0 ? 'session' : 'room';
  const scope = asked.of === 'room' ? 'room' : usualScope;
  const place = { projectId, roomId };
  const session = sessions.find(({ id }) => id === asked.session) ?? sessions.at(-1);
  const log = await listDecisions(db, records.project.id);
  const ofSession = session ? sessionEvents(log, session) : [];
  const inRoom = new Set(own.things.map(({ id }) => id));
  const { things, events } = {
    session: { things: foldDecisions(ofSession), events: ofSession },
    room: { things: own.things, events: log.filter(({ thingId }) => inRoom.has(thingId)) },
  }[scope];
  return (
    <RoomFrame step="sort" opened={opened}>
      <StepPages scope={{ projectId, roomId }} step="sort" active="results" />
      <h1 className="sr-only">Results of sorting</h1>
      <NotAnchored
        rooms={[
          {
            name: own.room.name,
            href: `${stepHref({ projectId, roomId }, 'set-up')}/units`,
            unitNames: unanchoredNamesOf(records, own.room.id),
          },
        ]}
      />
      <ResultsView
        scope={scope}
        roomName={own.room.name}
        results={sortResultsOf(things, events)}
        states={sumLeaving(things, leavingStatesOf(records.things, records.carries), leavesHome)}
        weighedWords={sayHowSure(things)}
        sessions={sessions}
        session={session}
        href={`/projects/${projectId}/rooms/${roomId}/sort/results`}
        csvHref={`/api/projects/${projectId}/csv?what=things`}
      />
      <section aria-label="What went out" className="mt-4">
        <h2 className="mb-2 text-[19px]">What went out of this room</h2>
        <GoingOut
          wentOut={wentOutOf(own.carries, own.things)}
          onSay={sayGoingOutAction.bind(null, place)}
          onTakeBack={takeBackCarryAction.bind(null, place)}
        />
      </section>
    </RoomFrame>
  );
}
