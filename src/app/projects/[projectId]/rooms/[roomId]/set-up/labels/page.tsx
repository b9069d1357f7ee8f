import { notFound } from 'next/navigation';

import {
  askPrinterAction,
  changeLabelAction,
  changeStockAction,
  giveMarkAction,
  makeAgainAction,
  noteMadeAction,
  sendLabelsAction,
  setSettlesAction,
  takeBackAction,
  toggleCellAction,
} from '@/app/actions/labels';
import { RoomFrame } from '@/app/RoomFrame';
import { openRoom } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { labelsOf } from '@/server/setUp/labels';
import { loadLearned } from '@/server/learn/loadLearned';
import { LearntNote } from '@/ui/learn/LearntNote';
import { labelNotes } from '@/ui/learn/learnWords';
import { LabelsView } from '@/ui/setUp/LabelsView';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Labels' };

export default async function LabelsPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId);
  if (!opened) notFound();
  const { records, own } = opened;
  const labels = labelsOf(records, own.room.id);
  const { begun } = records.project.terms.labels;
  const notes = labelNotes(
    (await loadLearned(opened.db, { asKept: opened.records.project.id })).learned,
  );
  return (
    <RoomFrame
      step="set-up"
      opened={opened}
      tray={notes.length > 0 && <LearntNote notes={notes} />}
    >
      <StepPages scope={{ projectId, roomId }} step="set-up" active="labels" />
      <LabelsView
        {...labels}
        roomName={own.room.name}
        begun={begun.filter(({ gridId }) => gridId === labels.stock.gridId).map(({ used }) => used)}
        people={records.people}
        today={today()}
        filesHref={`/api/projects/${projectId}/labels?room=${roomId}`}
        onLabel={changeLabelAction.bind(null, projectId, roomId)}
        onSettles={setSettlesAction.bind(null, projectId, roomId)}
        onMade={noteMadeAction.bind(null, projectId, roomId)}
        onAgain={makeAgainAction.bind(null, projectId, roomId)}
        onStock={changeStockAction.bind(null, projectId)}
        onCell={toggleCellAction.bind(null, projectId)}
        onMark={giveMarkAction.bind(null, projectId)}
        onSend={sendLabelsAction.bind(null, projectId, roomId)}
        onAsk={askPrinterAction.bind(null, projectId, roomId)}
        onTakeBack={takeBackAction.bind(null, projectId, roomId)}
      />
    </RoomFrame>
  );
}
