import { notFound } from 'next/navigation';

import { changeProjectAction, undoAction } from '@/app/actions/projects';
import { openRoom } from '@/server/desk/openRoom';
import { toTypedProject } from '@/ui/agree/projectForm';
import { ProjectForm } from '@/ui/agree/ProjectForm';
import { ReachNote } from '@/ui/agree/ReachNote';
import { StepFrame } from '@/ui/shell/StepFrame';
import { ProjectFiles } from '@/ui/agree/ProjectFiles';

export const metadata = { title: 'Agree' };

export default async function AgreePage({ params }: { params: Promise<{ projectId: string; roomId: string }> }) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId);
  if (!opened) notFound();
  const { records, own, here } = opened;
  const tray = <><ReachNote people={records.people} units={records.project.units} /><ProjectFiles projectId={projectId} /></>;
  return (
    <StepFrame step="agree" project={records.project} desk={opened.desk} room={own.room} progress={here.progress} undo={opened.undo} onUndo={undoAction} tray={tray}>
      <h1 className="mb-4 text-[24px]">What is agreed for {records.project.name}</h1>
      <ProjectForm key={JSON.stringify([records.project, records.people, records.rooms])} typed={toTypedProject(records.project, records.people, records.rooms)} rooms={records.rooms} submitLabel="Keep what is agreed" onSave={changeProjectAction.bind(null, projectId)} canFinish />
    </StepFrame>
  );
}
