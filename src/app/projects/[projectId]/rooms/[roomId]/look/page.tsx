import Link from 'next/link';
import { notFound } from 'next/navigation';

import { addVantagePointAction, removePictureAction, removeVantagePointAction } from '@/app/actions/look';
import { changeRoomAction, undoAction } from '@/app/actions/projects';
import { openRoom } from '@/server/desk/openRoom';
import { LookTray } from '@/ui/look/LookTray';
import { FrontDrawing } from '@/ui/look/FrontDrawing';
import { RoomPurpose } from '@/ui/look/RoomPurpose';
import { VantagePoints } from '@/ui/look/VantagePoints';
import { buttonClass } from '@/ui/primitives/Button';
import { StepFrame } from '@/ui/shell/StepFrame';

export const metadata = { title: 'Look' };

export default async function LookPage({ params }: { params: Promise<{ projectId: string; roomId: string }> }) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId);
  if (!opened) notFound();
  const { records, own, here } = opened;
  const vantagePoints = records.vantagePoints.filter((vantagePoint) => vantagePoint.roomId === roomId);
  const base = `/projects/${projectId}/rooms/${roomId}/look`;
  return (
    <StepFrame step="look" project={records.project} desk={opened.desk} room={own.room} progress={here.progress} undo={opened.undo} onUndo={undoAction} tray={<LookTray units={own.units} base={base} />}>
      <RoomPurpose room={own.room} onSave={changeRoomAction.bind(null, projectId, roomId)} />
      <section aria-label="Units" className="panel squared mt-3 overflow-x-auto border-t-4 border-t-rim p-3 print:border-0">
        {own.units.length > 0 ? (
          <FrontDrawing units={own.units} measureUnit={records.project.units} box={{ widthPx: 826, heightPx: 430 }} />
        ) : (
          <p className="max-w-[56ch] py-8 text-[17px]">Measure every place things can live. Begin with one cupboard or shelf; it is drawn to scale as you type.</p>
        )}
      </section>
      <p className="no-print mt-2"><Link className={buttonClass(own.units.length === 0 ? 'main' : 'quiet')} href={`${base}/units/new`}>Measure a unit</Link></p>
      <h2 className="mt-5 mb-2 text-[18px]">Pictures from the same spots</h2>
      <VantagePoints projectId={projectId} vantagePoints={vantagePoints} pictures={records.pictures} shownMoments={['before', 'emptied', 'after']} onAdd={addVantagePointAction.bind(null, projectId, roomId)} onRemove={removeVantagePointAction.bind(null, projectId)} onRemovePicture={removePictureAction.bind(null, projectId)} />
    </StepFrame>
  );
}
