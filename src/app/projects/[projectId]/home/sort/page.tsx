import { notFound } from 'next/navigation';

import { HomeFrame } from '@/app/RoomFrame';
import { setAnswerAsideAction, takeAnswerAction } from '@/app/actions/client';
import { settleAnyDebtAction } from '@/app/actions/sessions';
import { openDebts, openListsOf } from '@/core/sort';
import { lastSeqOf } from '@/data/decisionLog';
import { askableNames } from '@/server/client/askable';
import { loadAnswersOnDesk } from '@/server/client/clientDesk';
import { openHome } from '@/server/desk/openRoom';
import { ListsView } from '@/ui/sort/ListsView';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'What waits' };

export default async function WaitingPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, ...askableNames, 'clientAnswers');
  if (!opened) notFound();
  const { db, records, stamp } = opened;
  return (
    <HomeFrame step="sort" opened={opened}>
      <StepPages scope={{ projectId }} step="sort" active="" />
      <h1 className="sr-only">What waits</h1>
      <ListsView
        projectId={projectId}
        rooms={records.rooms.map(({ id, name }) => ({ id, name }))}
        lists={openListsOf(records.things, { rooms: records.rooms }, records.carries)}
        debts={openDebts(records.carries)}
        onSettle={settleAnyDebtAction.bind(null, projectId)}
        lastSeq={await lastSeqOf(db, records.project.id)}
        clientAnswers={await loadAnswersOnDesk(db, records, stamp)}
        currency={records.project.currency}
        onTakeAnswer={takeAnswerAction.bind(null, projectId)}
        onSetAnswerAside={setAnswerAsideAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
